package levelember.look;

import java.util.List;
import levelember.shoot.look.Glow;
import levelember.texture.Picture;

/**
 * Images of a source that a lens mirrors about the picture's middle: the first small and near to
 * it, the last as large and as far as asked for; every second one on the source's own side. Each
 * has an even share of the light, whatever its size.
 *
 * @param part what the glow says of it
 */
record LensFlare(Glow.LensFlare part) implements Spread {
  /** Drawn at the first level with no more rows than this. */
  private static final int MOST_ROWS = 300;

  /** Softness of an image as deviation, of the picture's height. */
  private static final double SOFT = 0.008;

  @Override
  public int level(int rows) {
    return Spread.level(rows, MOST_ROWS);
  }

  @Override
  public List<Object> shape() {
    return List.of(part.count(), part.spread());
  }

  @Override
  public Picture draw(Picture source, int rows, int first) {
    int level = level(rows);
    double height = Math.scalb((double) rows, -level);
    return Spread.drawnAt(level, source, first, coarse -> drawn(coarse, part, height));
  }

  /**
   * Draws the ghosts of a source.
   *
   * @param height of the whole picture in pixels of {@code source}
   */
  static Picture drawn(Picture source, Glow.LensFlare lensFlare, double height) {
    Picture soft = Blur.gaussian(source, SOFT * height);
    int w = source.width(), h = source.height(), n = lensFlare.count();
    Picture to = Picture.black(w, h);
    Image[] images = new Image[n];
    for (int i = 0; i < n; i++) {
      double scale = lensFlare.spread() * (i + 1) / n;
      images[i] = Image.of(i % 2 == 0 ? -scale : 0.6 * scale, n, w);
    }
    Blur.rows(
        w,
        h,
        y -> {
          for (Image image : images) {
            image.row(soft, y, to.rgb());
          }
        });
    return to;
  }

  /**
   * One image.
   *
   * @param scale of the source, below 0 when it stands on its head
   * @param begin first column that it reaches
   * @param end column after the last
   * @param columns of the source that are seen at a column, the left of the two
   * @param parts how far it lies to the right of them, 0…1
   */
  private record Image(
      double scale, float weight, int begin, int end, int[] columns, float[] parts) {
    static Image of(double scale, int count, int width) {
      int[] columns = new int[width];
      float[] parts = new float[width];
      int begin = width, end = 0;
      for (int x = 0; x < width; x++) {
        double u = (x + 0.5 - width / 2.0) / scale + width / 2.0 - 0.5;
        int i = (int) Math.floor(u);
        // What lies over the edge is not there; a row of the source has a dark pixel on each side.
        if (i >= -1 && i < width) {
          begin = Math.min(begin, x);
          end = x + 1;
          columns[x] = i;
          parts[x] = (float) (u - i);
        }
      }
      return new Image(scale, (float) (1 / (count * scale * scale)), begin, end, columns, parts);
    }

    void row(Picture from, int y, float[] to) {
      int w = from.width(), h = from.height();
      double v = (y + 0.5 - h / 2.0) / scale + h / 2.0 - 0.5;
      int j = (int) Math.floor(v);
      if (j < -1 || j >= h || end <= begin) {
        return;
      }
      // Down first, for the columns that are seen; then across.
      float[] between = new float[3 * (w + 2)];
      float fy = (float) (v - j);
      if (j >= 0) {
        Blur.add(from.rgb(), 3 * j * w, 3 * w, weight * (1 - fy), between, 3);
      }
      if (j + 1 < h) {
        Blur.add(from.rgb(), 3 * (j + 1) * w, 3 * w, weight * fy, between, 3);
      }
      for (int x = begin, at = 3 * (y * w + begin); x < end; x++, at += 3) {
        int i = 3 * (columns[x] + 1);
        float fx = parts[x];
        to[at] += between[i] + fx * (between[i + 3] - between[i]);
        to[at + 1] += between[i + 1] + fx * (between[i + 4] - between[i + 1]);
        to[at + 2] += between[i + 2] + fx * (between[i + 5] - between[i + 2]);
      }
    }
  }
}
