package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.look.Look;
import levelember.shoot.look.Tone;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

class DisplayCurveTest {
  @Test
  void aMidGreyUnderMeteredLightPrintsAsDocumented() {
    // E lux on a 0.18 reflector is 0.18·E/π cd/m²; at the EV whose full scale is E/π it shows 0.18.
    double illuminance = 1000;
    double ev = Math.log(illuminance / Math.PI / 1.2) / Math.log(2);
    Picture p =
        Sets.render(
            Sets.white(0.18)
                .piece("floor", new Shape.Floor(9, 9), "white", Vec3.ZERO)
                .light(
                    Sets.light(
                        "lamp",
                        new Emitter.Point(),
                        new Vec3(0, 2, 0),
                        Vec3.ZERO,
                        4 * illuminance,
                        Unit.CANDELA))
                .seen(new Vec3(0, 1, 1), Vec3.ZERO, 0.001)
                .shoot(),
            2,
            2,
            4,
            1);
    DisplayCurve curve = new DisplayCurve(new Look("l", "L", ev, 0.5, 3));
    assertThat(curve.display(p.get(0, 0, 1))).isCloseTo(0.18, within(0.0005));
    assertThat(curve.code(p.get(0, 0, 1), 255)).isEqualTo(118);
  }

  @Test
  void theShoulderIsSmoothNeverFallsAndReachesWhiteWhereItSays() {
    DisplayCurve curve = new DisplayCurve(new Look("l", "L", 0, 0.4, 2.5));
    double full = DisplayCurve.fullScale(0), before = -1;
    for (double x = 0; x < 8; x += 0.001) {
      double y = curve.display(x * full);
      assertThat(y).isGreaterThanOrEqualTo(before).isLessThanOrEqualTo(1);
      before = y;
    }
    assertThat(curve.display(0.39 * full)).isCloseTo(0.39, within(1e-12));
    assertThat((curve.display(0.401 * full) - curve.display(0.4 * full)) / 0.001)
        .isCloseTo(1, within(0.01));
    assertThat(curve.display(Math.pow(2, 2.5) * full)).isCloseTo(1, within(1e-9));
    assertThat(curve.display(5 * full)).isLessThan(1);
  }

  @Test
  void aShoulderThatBeginsAtOneClips() {
    DisplayCurve curve = new DisplayCurve(new Look("l", "L", 0, 1, 3));
    assertThat(curve.display(1.1)).isCloseTo(1.1 / 1.2, within(1e-12));
    assertThat(curve.display(2)).isEqualTo(1);
  }

  @Test
  void whatIsShownIsTheFormulaWithinHalfACodeOfSixteenBits() {
    for (Tone.Curve kind : Tone.Curve.values()) {
      Look look = new Look("l", "L", 4, 0.5, 3).with(Tone.of(kind, 3.5).shaped(0.01, 1.2, 1));
      DisplayCurve curve = new DisplayCurve(look);
      Picture p = Picture.black(2000, 1);
      for (int i = 0; i < 6000; i++) {
        p.rgb()[i] = (i / 3) * (i / 3) / 13_000f;
      }
      short[] codes = new Development(look).codes16(p, LookInputs.NONE);
      for (int i = 0; i < 6000; i++) {
        double exact = 65535 * Colour.encodeSrgb(curve.display(p.rgb()[i]));
        assertThat((double) (codes[i] & 0xFFFF)).as(kind + " " + i).isCloseTo(exact, within(0.51));
      }
    }
  }
}
