package levelember.lens;

/** What a set is seen through: makes the rays of a picture of any size. */
public interface Camera {
  /**
   * The rays of a picture.
   *
   * @param width of the picture, pixels
   * @param height of the picture, pixels
   * @param step pixels of the picture that one pixel traced spans either way
   */
  Rays rays(int width, int height, int step);

  /** Whether what lies behind the set is left out, so that the picture gets an alpha. */
  boolean cutOut();

  /** Whether a point of the picture sees the set along one ray, as without depth of field. */
  boolean sharp();

  /** The rays of one picture. */
  interface Rays {
    /**
     * The ray through a pixel.
     *
     * @param u place across the pixel's filter, [0, 1)
     * @param v place down the pixel's filter, [0, 1)
     * @param a on the aperture, [0, 1)
     * @param b on the aperture, [0, 1)
     */
    void ray(int px, int py, float u, float v, float a, float b, Ray to);
  }

  /** A ray: start in metres, and unit direction. */
  final class Ray {
    public float ox, oy, oz, dx, dy, dz;
  }
}
