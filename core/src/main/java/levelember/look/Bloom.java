package levelember.look;

import java.util.List;
import levelember.shoot.look.Glow;
import levelember.texture.Picture;

/**
 * Spreads light as a lens does: a sum of six Gaussians, each twice as wide as the one before, whose
 * shares fall slowly, so that there is a bright core and a long tail. Each is blurred at that level
 * of a pyramid of halves where it is one to two and a half pixels wide, and then doubled up again
 * (after Burt and Adelson 1983). What the halving and doubling blur by themselves is taken off.
 *
 * @param part size and level
 */
record Bloom(Glow.Bloom part) implements Spread {
  /** Shares of the Gaussians, narrow to wide. */
  private static final double[] SHARES = {0.16, 0.19, 0.2, 0.19, 0.15, 0.11};

  /** Of the middle of the Gaussians. */
  private static final int MIDDLE = 2;

  /**
   * Deviation of the first Gaussian in sizes, such that half of all goes no farther than a size.
   */
  private static final double FIRST = first();

  /** A level is left for the next when a Gaussian is as wide as this there, in pixels. */
  private static final double WIDE = 2.5;

  /** Variance by halving and doubling, in squared pixels of the level. */
  private static final double OWN = 1.0 / 12 + 2.0 / 9;

  private static final int MOST_LEVELS = 16;

  private static double first() {
    double low = 0.001, high = 10;
    for (int i = 0; i < 60; i++) {
      double mid = (low + high) / 2;
      if (within(1, mid) > 0.5) {
        low = mid;
      } else {
        high = mid;
      }
    }
    return low;
  }

  /** Share of the light that goes no farther than a radius. */
  private static double within(double radius, double first) {
    double sum = 0;
    for (int i = 0; i < SHARES.length; i++) {
      double s = first * StrictMath.pow(2, i - MIDDLE);
      sum += SHARES[i] * (1 - StrictMath.exp(-radius * radius / (2 * s * s)));
    }
    return sum;
  }

  @Override
  public int level(int rows) {
    return level(part.size() / 100 * rows);
  }

  @Override
  public List<Object> shape() {
    return List.of(part.size());
  }

  @Override
  public Picture draw(Picture source, int rows, int first) {
    return spread(source, part.size() / 100 * rows, first);
  }

  /**
   * The coarsest level, as often as a picture may be halved, that a bloom can be drawn at.
   *
   * @param size within which half of it stays, in pixels of the whole picture
   */
  static int level(double size) {
    return levelOf(FIRST * size * StrictMath.pow(2, -MIDDLE), 1);
  }

  private static int levelOf(double deviation, int least) {
    int at = least;
    while (at < MOST_LEVELS - 1 && deviation / Math.scalb(1, at) >= WIDE) {
      at++;
    }
    return at;
  }

  /**
   * Spreads a source.
   *
   * @param size within which half of it stays, in pixels of the whole picture
   * @param first how often the source was halved
   */
  static Picture spread(Picture source, double size, int first) {
    Picture[] level = new Picture[MOST_LEVELS];
    Picture[] sum = new Picture[MOST_LEVELS];
    level[first] = source;
    int last = first;
    for (int i = 0; i < SHARES.length; i++) {
      double deviation = FIRST * size * StrictMath.pow(2, i - MIDDLE);
      int at = levelOf(deviation, first);
      for (; last < at; last++) {
        level[last + 1] = Blur.half(level[last]);
      }
      double own = deviation / Math.scalb(1, at);
      double left = Math.sqrt(Math.max(0, own * own - OWN));
      Picture blurred = Blur.gaussian(level[at], left);
      if (sum[at] == null) {
        sum[at] = Picture.black(blurred.width(), blurred.height());
      }
      Blur.add(blurred.rgb(), 0, blurred.rgb().length, (float) SHARES[i], sum[at].rgb(), 0);
    }
    for (int at = last; at > first; at--) {
      if (sum[at - 1] == null) {
        sum[at - 1] = Picture.black(level[at - 1].width(), level[at - 1].height());
      }
      Blur.addDoubled(sum[at], sum[at - 1]);
    }
    return sum[first];
  }
}
