package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.film.FirstHits;
import levelember.firsthit.FirstHitTracer;
import levelember.look.AmbientOcclusion;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.look.LookInputsMaker;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.shoot.look.PlateTreatment;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FirstHitsTest {
  private static FirstHits hits(Shoot shoot, int w, int h, int margin, int samples) {
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    FirstHits to =
        new FirstHits(FirstHits.Band.whole(w, h), margin, view.layers(), ContactShade.MAX_REACH);
    FirstHitTracer tracer = new FirstHitTracer(view);
    for (int i = 0; i < samples; i++) {
      assertThat(tracer.sample(to, () -> false)).isTrue();
    }
    return to;
  }

  private static double mean(FirstHits hits, double reach) {
    double sum = 0;
    float[] row = new float[hits.width()];
    for (int y = 0; y < hits.height(); y++) {
      hits.shutIn(y, reach, row, 0);
      for (float v : row) {
        sum += v;
      }
    }
    return sum / hits.width() / hits.height();
  }

  @Test
  void aFloorUnderACeilingIsShutInAsTheIntegralSays() {
    // With the ceiling at h and a reach of four h: the integral of (1 − h/(4h·u))·2u over u from
    // 1/4 to 1 is 0.5625.
    Sets set =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(200, 200), "white", Vec3.ZERO)
            .piece("ceiling", new Shape.Floor(200, 200), "white", new Vec3(0, 0.25, 0))
            .seen(new Vec3(0, 0.1, 1), new Vec3(0, 0, 0.5), 0.01);
    assertThat(mean(hits(set.shoot(), 24, 24, 0, 16), 1)).isCloseTo(0.5625, within(0.03));
    Sets open =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(200, 200), "white", Vec3.ZERO)
            .seen(new Vec3(0, 0.5, 1), Vec3.ZERO, 0.01);
    assertThat(mean(hits(open.shoot(), 24, 24, 0, 4), 1)).isZero();
  }

  @Test
  void contactShadeDarkensTheCornerAndNothingAtAmountZero() {
    Shoot shoot =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO)
            .piece("box", new Shape.Box(1, 1, 1, 0), "white", Vec3.ZERO)
            .light(Sets.dome(100))
            .seen(new Vec3(0, 3, 6), new Vec3(0, 0.3, 0), 3)
            .shoot();
    FirstHits hits = hits(shoot, 60, 60, 0, 16);
    float[] in = new AmbientOcclusion(hits, 0, 60).within(0.4);
    float most = 0;
    for (float v : in) {
      most = Math.max(most, v);
    }
    assertThat(most).isBetween(0.15f, 0.6f);
    assertThat(in[59 * 60 + 2]).as("out on the floor").isLessThan(0.01f);
    Picture grey = Picture.black(60, 60);
    java.util.Arrays.fill(grey.rgb(), 0.3f);
    Look look = shoot.looks().getFirst().with(new ContactShade(1, 0.4));
    LookInputsMaker maker = new LookInputsMaker(shoot, look, 60, 60, LayerWeights.of(shoot));
    maker.take(hits, 0, 60, null);
    Picture shaded = new Development(look).exposedLight(grey, maker.inputs(grey, List.of(), true));
    for (int i = 0; i < in.length; i++) {
      assertThat(shaded.rgb()[3 * i]).isCloseTo(0.3f * (1 - in[i]), within(1e-6f));
    }
    assertThat(LookInputsMaker.needsHits(shoot, shoot.looks().getFirst())).isFalse();
  }

  private static Sets lamps() {
    return Sets.white(0.5)
        .piece("left", new Shape.Sphere(0.3), "white", new Vec3(-1, 0, 0))
        .piece("right", new Shape.Sphere(0.3), "white", new Vec3(1, 0, 0))
        .light(
            Sets.light(
                "bulb",
                new Emitter.Sphere(0.2),
                new Vec3(0, 0, 0),
                Vec3.ZERO,
                500,
                Brightness.Unit.NIT))
        .light(
            Sets.light(
                "outside",
                new Emitter.Sphere(0.2),
                new Vec3(2.4, 0, 0),
                Vec3.ZERO,
                700,
                Brightness.Unit.NIT))
        .seen(new Vec3(0, 0, 20), Vec3.ZERO, 4);
  }

  private static LookInputs inputs(Shoot shoot, Glow glow, Picture whole) {
    int w = whole.width(), h = whole.height();
    Look look = shoot.looks().getFirst().with(glow);
    LookInputsMaker maker = new LookInputsMaker(shoot, look, w, h, LayerWeights.of(shoot));
    maker.take(hits(shoot, w, h, LookInputsMaker.margin(look, h), 8), 0, h, null);
    return maker.inputs(whole, List.of(), true);
  }

  @Test
  void aGlowFromPiecesHasThemAlone() {
    Shoot shoot = lamps().shoot();
    Picture whole = Picture.black(80, 40);
    java.util.Arrays.fill(whole.rgb(), 2);
    Glow.Source left = new Glow.Source(Glow.Source.Kind.PIECES, List.of("left", "gone"));
    Glow glow = Glow.bloom("g", "G", 0.5, 3).from(left, -20, 0);
    Picture source = inputs(shoot, glow, whole).sources().getFirst();
    assertThat(source.get(20, 20, 0)).isEqualTo(2f);
    assertThat(source.get(60, 20, 0)).isZero();
    assertThat(source.get(40, 20, 0)).isZero();
    double sum = 0;
    for (int i = 0; i < source.rgb().length; i += 3) {
      sum += source.rgb()[i] / 2;
    }
    // Twenty pixels a metre.
    assertThat(sum).isCloseTo(Math.PI * 0.09 * 400, within(3.0));
  }

  @Test
  void aGlowFromWhatShinesHasTheLampAtItsLuminanceAndOnesOutsideIfWished() {
    Shoot shoot = lamps().shoot();
    Picture whole = Picture.black(80, 40);
    Glow glow = Glow.bloom("g", "G", 0.5, 3).from(Glow.Source.EMISSION, -20, 0);
    LookInputs inside = inputs(shoot, glow, whole);
    assertThat(inside.sources().getFirst().get(40, 20, 1)).isCloseTo(500, within(1f));
    assertThat(inside.sources().getFirst().get(20, 20, 1)).isZero();
    assertThat(inside.margins().getFirst()).isZero();
    LookInputs around = inputs(shoot, glow.beyondFrame(), whole);
    int m = around.margins().getFirst();
    assertThat(m).isEqualTo(10);
    Picture wide = around.sources().getFirst();
    // The second lamp lies 2.4 metres, 48 pixels, right of the middle: 8 beyond the frame.
    assertThat(wide.get(m + 40 + 48, m + 20, 1)).isCloseTo(700, within(1f));
    Glow whole0 = Glow.bloom("g", "G", 0.5, 3).beyondFrame();
    Picture mixed = inputs(shoot, whole0, whole).sources().getFirst();
    assertThat(mixed.get(m + 40, m + 20, 1)).as("the picture inside").isZero();
    assertThat(mixed.get(m + 40 + 48, m + 20, 1)).isCloseTo(700, within(1f));
  }

  @Test
  void aLookThatWantsMoreAroundTheFrameTakesWhatIsKnownUntilThen() {
    Shoot shoot = lamps().shoot();
    Picture whole = Picture.black(80, 40);
    Glow wide = Glow.bloom("g", "G", 0.5, 3).from(Glow.Source.EMISSION, -20, 0).beyondFrame();
    Look look = shoot.looks().getFirst().with(wide);
    LookInputsMaker maker = new LookInputsMaker(shoot, look, 80, 40, LayerWeights.of(shoot));
    maker.take(hits(shoot, 80, 40, 0, 8), 0, 40, null);
    LookInputs inputs = maker.inputs(whole, List.of(), true);
    int m = inputs.margins().getFirst();
    assertThat(inputs.sources().getFirst().get(m + 40, m + 20, 1)).isCloseTo(500, within(1f));
    assertThat(inputs.sources().getFirst().get(m + 40 + 48, m + 20, 1)).isZero();
  }

  @Test
  void bandsOfRowsSayWhatTheWholeSays() {
    Shoot shoot = lamps().shoot();
    Look look =
        shoot
            .looks()
            .getFirst()
            .with(new ContactShade(0.7, 0.5))
            .with(Glow.bloom("g", "G", 0.5, 3).from(Glow.Source.EMISSION, -20, 0).beyondFrame());
    int w = 64, h = 48, m = LookInputsMaker.margin(look, h);
    Picture black = Picture.black(w, h);
    LookInputsMaker one = new LookInputsMaker(shoot, look, w, h, LayerWeights.of(shoot));
    one.take(hits(shoot, w, h, m, 4), 0, h, null);
    LookInputs whole = one.inputs(black, List.of(), true);
    LookInputsMaker parts = new LookInputsMaker(shoot, look, w, h, LayerWeights.of(shoot));
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    for (int first = 0; first < h; first += 16) {
      int top = Math.max(0, first - AmbientOcclusion.REACH - FirstHits.NEIGHBOURS);
      int bottom = Math.min(h, first + 16 + AmbientOcclusion.REACH + FirstHits.NEIGHBOURS);
      FirstHits band =
          new FirstHits(
              new FirstHits.Band(w, h, top, bottom - top),
              m,
              view.layers(),
              ContactShade.MAX_REACH);
      for (int i = 0; i < 4; i++) {
        new FirstHitTracer(view).sample(band, () -> false);
      }
      parts.take(band, first, first + 16, null);
    }
    LookInputs banded = parts.inputs(black, List.of(), true);
    assertThat(banded.shade()).isEqualTo(whole.shade());
    assertThat(banded.sources().getFirst().rgb()).isEqualTo(whole.sources().getFirst().rgb());
  }

  @Test
  void aPlateIsExposedAndBlurredWithoutSpillingOntoTheSet() {
    Shoot shoot =
        Sets.white(0.5)
            .piece("ball", new Shape.Sphere(0.5), "white", Vec3.ZERO)
            .light(
                Sets.light(
                    "plate",
                    new Emitter.Plate("p.png"),
                    Vec3.ZERO,
                    Vec3.ZERO,
                    1,
                    Brightness.Unit.NIT))
            .seen(new Vec3(0, 0, 20), Vec3.ZERO, 2)
            .shoot();
    Picture stripes = Picture.black(64, 64);
    for (int y = 0; y < 64; y++) {
      for (int x = 0; x < 64; x++) {
        stripes.set(x, y, x / 2 % 2, x / 2 % 2, x / 2 % 2);
      }
    }
    Pictures pictures = name -> stripes;
    View view = View.of(shoot, shoot.shots().getFirst(), pictures);
    FirstHits hits =
        new FirstHits(FirstHits.Band.whole(64, 64), 0, view.layers(), ContactShade.MAX_REACH);
    for (int i = 0; i < 8; i++) {
      new FirstHitTracer(view).sample(hits, () -> false);
    }
    Look look = shoot.looks().getFirst().with(new PlateTreatment(1, 10));
    LookInputsMaker maker = new LookInputsMaker(shoot, look, 64, 64, LayerWeights.of(shoot));
    maker.take(hits, 0, 64, null);
    Picture plate = Picture.black(64, 64);
    for (int y = 0; y < 64; y++) {
      for (int x = 0; x < 64; x++) {
        float v = hits.open(x, y) * stripes.get(x, y, 0);
        plate.set(x, y, v, v, v);
      }
    }
    assertThat(maker.mixes()).hasSize(1);
    Picture lit =
        new Development(look).exposedLight(plate, maker.inputs(plate, List.of(plate), true));
    // Stripes of one and nothing, evened out and a stop up.
    assertThat(lit.get(4, 4, 0)).isCloseTo(1, within(0.15f));
    assertThat(lit.get(60, 30, 0)).isCloseTo(1, within(0.15f));
    assertThat(lit.get(32, 32, 0)).as("on the ball").isZero();
  }

  @Test
  void onlyWhatIsNotAlikeRoundAPixelTakesMoreThanFewSamples() {
    Shoot shoot = lamps().shoot();
    FirstHits hits = hits(shoot, 80, 40, 0, FirstHits.ENOUGH);
    assertThat(hits.needsSample(20, 20)).as("middle of a ball").isFalse();
    assertThat(hits.needsSample(14, 20)).as("edge of a ball").isTrue();
    assertThat(hits.needsSample(44, 20)).as("edge of a lamp").isTrue();
    assertThat(hits.needsSample(2, 2)).as("nothing").isFalse();
    int wanted = 0;
    for (int i = 0; i < 80 * 40; i++) {
      wanted += hits.needsSample(i % 80, i / 80) ? 1 : 0;
    }
    assertThat(wanted).isBetween(80, 500);
    // Shares at edges are those of all samples.
    boolean[] left = {true, false};
    double area = 0;
    for (int i = 0; i < 80 * 40; i++) {
      area += hits.share(i % 80, i / 80, left);
    }
    assertThat(area).isCloseTo(Math.PI * 0.09 * 400, within(3.0));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.01, 0.2, 0.75, 10})
  void aNearerReachIsObscuredBySameBitsWithShorterRays(double reach) {
    Shoot shoot = lamps().shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    FirstHits.Band band = FirstHits.Band.whole(40, 20);
    FirstHits any = new FirstHitTracer(view).all(band, 0, ContactShade.MAX_REACH);
    FirstHits own = new FirstHitTracer(view).all(band, 0, reach);
    assertThat(own.farthest()).isBetween(0.5 * reach, 1.4 * reach);
    float[] a = new float[40 * 20], b = new float[40 * 20];
    for (int y = 0; y < 20; y++) {
      any.shutIn(y, reach, a, 40 * y);
      own.shutIn(y, reach, b, 40 * y);
    }
    assertThat(b).isEqualTo(a);
  }
}
