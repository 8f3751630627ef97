package levelember.upsampling;

import java.util.stream.IntStream;
import levelember.film.FeatureBuffer;
import levelember.film.Film;
import levelember.film.GBuffer;
import levelember.film.LayerMix;
import levelember.texture.Picture;

/**
 * Films of one picture at 1/8, 1/4, 1/2 and full size, and the first surfaces of the full one's
 * first samples, to which coarse light is brought up. Every layer is shown from the finest film
 * that has it, row by row, so that a light just moved appears coarse at once while the others stay
 * sharp, and the picture is never blank.
 */
public final class Ladder {
  private static final int[] STEPS = {8, 4, 2, 1};

  /** How many films there are. */
  static final int SIZES = STEPS.length;

  /** Samples of the full film from which it needs no light brought up to first surfaces. */
  static final int SELF_SUFFICIENT = 4;

  /** Samples whose first surfaces are kept in full size. */
  private static final int SURFACES = 4;

  private final int width, height;
  private final Film[] films;
  private final Film surfaces;

  /**
   * What is traced next.
   *
   * @param film of the ladder
   * @param samples that it is traced to
   */
  public record Step(Film film, int samples) {}

  /** Empty films for a picture of the given size. */
  public Ladder(int width, int height, int layers) {
    this(width, height, layers, false);
  }

  /** Films without anything in them, for layers to be put in when {@code bare}. */
  Ladder(int width, int height, int layers, boolean bare) {
    this.width = width;
    this.height = height;
    films = new Film[STEPS.length];
    for (int i = 0; i < films.length; i++) {
      films[i] = Film.coarse(width, height, STEPS[i], layers, bare);
      if (!bare) {
        films[i].keepingSurfaces(1);
      }
    }
    surfaces = bare ? null : Film.ofSurfaces(width, height, layers, SURFACES);
  }

  private Ladder(int width, int height, Film[] films, Film surfaces) {
    this.width = width;
    this.height = height;
    this.films = films;
    this.surfaces = surfaces;
  }

  /** Ladder with other layers that shares what stays; see {@link Film#withLayers}. */
  public Ladder withLayers(int[] from) {
    Film[] to = new Film[films.length];
    for (int i = 0; i < films.length; i++) {
      to[i] = films[i].withLayers(from);
    }
    return new Ladder(width, height, to, surfaces == null ? null : surfaces.withLayers(from));
  }

  /** The same with one film replaced. */
  Ladder with(int size, Film film) {
    Film[] to = films.clone();
    to[size] = film;
    return new Ladder(width, height, to, surfaces);
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  /** The film of full size. */
  public Film full() {
    return films[films.length - 1];
  }

  /** The first surfaces of samples in full size, and the emission that is seen. */
  public Film surfaces() {
    return surfaces;
  }

  /**
   * What to trace next, or null when the full film has {@code samples}. A coarse picture comes
   * first, then light and surfaces in turn, each when it takes most of the error away.
   *
   * @param sharp whether light is brought up to first surfaces, which are traced for it
   */
  public Step next(int samples, boolean sharp) {
    // A coarse film is of no use once the full one has every row.
    if (samples > 0 && full().samples() == 0) {
      boolean fresh = sharp && surfacesKnown() == 0;
      Step[] order = {
        new Step(films[0], 1),
        fresh ? new Step(surfaces, 1) : null,
        new Step(films[1], 1),
        sharp ? new Step(surfaces, 2) : null,
        new Step(films[2], 1),
        sharp ? new Step(surfaces, SURFACES) : null,
      };
      for (Step step : order) {
        if (step != null && step.film().samples() < step.samples()) {
          return step;
        }
      }
    }
    return full().samples() < samples ? new Step(full(), samples) : null;
  }

  /** Samples of every pixel, at least, whose first surfaces are known. */
  int surfacesKnown() {
    int least = Integer.MAX_VALUE;
    for (int tile = 0; tile < surfaces.tiles(); tile++) {
      least = Math.min(least, surfaces.most(tile));
    }
    return least;
  }

  public Film film(int number) {
    return films[number];
  }

  /** How many times coarser than full size the best complete film is; 0 without any. */
  public int step() {
    for (int i = films.length - 1; i >= 0; i--) {
      if (films[i].samples() > 0) {
        return STEPS[i];
      }
    }
    return 0;
  }

  /**
   * Bytes that the films of a picture hold at most, their denoised twins included.
   *
   * @param pixels of the full size
   */
  public static long bytes(long pixels, int layers) {
    // Three floats and one of even samples a layer, the guides, and the surface of one sample, to
    // which the coarser films add a third; the twin's three floats a layer and those of its
    // coarsest film; the surfaces in full size and the weights by which light is brought
    // up to them; and the emission of one layer all over.
    long films = pixels * (layers * 16L + 4 * FeatureBuffer.VALUES + 16) + GBuffer.bytes(pixels, 1);
    long twin = pixels * layers * 12L;
    return films * 4 / 3 + twin + twin / 64 + GBuffer.bytes(pixels, SURFACES) + pixels * 28;
  }

  /** Bytes that all films hold. */
  public long bytes() {
    long sum = surfaces == null ? 0 : surfaces.bytes();
    for (Film f : films) {
      sum += f.bytes();
    }
    return sum;
  }

  /** How many times coarser than full size the finest film with anything in it is. */
  public int shownStep() {
    for (int i = films.length - 1; i > 0; i--) {
      for (int row = 0; row < films[i].height(); row += Film.TILE_HEIGHT) {
        for (int layer = 0; layer < films[i].layers(); layer++) {
          if (films[i].rowSamples(layer, row) > 0) {
            return STEPS[i];
          }
        }
      }
    }
    return STEPS[0];
  }

  /** The picture in full size in cd/m², weights as in {@link LayerMix}. */
  public Picture mix(float[] weights) {
    return mix(weights, 1);
  }

  /**
   * The picture of one of the ladder's sizes in cd/m². Shadow catchers take no more of what is
   * behind them than there is.
   *
   * @param weights as in {@link LayerMix}
   * @param step how many times coarser than full size: 1, 2, 4 or 8
   */
  public Picture mix(float[] weights, int step) {
    Picture to = rows(weights, step);
    LayerMix.clip(to.rgb(), 0, to.rgb().length);
    return to;
  }

  /** One layer by itself; less than 0 where shadow catchers take it from other layers. */
  public Picture layer(int layer, float[] weights, int step) {
    return rows(LayerMix.only(weights, layer), step);
  }

  private Picture rows(float[] weights, int step) {
    int own = level(step);
    Picture to = Picture.black(films[own].width(), films[own].height());
    IntStream.range(0, to.height()).parallel().forEach(y -> row(weights, own, y, to.rgb()));
    return to;
  }

  /** The alpha of the picture of one of the ladder's sizes, where the shot is cut out. */
  public float[] alpha(float[] weights, int step) {
    return Alpha.of(this, weights, level(step));
  }

  private static int level(int step) {
    int level = 0;
    while (STEPS[level] != step) {
      level++;
    }
    return level;
  }

  /** Mixes one row: layers that the size has itself, then what only coarser films have. */
  private void row(float[] weights, int own, int y, float[] to) {
    Film film = films[own];
    float[][] coarse = new float[own][];
    int from = 3 * y * film.width();
    for (int layer = 0; layer < film.layers(); layer++) {
      float r = weights[3 * layer], g = weights[3 * layer + 1], b = weights[3 * layer + 2];
      if (r == 0 && g == 0 && b == 0) {
        continue;
      }
      if (own == 0 || film.rowSamples(layer, y) > 0) {
        LayerMix.add(film, layer, y, r, g, b, to, from);
        continue;
      }
      for (int i = own - 1; i >= 0; i--) {
        if (down(films[i], STEPS[i] / STEPS[own], layer, y, r, g, b, coarse, i)) {
          break;
        }
      }
    }
    for (int i = 0; i < own; i++) {
      if (coarse[i] != null) {
        across(coarse[i], STEPS[i] / STEPS[own], film.width(), to, from);
      }
    }
  }

  /** Adds a layer of a coarser film, blended between the two rows about {@code y}. */
  private static boolean down(
      Film film,
      int ratio,
      int layer,
      int y,
      float r,
      float g,
      float b,
      float[][] coarse,
      int level) {
    float fy = (y + 0.5f) / ratio - 0.5f;
    int y0 = Math.clamp((int) Math.floor(fy), 0, film.height() - 1);
    int y1 = Math.min(y0 + 1, film.height() - 1);
    boolean upper = film.rowSamples(layer, y0) > 0, lower = film.rowSamples(layer, y1) > 0;
    if (!upper && !lower) {
      return false;
    }
    float part = Math.clamp(fy - y0, 0f, 1f);
    float w0 = !upper ? 0 : !lower ? 1 : 1 - part;
    float w1 = 1 - w0;
    int row = 3 * film.width();
    if (coarse[level] == null) {
      coarse[level] = new float[row];
    }
    LayerMix.add(film, layer, y0, r * w0, g * w0, b * w0, coarse[level], 0);
    LayerMix.add(film, layer, y1, r * w1, g * w1, b * w1, coarse[level], 0);
    return true;
  }

  /** Adds a coarse row stretched {@code ratio} times. */
  private static void across(float[] row, int ratio, int width, float[] to, int at) {
    int last = row.length / 3 - 1;
    for (int x = 0; x < width; x++, at += 3) {
      float fx = (x + 0.5f) / ratio - 0.5f;
      int x0 = Math.clamp((int) Math.floor(fx), 0, last);
      int x1 = Math.min(x0 + 1, last);
      float part = Math.clamp(fx - x0, 0f, 1f);
      for (int k = 0; k < 3; k++) {
        to[at + k] += row[3 * x0 + k] + part * (row[3 * x1 + k] - row[3 * x0 + k]);
      }
    }
  }
}
