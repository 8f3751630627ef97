package levelember.look;

import java.util.List;
import java.util.stream.IntStream;
import levelember.shoot.finish.Glow;
import levelember.shoot.finish.Look;
import levelember.shoot.finish.Optics;
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
  private static final RowMath ROWS = RowMath.ofMachine();

  /** Rows that one thread takes at a time. */
  private static final int BAND = 24;

  private final DisplayCurve curve;
  private final RowMath.ToneTerms terms;
  private final Glowing glowing;
  private final List<Glow> glows;
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
    float[] matrix = Balance.matrix(look.balance());
    for (int i = 0; i < 9; i++) {
      matrix[i] *= (float) curve.scale();
    }
    terms = curve.terms(matrix);
    glows = look.glows();
    glowing = new Glowing(glows, curve.scale());
    optics = look.optics();
    grading = look.grade().active() ? new Grading(look.grade(), luts) : null;
    grain = optics.grain() > 0 ? new Grain(optics) : null;
  }

  /** The curve of greys. */
  public DisplayCurve curve() {
    return curve;
  }

  /**
   * What shade, glow, lens and sharpening have made of a picture; the same under all looks that
   * have these in common ({@link #seesAlike}).
   */
  public static final class Lensed {
    private final Lit lit;
    private final LookInputs aids;
    private final float[] sharper;

    private Lensed(Lit lit, LookInputs aids, float[] sharper) {
      this.lit = lit;
      this.aids = aids;
      this.sharper = sharper;
    }
  }

  /** A picture as the lens has made it, to be shown through several looks. */
  public Lensed lensed(Picture picture, LookInputs aids) {
    return lensed(picture, aids, new GlowCache(), true);
  }

  /**
   * Eight-bit codes, with what glows have drawn before.
   *
   * @param kept from pictures before this one; takes what is drawn now
   */
  public byte[] codes(Picture picture, LookInputs aids, GlowCache kept) {
    return codes(lensed(picture, aids, kept, false));
  }

  /** Whether another look makes the same of a picture up to {@link #lensed}. */
  public boolean seesAlike(Development other) {
    return glows.equals(other.glows)
        && (glows.isEmpty() || curve.scale() == other.curve.scale())
        && optics.distortion() == other.optics.distortion()
        && optics.fringing() == other.optics.fringing()
        && optics.sharpening() == other.optics.sharpening()
        && optics.sharpeningSize() == other.optics.sharpeningSize();
  }

  /** Eight-bit codes, three bytes a pixel. */
  public byte[] codes(Picture picture, LookInputs aids) {
    return codes(lensed(picture, aids, new GlowCache(), false));
  }

  /** Eight-bit codes of what a look that {@link #seesAlike} has made ready. */
  public byte[] codes(Lensed lensed) {
    byte[] to = new byte[lensed.lit.picture.rgb().length];
    develop(
        lensed,
        (rows, at) -> {
          // A channel at a time first, as that is what the compiler makes vectors of.
          coded(rows.r, rows.codes[0]);
          coded(rows.g, rows.codes[1]);
          coded(rows.b, rows.codes[2]);
          byte[] r = rows.codes[0], g = rows.codes[1], b = rows.codes[2];
          for (int x = 0, i = at; x < rows.width; x++, i += 3) {
            to[i] = r[x];
            to[i + 1] = g[x];
            to[i + 2] = b[x];
          }
        });
    return to;
  }

  private static void coded(float[] row, byte[] to) {
    for (int x = 0; x < to.length; x++) {
      to[x] = (byte) (int) (255 * row[x] + 0.5f);
    }
  }

  /** Eight-bit codes of a picture of which nothing more is known. */
  public byte[] codes(Picture picture) {
    return codes(picture, LookInputs.NONE);
  }

  /** Sixteen-bit codes, three shorts a pixel. */
  public short[] codes16(Picture picture, LookInputs aids) {
    short[] to = new short[picture.rgb().length];
    develop(
        lensed(picture, aids, new GlowCache(), false),
        (rows, at) -> {
          for (int x = 0, i = at; x < rows.width; x++, i += 3) {
            to[i] = (short) (int) (65535 * rows.r[x] + 0.5f);
            to[i + 1] = (short) (int) (65535 * rows.g[x] + 0.5f);
            to[i + 2] = (short) (int) (65535 * rows.b[x] + 0.5f);
          }
        });
    return to;
  }

  /** What is shown, encoded, 0…1. */
  public Picture shown(Picture picture, LookInputs aids) {
    Picture to = Picture.black(picture.width(), picture.height());
    develop(lensed(picture, aids, new GlowCache(), false), (rows, at) -> rows.join(to.rgb(), at));
    return to;
  }

  /** The linear picture with what lens and shade have made of it, before sharpening, cd/m². */
  public Picture exposedLight(Picture picture, LookInputs aids) {
    return exposedLight(picture, aids, new GlowCache());
  }

  private Picture exposedLight(Picture picture, LookInputs aids, GlowCache spreads) {
    Picture to = Picture.black(picture.width(), picture.height());
    Lit lit = lit(picture, aids, spreads);
    int n = 3 * picture.width();
    bands(
        picture,
        lit.halo,
        (rows, y) -> {
          linear(lit, aids, y, rows);
          System.arraycopy(rows.row, 0, to.rgb(), y * n, n);
        });
    return to;
  }

  /** Memory of one thread. */
  private static final class Rows {
    final int width;
    final float[] row;
    final float[] r, g, b;
    final float[][] memory;
    final UpsampledHalo spread;
    final byte[][] codes;

    Rows(int width, Glowing.Halo halo) {
      this.width = width;
      row = new float[3 * width];
      r = new float[width];
      g = new float[width];
      b = new float[width];
      codes = new byte[3][width];
      memory = new float[2][width];
      spread = halo == null ? null : new UpsampledHalo(halo.light(), halo.level(), width);
    }

    void part(float[] from, int at) {
      ROWS.part(from, at, r, g, b, width);
    }

    void join(float[] to, int at) {
      for (int x = 0, i = at; x < width; x++, i += 3) {
        to[i] = r[x];
        to[i + 1] = g[x];
        to[i + 2] = b[x];
      }
    }
  }

  /** Does something with a row, or with what is there of it from a place on. */
  private interface Work {
    void with(Rows rows, int at);
  }

  private static void bands(Picture picture, Glowing.Halo halo, Work work) {
    int h = picture.height(), n = (h + BAND - 1) / BAND;
    IntStream.range(0, n)
        .parallel()
        .forEach(i -> {
          Rows rows = new Rows(picture.width(), halo);
          for (int y = i * BAND; y < Math.min(h, (i + 1) * BAND); y++) {
            work.with(rows, y);
          }
        });
  }

  /**
   * @param kept whether it is for several looks, so that halos are to be added once
   */
  private Lensed lensed(Picture picture, LookInputs aids, GlowCache spreads, boolean kept) {
    boolean bends = optics.distortion() != 0 || optics.fringing() != 0;
    if (!bends && optics.sharpening() == 0 && !(kept && glowing.active())) {
      return new Lensed(lit(picture, aids, spreads), aids, null);
    }
    Picture exposed = exposedLight(picture, aids, spreads);
    Picture from = bends ? LensDistortion.bent(exposed, optics) : exposed;
    float[] sharper = optics.sharpening() > 0 ? Sharpening.factors(from, optics) : null;
    return new Lensed(new Lit(from, true, null), aids, sharper);
  }

  private void develop(Lensed lensed, Work taker) {
    Lit lit = lensed.lit;
    int w = lit.picture.width(), h = lit.picture.height();
    float[] across = optics.vignette() == 0 ? null : vignette(w, w, h);
    float[] down = optics.vignette() == 0 ? null : vignette(h, w, h);
    Grain.Field grains = grain == null ? null : grain.field(w, h);
    bands(
        lit.picture,
        lit.halo,
        (rows, y) -> {
          if (lit.shaded && lit.halo == null) {
            rows.part(lit.picture.rgb(), 3 * y * w);
          } else {
            linear(lit, lensed.aids, y, rows);
            rows.part(rows.row, 0);
          }
          if (lensed.sharper != null) {
            multiply(rows, lensed.sharper, y * w, 1);
          }
          if (across != null) {
            multiply(rows, across, 0, down[y]);
          }
          ROWS.tone(rows.r, rows.g, rows.b, w, terms, rows.memory);
          if (grading != null) {
            grading.grade(rows.r, rows.g, rows.b, w, rows.memory);
          }
          if (grain != null) {
            grain.rows(rows.r, rows.g, rows.b, y, grains);
          }
          taker.with(rows, 3 * y * w);
        });
  }

  private static void multiply(Rows rows, float[] factors, int from, float by) {
    for (int x = 0; x < rows.width; x++) {
      float f = by * factors[from + x];
      rows.r[x] *= f;
      rows.g[x] *= f;
      rows.b[x] *= f;
    }
  }

  /** What a vignette leaves along one side of a picture; the product of both sides' holds. */
  private float[] vignette(int side, int w, int h) {
    double corner = 0.25 * ((double) w * w + (double) h * h);
    float[] to = new float[side];
    for (int i = 0; i < side; i++) {
      double d = i + 0.5 - side / 2.0;
      to[i] = (float) StrictMath.pow(2, -optics.vignette() * d * d / corner);
    }
    return to;
  }

  /**
   * What the lens works on.
   *
   * @param shaded whether shade and plates are in the picture already
   * @param halo what is spread, or null
   */
  private record Lit(Picture picture, boolean shaded, Glowing.Halo halo) {}

  private Lit lit(Picture picture, LookInputs aids, GlowCache spreads) {
    boolean plain = aids.shade() == null && aids.plate() == null;
    if (!glowing.active()) {
      return new Lit(picture, plain, null);
    }
    Picture shaded = plain ? picture : spreads.shaded(picture, aids, () -> shaded(picture, aids));
    return new Lit(shaded, true, glowing.halo(shaded, aids, spreads));
  }

  /** A row with shade, plates and glow. */
  private void linear(Lit lit, LookInputs aids, int y, Rows rows) {
    int w = lit.picture.width();
    if (lit.shaded) {
      System.arraycopy(lit.picture.rgb(), 3 * y * w, rows.row, 0, 3 * w);
    } else {
      shaded(lit.picture, aids, y, rows.row);
    }
    if (lit.halo != null) {
      glowing.row(rows.row, y, w, lit.halo, aids, rows.spread);
    }
  }

  private static Picture shaded(Picture picture, LookInputs aids) {
    Picture to = Picture.black(picture.width(), picture.height());
    int n = 3 * picture.width();
    bands(
        picture,
        null,
        (rows, y) -> {
          shaded(picture, aids, y, rows.row);
          System.arraycopy(rows.row, 0, to.rgb(), y * n, n);
        });
    return to;
  }

  private static void shaded(Picture picture, LookInputs aids, int y, float[] to) {
    int w = picture.width();
    System.arraycopy(picture.rgb(), 3 * y * w, to, 0, 3 * w);
    if (aids.shade() != null) {
      float[] shade = aids.shade();
      for (int x = 0, i = 0, at = y * w; x < w; x++, i += 3, at++) {
        to[i] *= shade[at];
        to[i + 1] *= shade[at];
        to[i + 2] *= shade[at];
      }
    }
    if (aids.plate() != null) {
      Blur.add(aids.plate().rgb(), 3 * y * w, 3 * w, 1, to, 0);
    }
  }
}
