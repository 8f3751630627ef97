package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.document.ImpossibleValue;
import levelember.math.Rgb;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Grade.Point;
import levelember.texture.Lut;
import levelember.texture.Luts;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

class GradingTest {
  private static float[] graded(Grade grade, double r, double g, double b) {
    float[] v = {(float) r, (float) g, (float) b};
    new Grading(grade, name -> shifting()).grade(v);
    return v;
  }

  /** A cube of two entries an edge that adds a tenth to red and halves blue. */
  private static Lut shifting() {
    float[] values = new float[24];
    for (int i = 0; i < 8; i++) {
      values[3 * i] = (i & 1) + 0.1f;
      values[3 * i + 1] = i >> 1 & 1;
      values[3 * i + 2] = (i >> 2 & 1) / 2f;
    }
    return new Lut(true, 2, new float[3], new float[] {1, 1, 1}, values);
  }

  @Test
  void theWheelsAreTheCdlOfTheWorkedNumbers() {
    // Slope 1.2 − 0.1 = 1.1, offset 0.1 + 0.02 = 0.12, power 1/0.8 = 1.25, by hand for 0.5:
    // (0.5·1.1 + 0.12)^1.25 = 0.67^1.25 = 0.606166.
    Grade.Wheels wheels =
        new Grade.Wheels(Rgb.grey(0.1), Rgb.grey(0.8), Rgb.grey(1.2), Rgb.grey(0.02), 1);
    assertThat((double) graded(Grade.of(wheels), 0.5, 0.5, 0.5)[1])
        .isCloseTo(0.606166, within(2e-5));
    // Slope alone by channel, then saturation 1.5 about luma: 0.2126·0.6 + 0.7152·0.4 + 0.0722·0.2
    // = 0.42808; red 0.42808 + 1.5·(0.6 − 0.42808) = 0.68596.
    Grade.Wheels sat =
        new Grade.Wheels(Rgb.grey(0), Rgb.WHITE, new Rgb(1.5, 1, 0.5), Rgb.grey(0), 1.5);
    float[] v = graded(Grade.of(sat), 0.4, 0.4, 0.4);
    assertThat((double) v[0]).isCloseTo(0.68596, within(1e-5));
    assertThat((double) v[1]).isCloseTo(0.38596, within(1e-5));
    assertThat((double) v[2]).isCloseTo(0.08596, within(1e-5));
    // Clamped before the power, as the CDL has it.
    assertThat(graded(Grade.of(wheels), 1, 1, 1)[0]).isEqualTo(1f);
  }

  @Test
  void aCurveGoesThroughItsPointsAndNeverTurnsBetweenThem() {
    List<Point> points =
        List.of(new Point(0, 0.05), new Point(0.2, 0.1), new Point(0.5, 0.7), new Point(1, 0.95));
    for (Point p : points) {
      assertThat(Grading.through(points, p.x())).isCloseTo(p.y(), within(1e-12));
    }
    double before = 0;
    for (double x = 0; x <= 1; x += 0.001) {
      double y = Grading.through(points, x);
      assertThat(y).isGreaterThanOrEqualTo(before);
      before = y;
    }
    Grade grade = Grade.NONE.with(new Grade.Curves(points, List.of(), List.of(), List.of()));
    assertThat((double) graded(grade, 0.5, 0.2, 0)[0]).isCloseTo(0.7, within(1e-3));
    assertThat((double) graded(grade, 0.5, 0.2, 0)[2]).isCloseTo(0.05, within(1e-3));
  }

  @Test
  void aCubeIsLookedUpTetrahedrallyWithWorkedNumbers() {
    float[] values = new float[24];
    for (int i = 0; i < 8; i++) {
      // One corner, green and blue, stands out.
      values[3 * i] = i == 6 ? 1 : 0;
      values[3 * i + 1] = i >> 1 & 1;
      values[3 * i + 2] = i >> 2 & 1;
    }
    Lut lut = new Lut(true, 2, new float[3], new float[] {1, 1, 1}, values);
    // Green 0.8 ≥ blue 0.6 ≥ red 0.1: corners 0, g, gb, rgb; weight of gb is 0.6 − 0.1.
    float[] v = {0.1f, 0.8f, 0.6f};
    lut.look(v);
    assertThat(v[0]).isCloseTo(0.5f, within(1e-6f));
    assertThat(v[1]).isCloseTo(0.8f, within(1e-6f));
    assertThat(v[2]).isCloseTo(0.6f, within(1e-6f));
    // Red in between: green, red, blue: the corner plays no part.
    float[] w = {0.7f, 0.8f, 0.6f};
    lut.look(w);
    assertThat(w[0]).isZero();
  }

  @Test
  void curvesOfALutGoByTheirDomain() {
    Lut lut =
        new Lut(
            false,
            3,
            new float[] {0, 0, -1},
            new float[] {1, 2, 1},
            new float[] {0, 0, 0, 0.2f, 1, 5, 1, 2, 10});
    float[] v = {0.25f, 1.5f, 0};
    lut.look(v);
    assertThat(v).containsExactly(new float[] {0.1f, 1.5f, 5}, within(1e-6f));
    float[] far = {9, -3, 4};
    lut.look(far);
    assertThat(far).containsExactly(new float[] {1, 0, 10}, within(1e-6f));
  }

  @Test
  void amountsMixTheLutAndTheWholeGrade() {
    Grade half = new Grade(true, 1, Grade.Wheels.NEUTRAL, Grade.Curves.STRAIGHT, "l.cube", 0.5);
    float[] v = graded(half, 0.5, 0.5, 0.8);
    assertThat(v).containsExactly(new float[] {0.55f, 0.5f, 0.6f}, within(1e-6f));
    Grade quarter = new Grade(true, 0.5, half.wheels(), half.curves(), "l.cube", 0.5);
    assertThat(graded(quarter, 0.5, 0.5, 0.8)[2]).isCloseTo(0.7f, within(1e-6f));
    Grade none = new Grade(true, 0, half.wheels(), half.curves(), "l.cube", 1);
    assertThat(none.active()).isFalse();
  }

  @Test
  void aBakedGradeIsTheGrade() {
    Grade grade =
        Grade.of(
                new Grade.Wheels(
                    new Rgb(0.02, 0, 0.05), new Rgb(1.1, 1, 0.9), Rgb.WHITE, Rgb.grey(0), 0.8))
            .with(Grade.Curves.all(new Point(0, 0), new Point(0.5, 0.45), new Point(1, 1)));
    Lut baked = new Grading(grade, Luts.NONE).baked(33);
    float[] exact = {0.31f, 0.62f, 0.44f}, table = exact.clone();
    new Grading(grade, Luts.NONE).grade(exact);
    baked.look(table);
    assertThat(table).containsExactly(exact, within(2e-3f));
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() ->
            new Grading(
                new Grade(true, 1, Grade.Wheels.NEUTRAL, Grade.Curves.STRAIGHT, "none.cube", 1),
                Luts.NONE))
        .isInstanceOf(Pictures.MissingPicture.class);
    assertThatThrownBy(() -> Grade.Curves.all(new Point(0.5, 0), new Point(0.5, 1)))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("all[1].x");
    assertThatThrownBy(() -> new Lut(true, 300, new float[3], new float[] {1, 1, 1}, new float[3]))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
