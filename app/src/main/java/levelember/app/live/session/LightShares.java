package levelember.app.live.session;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.film.Film;
import levelember.measure.GlossReading;
import levelember.measure.Reading;
import levelember.photometry.LayerWeights;
import levelember.shoot.Shoot;
import levelember.upsampling.Ladder;

/** What every light gives of a picture; measured at most once a second. */
final class LightShares {
  private static final long SHARES_NANOS = 1_000_000_000;
  private double[] unitMeans;
  private GlossReading overGloss;
  private long measuredNanos;

  /** The layers are others now. */
  void forget() {
    unitMeans = null;
  }

  /** A light's share of the picture, 0…1, by its id. */
  Map<String, Double> of(Shoot shoot, Ladder ladder, long now) {
    if (unitMeans == null || now - measuredNanos > SHARES_NANOS) {
      // The film of a quarter size is complete early and gives the shares just as well.
      Film film = ladder.film(ladder.full().samples() > 0 ? 3 : 1);
      unitMeans = Reading.unitMeans(film);
      overGloss = GlossReading.of(film);
      measuredNanos = now;
    }
    double[] means = Reading.weighed(unitMeans, LayerWeights.of(shoot));
    double sum = 0;
    for (double m : means) {
      sum += m;
    }
    Map<String, Double> shares = new LinkedHashMap<>();
    for (int i = 0; i < means.length; i++) {
      shares.put(shoot.lights().get(i).id(), sum > 0 ? means[i] / sum : 0);
    }
    return shares;
  }

  /** What of each light was softened or left out over gloss when shares were measured last. */
  Map<String, Double> overGloss(Shoot shoot) {
    Map<String, Double> to = new LinkedHashMap<>();
    for (int i = 0; i < shoot.lights().size(); i++) {
      to.put(shoot.lights().get(i).id(), overGloss.share(i));
    }
    return to;
  }
}
