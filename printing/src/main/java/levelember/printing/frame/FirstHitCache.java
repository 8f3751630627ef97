package levelember.printing.frame;

import java.util.function.Supplier;
import levelember.film.FirstHits;

/**
 * First hits of a whole picture, kept from one frame to the next where set and camera stay. Not for
 * several threads.
 */
public final class FirstHitCache {
  private FirstHits hits;
  private int margin;

  /**
   * The hits.
   *
   * @param wantedMargin pixels beyond the picture's edge
   * @param reach metres over which obscurance is asked for; 0 for none
   * @param traced makes them where those that are kept do not do
   */
  FirstHits of(int wantedMargin, double reach, Supplier<FirstHits> traced) {
    if (hits == null || margin != wantedMargin || hits.reach() < reach) {
      hits = traced.get();
      margin = wantedMargin;
    }
    return hits;
  }
}
