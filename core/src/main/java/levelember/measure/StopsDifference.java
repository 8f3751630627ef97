package levelember.measure;

import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * By how many stops one picture is brighter than another, pixel by pixel, as colours: from black
 * over teal where it is darker, grey where both are alike, over ember to white where it is
 * brighter. Darker is always the darker colour, so that it reads without seeing hues.
 */
public final class StopsDifference {
  /** Difference that has the outermost colours. */
  public static final int MOST = 4;

  /** Luminance, of full scale, under which both count as black. */
  private static final double BLACK = 1e-4;

  /** Red, green and blue at −4, −2, 0, 2 and 4 stops. */
  private static final int[][] COLOURS = {
    {8, 14, 20}, {22, 84, 92}, {118, 118, 118}, {236, 110, 66}, {255, 236, 214}
  };

  private StopsDifference() {}

  /**
   * Colours of the difference, three bytes a pixel.
   *
   * @param fullScale luminance that is shown as 1.0, cd/m²
   * @throws IllegalArgumentException when the sizes differ
   */
  public static byte[] codes(Picture of, Picture over, double fullScale) {
    if (of.width() != over.width() || of.height() != over.height()) {
      throw new IllegalArgumentException("pictures of one size, not of two");
    }
    byte[] to = new byte[of.rgb().length];
    double black = BLACK * fullScale;
    IntStream.range(0, of.height())
        .parallel()
        .forEach(y -> {
          for (int x = 0; x < of.width(); x++) {
            int at = 3 * (y * of.width() + x);
            put(stops(luminance(of, at) + black, luminance(over, at) + black), to, at);
          }
        });
    return to;
  }

  private static double luminance(Picture of, int at) {
    return Math.max(0, Colour.luminance(of.rgb()[at], of.rgb()[at + 1], of.rgb()[at + 2]));
  }

  private static double stops(double a, double b) {
    return StrictMath.log(a / b) / StrictMath.log(2);
  }

  private static void put(double stops, byte[] to, int at) {
    int[] colour = colour(stops);
    for (int k = 0; k < 3; k++) {
      to[at + k] = (byte) colour[k];
    }
  }

  /** The colour of a difference: red, green and blue, 0…255. */
  public static int[] colour(double stops) {
    double place = Math.clamp((stops + MOST) / 2, 0, COLOURS.length - 1.000001);
    int i = (int) place;
    double part = place - i;
    int[] to = new int[3];
    for (int k = 0; k < 3; k++) {
      to[k] = (int) Math.round(COLOURS[i][k] + part * (COLOURS[i + 1][k] - COLOURS[i][k]));
    }
    return to;
  }
}
