package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import levelember.math.Colour;
import levelember.photometry.ColourTemperature;
import levelember.shoot.look.Exposure;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.Tone;
import levelember.shoot.look.WhiteBalance;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class DevelopmentTest {
  private static final Look PLAIN = new Look("l", "L", 0, 0.5, 3);

  private static float[] shown(Look look, double r, double g, double b) {
    Picture p = Picture.black(1, 1);
    double full = DisplayCurve.fullScale(look.ev());
    p.set(0, 0, full * r, full * g, full * b);
    return new Development(look).shown(p, LookInputs.NONE).rgb();
  }

  private static double hue(float[] encoded) {
    double r = Colour.decodeSrgb(encoded[0]), g = Colour.decodeSrgb(encoded[1]);
    double b = Colour.decodeSrgb(encoded[2]);
    double least = Math.min(r, Math.min(g, b)), most = Math.max(r, Math.max(g, b));
    // Where the middle channel lies between the others.
    return (r + g + b - least - most - least) / (most - least);
  }

  @ParameterizedTest
  @EnumSource(Tone.Curve.class)
  void burntColouredLightsKeepTheirHueAndTurnWhite(Tone.Curve kind) {
    Look look = PLAIN.with(Tone.of(kind, 4));
    double[][] lights = {{1, 0.45, 0.08}, {0.1, 0.3, 1}, {0.9, 0.1, 0.5}};
    for (double[] c : lights) {
      double before = -1, sumBefore = 0;
      for (double stops = -3; stops <= 3.5; stops += 0.5) {
        double by = Math.pow(2, stops);
        float[] v = shown(look, by * c[0], by * c[1], by * c[2]);
        double hue = hue(v), sum = v[0] + v[1] + v[2];
        if (before >= 0) {
          assertThat(hue).as(kind + " at " + stops).isCloseTo(before, within(0.02));
        }
        assertThat(sum).isGreaterThan(sumBefore);
        before = hue;
        sumBefore = sum;
      }
      float[] burnt = shown(look, 100 * c[0], 100 * c[1], 100 * c[2]);
      float least = Math.min(burnt[0], Math.min(burnt[1], burnt[2]));
      assertThat(least).as("turns white").isGreaterThan(0.75f);
    }
  }

  @ParameterizedTest
  @EnumSource(Tone.Curve.class)
  void curvesNeverFallAndPassMidGreyWhereDocumented(Tone.Curve kind) {
    DisplayCurve curve = new DisplayCurve(PLAIN.with(Tone.of(kind, 4)));
    double full = DisplayCurve.fullScale(0), before = -1;
    for (double stops = -12; stops < 6; stops += 0.01) {
      double y = curve.display(full * Math.pow(2, stops));
      assertThat(y).isGreaterThanOrEqualTo(before).isLessThanOrEqualTo(1);
      before = y;
    }
    double grey = kind == Tone.Curve.NEGATIVE ? 0.2 : 0.18;
    assertThat(curve.display(0.18 * full)).isCloseTo(grey, within(1e-9));
    double white = kind == Tone.Curve.BARYTA ? 0.94 : 1;
    assertThat(curve.display(16 * full)).isCloseTo(white, within(1e-9));
  }

  @Test
  void contrastTurnsAboutMidGreyAndTheBlackPointIsBlack() {
    Look look = PLAIN.with(Tone.shoulder(0.9, 3).shaped(0, 1.5, 1));
    DisplayCurve curve = new DisplayCurve(look);
    double full = DisplayCurve.fullScale(0);
    assertThat(curve.display(0.18 * full)).isCloseTo(0.18, within(1e-12));
    assertThat(curve.display(0.09 * full)).isCloseTo(0.18 * Math.pow(0.5, 1.5), within(1e-12));
    Look dark = PLAIN.with(Tone.shoulder(0.9, 3).shaped(0.04, 1, 1));
    assertThat(shown(dark, 0.04, 0.04, 0.04)[1]).isLessThan(1e-5f);
    assertThat(new DisplayCurve(dark).display(0.52 * full)).isCloseTo(0.5, within(1e-12));
  }

  @Test
  void saturationOfNoneIsTheLuminance() {
    Look look = PLAIN.with(Tone.shoulder(0.9, 3).shaped(0, 1, 0));
    float[] v = shown(look, 0.3, 0.2, 0.1);
    double y = 0.2126 * 0.3 + 0.7152 * 0.2 + 0.0722 * 0.1;
    for (float c : v) {
      assertThat((double) c).isCloseTo(Colour.encodeSrgb(y), within(1e-5));
    }
  }

  @Test
  void whiteBalanceTakesAKnownCastToNeutral() {
    for (double kelvin : new double[] {2000, 2800, 3200, 4300, 5600, 8000, 12_000}) {
      for (double tint : new double[] {-20, 0, 15}) {
        double[] cast = ColourTemperature.rgb(kelvin, tint);
        Look look = PLAIN.with(new WhiteBalance(kelvin, tint));
        float[] v = shown(look, 0.2 * cast[0], 0.2 * cast[1], 0.2 * cast[2]);
        // Lamps that lie outside of the display's colours lose a part of theirs.
        boolean inside = cast[2] > 0;
        if (inside) {
          assertThat((double) v[0]).as(kelvin + " " + tint).isCloseTo(v[1], within(0.003));
          assertThat((double) v[2]).as(kelvin + " " + tint).isCloseTo(v[1], within(0.003));
        }
      }
    }
  }

  @Test
  void pointingAtAGreyFindsTheLightOnIt() {
    for (double kelvin : new double[] {2500, 3200, 4500, 5600, 9000}) {
      double[] c = ColourTemperature.rgb(kelvin, 8);
      WhiteBalance found = Balance.of(37 * c[0], 37 * c[1], 37 * c[2]);
      assertThat(found.kelvin()).isCloseTo(kelvin, within(0.01 * kelvin));
      assertThat(found.tint()).isCloseTo(8, within(0.5));
    }
    assertThat(Balance.of(1, 1, 1).kelvin()).isCloseTo(6504, within(20.0));
  }

  @Test
  void aCamerasSettingsGiveTheExposureValue() {
    // Bright sun by the sixteen rule: f/16, 1/100 s at ISO 100 is EV 14.6.
    assertThat(new Exposure(0, new Exposure.Camera(16, 0.01, 100)).ev())
        .isCloseTo(14.644, within(0.001));
    assertThat(new Exposure(0, new Exposure.Camera(2.8, 1 / 50.0, 800)).ev())
        .isCloseTo(5.615, within(0.001));
  }

  @Test
  void sharpeningLeavesFlatAreasAloneAndEdgesWithoutNegatives() {
    Look look = PLAIN.with(Optics.NONE.sharpened(2));
    Picture p = Picture.black(200, 200);
    for (int y = 0; y < 200; y++) {
      for (int x = 0; x < 200; x++) {
        double v = x < 100 ? 0.02 : 0.5;
        p.set(x, y, v, 0.8 * v, 0.6 * v);
      }
    }
    Picture flat = new Development(PLAIN).shown(p, LookInputs.NONE);
    Picture sharp = new Development(look).shown(p, LookInputs.NONE);
    assertThat(sharp.get(20, 100, 0)).isEqualTo(flat.get(20, 100, 0));
    assertThat(sharp.get(180, 100, 2)).isEqualTo(flat.get(180, 100, 2));
    assertThat(sharp.get(99, 100, 0)).isLessThan(flat.get(99, 100, 0)).isPositive();
    assertThat(sharp.get(100, 100, 0)).isGreaterThan(flat.get(100, 100, 0));
  }

  @Test
  void aVignetteTakesItsStopsFromTheCorners() {
    Picture p = Picture.black(301, 201);
    java.util.Arrays.fill(p.rgb(), 0.2f);
    Look look = new Look("l", "L", 0, 1, 3).with(Optics.vignette(1));
    Picture v = new Development(look).shown(p, LookInputs.NONE);
    double middle = Colour.decodeSrgb(v.get(150, 100, 0));
    assertThat(middle).isCloseTo(0.2 / 1.2, within(1e-4));
    assertThat(Colour.decodeSrgb(v.get(0, 0, 0)) / middle).isCloseTo(0.5, within(0.005));
  }

  @Test
  void distortionKeepsTheMiddleAndFringingPartsRedFromBlue() {
    Picture p = Picture.black(300, 200);
    for (int y = 0; y < 200; y++) {
      for (int x = 0; x < 300; x++) {
        double v = x < 30 ? 0.4 : 0.05;
        p.set(x, y, v, v, v);
      }
    }
    Look barrel = PLAIN.with(Optics.NONE.with(o -> o.distortion(-0.2)));
    Picture bent = new Development(barrel).shown(p, LookInputs.NONE);
    assertThat(bent.get(150, 100, 1))
        .isCloseTo(
            new Development(PLAIN).shown(p, LookInputs.NONE).get(150, 100, 1), within(1e-4f));
    assertThat(edge(bent, 2)).isNotEqualTo(edge(bent, 100));
    Look fringe = PLAIN.with(Optics.NONE.with(o -> o.fringing(1)));
    Picture parted = new Development(fringe).shown(p, LookInputs.NONE);
    float red = 0, blue = 0;
    for (int x = 25; x < 35; x++) {
      red += parted.get(x, 100, 0);
      blue += parted.get(x, 100, 2);
    }
    assertThat(red).isNotCloseTo(blue, within(0.1f));
  }

  private static int edge(Picture p, int y) {
    int x = 0;
    while (p.get(x, y, 1) > 0.4f) {
      x++;
    }
    return x;
  }

  @Test
  void grainIsAsStrongAsAskedWithoutShiftingTheTone() {
    Picture p = Picture.black(600, 400);
    java.util.Arrays.fill(p.rgb(), 0.25f);
    Look look = PLAIN.with(Optics.NONE.grained(0.05, 0.5));
    Picture v = new Development(look).shown(p, LookInputs.NONE);
    float flat = new Development(PLAIN).shown(p, LookInputs.NONE).get(0, 0, 0);
    double sum = 0, squares = 0;
    for (int i = 0; i < v.rgb().length; i += 3) {
      double d = v.rgb()[i] - flat;
      sum += d;
      squares += d * d;
    }
    int n = 600 * 400;
    assertThat(sum / n).isCloseTo(0, within(0.003));
    assertThat(Math.sqrt(squares / n)).isCloseTo(0.05, within(0.012));
    assertThat(new Development(look).shown(p, LookInputs.NONE).rgb()).isEqualTo(v.rgb());
  }

  @Test
  void aLargerPrintHasTheSameGrainsAndSoHasThePictureAfterIt() {
    Development look = new Development(PLAIN.with(Optics.NONE.grained(0.06, 2)));
    Picture small = Picture.black(150, 100), large = Picture.black(600, 400);
    java.util.Arrays.fill(small.rgb(), 0.2f);
    java.util.Arrays.fill(large.rgb(), 0.2f);
    Picture first = look.shown(small, LookInputs.NONE), print = look.shown(large, LookInputs.NONE);
    for (int y = 0; y < 100; y++) {
      for (int x = 0; x < 150; x++) {
        assertThat(print.get(4 * x, 4 * y, 1)).isEqualTo(first.get(x, y, 1));
      }
    }
    assertThat(look.shown(small, LookInputs.NONE).rgb()).isEqualTo(first.rgb());
    Development finer = new Development(PLAIN.with(Optics.NONE.grained(0.06, 1)));
    assertThat(finer.shown(small, LookInputs.NONE).rgb()).isNotEqualTo(first.rgb());
  }

  @Test
  void eightAndSixteenBitsAndFloatsAreOnePicture() {
    Random random = new Random(7);
    Picture p = Picture.black(97, 33);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = (float) Math.exp(4 * random.nextGaussian());
    }
    Look look =
        PLAIN
            .with(Tone.of(Tone.Curve.SLIDE, 3).shaped(0.003, 1.1, 1.2))
            .with(new WhiteBalance(4800, 3))
            .with(levelember.shoot.look.Glow.bloom("g", "G", 0.2, 5))
            .with(
                Optics.NONE.with(o ->
                    o.vignette(0.7)
                        .distortion(0.02)
                        .fringing(0.1)
                        .sharpening(0.5)
                        .sharpeningSize(0.3)
                        .grain(0.02)
                        .grainSize(0.6)))
            .with(
                Grade.NONE.with(
                    Grade.Curves.all(
                        new Grade.Point(0, 0.02),
                        new Grade.Point(0.4, 0.35),
                        new Grade.Point(1, 1))));
    Development d = new Development(look);
    byte[] eight = d.codes(p);
    short[] sixteen = d.codes16(p, LookInputs.NONE);
    float[] whole = d.shown(p, LookInputs.NONE).rgb();
    for (int i = 0; i < whole.length; i++) {
      assertThat(eight[i] & 0xFF).isEqualTo((int) (255 * whole[i] + 0.5f));
      assertThat(sixteen[i] & 0xFFFF).isEqualTo((int) (65535 * whole[i] + 0.5f));
    }
  }

  @Test
  void whatTheLensHasMadeServesEveryLookThatDiffersInToneOnly() {
    Random random = new Random(21);
    Picture p = Picture.black(90, 60);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = (float) Math.exp(2 * random.nextGaussian());
    }
    Look glowing =
        PLAIN
            .with(Glow.bloom("b", "B", 0.3, 4))
            .with(Optics.vignette(1).sharpened(0.5).grained(0.03, 1));
    Development before = new Development(glowing);
    Development.Lensed lensed = before.lensed(p, LookInputs.NONE);
    Look[] tones = {
      glowing,
      glowing.with(Tone.shoulder(0.9, 3).shaped(0.02, 1.5, 0.6)),
      glowing.with(new WhiteBalance(4000, 10)),
      glowing.with(Optics.vignette(2).sharpened(0.5))
    };
    for (Look look : tones) {
      Development after = new Development(look);
      assertThat(before.seesAlike(after)).isTrue();
      assertThat(after.codes(lensed)).containsExactly(after.codes(p, LookInputs.NONE));
    }
    for (Look look :
        new Look[] {
          glowing.exposed(1),
          glowing.with(Glow.bloom("b", "B", 0.3, 5)),
          glowing.with(Optics.vignette(1).sharpened(0.6)),
          glowing.with(Optics.vignette(1))
        }) {
      assertThat(before.seesAlike(new Development(look))).isFalse();
    }
  }

  @Test
  void whatGlowsHaveDrawnBeforeChangesNothing() {
    Random random = new Random(22);
    Picture first = Picture.black(120, 80), second = Picture.black(120, 80);
    for (int i = 0; i < first.rgb().length; i++) {
      first.rgb()[i] = (float) Math.exp(2 * random.nextGaussian());
      second.rgb()[i] = (float) Math.exp(2 * random.nextGaussian());
    }
    float[] shade = new float[120 * 80];
    for (int i = 0; i < shade.length; i++) {
      shade[i] = random.nextFloat();
    }
    LookInputs shaded = new LookInputs(shade, null, List.of(), List.of());
    Glow bloom = Glow.bloom("b", "B", 0.3, 4);
    Glow starRays =
        Glow.bloom("s", "S", 0.1, 8)
            .with(new Glow.StarRays(true, 0.1, 6, 15, 20, Glow.Halo.OWN))
            .with(new Glow.LensFlare(true, 0.1, 4, 1, Glow.Halo.OWN));
    GlowCache kept = new GlowCache();
    Look[] hand = {
      PLAIN.with(bloom, starRays),
      PLAIN.with(Glow.bloom("b", "B", 0.5, 4), starRays),
      PLAIN.with(Glow.bloom("b", "B", 0.5, 6), starRays),
      PLAIN.with(bloom, starRays.with(new Glow.StarRays(true, 0.1, 6, 15, 40, Glow.Halo.OWN))),
      PLAIN.with(bloom, starRays.with(new Glow.StarRays(true, 0.1, 5, 15, 40, Glow.Halo.OWN))),
      PLAIN.with(bloom, starRays.with(new Glow.LensFlare(true, 0.3, 4, 0.7, Glow.Halo.OWN))),
      PLAIN.with(bloom, starRays).exposed(1.5),
      PLAIN.with(starRays),
      PLAIN.with(bloom, starRays)
    };
    for (LookInputs inputs : new LookInputs[] {LookInputs.NONE, shaded}) {
      for (Look look : hand) {
        Development d = new Development(look);
        for (Picture p : new Picture[] {first, first, second}) {
          assertThat(d.codes(p, inputs, kept)).containsExactly(d.codes(p, inputs));
        }
      }
    }
  }
}
