package levelember.formats.exr;

/**
 * A channel of a file.
 *
 * @param name in full, such as {@code Key.R}
 * @param linear how B44 treats it: values that the eye takes in evenly
 * @param xStep pixels between its samples along a row
 * @param yStep rows between its samples
 */
record Channel(String name, Type type, boolean linear, int xStep, int yStep) {
  /** How a sample is stored, in the file's numbering. */
  enum Type {
    UINT(4),
    HALF(2),
    FLOAT(4);

    final int bytes;

    Type(int bytes) {
      this.bytes = bytes;
    }
  }

  /** Samples in a row of a region. */
  int width(Region region) {
    return samples(region.x(), region.width(), xStep);
  }

  /** Rows of samples in a region. */
  int height(Region region) {
    return samples(region.y(), region.height(), yStep);
  }

  boolean hasRow(int y) {
    return Math.floorMod(y, yStep) == 0;
  }

  /** What follows the last dot of the name. */
  String suffix() {
    return name.substring(name.lastIndexOf('.') + 1);
  }

  /** What stands before the suffix, its dot included. */
  String prefix() {
    return name.substring(0, name.lastIndexOf('.') + 1);
  }

  private static int samples(int from, int count, int step) {
    return Math.floorDiv(from + count - 1, step) - Math.floorDiv(from - 1, step);
  }
}
