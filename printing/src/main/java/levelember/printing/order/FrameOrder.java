package levelember.printing.order;

import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import levelember.document.ImpossibleValue;
import levelember.formats.movie.MovieFormat;

/**
 * Which frames of a shoot that moves are ordered, and in which order they are made.
 *
 * @param first frame
 * @param last frame, at most 100,000 of them
 * @param every makes every so many-th frame first and then those between, 1…1000
 * @param runningSeeds other noise in every frame; else the same noise stands still
 * @param temporalFilter mixes every frame with what those before it showed of the same places, so
 *     that they do not flicker; they are made in their order then, and denoised
 * @param movies films that the frames make together
 */
public record FrameOrder(
    int first,
    int last,
    int every,
    boolean runningSeeds,
    boolean temporalFilter,
    SortedSet<MovieFormat> movies) {
  private static final int MOST_FRAMES = 100_000;

  public FrameOrder {
    if (first < -1_000_000 || first > 1_000_000) {
      throw new ImpossibleValue("frames.first", first, "-1,000,000 to 1,000,000");
    }
    if (last < first || last - first >= MOST_FRAMES) {
      throw new ImpossibleValue(
          "frames.last", last, "from the first on, of at most " + MOST_FRAMES + " frames");
    }
    if (every < 1 || every > 1000) {
      throw new ImpossibleValue("frames.every", every, "1 to 1000");
    }
    movies = movies == null ? new TreeSet<>() : new TreeSet<>(movies);
  }

  public int count() {
    return last - first + 1;
  }

  /** The frames as they are made: every so many-th first, then halfway between, and so on. */
  public List<Integer> inTurn() {
    List<Integer> to = new ArrayList<>();
    boolean[] taken = new boolean[count()];
    for (int stride = temporalFilter ? 1 : every; ; stride = Math.max(1, stride / 2)) {
      for (int i = 0; i < taken.length; i += stride) {
        if (!taken[i]) {
          taken[i] = true;
          to.add(first + i);
        }
      }
      if (stride == 1) {
        return to;
      }
    }
  }

  /** The seed of a frame. */
  public int seed(int seed, int frame) {
    return runningSeeds ? seed + Math.floorMod(frame, MOST_FRAMES) : seed;
  }
}
