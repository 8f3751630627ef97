package levelember.texture;

import java.util.List;
import levelember.math.GradientNoise;

/**
 * Pictures of surfaces that repeat without a seam, made from repeating noise and scattered points.
 * The same bits on every machine.
 */
public final class Patterns {
  /**
   * A picture that is made here.
   *
   * @param id as files and addresses name it
   * @param name as the artist reads it
   * @param metres width and height that it stands for
   * @param relief made to be a bump, not a colour
   */
  public record Pattern(String id, String name, double metres, boolean relief) {}

  private static final List<Pattern> ALL =
      List.of(
          new Pattern("walnut", "Walnut grain", 0.6, false),
          new Pattern("oak-boards", "Oak boards", 1.6, false),
          new Pattern("limestone", "Pale limestone", 0.8, false),
          new Pattern("terrazzo", "Terrazzo", 0.5, false),
          new Pattern("linen", "Linen weave", 0.05, false),
          new Pattern("slate-tiles", "Slate tiles", 1.2, false),
          new Pattern("plaster", "Trowelled plaster", 0.7, true),
          new Pattern("hammered", "Hammered dents", 0.08, true),
          new Pattern("brushed", "Brushed lines", 0.1, true),
          new Pattern("leather", "Leather grain", 0.06, true),
          new Pattern("ripples", "Ripples", 0.4, true),
          new Pattern("scuffs", "Scuffs and wear", 0.5, true));

  private Patterns() {}

  /** All patterns, in the order of the shelf. */
  public static List<Pattern> all() {
    return ALL;
  }

  /**
   * The picture of a pattern, sRGB codes 0…1 for a colour and heights 0…1 for a relief.
   *
   * @param side width and height in pixels
   * @throws IllegalArgumentException when there is no such pattern
   */
  public static Picture picture(String id, int side) {
    Picture to = Picture.black(side, side);
    double[] c = new double[3];
    for (int y = 0; y < side; y++) {
      for (int x = 0; x < side; x++) {
        paint(id, (x + 0.5) / side, (y + 0.5) / side, c);
        to.set(x, y, unit(c[0]), unit(c[1]), unit(c[2]));
      }
    }
    return to;
  }

  private static void paint(String id, double u, double v, double[] to) {
    switch (id) {
      case "walnut" -> wood(u, v, 14, 0, 0.30, 0.17, 0.095, to);
      case "oak-boards" -> boards(u, v, to);
      case "limestone" -> {
        double cloud = turbulence(u, v, 4, 4, 5, 11), pit = noise(u, v, 64, 64, 12);
        double light = 0.80 + 0.10 * cloud - 0.22 * Math.max(0, pit - 0.35);
        shade(light, 1, 0.955, 0.87, to);
      }
      case "terrazzo" -> terrazzo(u, v, to);
      case "linen" -> {
        double warp = StrictMath.sin(2 * Math.PI * 48 * u),
            weft = StrictMath.sin(2 * Math.PI * 48 * v);
        double over = warp * weft > 0 ? Math.abs(warp) : Math.abs(weft);
        shade(0.60 + 0.20 * over + 0.10 * turbulence(u, v, 24, 24, 3, 21), 1, 0.96, 0.88, to);
      }
      case "slate-tiles" -> slate(u, v, to);
      case "plaster" -> {
        double sweep = noise(u + 0.06 * noise(u, v, 3, 3, 31), v, 5, 14, 32);
        grey(0.5 + 0.22 * sweep + 0.18 * turbulence(u, v, 8, 8, 5, 33), to);
      }
      case "hammered" -> grey(1 - dents(u, v, 9, 41), to);
      case "brushed" ->
          grey(0.5 + 0.5 * (0.6 * noise(u, v, 2, 220, 51) + 0.4 * noise(u, v, 5, 487, 52)), to);
      case "leather" -> grey(0.25 + 0.75 * Math.sqrt(cells(u, v, 14, 61)[1]), to);
      case "ripples" ->
          grey(0.5 + 0.35 * turbulence(u, v, 5, 5, 2, 71) + 0.2 * noise(u, v, 11, 11, 72), to);
      case "scuffs" -> {
        double worn = turbulence(u, v, 4, 4, 6, 81);
        double scratch = Math.abs(noise(u + v, v - 2 * u, 90, 3, 82));
        grey(0.55 + 0.5 * worn + (scratch < 0.03 ? 0.3 : 0), to);
      }
      default -> throw new IllegalArgumentException("there is no pattern '" + id + "'");
    }
  }

  private static void wood(
      double u, double v, double rings, int salt, double r, double g, double b, double[] to) {
    double bend = 0.10 * noise(u, v, 2, 3, 101 + salt) + 0.03 * noise(u, v, 3, 9, 102 + salt);
    double ring = rings * (v + bend);
    double grain =
        0.5 + 0.5 * StrictMath.sin(2 * Math.PI * ring + 3 * noise(u, v, 2, 8, 103 + salt));
    double fibre = noise(u, v, 6, 160, 104 + salt), pore = noise(u, v, 20, 260, 105 + salt);
    double light = 0.86 + 0.24 * grain * grain + 0.14 * fibre - (pore > 0.45 ? 0.18 : 0);
    shade(light, code(r), code(g), code(b), to);
  }

  private static void boards(double u, double v, double[] to) {
    int rows = 10;
    int row = (int) Math.floor(v * rows);
    double shift = hash(row, 7, 201) / 255.0;
    double along = u + shift;
    int board = (int) Math.floor(along * 2);
    int own = Math.floorMod(hash(row, Math.floorMod(board, 2), 202), 5);
    wood(u + 0.37 * own, v + 0.21 * own, 36, own, 0.46, 0.30, 0.16, to);
    double tone = 0.88 + 0.05 * own;
    double joint = Math.min(edge(v * rows, 0.02), edge(along * 2, 0.0025));
    for (int c = 0; c < 3; c++) {
      to[c] *= tone * (0.35 + 0.65 * joint);
    }
  }

  private static void slate(double u, double v, double[] to) {
    int n = 4;
    int own = hash((int) (u * n), (int) (v * n), 301);
    double light = 0.36 + 0.09 * (own / 255.0) + 0.10 * turbulence(u, v, 9, 9, 5, 302);
    double joint = Math.min(edge(u * n, 0.012), edge(v * n, 0.012));
    shade(light * joint + 0.62 * (1 - joint), 0.94, 0.98, 1, to);
  }

  private static void terrazzo(double u, double v, double[] to) {
    double[] cell = cells(u, v, 16, 401);
    double chip = cell[1];
    int own = (int) cell[2];
    if (chip > 0.16 + 0.25 * (own % 7) / 7) {
      double light = 0.35 + 0.55 * (own / 255.0);
      boolean warm = own % 3 == 0;
      shade(light, 1, warm ? 0.86 : 0.98, warm ? 0.72 : 0.95, to);
    } else {
      shade(0.82 + 0.05 * noise(u, v, 90, 90, 402), 1, 0.98, 0.94, to);
    }
  }

  /** 1 inside a row, falling to 0 at its borders. */
  private static double edge(double at, double width) {
    double part = at - Math.floor(at);
    return Math.clamp(Math.min(part, 1 - part) / width, 0.0, 1.0);
  }

  /** Distance to the nearest of scattered points, the gap to the second, and the point's number. */
  private static double[] cells(double u, double v, int n, int salt) {
    double first = 9, second = 9;
    int own = 0;
    int x0 = (int) Math.floor(u * n), y0 = (int) Math.floor(v * n);
    for (int y = y0 - 1; y <= y0 + 1; y++) {
      for (int x = x0 - 1; x <= x0 + 1; x++) {
        int a = Math.floorMod(x, n), b = Math.floorMod(y, n);
        double px = x + hash(a, b, salt) / 255.0, py = y + hash(a, b, salt + 1) / 255.0;
        double d = StrictMath.hypot(px - u * n, py - v * n);
        if (d < first) {
          second = first;
          first = d;
          own = hash(a, b, salt + 2);
        } else if (d < second) {
          second = d;
        }
      }
    }
    return new double[] {first, Math.min(1, second - first), own};
  }

  /** Round dents side by side, 0 level … 1 deep. */
  private static double dents(double u, double v, int n, int salt) {
    double d = cells(u, v, n, salt)[0];
    return Math.max(0, 1 - d * d * 1.6);
  }

  private static double turbulence(double u, double v, int nu, int nv, int octaves, int salt) {
    double sum = 0, part = 0.5;
    for (int i = 0; i < octaves; i++) {
      sum += part * noise(u, v, nu << i, nv << i, salt + i);
      part /= 2;
    }
    return sum;
  }

  private static double noise(double u, double v, int nu, int nv, int salt) {
    return GradientNoise.repeating(u, v, nu, nv, salt);
  }

  private static int hash(int x, int y, int salt) {
    return GradientNoise.hash(x, y, salt);
  }

  /** The sRGB code of a linear value, about: only tones of wood are chosen by it. */
  private static double code(double linear) {
    return StrictMath.pow(linear, 1 / 2.2);
  }

  private static void shade(double light, double r, double g, double b, double[] to) {
    to[0] = light * r;
    to[1] = light * g;
    to[2] = light * b;
  }

  private static void grey(double v, double[] to) {
    shade(v, 1, 1, 1, to);
  }

  private static double unit(double v) {
    return Math.clamp(v, 0, 1);
  }
}
