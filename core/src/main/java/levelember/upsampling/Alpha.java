package levelember.upsampling;

import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.film.GBuffer;

/**
 * How far a cut out picture covers what is laid behind it: 1 where a piece is seen, on a shadow
 * catcher the share of its light that shadow keeps off it, 0 where nothing is. Colours of the
 * layers are multiplied by it already (Porter and Duff 1984).
 */
public final class Alpha {
  private Alpha() {}

  /**
   * The alpha of a film's pixels, row by row.
   *
   * @param weights as in {@code LayerMix}; a catcher's shadow depends on how its lights are set
   */
  public static float[] of(Film film, float[] weights) {
    float[] to = new float[film.width() * film.height()];
    float[] by = new float[film.layers()];
    for (int k = 0; k < by.length; k++) {
      by[k] = (weights[3 * k] + weights[3 * k + 1] + weights[3 * k + 2]) / 3;
    }
    IntStream.range(0, film.height()).parallel().forEach(y -> row(film, by, y, to));
    return to;
  }

  private static void row(Film film, float[] by, int y, float[] to) {
    float[] covers = film.guides().covers();
    if (covers == null) {
      return;
    }
    for (int x = 0; x < film.width(); x++) {
      int at = y * film.width() + x, tile = film.tile(x, y);
      int n = film.guides().samples(tile);
      if (n == 0) {
        continue;
      }
      float alpha = covers[2 * at] / n, share = covers[2 * at + 1] / n;
      if (share > 0) {
        double lost = 0, offered = 0;
        for (int k = 0; k < by.length; k++) {
          float[] caught = film.caught(k);
          int own = film.samples(k, tile);
          if (caught != null && own > 0) {
            lost += by[k] * caught[2 * at] / own;
            offered += by[k] * caught[2 * at + 1] / own;
          }
        }
        alpha += offered > 0 ? share * (float) Math.clamp(lost / offered, 0, 1) : 0;
      }
      to[at] = Math.clamp(alpha, 0f, 1f);
    }
  }

  /** The alpha of a picture of one of a ladder's sizes; coarser where there is no finer yet. */
  static float[] of(Ladder ladder, float[] weights, int level) {
    Film own = ladder.film(level);
    float[] to = of(own, weights);
    float[][] coarser = new float[level][];
    for (int y = 0; y < own.height(); y += Film.TILE_HEIGHT) {
      for (int x = 0; x < own.width(); x += Film.TILE_WIDTH) {
        if (own.guides().samples(own.tile(x, y)) == 0) {
          coarse(ladder, weights, level, own.tile(x, y), coarser, to);
        }
      }
    }
    return to;
  }

  /** Fills a tile from the finest film that has it; alphas of whole films are made once. */
  private static void coarse(
      Ladder ladder, float[] weights, int level, int tile, float[][] coarser, float[] to) {
    Film own = ladder.film(level);
    for (int i = level - 1; i >= 0; i--) {
      Film film = ladder.film(i);
      int ratio = film.step() / own.step();
      int cx = own.left(tile) / ratio, cy = own.top(tile) / ratio;
      if (film.guides().samples(film.tile(cx, cy)) == 0) {
        continue;
      }
      if (coarser[i] == null) {
        coarser[i] = of(film, weights);
      }
      boolean sharp =
          own.step() == 1 && ladder.surfaces() != null && ladder.surfaces().most(tile) > 0;
      for (int y = own.top(tile); y < own.bottom(tile); y++) {
        for (int x = own.left(tile); x < own.right(tile); x++) {
          to[y * own.width() + x] =
              sharp
                  ? sharp(ladder.surfaces(), tile, x, y, film, coarser[i])
                  : coarser[i][y / ratio * film.width() + x / ratio];
        }
      }
      return;
    }
  }

  /** Whole where a first surface is seen, and what the coarse film has about it of the open. */
  private static float sharp(Film fine, int tile, int x, int y, Film coarse, float[] alphas) {
    GBuffer surfaces = fine.surfaces();
    int n = Math.min(surfaces.kept(), fine.most(tile)), met = 0;
    for (int i = 0; i < n; i++) {
      met += surfaces.kind(y * fine.width() + x, i) == GBuffer.SURFACE ? 1 : 0;
    }
    return met == n ? 1 : (met + (n - met) * open(coarse, alphas, x, y)) / n;
  }

  /** The alpha of the open about a pixel of full size; 0 where the coarse film has none. */
  private static float open(Film coarse, float[] alphas, int x, int y) {
    float fx = (x + 0.5f) / coarse.step() - 0.5f, fy = (y + 0.5f) / coarse.step() - 0.5f;
    int x0 = (int) Math.floor(fx), y0 = (int) Math.floor(fy);
    float sum = 0, weights = 0;
    for (int cy = Math.max(0, y0); cy <= Math.min(coarse.height() - 1, y0 + 1); cy++) {
      for (int cx = Math.max(0, x0); cx <= Math.min(coarse.width() - 1, x0 + 1); cx++) {
        int p = cy * coarse.width() + cx;
        if (coarse.surfaces().kind(p, 0) == GBuffer.OPEN) {
          float w = (1 - Math.abs(cx - fx)) * (1 - Math.abs(cy - fy));
          sum += w * alphas[p];
          weights += w;
        }
      }
    }
    return weights > 0 ? sum / weights : 0;
  }
}
