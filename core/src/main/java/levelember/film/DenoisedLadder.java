package levelember.film;

import java.util.function.BooleanSupplier;

/**
 * The denoised twin of a {@link Ladder}: of every film those layers that are whole, renewed as
 * samples come in. Weights mix it like the ladder itself. One thread renews; any may read.
 */
public final class DenoisedLadder {
  /** A layer is denoised again when its samples have grown by this factor. */
  private static final double GROWN = 1.35;

  private volatile Ladder ladder;
  private double[][] at;

  /** Starts empty for a ladder of the same sizes and layers. */
  public DenoisedLadder(Ladder like) {
    int layers = like.full().layers();
    ladder = new Ladder(like.width(), like.height(), layers, true);
    at = new double[Ladder.SIZES][layers];
  }

  /** Goes on with other layers; see {@link Film#withLayers}. */
  public void withLayers(int[] from) {
    ladder = ladder.withLayers(from);
    double[][] next = new double[at.length][from.length];
    for (int size = 0; size < at.length; size++) {
      for (int i = 0; i < from.length; i++) {
        next[size][i] = from[i] < 0 ? 0 : at[size][from[i]];
      }
    }
    at = next;
  }

  /**
   * Denoises what has changed enough in a ladder.
   *
   * @return false when stopped; what was finished before is kept
   */
  public boolean renew(Ladder of, BooleanSupplier stop) {
    for (int size = 0; size < at.length; size++) {
      Film film = of.film(size);
      int[] from = new int[film.layers()];
      boolean open = false;
      for (int i = 0; i < from.length; i++) {
        double now = film.whole(i) ? film.meanSamples(i) : 0;
        boolean grown = now > 0 && now >= GROWN * at[size][i];
        from[i] = grown ? -1 : i;
        open |= grown;
      }
      if (!open) {
        continue;
      }
      Film next = Denoiser.denoised(film, ladder.film(size), from, stop);
      if (next == null) {
        return false;
      }
      ladder = ladder.with(size, next);
      for (int i = 0; i < from.length; i++) {
        if (from[i] < 0) {
          at[size][i] = film.meanSamples(i);
        }
      }
    }
    return true;
  }

  /** The denoised films; empty where nothing was whole yet. */
  public Ladder ladder() {
    return ladder;
  }

  /** True when some size has every layer. */
  public boolean shows() {
    return ladder.step() > 0;
  }
}
