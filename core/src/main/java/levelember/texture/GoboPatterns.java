package levelember.texture;

import java.util.List;
import levelember.math.GradientNoise;

/**
 * Patterns for a lamp's gate: white lets light through, black holds it back. The same bits on every
 * machine.
 */
public final class GoboPatterns {
  /**
   * A pattern that is made here.
   *
   * @param id as files and addresses name it
   * @param name as the artist reads it
   */
  public record Pattern(String id, String name) {}

  private static final List<Pattern> ALL =
      List.of(
          new Pattern("gobo-blinds", "Blinds"),
          new Pattern("gobo-slats", "Upright slats"),
          new Pattern("gobo-panes", "Window panes"),
          new Pattern("gobo-arch", "Arched window"),
          new Pattern("gobo-leaves", "Leaves"),
          new Pattern("gobo-branches", "Bare branches"),
          new Pattern("gobo-dapple", "Dapple"),
          new Pattern("gobo-clouds", "Clouds"),
          new Pattern("gobo-grid", "Grid"),
          new Pattern("gobo-dots", "Dots"),
          new Pattern("gobo-rings", "Rings"),
          new Pattern("gobo-rays", "Rays"),
          new Pattern("gobo-slit", "Slit"),
          new Pattern("gobo-water", "Water glints"),
          new Pattern("gobo-torn", "Torn edge"));

  private static final double SOFT = 0.012;

  private GoboPatterns() {}

  /** All patterns, in the order of the shelf. */
  public static List<Pattern> all() {
    return ALL;
  }

  /**
   * The picture of a pattern, sRGB codes 0…1.
   *
   * @param side width and height in pixels
   * @throws IllegalArgumentException when there is no such pattern
   */
  public static Picture picture(String id, int side) {
    Picture to = Picture.black(side, side);
    for (int y = 0; y < side; y++) {
      for (int x = 0; x < side; x++) {
        double open = open(id, 2 * (x + 0.5) / side - 1, 1 - 2 * (y + 0.5) / side);
        double code = Math.clamp(open, 0.0, 1.0);
        to.set(x, y, code, code, code);
      }
    }
    return to;
  }

  /** How far a place, −1…1 to the right and up, is open. */
  private static double open(String id, double x, double y) {
    return switch (id) {
      case "gobo-blinds" -> bars(y, 9, 0.58);
      case "gobo-slats" -> bars(x, 7, 0.5);
      case "gobo-panes" -> {
        double frame = Math.min(inside(x, 0.82), inside(y, 0.95));
        double across =
            Math.min(away(x, 0.05), Math.min(away(y - 0.33, 0.04), away(y + 0.33, 0.04)));
        yield Math.min(frame, across);
      }
      case "gobo-arch" -> {
        double body = Math.min(inside(x, 0.62), step(y + 0.9));
        double top = y > 0.25 ? step(0.62 - StrictMath.hypot(x, y - 0.25)) : 1;
        double bars =
            Math.min(away(x, 0.035), Math.min(away(y - 0.25, 0.035), away(y + 0.35, 0.03)));
        yield Math.min(Math.min(body, top), bars);
      }
      case "gobo-leaves" -> leaves(x, y);
      case "gobo-branches" -> branches(x, y);
      case "gobo-dapple" -> step((cloud(x, y, 4.5, 5) + 0.5 * cloud(x, y, 9, 6) - 0.02) * 0.6);
      case "gobo-clouds" -> 0.5 + 1.1 * (cloud(x, y, 1.6, 7) + 0.5 * cloud(x, y, 3.4, 8));
      case "gobo-grid" -> Math.min(bars(x, 6, 0.78), bars(y, 6, 0.78));
      case "gobo-dots" -> {
        double a = 5 * x, b = 5 * y / 0.866;
        int row = (int) Math.floor(b);
        double dx = a + 0.5 * (row & 1) - Math.floor(a + 0.5 * (row & 1)) - 0.5;
        yield step((0.33 - StrictMath.hypot(dx, (b - row - 0.5) * 0.866)) / 5);
      }
      case "gobo-rings" -> bars(StrictMath.hypot(x, y), 5, 0.5);
      case "gobo-rays" -> {
        double turns = StrictMath.atan2(y, x) / (2 * Math.PI) * 14;
        double part = Math.abs(turns - Math.floor(turns) - 0.5) * 2;
        yield step((0.52 - part) * StrictMath.hypot(x, y) * 0.22)
            * step(StrictMath.hypot(x, y) - 0.08);
      }
      case "gobo-slit" -> Math.min(inside(x, 0.09), inside(y, 0.95));
      case "gobo-water" -> {
        double a = x + 0.25 * cloud(x, y, 2.2, 11), b = y + 0.25 * cloud(x, y, 2.2, 12);
        double net = Math.abs(cloud(a, b, 3.2, 13)) + 0.6 * Math.abs(cloud(a, b, 6.1, 14));
        yield StrictMath.pow(Math.max(0, 1 - 2.4 * net), 2.2) + 0.06;
      }
      case "gobo-torn" ->
          step(
              0.55
                  + 0.22 * cloud(x, y, 2.5, 15)
                  + 0.1 * cloud(x, y, 9, 16)
                  - StrictMath.hypot(x, 1.3 * y));
      default -> throw new IllegalArgumentException("there is no pattern '" + id + "'");
    };
  }

  private static double step(double d) {
    double t = Math.clamp(0.5 + d / (2 * SOFT), 0.0, 1.0);
    return t * t * (3 - 2 * t);
  }

  private static double inside(double x, double half) {
    return step(half - Math.abs(x));
  }

  private static double away(double x, double half) {
    return step(Math.abs(x) - half);
  }

  /** Bars across an axis, {@code count} over −1…1, open over a share of each. */
  private static double bars(double x, int count, double share) {
    double at = (x + 1) / 2 * count, part = at - Math.floor(at);
    return step((share / 2 - Math.abs(part - 0.5)) * 2 / count);
  }

  private static double cloud(double x, double y, double size, int salt) {
    return GradientNoise.plain(40 + size * x, 40 + size * y, salt);
  }

  /** Leaf shapes strewn over a jittered lattice in two sizes; they hold light back. */
  private static double leaves(double x, double y) {
    double open = 1;
    for (int layer = 0; layer < 2; layer++) {
      double n = layer == 0 ? 3.2 : 5.5;
      int cx = (int) Math.floor(x * n), cy = (int) Math.floor(y * n);
      for (int i = -1; i <= 1; i++) {
        for (int j = -1; j <= 1; j++) {
          int kx = cx + i, ky = cy + j;
          double jx = GradientNoise.hash(kx, ky, 31 + layer) / 255.0;
          double jy = GradientNoise.hash(kx, ky, 41 + layer) / 255.0;
          if (GradientNoise.hash(kx, ky, 51 + layer) < 70) {
            continue;
          }
          double a = 2 * Math.PI * GradientNoise.hash(kx, ky, 61 + layer) / 255.0;
          double dx = (x * n - kx - jx) / n, dy = (y * n - ky - jy) / n;
          double u = StrictMath.cos(a) * dx + StrictMath.sin(a) * dy,
              v = StrictMath.cos(a) * dy - StrictMath.sin(a) * dx;
          double length = 0.62 / n, t = u / length;
          double width = Math.abs(t) < 1 ? 0.34 * length * (1 - t * t) * (1 - 0.35 * t) : -1;
          open = Math.min(open, 1 - (width < 0 ? 0 : step(width - Math.abs(v))));
        }
      }
    }
    return open;
  }

  private static double branches(double x, double y) {
    double open = 1;
    double[] lean = {0.25, -0.5, 0.8, -0.15, 1.4, -1.1};
    double[] foot = {-0.6, 0.1, -0.2, 0.7, -0.9, 0.6};
    for (int i = 0; i < lean.length; i++) {
      double at = foot[i] + lean[i] * (y + 1) * 0.5 + 0.12 * cloud(y, i, 2.4, 70 + i);
      double thick = 0.05 * (1.15 - 0.5 * (y + 1)) / (1 + 0.4 * i);
      open = Math.min(open, away(x - at, Math.max(0.006, thick)));
      for (int twig = 0; twig < 5; twig++) {
        double from = -0.8 + 0.38 * twig, rise = y - from;
        double side = (twig + i) % 2 == 0 ? 1 : -1;
        if (rise > 0 && rise < 0.5) {
          double base = foot[i] + lean[i] * (from + 1) * 0.5 + 0.12 * cloud(from, i, 2.4, 70 + i);
          double bend = base + side * (0.9 * rise + 0.05 * cloud(y, i + twig, 6, 80 + twig));
          open = Math.min(open, away(x - bend, 0.014 * (1 - rise)));
        }
      }
    }
    return open;
  }
}
