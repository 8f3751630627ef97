package levelember.app.live;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import levelember.film.Ladder;
import levelember.texture.Picture;

/**
 * Mixes of layers, kept for as long as the films stay the same: while a look is in the hand, only
 * what comes after the mix changes. For one thread.
 */
final class Mixes {
  private static final int MOST = 6;

  private record Mix(Ladder films, int step, float[] weights, Picture picture) {}

  private final List<Mix> kept = new ArrayList<>();

  /** The films have changed. */
  void forget() {
    kept.clear();
  }

  Picture of(Ladder films, int step, float[] weights) {
    for (Mix mix : kept) {
      if (mix.films == films && mix.step == step && Arrays.equals(mix.weights, weights)) {
        return mix.picture;
      }
    }
    if (kept.size() == MOST) {
      kept.clear();
    }
    Mix mix = new Mix(films, step, weights.clone(), films.mix(weights, step));
    kept.add(mix);
    return mix.picture;
  }
}
