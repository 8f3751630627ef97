package levelember.printing.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import levelember.film.Film;
import levelember.film.FirstHits;
import levelember.film.LayerMix;
import levelember.firsthit.FirstHitTracer;
import levelember.formats.picture.PngFile;
import levelember.formats.picture.RadianceHdr;
import levelember.formats.picture.TiffFile;
import levelember.look.AmbientOcclusion;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.look.LookInputsMaker;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintOrder;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Luts;
import levelember.texture.Picture;
import levelember.upsampling.Alpha;

/** The whole picture of a print, put together from bands, and its files through the look. */
public final class PrintPicture {
  /** Fewest rows of a band of first hits. */
  private static final int FEWEST_ROWS = 64;

  private static final float JPEG_QUALITY = 0.93f;

  private final View view;
  private final Shoot shoot;
  private final Look look;
  private final float[] weights;
  private final int width, height;
  private final Development development;
  private final LookInputsMaker maker;
  private final Picture picture;
  private final List<float[]> mixes;
  private final List<Picture> mixed = new ArrayList<>();
  private final float[] alpha;
  private LookInputs inputs;
  private FirstHitCache kept;

  /**
   * A picture of which nothing is there yet.
   *
   * @throws levelember.texture.Pictures.MissingPicture when the look's LUT is not there
   */
  public PrintPicture(
      View view, Shoot shoot, Look look, Luts luts, PrintOrder order, float[] weights) {
    this.view = view;
    this.shoot = shoot;
    this.look = look;
    this.weights = weights;
    width = order.width();
    height = order.height();
    development = new Development(look, luts);
    maker = new LookInputsMaker(shoot, look, width, height, weights);
    picture = Picture.black(width, height);
    mixes = maker.mixes();
    mixes.forEach(m -> mixed.add(Picture.black(width, height)));
    alpha = view.shot().cutOut() ? new float[width * height] : null;
  }

  /** Takes first hits of the whole picture from others and keeps them there. */
  void keeping(FirstHitCache hits) {
    kept = hits;
  }

  /** Bytes that a picture of a size takes, with what its look makes of it. */
  public static long bytes(long pixels) {
    return 60 * pixels;
  }

  /**
   * Takes rows.
   *
   * @param traced film that holds them
   * @param shown the same, denoised where it is to be
   * @param top row of the picture that the films begin with
   */
  void take(Film traced, Film shown, int top, int first, int last) {
    put(LayerMix.picture(shown, weights), top, first, last, picture);
    for (int i = 0; i < mixes.size(); i++) {
      put(LayerMix.picture(shown, mixes.get(i)), top, first, last, mixed.get(i));
    }
    if (alpha != null) {
      float[] own = Alpha.of(traced, weights);
      System.arraycopy(own, (first - top) * width, alpha, first * width, (last - first) * width);
    }
  }

  private static void put(Picture band, int top, int first, int last, Picture to) {
    int row = 3 * to.width();
    System.arraycopy(band.rgb(), (first - top) * row, to.rgb(), first * row, (last - first) * row);
  }

  /** A file of the picture. */
  byte[] encoded(PrintFormat format, Map<String, String> text) {
    return switch (format) {
      case PNG -> PngFile.write(picture, inputs(), development, 8, alpha, text);
      case PNG16 -> PngFile.write(picture, inputs(), development, 16, alpha, text);
      case JPEG ->
          PngFile.jpeg(development.codes(picture, inputs()), width, height, JPEG_QUALITY, text);
      case TIFF -> TiffFile.write(development.codes16(picture, inputs()), width, height, text);
      case HDR -> RadianceHdr.write(picture, text);
      case EXR -> throw new IllegalArgumentException("OpenEXR is written in strips");
    };
  }

  /** What the look must know besides the picture, looked at in bands of rows. */
  private LookInputs inputs() {
    if (inputs != null) {
      return inputs;
    }
    boolean wanted = LookInputsMaker.needsHits(shoot, look);
    int margin = LookInputsMaker.margin(look, height);
    long row = 85L * (width + 2L * margin);
    long memory = Runtime.getRuntime().maxMemory() / 10;
    int rows = (int) Math.clamp(memory / row, Math.min(FEWEST_ROWS, height), height);
    for (int first = 0; wanted && first < height; first += rows) {
      int last = Math.min(height, first + rows);
      int top = Math.max(0, first - AmbientOcclusion.REACH - FirstHits.NEIGHBOURS);
      int bottom = Math.min(height, last + AmbientOcclusion.REACH + FirstHits.NEIGHBOURS);
      double reach = LookInputsMaker.obscuranceReach(look);
      FirstHits hits =
          kept != null && rows == height
              ? kept.of(margin, reach, () -> hits(0, height, margin, reach))
              : hits(top, bottom, margin, reach);
      maker.take(hits, first, last, null);
    }
    inputs = maker.inputs(picture, mixed, wanted);
    return inputs;
  }

  private FirstHits hits(int top, int bottom, int margin, double reach) {
    FirstHits.Band band = new FirstHits.Band(width, height, top, bottom - top);
    return new FirstHitTracer(view).all(band, margin, reach);
  }
}
