package levelember.measure;

import levelember.look.DisplayCurve;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * What scopes draw of a picture: histogram, waveform (luma, red, green, blue), and vectorscope.
 *
 * <p>Values run over 0…1. As shown they are encoded display values, and the vectorscope's axes are
 * Cb and Cr of BT.709. Of the light they are stops from mid grey, {@link #LEAST_STOPS} to {@link
 * #MOST_STOPS}, and the axes are (b − y)/1.8556 and (r − y)/1.5748 over twice the luminance.
 *
 * @param columns of the waveform
 * @param histogram of luma, red, green and blue, {@link #LEVELS} shares each, 1 at the highest
 * @param waveform of luma, red, green and blue: {@code columns} times {@link #LEVELS} each, by
 *     columns, brightness 0…255
 * @param vectors {@link #LEVELS} squared, rows from the top, brightness 0…255
 * @param clippedShare of the pixels with a channel at its highest value
 * @param blackShare of the pixels with no channel above its least
 */
public record Scopes(
    int columns,
    float[] histogram,
    byte[] waveform,
    byte[] vectors,
    double clippedShare,
    double blackShare) {
  /** Levels of values that are told apart. */
  public static final int LEVELS = 128;

  /** Stops from mid grey at value 0 of the light. */
  public static final double LEAST_STOPS = -10;

  /** Stops from mid grey at value 1 of the light. */
  public static final double MOST_STOPS = 6;

  private static final int CHANNELS = 4;
  private static final int MOST_COLUMNS = 256;
  private static final int MOST_PIXELS = 200_000;
  private static final float BURNT = 253.5f / 255, BLACK = 1.5f / 255;

  /** Scopes of what is shown: codes, three bytes a pixel. */
  public static Scopes shown(byte[] codes, int width, int height) {
    return new Count(width, height)
        .over((at, v) -> {
          for (int k = 0; k < 3; k++) {
            v[k] = (codes[at + k] & 0xFF) / 255f;
          }
          float y = Colour.luminance(v[0], v[1], v[2]);
          v[3] = y;
          v[4] = (v[2] - y) / 1.8556f;
          v[5] = (v[0] - y) / 1.5748f;
        });
  }

  /** Scopes of light in cd/m². */
  public static Scopes light(Picture picture, double ev) {
    double grey = DisplayCurve.midGrey(ev);
    float[] a = picture.rgb();
    return new Count(picture.width(), picture.height())
        .over((at, v) -> {
          float y = Colour.luminance(a[at], a[at + 1], a[at + 2]);
          for (int k = 0; k < 3; k++) {
            v[k] = stops(a[at + k] / grey);
          }
          v[3] = stops(y / grey);
          float by = y > 0 ? 0.5f / y : 0;
          v[4] = by * (a[at + 2] - y) / 1.8556f;
          v[5] = by * (a[at] - y) / 1.5748f;
        });
  }

  private static float stops(double relative) {
    if (!(relative > 0)) {
      return 0;
    }
    double s = StrictMath.log(relative) / StrictMath.log(2);
    return (float) Math.clamp((s - LEAST_STOPS) / (MOST_STOPS - LEAST_STOPS), 0.0, 1.0);
  }

  /** Writes a pixel's red, green, blue, luma and two colour differences. */
  private interface Values {
    void of(int at, float[] to);
  }

  /** Counts pixels, of large pictures every so many. */
  private static final class Count {
    private final int width, height, step, columns;
    private final int[] levels = new int[CHANNELS * LEVELS];
    private final int[] waves;
    private final int[] vectors = new int[LEVELS * LEVELS];

    Count(int width, int height) {
      this.width = width;
      this.height = height;
      step = (int) Math.ceil(Math.sqrt((double) width * height / MOST_PIXELS));
      columns = Math.min(MOST_COLUMNS, (width + step - 1) / step);
      waves = new int[CHANNELS * columns * LEVELS];
    }

    Scopes over(Values values) {
      float[] v = new float[6];
      int pixels = 0, burnt = 0, black = 0;
      for (int y = 0; y < height; y += step) {
        for (int x = 0; x < width; x += step) {
          values.of(3 * (y * width + x), v);
          int column = (int) ((long) x * columns / width);
          count(0, column, v[3]);
          count(1, column, v[0]);
          count(2, column, v[1]);
          count(3, column, v[2]);
          int across = level(0.5f + v[4]), up = level(0.5f - v[5]);
          vectors[up * LEVELS + across]++;
          float most = Math.max(v[0], Math.max(v[1], v[2]));
          burnt += most >= BURNT ? 1 : 0;
          black += most <= BLACK ? 1 : 0;
          pixels++;
        }
      }
      int most = 1;
      for (int i = 0; i < levels.length; i++) {
        // The ends gather all that is clipped and would dwarf the rest.
        boolean end = i % LEVELS == 0 || i % LEVELS == LEVELS - 1;
        most = end ? most : Math.max(most, levels[i]);
      }
      float[] histogram = new float[levels.length];
      for (int i = 0; i < levels.length; i++) {
        histogram[i] = Math.min(1, (float) levels[i] / most);
      }
      double even = (double) pixels / columns / 12;
      return new Scopes(
          columns,
          histogram,
          brightness(waves, even),
          brightness(vectors, pixels / 900.0),
          (double) burnt / pixels,
          (double) black / pixels);
    }

    private static int level(float value) {
      return Math.clamp((int) (value * LEVELS), 0, LEVELS - 1);
    }

    private void count(int channel, int column, float value) {
      int level = level(value);
      levels[channel * LEVELS + level]++;
      waves[(channel * columns + column) * LEVELS + level]++;
    }

    /** Single pixels can just be seen, many do not drown the others. */
    private static byte[] brightness(int[] counts, double even) {
      byte[] to = new byte[counts.length];
      for (int i = 0; i < counts.length; i++) {
        double lit = counts[i] == 0 ? 0 : 60 + 195 * (1 - StrictMath.exp(-counts[i] / even));
        to[i] = (byte) Math.round(lit);
      }
      return to;
    }
  }
}
