package levelember.app.live.view;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import levelember.texture.Picture;
import levelember.upsampling.Ladder;

/**
 * Mixes of layers, kept for as long as the films stay the same: while a look is in the hand, only
 * what comes after the mix changes. For one thread.
 */
public final class Mixes {
  private static final int MOST = 6;

  private record Mix(Ladder films, int step, float[] weights, Picture picture) {}

  private record Cover(Ladder films, int step, float[] weights, float[] alpha) {}

  private final List<Mix> kept = new ArrayList<>();
  private Cover cover;

  /** The films have changed. */
  public void forget() {
    kept.clear();
    cover = null;
  }

  /** The alpha of a picture that is cut out. */
  public float[] alpha(Ladder films, int step, float[] weights) {
    if (cover == null
        || cover.films != films
        || cover.step != step
        || !Arrays.equals(cover.weights, weights)) {
      cover = new Cover(films, step, weights.clone(), films.alpha(weights, step));
    }
    return cover.alpha;
  }

  public Picture of(Ladder films, int step, float[] weights) {
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
