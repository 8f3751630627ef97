package levelember.demo;

import levelember.texture.Picture;

/**
 * Generated surroundings of a photographic studio, as equirectangular linear pictures. A pixel of
 * 1.0 is the luminance that the light says.
 */
final class StudioPanorama {
  private StudioPanorama() {}

  /**
   * A dark room with two softbox banks left and right, a long strip overhead and a pale floor.
   *
   * @param width pixels; half as many rows
   */
  static Picture twoBanks(int width) {
    int height = width / 2;
    Picture p = Picture.black(width, height);
    for (int y = 0; y < height; y++) {
      double up = 90 - 180 * (y + 0.5) / height;
      for (int x = 0; x < width; x++) {
        double along = 360 * (x + 0.5) / width - 180;
        double room = 0.035 + 0.03 * smooth(-10, 60, up) + 0.05 * smooth(-20, -70, up);
        double banks =
            6.0 * panel(along, up, -62, 28, 25, 34, 5) + 3.2 * panel(along, up, 72, 22, 20, 30, 6);
        double strip = 4.0 * panel(along, up, 170, 38, 7, 40, 3);
        double ceiling = 1.6 * smooth(62, 84, up);
        double wall = 0.5 * panel(along, up, 0, 8, 60, 16, 30);
        double white = room + banks + strip + ceiling;
        p.set(x, y, white + 0.9 * wall + 0.01, white + 0.8 * wall, white * 1.03 + 0.68 * wall);
      }
    }
    return p;
  }

  /** A soft-edged rectangle in degrees, 1 inside and 0 outside. */
  private static double panel(
      double along, double up, double atAlong, double atUp, double half, double tall, double edge) {
    double d = Math.abs(Math.IEEEremainder(along - atAlong, 360));
    return smooth(half + edge, half - edge, d)
        * smooth(tall + edge, tall - edge, Math.abs(up - atUp));
  }

  private static double smooth(double from, double to, double x) {
    double t = Math.clamp((x - from) / (to - from), 0.0, 1.0);
    return t * t * (3 - 2 * t);
  }
}
