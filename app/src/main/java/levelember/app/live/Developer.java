package levelember.app.live;

import java.util.List;
import java.util.function.Function;
import levelember.film.FirstHits;
import levelember.film.Ladder;
import levelember.look.Aids;
import levelember.look.AidsMaker;
import levelember.look.Development;
import levelember.look.ShutIn;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.texture.Luts;
import levelember.texture.Picture;

/** Turns films into what a look shows; keeps what stays the same from picture to picture. */
final class Developer {
  /**
   * A picture ready to be shown.
   *
   * @param light of the layers together, cd/m²
   */
  record Developed(Picture light, Aids aids, Development look) {
    byte[] codes() {
      return look.codes(light, aids);
    }

    /** The light as the lens has made it, cd/m². */
    Picture spread() {
      return look.exposedLight(light, aids);
    }
  }

  private final Luts luts;
  private Look look;
  private Development development;
  private FirstHits shaded;
  private int shadedSamples;
  private double shadedReach;
  private float[] shutIn;

  Developer(Luts luts) {
    this.luts = luts;
  }

  /**
   * Develops a picture.
   *
   * @param step how many times coarser than full size
   * @param hits of the full size as far as they are known, or null
   */
  Developed of(Shoot shoot, Look worn, Ladder films, int step, float[] weights, FirstHits hits) {
    return of(shoot, worn, weights, hits, step, w -> films.mix(w, step));
  }

  /** The same with mixes that were kept. */
  Developed of(
      Shoot shoot,
      Look worn,
      float[] weights,
      FirstHits hits,
      int step,
      Function<float[], Picture> mixed) {
    Picture light = mixed.apply(weights);
    FirstHits known = step == 1 && fits(hits, light) ? hits : null;
    AidsMaker maker = new AidsMaker(shoot, worn, light.width(), light.height(), weights);
    boolean wanted = known != null && AidsMaker.needsHits(shoot, worn);
    if (wanted) {
      maker.take(known, 0, light.height(), shutIn(worn, known));
    }
    List<Picture> parts = maker.mixes().stream().map(mixed).toList();
    return new Developed(light, maker.aids(light, parts, wanted), ready(worn));
  }

  private static boolean fits(FirstHits hits, Picture light) {
    return hits != null
        && hits.samples() > 0
        && hits.width() == light.width()
        && hits.height() == light.height();
  }

  private synchronized float[] shutIn(Look worn, FirstHits hits) {
    if (worn.contact().amount() == 0) {
      return null;
    }
    double reach = worn.contact().reach();
    if (hits != shaded || hits.samples() != shadedSamples || reach != shadedReach) {
      shutIn = ShutIn.of(hits, 0, hits.height(), reach);
      shaded = hits;
      shadedSamples = hits.samples();
      shadedReach = reach;
    }
    return shutIn;
  }

  private synchronized Development ready(Look worn) {
    if (!worn.equals(look)) {
      development = new Development(worn, luts);
      look = worn;
    }
    return development;
  }
}
