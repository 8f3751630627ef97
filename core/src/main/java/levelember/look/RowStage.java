package levelember.look;

/** A stage of the look that works on pixels one by one, rows of them at a time. */
interface RowStage {
  /** Made ready for pictures of a size in pixels. Safe for several threads. */
  Pass sized(int width, int height);

  /** The stage on the rows of one picture. */
  interface Pass {
    /** Changes a row in place. */
    void row(Channels row, int y);
  }

  /**
   * A row of pixels by channels, with memory of its thread: linear light in cd/m² up to the {@link
   * DisplayTone}, encoded display values 0…1 after it.
   *
   * @param memory two rows as long, for whoever works on it
   */
  record Channels(int width, float[] r, float[] g, float[] b, float[][] memory) {
    static Channels of(int width) {
      return new Channels(
          width, new float[width], new float[width], new float[width], new float[2][width]);
    }

    /** Multiplies all channels by a factor for each pixel and one for the row. */
    void multiply(float[] factors, float by) {
      for (int x = 0; x < width; x++) {
        float f = by * factors[x];
        r[x] *= f;
        g[x] *= f;
        b[x] *= f;
      }
    }

    /** Puts the pixels into an array of red, green and blue, from a place on. */
    void join(float[] to, int at) {
      for (int x = 0, i = at; x < width; x++, i += 3) {
        to[i] = r[x];
        to[i + 1] = g[x];
        to[i + 2] = b[x];
      }
    }
  }
}
