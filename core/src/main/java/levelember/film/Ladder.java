package levelember.film;

import java.util.stream.IntStream;
import levelember.texture.Picture;

/**
 * Films of one picture at 1/8, 1/4, 1/2 and full size. Every layer is shown from the finest film
 * that has it, row by row, so that a light just moved appears coarse at once while the others stay
 * sharp, and the picture is never blank.
 */
public final class Ladder {
  private static final int[] STEPS = {8, 4, 2, 1};
  private static final int[] ENOUGH = {1, 2, 4};

  private final int width, height;
  private final Film[] films;

  /** Empty films for a picture of the given size. */
  public Ladder(int width, int height, int layers) {
    this.width = width;
    this.height = height;
    films = new Film[STEPS.length];
    for (int i = 0; i < films.length; i++) {
      films[i] =
          new Film((width + STEPS[i] - 1) / STEPS[i], (height + STEPS[i] - 1) / STEPS[i], layers);
    }
  }

  private Ladder(int width, int height, Film[] films) {
    this.width = width;
    this.height = height;
    this.films = films;
  }

  /** Ladder with other layers that shares what stays; see {@link Film#withLayers}. */
  public Ladder withLayers(int[] from) {
    Film[] to = new Film[films.length];
    for (int i = 0; i < films.length; i++) {
      to[i] = films[i].withLayers(from);
    }
    return new Ladder(width, height, to);
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

  /** Number of the film to trace next, or −1 when the full one has {@code samples}. */
  public int next(int samples) {
    for (int i = 0; i < films.length; i++) {
      if (films[i].samples() < target(i, samples)) {
        // A coarse film is of no use once the full one has every row.
        if (i == films.length - 1 || full().samples() == 0) {
          return i;
        }
      }
    }
    return -1;
  }

  /** Samples that a film is traced to. */
  public int target(int film, int samples) {
    return film < ENOUGH.length ? Math.min(ENOUGH[film], samples) : samples;
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

  /** Bytes that all films hold. */
  public long bytes() {
    long sum = 0;
    for (Film f : films) {
      sum += f.bytes();
    }
    return sum;
  }

  /** The picture in cd/m², weights as in {@link LayerMix}. */
  public Picture mix(float[] weights) {
    Picture to = Picture.black(width, height);
    IntStream.range(0, height).parallel().forEach(y -> row(weights, y, to.rgb()));
    return to;
  }

  private void row(float[] weights, int y, float[] to) {
    int layers = full().layers();
    for (int layer = 0; layer < layers; layer++) {
      float r = weights[3 * layer], g = weights[3 * layer + 1], b = weights[3 * layer + 2];
      if (r == 0 && g == 0 && b == 0) {
        continue;
      }
      for (int i = films.length - 1; i >= 0; i--) {
        if (add(films[i], STEPS[i], layer, y, r, g, b, to)) {
          break;
        }
      }
    }
  }

  private boolean add(
      Film film, int step, int layer, int y, float r, float g, float b, float[] to) {
    float fy = (y + 0.5f) / step - 0.5f;
    int y0 = Math.clamp((int) Math.floor(fy), 0, film.height() - 1);
    int y1 = Math.min(y0 + 1, film.height() - 1);
    int n0 = film.samples(layer, y0), n1 = film.samples(layer, y1);
    if (step == 1) {
      if (n0 == 0) {
        return false;
      }
      float[] s = film.sums(layer);
      int from = 3 * y * width, end = from + 3 * width;
      r /= n0;
      g /= n0;
      b /= n0;
      for (int i = from; i < end; i += 3) {
        to[i] += r * s[i];
        to[i + 1] += g * s[i + 1];
        to[i + 2] += b * s[i + 2];
      }
      return true;
    }
    if (n0 == 0 && n1 == 0) {
      return false;
    }
    float down = Math.clamp(fy - y0, 0f, 1f);
    float w0 = n0 == 0 ? 0 : (n1 == 0 ? 1 : 1 - down) / n0;
    float w1 = n1 == 0 ? 0 : (n0 == 0 ? 1 : down) / n1;
    float[] s = film.sums(layer);
    int fw = film.width();
    for (int x = 0; x < width; x++) {
      float fx = (x + 0.5f) / step - 0.5f;
      int x0 = Math.clamp((int) Math.floor(fx), 0, fw - 1);
      int x1 = Math.min(x0 + 1, fw - 1);
      float across = Math.clamp(fx - x0, 0f, 1f);
      int a = 3 * (y0 * fw + x0), c = 3 * (y0 * fw + x1);
      int d = 3 * (y1 * fw + x0), e = 3 * (y1 * fw + x1);
      float wa = w0 * (1 - across), wc = w0 * across, wd = w1 * (1 - across), we = w1 * across;
      int at = 3 * (y * width + x);
      to[at] += r * (wa * s[a] + wc * s[c] + wd * s[d] + we * s[e]);
      to[at + 1] += g * (wa * s[a + 1] + wc * s[c + 1] + wd * s[d + 1] + we * s[e + 1]);
      to[at + 2] += b * (wa * s[a + 2] + wc * s[c + 2] + wd * s[d + 2] + we * s[e + 2]);
    }
    return true;
  }
}
