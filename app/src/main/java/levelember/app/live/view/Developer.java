package levelember.app.live.view;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import levelember.film.FirstHits;
import levelember.look.AmbientOcclusion;
import levelember.look.Development;
import levelember.look.GlowCache;
import levelember.look.LookInputs;
import levelember.look.LookInputsMaker;
import levelember.shoot.Shoot;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.texture.Luts;
import levelember.texture.Picture;
import levelember.upsampling.Ladder;

/** Turns films into what a look shows; keeps what stays the same from picture to picture. */
public final class Developer {
  /**
   * A picture ready to be shown.
   *
   * @param light of the layers together, cd/m²
   * @param lensed what the lens has made of it, where that was kept, or null
   * @param spreads what glows have drawn before
   */
  public record Developed(
      Picture light,
      LookInputs inputs,
      Development look,
      Development.Lensed lensed,
      GlowCache spreads) {
    public byte[] codes() {
      return lensed == null ? look.codes(light, inputs, spreads) : look.codes(lensed);
    }

    /** The light as the lens has made it, cd/m². */
    public Picture spread() {
      return look.exposedLight(light, inputs);
    }
  }

  /**
   * What stays the same while the hand only changes tones: for one thread, which mixes the same
   * picture for as long as its films are the same.
   */
  public static final class Kept {
    private Developed last;
    private Look worn;
    private FirstHits hits;
    private int samples;

    private final GlowCache spreads = new GlowCache();

    /** Whether all that the look had to know besides is the same. */
    private boolean knows(Picture light, FirstHits known, Look look) {
      return last != null
          && last.light() == light
          && hits == known
          && (known == null || samples == known.samples())
          && worn.contact().equals(look.contact())
          && worn.plate().equals(look.plate())
          && sources(worn).equals(sources(look));
    }

    /** What glows glow from. */
    private static List<Object> sources(Look look) {
      List<Object> to = new ArrayList<>();
      for (Glow glow : look.glows()) {
        to.add(List.of(glow.source(), glow.outsideFrame(), glow.active()));
      }
      return to;
    }
  }

  private final Luts luts;
  private Look look;
  private Development development;
  private FirstHits shaded;
  private int shadedSamples;
  private double shadedReach;
  private AmbientOcclusion near;
  private float[] shutIn;

  public Developer(Luts luts) {
    this.luts = luts;
  }

  /**
   * Develops a picture.
   *
   * @param step how many times coarser than full size
   * @param hits of the full size as far as they are known, or null
   */
  public Developed of(
      Shoot shoot, Look worn, Ladder films, int step, float[] weights, FirstHits hits) {
    return of(shoot, worn, weights, hits, step, w -> films.mix(w, step), null);
  }

  /**
   * The same with mixes that were kept.
   *
   * @param kept from the picture before, or null
   */
  public Developed of(
      Shoot shoot,
      Look worn,
      float[] weights,
      FirstHits hits,
      int step,
      Function<float[], Picture> mixed,
      Kept kept) {
    Picture light = mixed.apply(weights);
    FirstHits known = step == 1 && fits(hits, light, worn) ? hits : null;
    Development ready = ready(worn);
    if (kept != null && kept.knows(light, known, worn)) {
      LookInputs same = kept.last.inputs();
      Development.Lensed lensed = null;
      if (kept.last.look().seesAlike(ready)) {
        // Made at the second time, as a glow in the hand is another each time.
        lensed = kept.last.lensed() == null ? ready.lensed(light, same) : kept.last.lensed();
      }
      kept.last = new Developed(light, same, ready, lensed, kept.spreads);
      return kept.last;
    }
    LookInputsMaker maker =
        new LookInputsMaker(shoot, worn, light.width(), light.height(), weights);
    boolean wanted = known != null && LookInputsMaker.needsHits(shoot, worn);
    if (wanted) {
      maker.take(known, 0, light.height(), shutIn(worn, known));
    }
    List<Picture> parts = maker.mixes().stream().map(mixed).toList();
    LookInputs inputs = maker.inputs(light, parts, wanted);
    GlowCache spreads = kept == null ? new GlowCache() : kept.spreads;
    Developed made = new Developed(light, inputs, ready, null, spreads);
    if (kept != null) {
      kept.last = made;
      kept.worn = worn;
      kept.hits = known;
      kept.samples = known == null ? 0 : known.samples();
    }
    return made;
  }

  private static boolean fits(FirstHits hits, Picture light, Look worn) {
    return hits != null
        && hits.reach() >= LookInputsMaker.obscuranceReach(worn)
        && hits.samples() > 0
        && hits.width() == light.width()
        && hits.height() == light.height();
  }

  private synchronized float[] shutIn(Look worn, FirstHits hits) {
    if (worn.contact().amount() == 0) {
      return null;
    }
    double reach = worn.contact().reach();
    if (hits != shaded || hits.samples() != shadedSamples) {
      near = new AmbientOcclusion(hits, 0, hits.height());
      shaded = hits;
      shadedSamples = hits.samples();
      shutIn = null;
    }
    if (shutIn == null || reach != shadedReach) {
      shutIn = near.within(reach);
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
