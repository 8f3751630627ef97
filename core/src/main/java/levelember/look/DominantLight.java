package levelember.look;

import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * A view that says which light gives most where, by a colour and a pattern of its own for each
 * light, so that lights are told apart without colours too; as bright as the picture.
 */
public final class DominantLight {
  private static final int[] COLOURS = {
    0xE8A33D, 0x4FA3D9, 0xB8D65A, 0xD96BB0, 0x7A6FE0, 0x5CC9A7, 0xE06A4F, 0xC8C8C8
  };

  /** Pixels of a period of the patterns. */
  private static final int PERIOD = 12;

  private static final double DARK_PART = 0.62, LEAST_SHOWN = 0.16;

  private DominantLight() {}

  /**
   * The view.
   *
   * @param byLight the picture by each light alone, cd/m²
   * @param shown codes of the picture as shown, three bytes a pixel
   * @return three bytes a pixel; where no light falls the picture's grey
   */
  public static byte[] codes(Picture[] byLight, byte[] shown, int width) {
    byte[] to = new byte[shown.length];
    IntStream.range(0, shown.length / 3 / width)
        .parallel()
        .forEach(y -> {
          for (int x = 0; x < width; x++) {
            int i = 3 * (y * width + x);
            double grey = Colour.luminance(shown[i] & 255, shown[i + 1] & 255, shown[i + 2] & 255);
            int light = strongest(byLight, i);
            double bright = LEAST_SHOWN + (1 - LEAST_SHOWN) * grey / 255;
            for (int c = 0; c < 3; c++) {
              double own = light < 0 ? 255 : channel(light, x, y, c);
              to[i + c] = (byte) Math.round(bright * own);
            }
          }
        });
    return to;
  }

  private static int strongest(Picture[] byLight, int i) {
    int best = -1;
    float most = 0;
    for (int k = 0; k < byLight.length; k++) {
      float[] p = byLight[k].rgb();
      float own = Colour.luminance(p[i], p[i + 1], p[i + 2]);
      if (own > most) {
        most = own;
        best = k;
      }
    }
    return best;
  }

  /** A sample of a light's colour and pattern, three bytes a pixel. */
  public static byte[] swatch(int light, int width, int height) {
    byte[] to = new byte[3 * width * height];
    for (int i = 0; i < width * height; i++) {
      for (int c = 0; c < 3; c++) {
        to[3 * i + c] = (byte) Math.round(channel(light, i % width, i / width, c));
      }
    }
    return to;
  }

  private static double channel(int light, int x, int y, int c) {
    int colour = COLOURS[light % COLOURS.length] >> 16 - 8 * c & 255;
    return colour * (dark(light, x, y) ? DARK_PART : 1);
  }

  /** Whether a pixel lies in the dark part of a light's pattern; all patterns differ. */
  private static boolean dark(int light, int x, int y) {
    int p = PERIOD + 4 * (light / COLOURS.length % 3), u = Math.floorMod(x, p);
    int v = Math.floorMod(y, p), thin = p / 3;
    return switch (light % COLOURS.length) {
      case 0 -> false;
      case 1 -> Math.floorMod(x + y, p) < thin;
      case 2 -> Math.floorMod(x - y, p) < thin;
      case 3 -> v < thin;
      case 4 -> u < thin;
      case 5 -> u < p / 2 == v < p / 2;
      case 6 -> u < thin || v < thin;
      default -> (u - p / 2) * (u - p / 2) + (v - p / 2) * (v - p / 2) < p * p / 12;
    };
  }
}
