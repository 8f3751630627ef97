package levelember.measure;

import levelember.document.ImpossibleValue;

/**
 * A square region of the picture and the one of a reference that it is to look like.
 *
 * @param x middle in the picture, 0…1 from the left
 * @param y 0…1 from the top
 * @param referenceX middle in the reference, 0…1 from the left
 * @param referenceY 0…1 from the top
 * @param size side, as a share of each picture's width, 0.002…0.5
 */
public record RegionPair(double x, double y, double referenceX, double referenceY, double size) {
  public RegionPair {
    for (double place : new double[] {x, y, referenceX, referenceY}) {
      if (!(place >= 0 && place <= 1)) {
        throw new ImpossibleValue("place of a region", Double.toString(place), "0 to 1");
      }
    }
    if (!(size >= 0.002 && size <= 0.5)) {
      throw new ImpossibleValue("size of a region", Double.toString(size), "0.002 to 0.5");
    }
  }

  /** Pixels of the region in the picture, by number along rows. */
  int[] pixels(int width, int height) {
    return pixels(x, y, width, height);
  }

  /** Pixels of the region in the reference. */
  int[] referencePixels(int width, int height) {
    return pixels(referenceX, referenceY, width, height);
  }

  private int[] pixels(double atX, double atY, int width, int height) {
    int reach = (int) Math.max(0, Math.round(size * width / 2 - 0.5));
    int middleX = Math.min(width - 1, (int) (atX * width));
    int middleY = Math.min(height - 1, (int) (atY * height));
    int left = Math.max(0, middleX - reach), right = Math.min(width - 1, middleX + reach);
    int top = Math.max(0, middleY - reach), bottom = Math.min(height - 1, middleY + reach);
    int across = right - left + 1;
    int[] to = new int[across * (bottom - top + 1)];
    for (int i = 0; i < to.length; i++) {
      to[i] = (top + i / across) * width + left + i % across;
    }
    return to;
  }
}
