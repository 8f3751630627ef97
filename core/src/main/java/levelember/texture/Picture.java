package levelember.texture;

/**
 * A picture of linear colours, rows from the top, three floats a pixel.
 *
 * @param width pixels, 1 or more
 * @param height pixels, 1 or more
 * @param rgb red, green, blue of every pixel
 */
public record Picture(int width, int height, float[] rgb) {
  public Picture {
    if (width < 1 || height < 1 || (long) width * height * 3 != rgb.length) {
      throw new IllegalArgumentException(
          "a picture of " + width + "×" + height + " cannot have " + rgb.length + " values");
    }
  }

  public static Picture black(int width, int height) {
    return new Picture(width, height, new float[Math.multiplyExact(3, width * height)]);
  }

  public void set(int x, int y, double r, double g, double b) {
    int at = 3 * (y * width + x);
    rgb[at] = (float) r;
    rgb[at + 1] = (float) g;
    rgb[at + 2] = (float) b;
  }

  /** A channel of a pixel: 0 red, 1 green, 2 blue. */
  public float get(int x, int y, int channel) {
    return rgb[3 * (y * width + x) + channel];
  }
}
