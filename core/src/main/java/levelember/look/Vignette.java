package levelember.look;

/**
 * Darkening towards the corners, a Gaussian of the distance from the middle: {@code stops} at the
 * corners.
 *
 * @param stops that the corners lose
 */
record Vignette(double stops) implements RowStage {
  @Override
  public Pass sized(int width, int height) {
    // The Gaussian of the plane is the product of those of both sides.
    float[] across = along(width, width, height), down = along(height, width, height);
    return (row, y) -> row.multiply(across, down[y]);
  }

  private float[] along(int side, int width, int height) {
    double corner = 0.25 * ((double) width * width + (double) height * height);
    float[] to = new float[side];
    for (int i = 0; i < side; i++) {
      double d = i + 0.5 - side / 2.0;
      to[i] = (float) StrictMath.pow(2, -stops * d * d / corner);
    }
    return to;
  }
}
