package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import levelember.shoot.Look;
import levelember.shoot.Tone;
import levelember.shoot.WhiteBalance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RowMathTest {
  private static float[] random(Random random, int n, double wide) {
    float[] to = new float[n];
    for (int i = 0; i < n; i++) {
      to[i] = i % 17 == 0 ? 0 : (float) Math.exp(wide * random.nextGaussian());
    }
    return to;
  }

  @Test
  void powersAreRightToSevenDigits() {
    for (double x = 1e-6; x < 1e4; x *= 1.37) {
      for (float p : new float[] {1 / 2.4f, 1.45f, 0.7f, 2.2f}) {
        double exact = Math.pow((float) x, p);
        assertThat(RowMath.power((float) x, p) / exact).isCloseTo(1, within(2e-6));
      }
    }
    assertThat(RowMath.power(1, 0.3f)).isEqualTo(1f);
  }

  @ParameterizedTest
  @EnumSource(Tone.Curve.class)
  void wideAndPlainRowsGiveTheSameBits(Tone.Curve kind) {
    Random random = new Random(3);
    int n = 1021;
    float[][] a = {random(random, n, 3), random(random, n, 3), random(random, n, 3)};
    float[][] b = {a[0].clone(), a[1].clone(), a[2].clone()};
    Look look = new Look("l", "L", 1, 0.4, 3).with(Tone.of(kind, 3).shaped(0.01, 1.2, 1.3));
    float[] matrix = Balance.matrix(new WhiteBalance(3400, 5));
    RowMath.ToneTerms terms = new DisplayCurve(look).terms(matrix);
    RowMath wide = RowMath.ofMachine();
    wide.tone(a[0], a[1], a[2], n, terms, new float[2][n]);
    new PlainRows().tone(b[0], b[1], b[2], n, terms, null);
    for (int k = 0; k < 3; k++) {
      assertThat(a[k]).isEqualTo(b[k]);
      for (float v : a[k]) {
        assertThat(v).isBetween(0f, 1f);
      }
    }
    RowMath.WheelTerms wheels =
        new RowMath.WheelTerms(
            new float[] {1.1f, 0.9f, 1},
            new float[] {-0.02f, 0.03f, 0},
            new float[] {1.2f, 1, 0.8f},
            1.15f);
    wide.wheels(a[0], a[1], a[2], n, wheels, new float[n]);
    new PlainRows().wheels(b[0], b[1], b[2], n, wheels, null);
    for (int k = 0; k < 3; k++) {
      assertThat(a[k]).isEqualTo(b[k]);
    }
  }

  @Test
  void wideAndPlainRowsPartAndBendAlike() {
    Random random = new Random(5);
    int n = 333;
    float[] pixels = new float[3 * n + 5];
    for (int i = 0; i < pixels.length; i++) {
      pixels[i] = random.nextFloat();
    }
    float[] curve = new float[66];
    for (int i = 0; i < curve.length; i++) {
      curve[i] = (float) Math.sqrt(Math.min(1, i / 64.0));
    }
    float[][] a = new float[3][n], b = new float[3][n];
    RowMath wide = RowMath.ofMachine(), plain = new PlainRows();
    wide.part(pixels, 4, a[0], a[1], a[2], n);
    plain.part(pixels, 4, b[0], b[1], b[2], n);
    for (int k = 0; k < 3; k++) {
      assertThat(a[k]).isEqualTo(b[k]);
      a[k][7] = 1;
      b[k][7] = 1;
      wide.bend(a[k], n, curve);
      plain.bend(b[k], n, curve);
      assertThat(a[k]).isEqualTo(b[k]);
      assertThat(a[k][7]).isEqualTo(1f);
    }
    assertThat(a[1][20]).isCloseTo((float) Math.sqrt(pixels[4 + 61]), within(1e-3f));
  }
}
