package levelember.look;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import levelember.shoot.look.Glow;
import levelember.texture.Picture;

/**
 * Lines of light that leave their source to chosen sides and fall off exponentially: a recursive
 * filter that runs along slanted lines. All lines of a direction are swept over the picture
 * together, a column or a row at a time, read and written between pixels, so that a line stays thin
 * however long it is.
 *
 * @param part what the glow says of it
 */
record StarRays(Glow.StarRays part) implements Spread {
  /** Drawn at the first level with no more rows than this. */
  private static final int MOST_ROWS = 300;

  private static final RowMath ROWS = RowMath.ofMachine();

  /** Width of a line as deviation, of the picture's height. */
  private static final double WIDTH = 0.002;

  /** Pixels of a tile along each side. */
  private static final int TILE = 16;

  @Override
  public int level(int rows) {
    return Spread.level(rows, MOST_ROWS);
  }

  @Override
  public List<Object> shape() {
    return List.of(part.count(), part.rotationDegrees(), part.length());
  }

  @Override
  public Picture draw(Picture source, int rows, int first) {
    int level = level(rows);
    double height = Math.scalb((double) rows, -level);
    return Spread.drawnAt(level, source, first, coarse -> drawn(coarse, part, height));
  }

  /**
   * Draws the streaks of a source.
   *
   * @param height of the whole picture in pixels of {@code source}
   */
  static Picture drawn(Picture source, Glow.StarRays starRays, double height) {
    Picture soft = Blur.gaussian(source, WIDTH * height);
    int w = soft.width(), h = soft.height(), n = starRays.count();
    double fall = starRays.length() / 100 * height;
    float[][] planes = new float[3][w * h], to = new float[3][w * h];
    Blur.rows(w, h, y -> part(soft.rgb(), y, w, planes));
    // Lines that run across are swept column by column, those that run down row by row.
    IntStream.range(0, 6)
        .parallel()
        .forEach(task -> {
          boolean across = task % 2 == 0;
          float[] from = planes[task / 2];
          float[] image = across ? turned(from, w, h) : from;
          float[] drawn = new float[w * h];
          boolean any = false;
          for (int i = 0; i < n; i++) {
            any |= arm(i, starRays, across, fall, image, across ? h : w, drawn);
          }
          if (any) {
            float[] upright = across ? turned(drawn, h, w) : drawn;
            synchronized (to[task / 2]) {
              ROWS.add(upright, 0, w * h, 1, to[task / 2], 0);
            }
          }
        });
    Picture joined = Picture.black(w, h);
    Blur.rows(w, h, y -> join(to, y, w, joined.rgb()));
    return joined;
  }

  /** Adds an arm, and the opposite one with it, when they run the asked way; says if it did. */
  private static boolean arm(
      int i,
      Glow.StarRays starRays,
      boolean across,
      double fall,
      float[] image,
      int n,
      float[] to) {
    int count = starRays.count();
    boolean both = count % 2 == 0;
    if (both && i >= count / 2) {
      return false;
    }
    double angle = Math.toRadians(starRays.rotationDegrees() + 360.0 * i / count);
    double dx = StrictMath.cos(angle), dy = -StrictMath.sin(angle);
    if (Math.abs(dx) >= Math.abs(dy) != across) {
      return false;
    }
    double ahead = across ? dx : dy, aside = across ? dy : dx;
    Sweep sweep = new Sweep(image, n, aside / ahead, fall, 1f / count, to);
    if (both || ahead > 0) {
      sweep.forward();
    }
    if (both || ahead < 0) {
      sweep.backward();
    }
    return true;
  }

  private static void part(float[] rgb, int y, int w, float[][] to) {
    float[] r = to[0], g = to[1], b = to[2];
    for (int x = 0, i = 3 * y * w, at = y * w; x < w; x++, i += 3, at++) {
      r[at] = rgb[i];
      g[at] = rgb[i + 1];
      b[at] = rgb[i + 2];
    }
  }

  private static void join(float[][] from, int y, int w, float[] rgb) {
    for (int x = 0, i = 3 * y * w, at = y * w; x < w; x++, i += 3, at++) {
      rgb[i] = from[0][at];
      rgb[i + 1] = from[1][at];
      rgb[i + 2] = from[2][at];
    }
  }

  /** Columns as rows; in tiles, as they are far apart in memory. */
  private static float[] turned(float[] from, int w, int h) {
    float[] to = new float[w * h];
    for (int y0 = 0; y0 < h; y0 += TILE) {
      int y1 = Math.min(h, y0 + TILE);
      for (int x = 0; x < w; x++) {
        for (int y = y0, i = y0 * w + x; y < y1; y++, i += w) {
          to[x * h + y] = from[i];
        }
      }
    }
    return to;
  }

  /**
   * The lines of one direction. Line k lies at k + slope·i of the i-th row, which runs across the
   * lines; all that is done to a row is done to all its lines.
   */
  private static final class Sweep {
    private final float[] image, to;
    private final int n, rows, first;
    private final double slope;
    private final float keep, gain;

    /** What runs along each line, from the first that crosses the picture. */
    private final float[] lines;

    Sweep(float[] image, int n, double slope, double fall, float share, float[] to) {
      this.image = image;
      this.n = n;
      this.slope = slope;
      this.to = to;
      rows = image.length / n;
      keep = (float) StrictMath.pow(0.1, StrictMath.hypot(1, slope) / fall);
      gain = (1 - keep) * share;
      int end = down(rows - 1);
      first = -1 - Math.max(0, end);
      lines = new float[n + 1 + Math.abs(end)];
    }

    /** Whole places that lines have moved by at a row. */
    private int down(int row) {
      return (int) Math.floor(slope * row);
    }

    void forward() {
      Arrays.fill(lines, 0);
      for (int i = 0; i < rows; i++) {
        step(i);
      }
    }

    void backward() {
      Arrays.fill(lines, 0);
      for (int i = rows - 1; i >= 0; i--) {
        step(i);
      }
    }

    private void step(int row) {
      int down = down(row), begin = row * n, line = -down - first;
      float lower = (float) (slope * row - down), upper = 1 - lower;
      // Over the edges there is nothing.
      lines[line - 1] = keep * lines[line - 1] + gain * (lower * image[begin]);
      run(lines, line, image, begin, n - 1, keep, gain * upper, gain * lower);
      int last = line + n - 1;
      lines[last] = keep * lines[last] + gain * (upper * image[begin + n - 1]);
      // Of the two lines that run past a pixel the upper one does so by the lower part.
      add(lines, line, n, upper, lower, to, begin);
    }

    private static void run(
        float[] lines,
        int line,
        float[] image,
        int at,
        int n,
        float keep,
        float upper,
        float lower) {
      for (int j = 0; j < n; j++) {
        lines[line + j] =
            keep * lines[line + j] + (upper * image[at + j] + lower * image[at + j + 1]);
      }
    }

    private static void add(
        float[] lines, int line, int n, float upper, float lower, float[] to, int at) {
      for (int j = 0; j < n; j++) {
        to[at + j] += upper * lines[line + j] + lower * lines[line + j - 1];
      }
    }
  }
}
