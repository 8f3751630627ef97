package levelember.app.live.session;

import levelember.film.Film;
import levelember.formats.picture.PngFile;
import levelember.look.Development;
import levelember.math.Colour;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import levelember.upsampling.Ladder;

/** A layer as a small picture, exposed so that its bright parts are just not burnt. */
final class LayerThumbnail {
  private static final double BRIGHT_SHARE = 0.97;

  private LayerThumbnail() {}

  static byte[] jpeg(Ladder ladder, int layer, float[] weights, int width) {
    Film film = best(ladder, layer);
    int height = Math.max(1, Math.round((float) width * film.height() / film.width()));
    Picture small = Picture.black(width, height);
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        average(film, layer, weights, x, y, small);
      }
    }
    double[] bright = new double[width * height];
    for (int i = 0; i < bright.length; i++) {
      float[] c = small.rgb();
      bright[i] = Colour.luminance(c[3 * i], c[3 * i + 1], c[3 * i + 2]);
    }
    java.util.Arrays.sort(bright);
    double white = bright[(int) (BRIGHT_SHARE * (bright.length - 1))];
    double ev = white > 0 ? Math.log(white / 0.8 / 1.2) / Math.log(2) : 0;
    Look look = new Look("thumbnail", "Thumbnail", Math.clamp(ev, -20, 30), 0.6, 2);
    return PngFile.jpeg(new Development(look).codes(small), width, height, 0.85f);
  }

  private static Film best(Ladder ladder, int layer) {
    for (int i = 3; i > 0; i--) {
      Film film = ladder.film(i);
      boolean whole = true;
      for (int tile = 0; tile < film.tiles() && whole; tile++) {
        whole = film.samples(layer, tile) > 0;
      }
      if (whole) {
        return film;
      }
    }
    return ladder.film(0);
  }

  private static void average(Film film, int layer, float[] weights, int x, int y, Picture small) {
    int x0 = x * film.width() / small.width(), x1 = (x + 1) * film.width() / small.width();
    int y0 = y * film.height() / small.height(), y1 = (y + 1) * film.height() / small.height();
    double r = 0, g = 0, b = 0;
    int n = 0;
    float[] s = film.sums(layer);
    for (int j = y0; j < Math.max(y1, y0 + 1); j++) {
      for (int i = x0; i < Math.max(x1, x0 + 1); i++) {
        int samples = film.samples(layer, i, j);
        if (samples == 0) {
          continue;
        }
        int at = 3 * (j * film.width() + i);
        r += s[at] / samples;
        g += s[at + 1] / samples;
        b += s[at + 2] / samples;
        n++;
      }
    }
    if (n > 0) {
      small.set(x, y, weights[0] * r / n, weights[1] * g / n, weights[2] * b / n);
    }
  }
}
