package levelember.app.proof;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.app.asset.Assets;
import levelember.film.Film;
import levelember.film.FirstHits;
import levelember.film.LayerMix;
import levelember.firsthit.FirstHitTracer;
import levelember.formats.picture.LayersFile;
import levelember.formats.picture.PngFile;
import levelember.look.Development;
import levelember.look.DisplayCurve;
import levelember.look.LookInputs;
import levelember.look.LookInputsMaker;
import levelember.measure.StopsDifference;
import levelember.photometry.LayerWeights;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import org.springframework.stereotype.Component;

/**
 * Makes pictures of a proof's layers. No light is traced; first hits are, where a look needs them.
 */
@Component
class ProofPictures {
  private static final float QUALITY = 0.9f;

  private final Assets assets;
  private FirstHits hits;
  private Long hitsOf;

  ProofPictures(Assets assets) {
    this.assets = assets;
  }

  /**
   * A proof's layers with the shoot as it was.
   *
   * @param id of the proof
   * @param shootId of its shoot
   * @param shot id of the shot that it shows
   * @param seconds the time at which it shows a shoot that moves, or null
   * @param shoot at that time
   */
  record StoredProof(
      long id, String shootId, String shot, Double seconds, Shoot shoot, LayersFile layers) {
    Shot shown() {
      return shoot.shot(shot).orElse(shoot.shots().getFirst());
    }

    /** The layers as a film, in the order of the shoot's lights. */
    Film film() {
      float[][] sums =
          shoot.lights().stream()
              .map(l -> layers.byLight().get(l.id()))
              .map(f -> f == null ? new float[3 * layers.width() * layers.height()] : f)
              .toArray(float[][]::new);
      return new Film(layers.width(), layers.height(), sums.length).finished(sums);
    }

    /** Weights of its lights as a shoot has them; lights that it lacks keep their own. */
    float[] weights(Shoot as) {
      float[] own = LayerWeights.of(shoot), theirs = LayerWeights.of(as);
      Map<String, Integer> numbers = new HashMap<>();
      for (int i = 0; i < as.lights().size(); i++) {
        numbers.put(as.lights().get(i).id(), i);
      }
      for (int i = 0; i < shoot.lights().size(); i++) {
        Integer other = numbers.get(shoot.lights().get(i).id());
        if (other != null) {
          System.arraycopy(theirs, 3 * other, own, 3 * i, 3);
        }
      }
      return own;
    }

    /** Its light, cd/m². */
    Picture light() {
      return LayerMix.picture(film(), LayerWeights.of(shoot));
    }

    double fullScale() {
      return DisplayCurve.fullScale(shoot.lookOf(shown()).ev());
    }
  }

  /** A proof with the levels, colours and looks of another state of its shoot, as JPEG. */
  byte[] developed(StoredProof kept, Shoot as) {
    Film film = kept.film();
    return PngFile.jpeg(codes(kept, as, film), film.width(), film.height(), QUALITY);
  }

  /** The same as PNG. */
  byte[] png(StoredProof kept, Shoot as) {
    Film film = kept.film();
    return PngFile.plain(codes(kept, as, film), film.width(), film.height());
  }

  private byte[] codes(StoredProof kept, Shoot as, Film film) {
    float[] weights = kept.weights(as);
    Picture light = LayerMix.picture(film, weights);
    Look look = as.shot(kept.shot).map(as::lookOf).orElseGet(() -> kept.shoot.lookOf(kept.shown()));
    SceneAssets files = assets.files(kept.shootId);
    LookInputsMaker maker =
        new LookInputsMaker(kept.shoot, look, light.width(), light.height(), weights);
    boolean hits = LookInputsMaker.needsHits(kept.shoot, look);
    if (hits) {
      maker.take(hits(kept, look, files, light), 0, light.height(), null);
    }
    List<Picture> parts = maker.mixes().stream().map(w -> LayerMix.picture(film, w)).toList();
    LookInputs inputs = maker.inputs(light, parts, hits);
    return new Development(look, files.luts()).codes(light, inputs);
  }

  /** First hits of a proof, which stay while the same one is developed again. */
  private synchronized FirstHits hits(
      StoredProof kept, Look look, SceneAssets files, Picture light) {
    int margin = LookInputsMaker.margin(look, light.height());
    double reach = LookInputsMaker.obscuranceReach(look);
    if (hitsOf == null || hitsOf != kept.id || hits.margin() < margin || hits.reach() < reach) {
      View view = View.of(kept.shoot, kept.shown(), files);
      FirstHits.Band band = FirstHits.Band.whole(light.width(), light.height());
      hits = new FirstHitTracer(view).all(band, margin, reach);
      hitsOf = kept.id;
    }
    return hits;
  }

  /**
   * By how many stops a picture is brighter than a proof, as PNG.
   *
   * @param of cd/m², of any size
   */
  static byte[] difference(Picture of, StoredProof kept) {
    Picture over = kept.light();
    byte[] codes = StopsDifference.codes(sized(of, over), over, kept.fullScale());
    return PngFile.plain(codes, over.width(), over.height());
  }

  /** The nearest pixels of a picture at another's size. */
  private static Picture sized(Picture of, Picture as) {
    if (of.width() == as.width() && of.height() == as.height()) {
      return of;
    }
    Picture to = Picture.black(as.width(), as.height());
    for (int y = 0; y < as.height(); y++) {
      int v = y * of.height() / as.height();
      for (int x = 0; x < as.width(); x++) {
        int from = 3 * (v * of.width() + x * of.width() / as.width());
        float[] rgb = Arrays.copyOfRange(of.rgb(), from, from + 3);
        to.set(x, y, rgb[0], rgb[1], rgb[2]);
      }
    }
    return to;
  }
}
