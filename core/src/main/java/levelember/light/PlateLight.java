package levelember.light;

import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import levelember.texture.Texels;

/**
 * A backdrop picture behind everything that the camera sees, cut to fill the frame. It lights
 * nothing.
 */
public final class PlateLight extends LightSource {
  private final Texels texels;
  private final double aspect;

  public PlateLight(Light light, Picture picture) {
    super(light.id(), true);
    texels = Texels.of(picture);
    aspect = (double) picture.width() / picture.height();
  }

  /**
   * Fills in what is seen at a place of the frame.
   *
   * @param x from the left, 0…1
   * @param y from the top, 0…1
   * @param frame width over height of the frame
   */
  public void seen(double x, double y, double frame, LightSample to) {
    double across = Math.min(1, frame / aspect), down = Math.min(1, aspect / frame);
    texels.look(
        (float) (0.5 + (x - 0.5) * across),
        (float) (0.5 + (y - 0.5) * down),
        Texels.CLAMP,
        to.colour);
    to.r = to.colour[0];
    to.g = to.colour[1];
    to.b = to.colour[2];
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    return false;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    return false;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    return false;
  }

  @Override
  public float importance(float px, float py, float pz) {
    return 0;
  }

  @Override
  public boolean hittable() {
    return false;
  }
}
