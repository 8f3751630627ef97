package levelember.light;

import levelember.shoot.Emitter;
import levelember.shoot.Light;

/**
 * All pieces of one material, shining 1 cd/m² from their outsides. Found where paths meet the
 * pieces; the pieces themselves are traced as the set.
 */
public final class EmissiveLight extends LightSource {
  private final String material;

  public EmissiveLight(Light light, Emitter.Emissive e) {
    super(light.id(), light.seenByCamera());
    material = e.material();
  }

  public String material() {
    return material;
  }

  @Override
  public boolean draw(float px, float py, float pz, float u, float v, LightRay to) {
    return false;
  }

  @Override
  public boolean meets(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, LightRay to) {
    return false;
  }
}
