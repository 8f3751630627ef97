package levelember.look;

import levelember.shoot.Glow;
import levelember.texture.Picture;

/**
 * Images of a source that a lens mirrors about the picture's middle: the first small and near to
 * it, the last as large and as far as asked for; every second one on the source's own side. Each
 * has an even share of the light, whatever its size.
 */
final class Ghosting {
  /** Softness of an image as deviation, of the picture's height. */
  private static final double SOFT = 0.008;

  private Ghosting() {}

  /**
   * Draws the ghosts of a source.
   *
   * @param height of the whole picture in pixels of {@code source}
   */
  static Picture drawn(Picture source, Glow.Ghosts ghosts, double height) {
    Picture soft = Blur.gaussian(source, SOFT * height);
    int w = source.width(), h = source.height(), n = ghosts.count();
    Picture to = Picture.black(w, h);
    Blur.rows(
        w,
        h,
        y -> {
          for (int i = 0; i < n; i++) {
            double scale = ghosts.spread() * (i + 1) / n;
            double signed = i % 2 == 0 ? -scale : 0.6 * scale;
            row(soft, y, signed, (float) (1 / (n * signed * signed)), to.rgb());
          }
        });
    return to;
  }

  private static void row(Picture from, int y, double scale, float weight, float[] to) {
    int w = from.width(), h = from.height();
    double v = (y + 0.5 - h / 2.0) / scale + h / 2.0 - 0.5;
    int j = (int) Math.floor(v);
    if (j < -1 || j >= h) {
      return;
    }
    float fy = (float) (v - j);
    for (int x = 0, at = 3 * y * w; x < w; x++, at += 3) {
      double u = (x + 0.5 - w / 2.0) / scale + w / 2.0 - 0.5;
      int i = (int) Math.floor(u);
      if (i < -1 || i >= w) {
        continue;
      }
      float fx = (float) (u - i);
      add(from, i, j, weight * (1 - fx) * (1 - fy), to, at);
      add(from, i + 1, j, weight * fx * (1 - fy), to, at);
      add(from, i, j + 1, weight * (1 - fx) * fy, to, at);
      add(from, i + 1, j + 1, weight * fx * fy, to, at);
    }
  }

  private static void add(Picture from, int x, int y, float weight, float[] to, int at) {
    if (x >= 0 && x < from.width() && y >= 0 && y < from.height()) {
      int i = 3 * (y * from.width() + x);
      to[at] += weight * from.rgb()[i];
      to[at + 1] += weight * from.rgb()[i + 1];
      to[at + 2] += weight * from.rgb()[i + 2];
    }
  }
}
