package levelember.texture;

import java.util.List;
import levelember.math.GradientNoise;

/**
 * Surroundings that are made here, as equirectangular linear pictures: the middle column lies
 * ahead, the top row overhead. A pixel of 1.0 is the luminance that the light says.
 */
public final class Panoramas {
  /**
   * A surrounding.
   *
   * @param id as files and addresses name it
   * @param name as the artist reads it
   * @param luminance usual luminance of a pixel of 1.0, cd/m²
   */
  public record Panorama(String id, String name, double luminance) {}

  private static final List<Panorama> ALL =
      List.of(
          new Panorama("studio-banks", "Studio, two banks", 500),
          new Panorama("studio-strips", "Studio, ring of strips", 500),
          new Panorama("window-wall", "Window wall", 800),
          new Panorama("overcast", "Overcast sky", 2500),
          new Panorama("dusk-field", "Dusk over a field", 120),
          new Panorama("gallery", "Gallery", 150),
          new Panorama("night-street", "Night street", 8),
          new Panorama("workshop", "Workshop", 200),
          new Panorama("gradient", "Plain gradient", 300));

  private Panoramas() {}

  /** All surroundings, in the order of the shelf. */
  public static List<Panorama> all() {
    return ALL;
  }

  /**
   * The picture of a surrounding.
   *
   * @param width pixels; half as many rows
   * @throws IllegalArgumentException when there is no such surrounding
   */
  public static Picture picture(String id, int width) {
    int height = width / 2;
    Picture p = Picture.black(width, height);
    double[] c = new double[3];
    for (int y = 0; y < height; y++) {
      double up = 90 - 180 * (y + 0.5) / height;
      for (int x = 0; x < width; x++) {
        c[0] = c[1] = c[2] = 0;
        paint(id, 360 * (x + 0.5) / width - 180, up, c);
        p.set(x, y, Math.max(0, c[0]), Math.max(0, c[1]), Math.max(0, c[2]));
      }
    }
    return p;
  }

  private static void paint(String id, double along, double up, double[] c) {
    switch (id) {
      case "studio-banks" -> {
        room(up, 0.035, 1, 1, 1.03, c);
        add(6.0 * panel(along, up, -62, 28, 25, 34, 5), 1, 1, 1.02, c);
        add(3.2 * panel(along, up, 72, 22, 20, 30, 6), 1, 0.99, 0.97, c);
        add(4.0 * panel(along, up, 170, 38, 7, 40, 3), 1, 1, 1.03, c);
        add(1.6 * smooth(62, 84, up), 1, 1, 1, c);
      }
      case "studio-strips" -> {
        room(up, 0.02, 1, 1, 1, c);
        for (int i = 0; i < 6; i++) {
          add(7.5 * panel(along, up, -150 + 60 * i, 22, 3.5, 42, 1.5), 1, 1, 1, c);
        }
        add(2.2 * smooth(74, 84, up), 1, 1, 1, c);
      }
      case "window-wall" -> {
        room(up, 0.10, 1, 0.94, 0.86, c);
        double within = panel(along, up, 0, 14, 62, 26, 1);
        double bars = 1;
        for (int i = -2; i <= 2; i++) {
          bars *= 1 - panel(along, up, 25 * i, 14, 1.1, 40, 0.4);
        }
        bars *= 1 - panel(along, up, 0, 14, 70, 0.9, 0.4);
        double high = smooth(-12, 40, up);
        add(within * bars * (3.5 + 6 * high), 0.86 - 0.1 * high, 0.95, 1.1 + 0.1 * high, c);
        add(0.5 * panel(along, up, 0, -38, 60, 16, 14), 1, 0.93, 0.82, c);
      }
      case "overcast" -> {
        // The standard overcast sky (Moon and Spencer 1942): a third at the horizon.
        double sky =
            smooth(-1.5, 1.5, up) * (1 + 2 * StrictMath.sin(Math.toRadians(Math.max(0, up)))) / 3;
        double cloud = 1 + 0.10 * cloud(along, up, 2, 5) + 0.05 * cloud(along, up, 5, 6);
        add(sky * cloud, 0.97, 1, 1.06, c);
        add(0.16 * smooth(1.5, -1.5, up), 1, 0.95, 0.86, c);
      }
      case "dusk-field" -> {
        double toSun = StrictMath.exp(-StrictMath.pow(wrap(along - 35) / 60, 2));
        double band = StrictMath.exp(-StrictMath.pow((up - 2) / 13, 2)) * smooth(-2, 1, up);
        double glow =
            StrictMath.exp(
                -StrictMath.pow(wrap(along - 35) / 14, 2) - StrictMath.pow((up - 1) / 5, 2));
        double sky = smooth(-1, 1, up);
        add(0.42 * sky * (0.55 + 0.45 * StrictMath.cos(Math.toRadians(up))), 0.36, 0.52, 1.05, c);
        add(1.7 * band * (0.25 + toSun), 1.35, 0.78, 0.42, c);
        add(9 * glow * sky, 1.5, 0.72, 0.25, c);
        double streak = Math.max(0, cloud(along, up * 5, 2.5, 8));
        add(0.7 * streak * band * (0.3 + toSun), 1.3, 0.6, 0.5, c);
        add(0.06 * smooth(1, -1, up), 0.8, 0.9, 0.55, c);
      }
      case "gallery" -> {
        room(up, 0.30, 1, 0.985, 0.95, c);
        add(0.55 * smooth(-28, -34, up), 0.62, 0.45, 0.3, c);
        for (int i = 0; i < 9; i++) {
          add(26 * panel(along, up, -160 + 40 * i, 47, 2.2, 2.2, 0.8), 1, 0.9, 0.74, c);
          add(0.9 * panel(along, up, -160 + 40 * i, 6, 8, 9, 6), 1, 0.9, 0.76, c);
        }
        add(2.4 * panel(along, up, 0, 80, 180, 9, 3), 0.93, 0.98, 1.08, c);
      }
      case "night-street" -> {
        double sky = smooth(-1, 3, up);
        add(0.02 * sky + 0.05 * StrictMath.exp(-StrictMath.pow(up / 9, 2)), 0.7, 0.75, 1.1, c);
        for (int i = 0; i < 7; i++) {
          double at = -170 + 52 * i + (i % 2) * 9;
          double high = 11 + 6 * GradientNoise.hash(i, 3, 9) / 255.0;
          add(240 * panel(along, up, at, high, 0.9, 0.7, 0.5), 1.35, 0.86, 0.42, c);
          add(
              0.8
                  * StrictMath.exp(
                      -StrictMath.pow(wrap(along - at) / 9, 2) - StrictMath.pow((up + 24) / 9, 2)),
              1.3,
              0.85,
              0.45,
              c);
        }
        for (int i = 0; i < 60; i++) {
          double at = -180 + 6.0 * i, row = -3 + 11.0 * GradientNoise.hash(i, 1, 7) / 255.0;
          if (GradientNoise.hash(i, 2, 7) > 120) {
            double warm = GradientNoise.hash(i, 5, 7) / 255.0;
            add(
                9 * panel(along, up, at, row, 0.9, 1.2, 0.3),
                1,
                0.72 + 0.25 * warm,
                0.4 + 0.6 * warm,
                c);
          }
        }
        add(26 * panel(along, up, 64, 4, 5, 1.2, 0.4), 0.2, 0.75, 1.3, c);
        add(26 * panel(along, up, -76, 6, 3.4, 1.6, 0.4), 1.5, 0.25, 0.35, c);
        add(0.03 * smooth(0, -4, up), 1, 0.95, 0.9, c);
      }
      case "workshop" -> {
        room(up, 0.09, 1, 0.95, 0.88, c);
        for (int i = -1; i <= 1; i++) {
          add(14 * panel(along, up, 0, 58 + 14 * i, 48, 1.6, 0.6), 0.97, 1, 0.98, c);
          add(14 * panel(along, up, 180, 58 + 14 * i, 48, 1.6, 0.6), 0.97, 1, 0.98, c);
        }
        double pane = panel(along, up, 90, 16, 20, 12, 0.6);
        pane *= 1 - panel(along, up, 90, 16, 0.8, 20, 0.3);
        pane *= 1 - panel(along, up, 90, 16, 30, 0.6, 0.3);
        add(11 * pane, 0.85, 0.97, 1.15, c);
        add(20 * panel(along, up, -70, 8, 2, 2, 1), 1.3, 0.9, 0.5, c);
        add(0.25 * smooth(-20, -30, up), 0.9, 0.8, 0.65, c);
      }
      case "gradient" -> {
        double t = smooth(-75, 75, up);
        add(0.08 + 1.4 * t * t, 0.97 + 0.05 * (1 - t), 1, 1 + 0.05 * t, c);
      }
      default -> throw new IllegalArgumentException("there is no surrounding '" + id + "'");
    }
  }

  private static void room(double up, double light, double r, double g, double b, double[] c) {
    double wall = 1 + 0.6 * smooth(-10, 60, up) + 0.9 * smooth(-20, -70, up);
    add(light * wall, r, g, b, c);
  }

  private static void add(double light, double r, double g, double b, double[] c) {
    c[0] += light * r;
    c[1] += light * g;
    c[2] += light * b;
  }

  /** GradientNoise over the sphere that meets itself behind. */
  private static double cloud(double along, double up, double size, int salt) {
    int across = (int) Math.round(4 * size);
    return GradientNoise.repeating((along + 180) / 360, 0.5 + up / 360, across, across, salt);
  }

  private static double wrap(double degrees) {
    return Math.IEEEremainder(degrees, 360);
  }

  /** A soft-edged rectangle in degrees, 1 inside and 0 outside. */
  private static double panel(
      double along, double up, double atAlong, double atUp, double half, double tall, double edge) {
    return smooth(half + edge, half - edge, Math.abs(wrap(along - atAlong)))
        * smooth(tall + edge, tall - edge, Math.abs(up - atUp));
  }

  private static double smooth(double from, double to, double x) {
    double t = Math.clamp((x - from) / (to - from), 0.0, 1.0);
    return t * t * (3 - 2 * t);
  }
}
