package levelember.formats.print;

import java.util.function.Supplier;
import levelember.film.FirstHits;

/**
 * First hits of a whole picture, kept from one frame to the next where set and camera stay. Not for
 * several threads.
 */
public final class FirstHitCache {
  private FirstHits hits;
  private int margin;
  private boolean obscurance;

  /**
   * The hits.
   *
   * @param wantedMargin pixels beyond the picture's edge
   * @param wantsObscurance whether they need what is near each
   * @param traced makes them where those that are kept do not do
   */
  FirstHits of(int wantedMargin, boolean wantsObscurance, Supplier<FirstHits> traced) {
    if (hits == null || margin != wantedMargin || obscurance != wantsObscurance) {
      hits = traced.get();
      margin = wantedMargin;
      obscurance = wantsObscurance;
    }
    return hits;
  }
}
