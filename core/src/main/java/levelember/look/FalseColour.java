package levelember.look;

import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.texture.Picture;

/** Views that measure: the picture's luminance in stops as colours, and what is clipped. */
public final class FalseColour {
  /** Stops of the darkest and the brightest band. */
  public static final int LEAST = -7, MOST = 6;

  /** Mid grey is grey; what is darker goes from slate to deep violet, what is brighter to ember. */
  private static final int[] BANDS = {
    0x120C24, 0x1D1440, 0x29235F, 0x2E3E7C, 0x33618F, 0x4A8399, 0x6F979B, 0x8C8C8C, 0xA89A7C,
    0xC69C5A, 0xDB8A45, 0xE8663F, 0xF0455A, 0xFFD9E2
  };

  /** Codes from which a channel counts as burnt or as black. */
  private static final int BURNT = 254, BLACK = 1;

  private static final int BURNT_COLOUR = 0xFF6A55, BLACK_COLOUR = 0x3C6EA8;

  private FalseColour() {}

  /** Colours of the bands from {@link #LEAST} to {@link #MOST}, one a stop, as 0xRRGGBB. */
  public static int[] bands() {
    return BANDS.clone();
  }

  /**
   * Luminance in stops from mid grey, one colour a stop.
   *
   * @param picture cd/m²
   * @return three bytes a pixel
   */
  public static byte[] stops(Picture picture, double ev) {
    byte[] to = new byte[picture.rgb().length];
    float[] a = picture.rgb();
    double grey = DisplayCurve.midGrey(ev);
    IntStream.range(0, picture.height())
        .parallel()
        .forEach(y -> {
          int end = 3 * (y + 1) * picture.width();
          for (int i = 3 * y * picture.width(); i < end; i += 3) {
            double light = Colour.luminance(a[i], a[i + 1], a[i + 2]) / grey;
            double stops = light > 0 ? StrictMath.log(light) / StrictMath.log(2) : LEAST;
            int band = Math.clamp(Math.round(stops), LEAST, MOST) - LEAST;
            put(to, i, BANDS[band]);
          }
        });
    return to;
  }

  /**
   * The picture in grey, burnt and black places in colour.
   *
   * @param codes as shown, three bytes a pixel
   */
  public static byte[] clipped(byte[] codes) {
    byte[] to = new byte[codes.length];
    for (int i = 0; i < codes.length; i += 3) {
      int r = codes[i] & 0xFF, g = codes[i + 1] & 0xFF, b = codes[i + 2] & 0xFF;
      if (Math.max(r, Math.max(g, b)) >= BURNT) {
        put(to, i, BURNT_COLOUR);
      } else if (Math.max(r, Math.max(g, b)) <= BLACK) {
        put(to, i, BLACK_COLOUR);
      } else {
        int grey = Math.round(Colour.luminance(r, g, b));
        put(to, i, grey << 16 | grey << 8 | grey);
      }
    }
    return to;
  }

  private static void put(byte[] to, int at, int colour) {
    to[at] = (byte) (colour >> 16);
    to[at + 1] = (byte) (colour >> 8);
    to[at + 2] = (byte) colour;
  }
}
