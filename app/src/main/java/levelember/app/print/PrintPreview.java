package levelember.app.print;

import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.picture.PngFile;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.texture.Picture;

/**
 * The picture of a print as far as it is, small: rows are taken over from bands as they are traced.
 */
final class PrintPreview {
  private static final int WIDEST = 960;
  private static final float QUALITY = 0.88f;

  private final int width, height;
  private final int step;
  private final float[] weights;
  private final Development development;
  private final Picture picture;
  private long revision;

  /**
   * A preview of which nothing is there.
   *
   * @param width pixels of the print
   * @param height pixels of the print
   */
  PrintPreview(int width, int height, float[] weights, Development development) {
    step = Math.max(1, Math.ceilDiv(width, WIDEST));
    this.width = Math.ceilDiv(width, step);
    this.height = Math.ceilDiv(height, step);
    this.weights = weights;
    this.development = development;
    picture = Picture.black(this.width, this.height);
  }

  int width() {
    return width;
  }

  int height() {
    return height;
  }

  /** Changes when the picture does. */
  synchronized long revision() {
    return revision;
  }

  /** Takes over a film of the preview's own size. */
  synchronized void coarse(Film film) {
    for (int y = 0; y < height; y++) {
      LayerMix.rowInto(film, weights, y, picture.rgb(), 3 * y * width);
    }
    revision++;
  }

  /** Takes over the mean of what is traced of a band; pixels without samples stay as they are. */
  synchronized void take(Film band) {
    float[] row = new float[3 * band.width()];
    float[] sum = new float[3 * width];
    int[] count = new int[width];
    int first = Math.ceilDiv(band.firstRow(), step);
    int last = Math.min(height, Math.ceilDiv(band.firstRow() + band.height(), step));
    for (int y = first; y < last; y++) {
      java.util.Arrays.fill(sum, 0);
      java.util.Arrays.fill(count, 0);
      int end = Math.min(band.firstRow() + band.height(), (y + 1) * step);
      for (int at = Math.max(band.firstRow(), y * step); at < end; at++) {
        int own = at - band.firstRow();
        LayerMix.rowInto(band, weights, own, row, 0);
        for (int x = 0; x < band.width(); x++) {
          if (band.least(band.tile(x, own)) > 0) {
            int to = x / step;
            count[to]++;
            for (int k = 0; k < 3; k++) {
              sum[3 * to + k] += row[3 * x + k];
            }
          }
        }
      }
      for (int x = 0; x < width; x++) {
        for (int k = 0; count[x] > 0 && k < 3; k++) {
          picture.rgb()[3 * (y * width + x) + k] = sum[3 * x + k] / count[x];
        }
      }
    }
    revision++;
  }

  /** As a JPEG through the look, without what it would have to know of the set besides. */
  byte[] jpeg() {
    Picture now;
    synchronized (this) {
      now = new Picture(width, height, picture.rgb().clone());
    }
    return PngFile.jpeg(development.codes(now, LookInputs.NONE), width, height, QUALITY);
  }
}
