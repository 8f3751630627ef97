package levelember.look;

import java.util.stream.IntStream;
import levelember.shoot.Optics;
import levelember.texture.Picture;

/**
 * Distortion and colour fringing by reading a picture at other places (Catmull–Rom between pixels).
 * A place at r of the way to a corner is read at r·(1 + d·r²)/(1 + max(d, 0)), so that the frame
 * stays filled; red and blue are read a little farther out and in.
 */
final class Bending {
  private Bending() {}

  static Picture bent(Picture from, Optics optics) {
    int w = from.width(), h = from.height();
    double corner = Math.hypot(w, h) / 2;
    double d = optics.distortion();
    double whole = 1 / (1 + Math.max(d, 0));
    double fringe = optics.fringing() / 100 * h / corner;
    double[] scales = {whole * (1 - fringe), whole, whole * (1 + fringe)};
    Picture to = Picture.black(w, h);
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          double v = y + 0.5 - h / 2.0;
          for (int x = 0, at = 3 * y * w; x < w; x++, at += 3) {
            double u = x + 0.5 - w / 2.0;
            double bend = 1 + d * (u * u + v * v) / (corner * corner);
            for (int k = 0; k < 3; k++) {
              double s = bend * scales[k];
              to.rgb()[at + k] = read(from, s * u + w / 2.0 - 0.5, s * v + h / 2.0 - 0.5, k);
            }
          }
        });
    return to;
  }

  private static float read(Picture from, double x, double y, int channel) {
    int i = (int) Math.floor(x), j = (int) Math.floor(y);
    float fx = (float) (x - i), fy = (float) (y - j);
    float sum = 0;
    for (int b = -1; b <= 2; b++) {
      float wy = weight(b - fy);
      int row = Math.clamp(j + b, 0, from.height() - 1) * from.width();
      float line = 0;
      for (int a = -1; a <= 2; a++) {
        int column = Math.clamp(i + a, 0, from.width() - 1);
        line += weight(a - fx) * from.rgb()[3 * (row + column) + channel];
      }
      sum += wy * line;
    }
    return Math.max(0, sum);
  }

  private static float weight(float t) {
    float a = Math.abs(t);
    return a < 1 ? 1 + a * a * (1.5f * a - 2.5f) : a < 2 ? 2 + a * (-4 + a * (2.5f - 0.5f * a)) : 0;
  }
}
