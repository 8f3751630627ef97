package levelember.look;

import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.shoot.Look;
import levelember.shoot.Optics;
import levelember.shoot.Tone;
import levelember.texture.Luts;
import levelember.texture.Picture;

/**
 * A look made ready: turns linear pictures into what is shown. One way for the page, files and
 * prints, so that they agree bit for bit, on any number of threads.
 *
 * <p>In order: contact shade and plates, glow, distortion and fringing, sharpening, vignette, white
 * balance and exposure, black point, saturation, contrast and curve ({@link DisplayCurve}), sRGB
 * encoding, grade ({@link Grading}), grain.
 */
public final class Development {
  /** Powers of two between which exposed values are tabled. */
  private static final int DARKEST = -24, BRIGHTEST = 14;

  private static final float SRGB_LINE = 0.0031308f;
  private static final FloatTable SRGB = new FloatTable(-9, 0, Colour::encodeSrgb);

  private final DisplayCurve curve;
  private final FloatTable toned;
  private final float black, perRange;
  private final float saturation;
  private final float start, burn;
  private final boolean burns;
  private final float[] matrix;
  private final Glowing glowing;
  private final Optics optics;
  private final Grading grading;
  private final Grain grain;

  /** A look that needs no LUT. */
  public Development(Look look) {
    this(look, Luts.NONE);
  }

  /**
   * Makes a look ready.
   *
   * @throws levelember.texture.Pictures.MissingPicture when its LUT is not there
   */
  public Development(Look look, Luts luts) {
    curve = new DisplayCurve(look);
    Tone tone = look.tone();
    toned = new FloatTable(DARKEST, BRIGHTEST, curve::toned);
    black = (float) tone.blackPoint();
    perRange = (float) (1 / (1 - tone.blackPoint()));
    saturation = (float) tone.saturation();
    start =
        (float) (tone.curve() == Tone.Curve.PLAIN ? Math.min(tone.shoulderStart(), 0.999) : 0.5);
    burns = tone.burn() > 0 && !(tone.curve() == Tone.Curve.PLAIN && tone.shoulderStart() >= 1);
    burn = (float) tone.burn();
    matrix = Balance.matrix(look.balance());
    for (int i = 0; i < 9; i++) {
      matrix[i] *= (float) curve.scale();
    }
    glowing = new Glowing(look.glows(), curve.scale());
    optics = look.optics();
    grading = look.grade().active() ? new Grading(look.grade(), luts) : null;
    grain = optics.grain() > 0 ? new Grain(optics) : null;
  }

  /** The curve of greys. */
  public DisplayCurve curve() {
    return curve;
  }

  /** Eight-bit codes, three bytes a pixel. */
  public byte[] codes(Picture picture, Aids aids) {
    byte[] to = new byte[picture.rgb().length];
    develop(
        picture,
        aids,
        (row, at) -> {
          for (int i = 0; i < row.length; i++) {
            to[at + i] = (byte) (int) (255 * row[i] + 0.5f);
          }
        });
    return to;
  }

  /** Eight-bit codes of a picture of which nothing more is known. */
  public byte[] codes(Picture picture) {
    return codes(picture, Aids.NONE);
  }

  /** Sixteen-bit codes, three shorts a pixel. */
  public short[] codes16(Picture picture, Aids aids) {
    short[] to = new short[picture.rgb().length];
    develop(
        picture,
        aids,
        (row, at) -> {
          for (int i = 0; i < row.length; i++) {
            to[at + i] = (short) (int) (65535 * row[i] + 0.5f);
          }
        });
    return to;
  }

  /** What is shown, encoded, 0…1. */
  public Picture shown(Picture picture, Aids aids) {
    Picture to = Picture.black(picture.width(), picture.height());
    develop(picture, aids, (row, at) -> System.arraycopy(row, 0, to.rgb(), at, row.length));
    return to;
  }

  /** The linear picture as far as sharpening: what lens and shade have made of it, cd/m². */
  public Picture exposedLight(Picture picture, Aids aids) {
    Picture to = Picture.black(picture.width(), picture.height());
    linear(
        picture, aids, (row, y) -> System.arraycopy(row, 0, to.rgb(), y * row.length, row.length));
    return to;
  }

  /** Takes a row that is done. */
  private interface Taker {
    void take(float[] row, int at);
  }

  private void develop(Picture picture, Aids aids, Taker taker) {
    int w = picture.width(), h = picture.height();
    float[] across = optics.vignette() == 0 ? null : vignette(w, w, h);
    float[] down = optics.vignette() == 0 ? null : vignette(h, w, h);
    Taker show =
        (row, y) -> {
          if (across != null) {
            darken(row, across, down[y]);
          }
          tone(row);
          if (grading != null) {
            grade(row);
          }
          if (grain != null) {
            grain.row(row, y, w, h);
          }
          taker.take(row, 3 * y * w);
        };
    if (optics.distortion() == 0 && optics.fringing() == 0 && optics.sharpening() == 0) {
      linear(picture, aids, show);
      return;
    }
    Picture lit = exposedLight(picture, aids);
    if (optics.distortion() != 0 || optics.fringing() != 0) {
      lit = Bending.bent(lit, optics);
    }
    float[] sharper = optics.sharpening() > 0 ? Sharpening.factors(lit, optics) : null;
    Picture from = lit;
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          float[] row = java.util.Arrays.copyOfRange(from.rgb(), 3 * y * w, 3 * (y + 1) * w);
          if (sharper != null) {
            multiply(row, sharper, y * w);
          }
          show.take(row, y);
        });
  }

  /** What a vignette leaves along one side of a picture; the product of both sides' holds. */
  private float[] vignette(int side, int w, int h) {
    double corner = 0.25 * ((double) w * w + (double) h * h);
    float[] to = new float[side];
    for (int i = 0; i < side; i++) {
      double d = i + 0.5 - side / 2.0;
      to[i] = (float) Math.pow(2, -optics.vignette() * d * d / corner);
    }
    return to;
  }

  private static void darken(float[] row, float[] across, float down) {
    for (int x = 0, at = 0; at < row.length; x++, at += 3) {
      float left = across[x] * down;
      row[at] *= left;
      row[at + 1] *= left;
      row[at + 2] *= left;
    }
  }

  private static void multiply(float[] row, float[] factors, int from) {
    for (int at = 0; at < row.length; at += 3, from++) {
      row[at] *= factors[from];
      row[at + 1] *= factors[from];
      row[at + 2] *= factors[from];
    }
  }

  /** Rows with shade, plates and glow. */
  private void linear(Picture picture, Aids aids, Taker taker) {
    int w = picture.width(), h = picture.height();
    Picture halo = glowing.active() ? glowing.halo(shaded(picture, aids), aids) : null;
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          float[] row = new float[3 * w];
          row(picture, aids, y, row);
          if (halo != null) {
            glowing.row(row, y, w, halo, aids, new float[3 * halo.width()]);
          }
          taker.take(row, y);
        });
  }

  private static Picture shaded(Picture picture, Aids aids) {
    if (aids.shade() == null && aids.plate() == null) {
      return picture;
    }
    Picture to = Picture.black(picture.width(), picture.height());
    IntStream.range(0, picture.height())
        .parallel()
        .forEach(y -> {
          float[] row = new float[3 * picture.width()];
          row(picture, aids, y, row);
          System.arraycopy(row, 0, to.rgb(), y * row.length, row.length);
        });
    return to;
  }

  private static void row(Picture picture, Aids aids, int y, float[] to) {
    int w = picture.width();
    System.arraycopy(picture.rgb(), 3 * y * w, to, 0, 3 * w);
    if (aids.shade() != null) {
      multiply(to, aids.shade(), y * w);
    }
    if (aids.plate() != null) {
      Blur.add(aids.plate().rgb(), 3 * y * w, 3 * w, 1, to, 0);
    }
  }

  /** From cd/m² to encoded display values before the grade. */
  private void tone(float[] row) {
    float m0 = matrix[0], m1 = matrix[1], m2 = matrix[2];
    float m3 = matrix[3], m4 = matrix[4], m5 = matrix[5];
    float m6 = matrix[6], m7 = matrix[7], m8 = matrix[8];
    for (int i = 0; i < row.length; i += 3) {
      float lr = row[i], lg = row[i + 1], lb = row[i + 2];
      float r = m0 * lr + m1 * lg + m2 * lb;
      float g = m3 * lr + m4 * lg + m5 * lb;
      float b = m6 * lr + m7 * lg + m8 * lb;
      r = (r - black) * perRange;
      g = (g - black) * perRange;
      b = (b - black) * perRange;
      float y = Colour.luminance(r, g, b);
      r = y + saturation * (r - y);
      g = y + saturation * (g - y);
      b = y + saturation * (b - y);
      float least = Math.min(r, Math.min(g, b));
      if (least < 0) {
        // Into what can be shown, towards the grey of the same luminance.
        float part = y > 0 ? y / (y - least) : 0;
        float grey = Math.max(0, y);
        r = Math.max(0, grey + part * (r - grey));
        g = Math.max(0, grey + part * (g - grey));
        b = Math.max(0, grey + part * (b - grey));
      }
      float most = Math.max(r, Math.max(g, b));
      float shown = toned.at(most);
      float by = most > 1e-7f ? shown / most : 0;
      float white = 0;
      if (burns && shown > start) {
        float t = (shown - start) / (1 - start);
        white = burn * t * t;
      }
      if (by == 0) {
        white = 1;
      }
      float keep = by * (1 - white);
      white *= shown;
      row[i] = encoded(keep * r + white);
      row[i + 1] = encoded(keep * g + white);
      row[i + 2] = encoded(keep * b + white);
    }
  }

  private static float encoded(float x) {
    return x < SRGB_LINE ? 12.92f * x : SRGB.at(Math.min(x, 1));
  }

  private void grade(float[] row) {
    float[] v = new float[3];
    for (int i = 0; i < row.length; i += 3) {
      v[0] = row[i];
      v[1] = row[i + 1];
      v[2] = row[i + 2];
      grading.grade(v);
      row[i] = Math.clamp(v[0], 0f, 1f);
      row[i + 1] = Math.clamp(v[1], 0f, 1f);
      row[i + 2] = Math.clamp(v[2], 0f, 1f);
    }
  }
}
