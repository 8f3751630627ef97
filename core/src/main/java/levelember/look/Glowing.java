package levelember.look;

import java.util.List;
import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.shoot.Glow;
import levelember.shoot.Rgb;
import levelember.texture.Picture;

/**
 * The glows of a look. Each takes a share of its source's light away and spreads it anew, so that
 * the picture keeps its light but for what leaves the frame. Sizes go by the picture's height and
 * all is drawn at levels that do too, so that a larger print looks the same.
 */
final class Glowing {
  /** Streaks and ghosts are drawn at the first level with no more rows than this. */
  private static final int STREAK_ROWS = 540, GHOST_ROWS = 270;

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
  private record Gate(float low, float wide) {
    static Gate of(Glow glow, double scale) {
      double white = Math.pow(2, glow.threshold()) / scale;
      double low = white * Math.pow(2, -glow.softness() / 2);
      double high = white * Math.pow(2, glow.softness() / 2);
      return new Gate((float) low, (float) Math.max(high - low, 1e-6 * high));
    }

    float share(float r, float g, float b) {
      float t = Math.clamp((Math.max(r, Math.max(g, b)) - low) / wide, 0f, 1f);
      return t * t * (3 - 2 * t);
    }
  }

  private static float spreads(Glow glow) {
    double sum =
        (glow.bloom().on() ? glow.bloom().level() : 0)
            + (glow.streaks().on() ? glow.streaks().level() : 0)
            + (glow.ghosts().on() ? glow.ghosts().level() : 0);
    return (float) Math.min(1, sum);
  }

  /**
   * All that is spread, at half of the picture's size; null when nothing glows.
   *
   * @param whole the picture as it is, cd/m²
   */
  Picture halo(Picture whole, Aids aids) {
    Picture sum = null;
    for (int i = 0; i < glows.size(); i++) {
      Glow glow = glows.get(i);
      if (!glow.active()) {
        continue;
      }
      if (sum == null) {
        sum = Picture.black((whole.width() + 1) / 2, (whole.height() + 1) / 2);
      }
      Picture own = aids.source(i);
      if (own == null && glow.source().kind() != Glow.Source.Kind.PICTURE) {
        // What it glows from is not known yet.
        continue;
      }
      Picture source = gated(own == null ? whole : own, Gate.of(glow, scale));
      int margin = own == null ? 0 : aids.margin(i) / 2;
      draw(glow, source, whole.height(), margin, sum);
    }
    return sum;
  }

  /** What of a source is over the threshold, at half of its size. */
  private static Picture gated(Picture from, Gate gate) {
    int w = from.width(), h = from.height();
    Picture to = Picture.black((w + 1) / 2, (h + 1) / 2);
    IntStream.range(0, to.height())
        .parallel()
        .forEach(y -> {
          float[] rows = new float[6 * w];
          gate(from, 2 * y, gate, rows, 0);
          boolean two = 2 * y + 1 < h;
          if (two) {
            gate(from, 2 * y + 1, gate, rows, 3 * w);
          }
          Blur.half(rows, 0, two ? 3 * w : -1, w, to.rgb(), 3 * y * to.width());
        });
    return to;
  }

  private static void gate(Picture from, int y, Gate gate, float[] to, int at) {
    float[] a = from.rgb();
    for (int i = 3 * y * from.width(), end = i + 3 * from.width(); i < end; i += 3, at += 3) {
      float s = gate.share(a[i], a[i + 1], a[i + 2]);
      to[at] = s * a[i];
      to[at + 1] = s * a[i + 1];
      to[at + 2] = s * a[i + 2];
    }
  }

  private static void draw(Glow glow, Picture source, int rows, int margin, Picture to) {
    Glow.Bloom bloom = glow.bloom();
    if (bloom.on() && bloom.level() > 0) {
      Picture spread = Blooming.spread(source, bloom.size() / 100 * rows);
      add(spread, margin, (float) bloom.level(), bloom.halo(), to);
    }
    Glow.Streaks streaks = glow.streaks();
    if (streaks.on() && streaks.level() > 0) {
      int level = level(rows, STREAK_ROWS);
      double height = Math.scalb((double) rows, -level);
      Picture drawn = Streaking.drawn(at(source, level), streaks, height);
      add(back(drawn, source, level), margin, (float) streaks.level(), streaks.halo(), to);
    }
    Glow.Ghosts ghosts = glow.ghosts();
    if (ghosts.on() && ghosts.level() > 0) {
      int level = level(rows, GHOST_ROWS);
      double height = Math.scalb((double) rows, -level);
      Picture drawn = Ghosting.drawn(at(source, level), ghosts, height);
      add(back(drawn, source, level), margin, (float) ghosts.level(), ghosts.halo(), to);
    }
  }

  private static int level(int rows, int most) {
    int level = 1;
    while (rows >> level > most) {
      level++;
    }
    return level;
  }

  private static Picture at(Picture source, int level) {
    for (int i = 1; i < level; i++) {
      source = Blur.half(source);
    }
    return source;
  }

  /** Doubled up again to the first level. */
  private static Picture back(Picture drawn, Picture source, int level) {
    for (int i = level - 1; i >= 1; i--) {
      int shift = i - 1;
      Picture to =
          Picture.black(
              (source.width() + (1 << shift) - 1) >> shift,
              (source.height() + (1 << shift) - 1) >> shift);
      Blur.addDoubled(drawn, to);
      drawn = to;
    }
    return drawn;
  }

  /** Adds what was spread in its halo's colour, without the margin. */
  private static void add(Picture from, int margin, float level, Glow.Halo halo, Picture to) {
    float share = (float) halo.share();
    Rgb c = halo.colour();
    double y = c.luminance();
    float r = (float) (c.r() / y), g = (float) (c.g() / y), b = (float) (c.b() / y);
    IntStream.range(0, to.height())
        .parallel()
        .forEach(row -> {
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
   * @param memory for a row of the halo
   */
  void row(float[] row, int y, int width, Picture halo, Aids aids, float[] memory) {
    for (int i = 0; i < glows.size(); i++) {
      Glow glow = glows.get(i);
      Picture own = aids.source(i);
      if (!glow.active() || own == null && glow.source().kind() != Glow.Source.Kind.PICTURE) {
        continue;
      }
      Gate gate = Gate.of(glow, scale);
      float level = spreads(glow);
      if (own == null) {
        for (int at = 0; at < 3 * width; at += 3) {
          float left = 1 - level * gate.share(row[at], row[at + 1], row[at + 2]);
          row[at] *= left;
          row[at + 1] *= left;
          row[at + 2] *= left;
        }
      } else {
        int margin = aids.margin(i);
        float[] a = own.rgb();
        int from = 3 * ((y + margin) * own.width() + margin);
        for (int at = 0; at < 3 * width; at += 3, from += 3) {
          float part = level * gate.share(a[from], a[from + 1], a[from + 2]);
          row[at] = Math.max(0, row[at] - part * a[from]);
          row[at + 1] = Math.max(0, row[at + 1] - part * a[from + 1]);
          row[at + 2] = Math.max(0, row[at + 2] - part * a[from + 2]);
        }
      }
    }
    Blur.addDoubled(halo, y, 0, width, memory, row, 0);
  }
}
