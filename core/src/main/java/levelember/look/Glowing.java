package levelember.look;

import java.util.List;
import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.math.Rgb;
import levelember.shoot.look.Glow;
import levelember.texture.Picture;

/**
 * The glows of a look. Each takes a share of its source's light away and spreads it anew, so that
 * the picture keeps its light but for what leaves the frame. Sizes go by the picture's height and
 * all is drawn at levels that do too, so that a larger print looks the same.
 */
final class Glowing {
  /** Pixels that are looked through at a time for any that glow. */
  private static final int CHUNK = 32;

  private static final RowMath ROWS = RowMath.ofMachine();

  private final List<Glow> glows;
  private final double scale;

  /**
   * Prepares glows.
   *
   * @param scale exposed value of one cd/m²
   */
  Glowing(List<Glow> glows, double scale) {
    this.glows = glows;
    this.scale = scale;
  }

  boolean active() {
    return glows.stream().anyMatch(Glow::active);
  }

  /** What share of a pixel is spread, by the largest of its channels. */
  private record Gate(float low, float perWide) {
    static Gate of(Glow glow, double scale) {
      double white = StrictMath.pow(2, glow.threshold()) / scale;
      double low = white * StrictMath.pow(2, -glow.knee() / 2);
      double high = white * StrictMath.pow(2, glow.knee() / 2);
      return new Gate((float) low, (float) (1 / Math.max(high - low, 1e-6 * high)));
    }

    float share(float r, float g, float b) {
      float most = r > g ? r : g;
      float over = (b > most ? b : most) - low;
      if (!(over > 0)) {
        return 0;
      }
      float t = over * perWide;
      return t < 1 ? t * t * (3 - 2 * t) : 1;
    }
  }

  /** Share of the light over the threshold that a glow spreads. */
  private static float share(Glow glow) {
    double sum = 0;
    for (Spread spread : Spread.of(glow)) {
      sum += spread.part().level();
    }
    return (float) Math.min(1, sum);
  }

  /**
   * All that is spread.
   *
   * @param light of a part of the picture's size
   * @param level how often it was halved
   * @param glowing for every glow the rows that give something to it; null where it does not glow
   */
  record Halo(Picture light, int level, boolean[][] glowing) {}

  /**
   * All that is spread; null when nothing glows.
   *
   * @param whole the picture as it is, cd/m²
   * @param kept what may be of use from before
   */
  Halo halo(Picture whole, LookInputs inputs, GlowCache kept) {
    int h = whole.height();
    kept.glows(glows.size());
    boolean[][] glowing = new boolean[glows.size()][];
    int level = Integer.MAX_VALUE;
    for (Glow glow : glows) {
      level = glow.active() ? Math.min(level, level(glow, h)) : level;
    }
    Picture sum = null;
    for (int i = 0; i < glows.size(); i++) {
      Glow glow = glows.get(i);
      Picture own = inputs.source(i);
      if (!glow.active() || own == null && glow.source().kind() != Glow.Source.Kind.PICTURE) {
        // What it glows from is not known yet.
        continue;
      }
      int step = 1 << level;
      int margin = own == null ? 0 : inputs.margin(i);
      if (sum == null) {
        sum = Picture.black((whole.width() + step - 1) / step, (h + step - 1) / step);
      }
      Picture from = own == null ? whole : own;
      int first = level;
      Gate gate = Gate.of(glow, scale);
      GlowCache.Gated gated =
          kept.gated(i, () -> gated(from, margin, first, gate), from, margin, first, gate);
      glowing[i] = java.util.Arrays.copyOfRange(gated.rows(), margin, margin + h);
      if (gated.any()) {
        draw(i, gated.source(), h, (margin + step - 1) / step, level, sum, kept);
      }
    }
    return sum == null ? null : new Halo(sum, level, glowing);
  }

  /** The coarsest level at which a glow can be drawn. */
  private static int level(Glow glow, int rows) {
    return Spread.of(glow).stream()
        .mapToInt(spread -> spread.level(rows))
        .min()
        .orElse(Integer.MAX_VALUE);
  }

  /**
   * What of a source is over the threshold, halved so often; the frame begins at a whole pixel of
   * it.
   */
  private static GlowCache.Gated gated(Picture from, int margin, int level, Gate gate) {
    boolean[] rows = new boolean[from.height()];
    int w = from.width(), h = from.height(), step = 1 << level;
    // Moves the source so that the frame falls on whole pixels.
    int shift = (step - margin % step) % step;
    Picture to = Picture.black((w + shift + step - 1) / step, (h + shift + step - 1) / step);
    float share = Math.scalb(1f, -2 * level);
    IntStream.range(0, to.height())
        .parallel()
        .forEach(y -> {
          int at = 3 * y * to.width();
          int last = Math.min(h, (y + 1) * step - shift);
          for (int row = Math.max(0, y * step - shift); row < last; row++) {
            rows[row] = gate(from, row, shift, level, share, gate, to.rgb(), at);
          }
        });
    boolean any = false;
    for (boolean row : rows) {
      any |= row;
    }
    return new GlowCache.Gated(to, rows, any);
  }

  /** Adds a share of what of a row is over the threshold to a shorter row; says if there is any. */
  private static boolean gate(
      Picture from, int y, int shift, int level, float share, Gate gate, float[] to, int at) {
    float[] a = from.rgb();
    int w = from.width(), begin = 3 * y * w;
    boolean any = false;
    for (int x0 = 0; x0 < w; x0 += CHUNK) {
      int x1 = Math.min(w, x0 + CHUNK);
      if (!ROWS.anyAbove(a, begin + 3 * x0, begin + 3 * x1, gate.low)) {
        continue;
      }
      any = true;
      for (int x = x0, i = begin + 3 * x0; x < x1; x++, i += 3) {
        float s = share * gate.share(a[i], a[i + 1], a[i + 2]);
        if (s > 0) {
          int into = at + 3 * ((x + shift) >> level);
          to[into] += s * a[i];
          to[into + 1] += s * a[i + 1];
          to[into + 2] += s * a[i + 2];
        }
      }
    }
    return any;
  }

  private void draw(
      int number, Picture source, int rows, int margin, int first, Picture to, GlowCache kept) {
    for (Spread spread : Spread.of(glows.get(number))) {
      Picture drawn =
          kept.drawn(
              number,
              spread.getClass(),
              () -> spread.draw(source, rows, first),
              source,
              first,
              rows,
              spread.shape());
      add(drawn, margin, (float) spread.part().level(), spread.part().halo(), to);
    }
  }

  /** Adds what was spread in its halo's colour, without the margin. */
  private static void add(Picture from, int margin, float level, Glow.Halo halo, Picture to) {
    float share = (float) halo.share();
    Rgb c = halo.colour();
    double y = c.luminance();
    float r = (float) (c.r() / y), g = (float) (c.g() / y), b = (float) (c.b() / y);
    Blur.rows(
        to.width(),
        to.height(),
        row -> {
          int at = 3 * row * to.width();
          int i = 3 * ((row + margin) * from.width() + margin);
          float[] a = from.rgb(), out = to.rgb();
          for (int end = at + 3 * to.width(); at < end; at += 3, i += 3) {
            float light = share * Colour.luminance(a[i], a[i + 1], a[i + 2]);
            out[at] += level * ((1 - share) * a[i] + r * light);
            out[at + 1] += level * ((1 - share) * a[i + 1] + g * light);
            out[at + 2] += level * ((1 - share) * a[i + 2] + b * light);
          }
        });
  }

  /**
   * Takes from a row what is spread elsewhere and adds what is spread to it.
   *
   * @param row the picture's row, cd/m²; changed
   * @param spread the halo's light, stretched to the picture's size
   */
  void row(float[] row, int y, int width, Halo halo, LookInputs inputs, UpsampledHalo spread) {
    for (int i = 0; i < glows.size(); i++) {
      if (halo.glowing[i] == null || !halo.glowing[i][y]) {
        continue;
      }
      Glow glow = glows.get(i);
      Picture own = inputs.source(i);
      Gate gate = Gate.of(glow, scale);
      float level = share(glow);
      int margin = own == null ? 0 : inputs.margin(i);
      float[] a = own == null ? row : own.rgb();
      int from = own == null ? 0 : 3 * ((y + margin) * own.width() + margin);
      for (int x0 = 0; x0 < width; x0 += CHUNK) {
        int x1 = Math.min(width, x0 + CHUNK);
        if (ROWS.anyAbove(a, from + 3 * x0, from + 3 * x1, gate.low)) {
          take(row, a, from, x0, x1, gate, level);
        }
      }
    }
    spread.add(y, row, 0);
  }

  private static void take(
      float[] row, float[] source, int from, int x0, int x1, Gate gate, float level) {
    for (int at = 3 * x0; at < 3 * x1; at += 3) {
      float r = source[from + at], g = source[from + at + 1], b = source[from + at + 2];
      float part = level * gate.share(r, g, b);
      if (part > 0) {
        row[at] = Math.max(0, row[at] - part * r);
        row[at + 1] = Math.max(0, row[at + 1] - part * g);
        row[at + 2] = Math.max(0, row[at + 2] - part * b);
      }
    }
  }
}
