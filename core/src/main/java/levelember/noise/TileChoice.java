package levelember.noise;

import java.util.ArrayList;
import java.util.List;

/** Chooses the tiles that get more samples: those whose noise a sample takes most off. */
public final class TileChoice {
  private TileChoice() {}

  /**
   * Raises the targets of the upper half of the tiles that are too noisy, by what a sample takes
   * off the squared noise. The choice depends on what it is given alone.
   *
   * @param samples of every tile
   * @param noise of every tile, 1 for 100 percent
   * @param wanted noise of the picture; a tile of half of it is left alone
   * @param most samples at which a tile is left alone
   * @param targets samples that tiles are to have; those that are not chosen stay as they are
   * @return false when none is chosen, as the picture is clean enough or tiles have their most
   */
  public static boolean choose(
      int[] samples, float[] noise, double wanted, int most, int[] targets) {
    List<Integer> open = new ArrayList<>();
    float[] gain = new float[samples.length];
    for (int t = 0; t < samples.length; t++) {
      gain[t] = noise[t] * noise[t] / (samples[t] + 1);
      if (samples[t] < most && noise[t] > 0.5 * wanted) {
        open.add(t);
      }
    }
    if (open.isEmpty() || Noise.whole(noise) <= wanted) {
      return false;
    }
    open.sort(
        (a, b) -> gain[a] == gain[b] ? Integer.compare(a, b) : Float.compare(gain[b], gain[a]));
    for (int t : open.subList(0, (open.size() + 1) / 2)) {
      int n = samples[t];
      targets[t] = Math.min(most, n + Math.max(2, n / 4 & ~1));
    }
    return true;
  }
}
