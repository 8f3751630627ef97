package levelember.look;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.texture.Luts;
import levelember.texture.Picture;

/**
 * A look made ready: turns linear pictures into what is shown. One way for the page, files and
 * prints, so that they agree bit for bit, on any number of threads.
 *
 * <p>In order: contact shade and plates, glow ({@link Glowing}); the stages that need what is about
 * a pixel ({@link #pictureStages}); and those that work on pixels one by one ({@link #rowStages}).
 */
public final class Development {
  private static final RowMath ROWS = RowMath.ofMachine();

  /** Rows that one thread takes at a time. */
  private static final int BAND = 24;

  private final DisplayCurve curve;
  private final Glowing glowing;
  private final List<Glow> glows;
  private final List<PictureStage> pictureStages;
  private final List<RowStage> rowStages;

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
    glows = look.glows();
    glowing = new Glowing(glows, curve.scale());
    pictureStages = pictureStages(look.optics());
    rowStages = rowStages(look, curve, luts);
  }

  /** The stages on linear light that need what is about a pixel, in their order. */
  private static List<PictureStage> pictureStages(Optics optics) {
    List<PictureStage> to = new ArrayList<>();
    if (optics.distortion() != 0 || optics.fringing() != 0) {
      to.add(new LensDistortion(optics.distortion(), optics.fringing()));
    }
    if (optics.sharpening() > 0) {
      to.add(new Sharpening(optics.sharpening(), optics.sharpeningSize()));
    }
    return List.copyOf(to);
  }

  /** The stages on single pixels, in their order. */
  private static List<RowStage> rowStages(Look look, DisplayCurve curve, Luts luts) {
    Optics optics = look.optics();
    List<RowStage> to = new ArrayList<>();
    if (optics.vignette() != 0) {
      to.add(new Vignette(optics.vignette()));
    }
    to.add(new DisplayTone(look, curve));
    if (look.grade().active()) {
      to.add(new Grading(look.grade(), luts));
    }
    if (optics.grain() > 0) {
      to.add(new Grain(optics));
    }
    return List.copyOf(to);
  }

  /** The curve of greys. */
  public DisplayCurve curve() {
    return curve;
  }

  /**
   * What shade, glow and the stages on whole pictures have made of a picture; the same under all
   * looks that have these in common ({@link #seesAlike}).
   */
  public static final class Lensed {
    private final Lit lit;
    private final LookInputs inputs;

    private Lensed(Lit lit, LookInputs inputs) {
      this.lit = lit;
      this.inputs = inputs;
    }
  }

  /** A picture as the lens has made it, to be shown through several looks. */
  public Lensed lensed(Picture picture, LookInputs inputs) {
    return lensed(picture, inputs, new GlowCache(), true);
  }

  /**
   * Eight-bit codes, with what glows have drawn before.
   *
   * @param kept from pictures before this one; takes what is drawn now
   */
  public byte[] codes(Picture picture, LookInputs inputs, GlowCache kept) {
    return codes(lensed(picture, inputs, kept, false));
  }

  /** Whether another look makes the same of a picture up to {@link #lensed}. */
  public boolean seesAlike(Development other) {
    return glows.equals(other.glows)
        && (glows.isEmpty() || curve.scale() == other.curve.scale())
        && pictureStages.equals(other.pictureStages);
  }

  /** Eight-bit codes, three bytes a pixel. */
  public byte[] codes(Picture picture, LookInputs inputs) {
    return codes(lensed(picture, inputs, new GlowCache(), false));
  }

  /** Eight-bit codes of what a look that {@link #seesAlike} has made ready. */
  public byte[] codes(Lensed lensed) {
    byte[] to = new byte[lensed.lit.picture.rgb().length];
    develop(
        lensed,
        (rows, at) -> {
          // A channel at a time first, as that is what the compiler makes vectors of.
          coded(rows.channels.r(), rows.codes[0]);
          coded(rows.channels.g(), rows.codes[1]);
          coded(rows.channels.b(), rows.codes[2]);
          byte[] r = rows.codes[0], g = rows.codes[1], b = rows.codes[2];
          for (int x = 0, i = at; x < r.length; x++, i += 3) {
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
  public short[] codes16(Picture picture, LookInputs inputs) {
    short[] to = new short[picture.rgb().length];
    develop(
        lensed(picture, inputs, new GlowCache(), false),
        (rows, at) -> {
          float[] r = rows.channels.r(), g = rows.channels.g(), b = rows.channels.b();
          for (int x = 0, i = at; x < r.length; x++, i += 3) {
            to[i] = (short) (int) (65535 * r[x] + 0.5f);
            to[i + 1] = (short) (int) (65535 * g[x] + 0.5f);
            to[i + 2] = (short) (int) (65535 * b[x] + 0.5f);
          }
        });
    return to;
  }

  /** What is shown, encoded, 0…1. */
  public Picture shown(Picture picture, LookInputs inputs) {
    Picture to = Picture.black(picture.width(), picture.height());
    develop(
        lensed(picture, inputs, new GlowCache(), false),
        (rows, at) -> rows.channels.join(to.rgb(), at));
    return to;
  }

  /** The linear picture with shade, plates and glow, before the stages on whole pictures, cd/m². */
  public Picture exposedLight(Picture picture, LookInputs inputs) {
    return exposedLight(picture, inputs, new GlowCache());
  }

  private Picture exposedLight(Picture picture, LookInputs inputs, GlowCache spreads) {
    Picture to = Picture.black(picture.width(), picture.height());
    Lit lit = lit(picture, inputs, spreads);
    int n = 3 * picture.width();
    bands(
        picture,
        lit.halo,
        (rows, y) -> {
          linear(lit, inputs, y, rows);
          System.arraycopy(rows.row, 0, to.rgb(), y * n, n);
        });
    return to;
  }

  /** Memory of one thread. */
  private static final class Rows {
    final float[] row;
    final RowStage.Channels channels;
    final UpsampledHalo spread;
    final byte[][] codes;

    Rows(int width, Glowing.Halo halo) {
      row = new float[3 * width];
      channels = RowStage.Channels.of(width);
      codes = new byte[3][width];
      spread = halo == null ? null : new UpsampledHalo(halo.light(), halo.level(), width);
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
  private Lensed lensed(Picture picture, LookInputs inputs, GlowCache spreads, boolean kept) {
    if (pictureStages.isEmpty() && !(kept && glowing.active())) {
      return new Lensed(lit(picture, inputs, spreads), inputs);
    }
    Picture to = exposedLight(picture, inputs, spreads);
    for (PictureStage stage : pictureStages) {
      to = stage.of(to);
    }
    return new Lensed(new Lit(to, true, null), inputs);
  }

  private void develop(Lensed lensed, Work taker) {
    Lit lit = lensed.lit;
    int w = lit.picture.width(), h = lit.picture.height();
    List<RowStage.Pass> passes = rowStages.stream().map(s -> s.sized(w, h)).toList();
    bands(
        lit.picture,
        lit.halo,
        (rows, y) -> {
          RowStage.Channels row = rows.channels;
          if (lit.shaded && lit.halo == null) {
            ROWS.part(lit.picture.rgb(), 3 * y * w, row.r(), row.g(), row.b(), w);
          } else {
            linear(lit, lensed.inputs, y, rows);
            ROWS.part(rows.row, 0, row.r(), row.g(), row.b(), w);
          }
          for (RowStage.Pass pass : passes) {
            pass.row(row, y);
          }
          taker.with(rows, 3 * y * w);
        });
  }

  /**
   * What the lens works on.
   *
   * @param shaded whether shade and plates are in the picture already
   * @param halo what is spread, or null
   */
  private record Lit(Picture picture, boolean shaded, Glowing.Halo halo) {}

  private Lit lit(Picture picture, LookInputs inputs, GlowCache spreads) {
    boolean plain = inputs.shade() == null && inputs.plate() == null;
    if (!glowing.active()) {
      return new Lit(picture, plain, null);
    }
    Picture shaded =
        plain ? picture : spreads.shaded(picture, inputs, () -> shaded(picture, inputs));
    return new Lit(shaded, true, glowing.halo(shaded, inputs, spreads));
  }

  /** A row with shade, plates and glow. */
  private void linear(Lit lit, LookInputs inputs, int y, Rows rows) {
    int w = lit.picture.width();
    if (lit.shaded) {
      System.arraycopy(lit.picture.rgb(), 3 * y * w, rows.row, 0, 3 * w);
    } else {
      shaded(lit.picture, inputs, y, rows.row);
    }
    if (lit.halo != null) {
      glowing.row(rows.row, y, w, lit.halo, inputs, rows.spread);
    }
  }

  private static Picture shaded(Picture picture, LookInputs inputs) {
    Picture to = Picture.black(picture.width(), picture.height());
    int n = 3 * picture.width();
    bands(
        picture,
        null,
        (rows, y) -> {
          shaded(picture, inputs, y, rows.row);
          System.arraycopy(rows.row, 0, to.rgb(), y * n, n);
        });
    return to;
  }

  private static void shaded(Picture picture, LookInputs inputs, int y, float[] to) {
    int w = picture.width();
    System.arraycopy(picture.rgb(), 3 * y * w, to, 0, 3 * w);
    if (inputs.shade() != null) {
      float[] shade = inputs.shade();
      for (int x = 0, i = 0, at = y * w; x < w; x++, i += 3, at++) {
        to[i] *= shade[at];
        to[i + 1] *= shade[at];
        to[i + 2] *= shade[at];
      }
    }
    if (inputs.plate() != null) {
      Blur.add(inputs.plate().rgb(), 3 * y * w, 3 * w, 1, to, 0);
    }
  }
}
