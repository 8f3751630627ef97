package levelember.light;

import levelember.math.Vec3;

/** What a light answers; one object a thread, filled anew at each call. */
public final class LightSample {
  /** Unit direction from the lit point towards the light. */
  public float x, y, z;

  /** Metres to the light along the direction; infinite for surroundings. */
  public float distance;

  /** Radiance along the direction at unit value, cd/m²; for a point, cd/distance². */
  public float r, g, b;

  /** Density per steradian; for a point, which no other technique finds, 1. */
  public float pdf;

  /** The light cannot be met by chance. */
  public boolean delta;

  /** Of an emissive light: the triangle that was sampled, and the weights of two of its corners. */
  public int triangle;

  public float second, third;

  /** Which of the parts chosen last is drawn next. */
  public int part;

  /**
   * Where on a rectangle's plane a sample lies, by its sides from the foot of the point, metres.
   */
  double faceX, faceY;

  /** Place on a surrounding picture, pixels from its left and upper edge. */
  double pictureX, pictureY;

  final float[] colour = new float[3];
  public final LightTree.Sample chosen = new LightTree.Sample();

  void white(float value) {
    r = g = b = value;
  }

  /** Sets the direction towards the light. */
  void towards(Vec3 direction) {
    x = (float) direction.x();
    y = (float) direction.y();
    z = (float) direction.z();
  }
}
