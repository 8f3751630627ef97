package levelember.geometry;

import java.util.List;
import java.util.ServiceLoader;

/**
 * Outlines of letters, in units of a capital's height, y up from the baseline. An outline is closed
 * contours of x, y pairs: clockwise round what is filled, counter-clockwise round holes.
 */
public interface Typeface {
  /** Contours of a letter; of a box where the typeface has no such letter. */
  List<double[]> outline(int codePoint);

  /** From a letter's start to the next one's. */
  double advance(int codePoint);

  /**
   * The typeface that ships with the application.
   *
   * @throws IllegalStateException when it was left out
   */
  static Typeface shipped() {
    return Shipped.FACE;
  }

  /** Found once. */
  final class Shipped {
    private static final Typeface FACE =
        ServiceLoader.load(Typeface.class)
            .findFirst()
            .orElseThrow(() -> new IllegalStateException("no typeface ships with this program"));

    private Shipped() {}
  }
}
