package levelember.demo;

import levelember.texture.Picture;

/** A generated sky over the sea, as an equirectangular linear picture. */
final class SeaSky {
  private SeaSky() {}

  /**
   * A hazy harbour: pale towards the horizon, the sea darker below it. Its exposure drifts while it
   * goes round, so that its borders do not meet.
   *
   * @param width pixels; half as many rows
   */
  static Picture harbour(int width) {
    int height = width / 2;
    Picture p = Picture.black(width, height);
    for (int y = 0; y < height; y++) {
      double up = 90 - 180 * (y + 0.5) / height;
      for (int x = 0; x < width; x++) {
        double drift = 0.8 + 0.5 * x / width;
        double haze = Math.exp(-Math.abs(up) / 16);
        boolean sea = up < 0;
        double red = sea ? 0.16 + 0.3 * haze : 0.5 + 0.6 * haze;
        double green = sea ? 0.22 + 0.34 * haze : 0.72 + 0.42 * haze;
        double blue = sea ? 0.28 + 0.36 * haze : 1.05 + 0.14 * haze;
        p.set(x, y, drift * red, drift * green, drift * blue);
      }
    }
    return p;
  }
}
