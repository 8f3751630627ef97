package levelember.printing.frame;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.SurfaceData;
import levelember.firsthit.ScreenMotion;
import levelember.firsthit.SurfaceDataTracer;
import levelember.formats.exr.ExrWriter;
import levelember.printing.film.PrintFilm;
import levelember.printing.film.WholeFile;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;
import levelember.upsampling.Alpha;

/** Writes the files of a print from its film; traces no light. */
public final class PrintFiles {
  /** Rows about those wanted that the denoiser looks at. */
  private static final int REACH = 80;

  /** Rows of OpenEXR that are made at a time. */
  private static final int STRIP = 64;

  /** Samples of a pixel of the passes that are not of light. */
  private static final int SURFACE_SAMPLES = 16;

  private final PrintFilm film;
  private final Shoot shoot;
  private final PrintOrder order;
  private final float[] weights;
  private final levelember.texture.Luts luts;
  private final Look look;
  private PrintPicture picture;
  private final PassPlanes planes;
  private final SurfaceDataTracer tracer;
  private final Map<String, String> text;
  private BiConsumer<Film, Film> afterDenoising;
  private double denoiseSeconds;
  private DenoisedCache denoised;

  /**
   * Files of a print.
   *
   * @param shoot with the levels that are to be seen
   * @param look that the picture wears
   * @param weights of the lights, three each
   * @param text about the print, by name, that goes into the files
   */
  public PrintFiles(
      PrintFilm film,
      Shoot shoot,
      Look look,
      levelember.texture.Luts luts,
      PrintOrder order,
      float[] weights,
      Map<String, String> text) {
    this.film = film;
    this.shoot = shoot;
    this.order = order;
    this.weights = weights;
    this.text = text;
    this.look = look;
    this.luts = luts;
    picture =
        order.whole() ? new PrintPicture(film.view(), shoot, look, luts, order, weights) : null;
    planes = new PassPlanes(shoot, order, weights);
    tracer =
        order.ofSurface().isEmpty()
            ? null
            : new SurfaceDataTracer(film.view(), SURFACE_SAMPLES, order.occlusionMetres());
  }

  /** Keeps first hits and denoised layers for the next frame, or takes those of the one before. */
  public void keeping(FrameFilms.Made frame) {
    denoised = frame.denoised();
    if (picture != null) {
      picture.keeping(frame.hits());
    }
  }

  /**
   * Writes all files; each is put in its place whole.
   *
   * @param base name of the files without ending
   * @return the files
   */
  public List<Path> write(Path base) throws IOException {
    Files.createDirectories(base.getParent());
    List<Path> to = new ArrayList<>();
    try (Exrs exrs = order.formats().contains(PrintFormat.EXR) ? new Exrs(base) : null) {
      for (int band = 0; band < film.bands().count(); band++) {
        band(band, exrs);
      }
      if (exrs != null) {
        to.addAll(exrs.done());
      }
    }
    for (PrintFormat format : order.formats()) {
      if (format.whole()) {
        boolean second = format == PrintFormat.PNG16 && order.formats().contains(PrintFormat.PNG);
        String ending = (second ? "-16." : ".") + format.ending();
        Path file = base.resolveSibling(base.getFileName() + ending);
        WholeFile.write(file, picture.encoded(format, text));
        to.add(file);
      }
    }
    return to;
  }

  /** Sets how the set and the camera move to the next frame, for the pass of motion. */
  public void moving(Shoot next, Shot shotNext) {
    planes.moving(
        ScreenMotion.between(
            shoot, film.view().shot(), next, shotNext, order.width(), order.height()));
  }

  /**
   * Has something done to what is shown before files are made of it.
   *
   * @param step takes the film as traced and as denoised, which is the same where it is not; band
   *     by band
   */
  public void afterDenoising(BiConsumer<Film, Film> step) {
    afterDenoising = step;
  }

  /** Has the whole picture put together, whichever formats are ordered. */
  public void withPicture() {
    if (picture == null) {
      picture = new PrintPicture(film.view(), shoot, look, luts, order, weights);
    }
  }

  /** The picture that was put together when files were written. */
  public byte[] encoded(PrintFormat format) {
    return picture.encoded(format, text);
  }

  /** The picture alone, in memory, in a format that holds nothing but it. */
  public byte[] picture(PrintFormat format) throws IOException {
    for (int band = 0; band < film.bands().count(); band++) {
      band(band, null);
    }
    return picture.encoded(format, text);
  }

  /** Seconds of denoising. */
  public double denoiseSeconds() {
    return denoiseSeconds;
  }

  private void band(int band, Exrs exrs) throws IOException {
    int first = film.bands().first(band), last = film.bands().last(band);
    int margin = order.denoise() ? REACH : 0;
    int top = Math.max(0, first - margin) / Film.TILE_HEIGHT * Film.TILE_HEIGHT;
    int bottom = Math.min(film.bands().height(), (last + margin + 15) / 16 * 16);
    Film traced = film.rows(top, bottom);
    long begin = System.nanoTime();
    Film shown = order.denoise() ? denoised(traced) : traced;
    denoiseSeconds += (System.nanoTime() - begin) / 1e9;
    if (afterDenoising != null) {
      afterDenoising.accept(traced, shown);
    }
    if (picture != null) {
      picture.take(traced, shown, top, first, last);
    }
    float[] alpha = order.cutOut() ? Alpha.of(traced, weights) : null;
    for (int y = first; exrs != null && y < last; y += STRIP) {
      int end = Math.min(last, y + STRIP);
      SurfaceData data =
          tracer == null ? null : tracer.rows(film.bands().width(), film.bands().height(), y, end);
      Map<String, float[]> rows = planes.rows(traced, shown, y - top, end - top, data);
      if (order.cutOut()) {
        rows.put(
            "A",
            Arrays.copyOfRange(alpha, (y - top) * traced.width(), (end - top) * traced.width()));
      }
      exrs.rows(end - y, rows);
    }
  }

  private Film denoised(Film traced) {
    boolean whole = film.bands().count() == 1 && denoised != null;
    return whole ? denoised.of(traced, Denoiser::denoised) : Denoiser.denoised(traced);
  }

  /** The OpenEXR files of a print: one, or one a layer. */
  private final class Exrs implements Closeable {
    private final Map<Path, ExrWriter> writers = new LinkedHashMap<>();
    private final Map<Path, Path> places = new LinkedHashMap<>();
    private boolean done;

    Exrs(Path base) throws IOException {
      Map<String, ExrWriter.Depth> all = new LinkedHashMap<>();
      Map<String, String> about = new LinkedHashMap<>(text);
      for (Map.Entry<String, Map<String, ExrWriter.Depth>> layer : planes.channels().entrySet()) {
        if (order.filePerPass()) {
          Map<String, String> own = new LinkedHashMap<>(text);
          own.putAll(planes.attributes(layer.getKey()));
          String name = layer.getKey().isEmpty() ? "" : "-" + plain(layer.getKey());
          open(base.resolveSibling(base.getFileName() + name + ".exr"), layer.getValue(), own);
        } else {
          all.putAll(layer.getValue());
          about.putAll(planes.attributes(layer.getKey()));
        }
      }
      if (!order.filePerPass()) {
        open(base.resolveSibling(base.getFileName() + ".exr"), all, about);
      }
    }

    private static String plain(String layer) {
      return layer.replaceAll("[^\\p{L}\\p{N}_]+", "-");
    }

    private void open(Path file, Map<String, ExrWriter.Depth> channels, Map<String, String> about)
        throws IOException {
      Path fresh = WholeFile.fresh(file);
      writers.put(
          fresh,
          new ExrWriter(
              WholeFile.open(fresh),
              film.bands().width(),
              film.bands().height(),
              order.exrPacking().packing(),
              channels,
              about));
      places.put(fresh, file);
    }

    void rows(int count, Map<String, float[]> values) throws IOException {
      for (ExrWriter writer : writers.values()) {
        writer.rows(count, values);
      }
    }

    /** Puts the files in their places. */
    List<Path> done() throws IOException {
      done = true;
      close();
      for (Map.Entry<Path, Path> file : places.entrySet()) {
        WholeFile.place(file.getKey(), file.getValue());
      }
      writers.clear();
      return List.copyOf(places.values());
    }

    @Override
    public void close() throws IOException {
      for (Map.Entry<Path, ExrWriter> writer : writers.entrySet()) {
        writer.getValue().close();
      }
      for (Path left : writers.keySet()) {
        if (!done) {
          Files.deleteIfExists(left);
        }
      }
    }
  }
}
