package levelember.lens;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.math.Vec3;
import levelember.shoot.Shot;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ThinLensTest {
  private static Shot shot(boolean upright, double fStop, int blades) {
    return new Shot(
        "s",
        "S",
        new Vec3(1, 1.5, 4),
        new Vec3(0.5, 4, -2),
        35,
        36,
        fStop,
        0,
        "k",
        upright,
        blades,
        10,
        0,
        0);
  }

  private static Camera.Ray ray(ThinLens lens, int x, int y, float a, float b) {
    Camera.Ray to = new Camera.Ray();
    lens.ray(x, y, 0.5f, 0.5f, a, b, to);
    return to;
  }

  @Test
  void anUprightShotKeepsItsAimInTheMiddleAndUprightLinesInColumns() {
    ThinLens lens = new ThinLens(shot(true, 0, 0), 101, 101, 1);
    Camera.Ray middle = ray(lens, 50, 50, 0, 0);
    Vec3 way = new Vec3(-0.5, 2.5, -6).unit();
    assertThat(new Vec3(middle.dx, middle.dy, middle.dz).minus(way).length()).isLessThan(1e-5);
    for (int x = 0; x < 101; x += 25) {
      Camera.Ray top = ray(lens, x, 0, 0, 0), foot = ray(lens, x, 100, 0, 0);
      assertThat(top.dx / top.dz).isCloseTo(foot.dx / foot.dz, within(1e-5f));
    }
    ThinLens tilted = new ThinLens(shot(false, 0, 0), 101, 101, 1);
    Camera.Ray top = ray(tilted, 0, 0, 0, 0), foot = ray(tilted, 0, 100, 0, 0);
    assertThat(Math.abs(top.dx / top.dz - foot.dx / foot.dz)).isGreaterThan(0.1f);
  }

  @Test
  void whatIsAsFarAsTheAimIsSharpWhereverALensIsPassed() {
    for (boolean upright : new boolean[] {false, true}) {
      ThinLens lens = new ThinLens(shot(upright, 1.4, 6), 101, 101, 1);
      Vec3 aim = new Vec3(0.5, 4, -2);
      for (int i = 0; i < 50; i++) {
        Camera.Ray r = ray(lens, 50, 50, (i + 0.5f) / 50, i * 0.618f % 1);
        Vec3 to = aim.minus(new Vec3(r.ox, r.oy, r.oz));
        assertThat(to.unit().minus(new Vec3(r.dx, r.dy, r.dz)).length()).isLessThan(2e-5);
      }
    }
  }

  /** A polygon has as much area as the round opening, so it lets as much light in. */
  @ParameterizedTest
  @ValueSource(ints = {3, 5, 8})
  void bladesMakeAPolygonOfTheSameArea(int blades) {
    Shot shot = shot(false, 2, blades);
    ThinLens lens = new ThinLens(shot, 101, 101, 1);
    double radius = 35 / 2000.0 / 2;
    double reach = 0, least = 9, square = 0;
    int n = 40_000;
    for (int i = 0; i < n; i++) {
      Camera.Ray r = ray(lens, 50, 50, (i % 200 + 0.5f) / 200, (i / 200 + 0.5f) / 200);
      double d = new Vec3(r.ox, r.oy, r.oz).minus(shot.position()).length();
      reach = Math.max(reach, d);
      square += d * d / n;
      if (i % 200 == 199) {
        least = Math.min(least, d);
      }
    }
    double corner = radius * Math.sqrt(2 * Math.PI / (blades * Math.sin(2 * Math.PI / blades)));
    assertThat(reach).isCloseTo(corner, Percentage.withPercentage(1.5));
    assertThat(least)
        .isCloseTo(corner * Math.cos(Math.PI / blades), Percentage.withPercentage(1.5));
    // Mean square distance of an even spread over a regular polygon.
    double wanted = corner * corner * (2 + Math.cos(2 * Math.PI / blades)) / 6;
    assertThat(square).isCloseTo(wanted, Percentage.withPercentage(1));
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void whatARayMeetsIsProjectedOntoItsPixel(boolean upright) {
    ThinLens lens = new ThinLens(shot(upright, 0, 0), 120, 80, 1);
    double[] at = new double[2];
    for (int[] pixel : new int[][] {{0, 0}, {60, 40}, {119, 3}, {17, 79}}) {
      Camera.Ray ray = ray(lens, pixel[0], pixel[1], 0, 0);
      Vec3 place = new Vec3(ray.ox + 3 * ray.dx, ray.oy + 3 * ray.dy, ray.oz + 3 * ray.dz);
      assertThat(lens.project(place, at)).isTrue();
      assertThat(at[0]).isCloseTo(pixel[0] + 0.5, within(1e-3));
      assertThat(at[1]).isCloseTo(pixel[1] + 0.5, within(1e-3));
    }
    Camera.Ray ray = ray(lens, 60, 40, 0, 0);
    Vec3 behind = new Vec3(ray.ox - ray.dx, ray.oy - ray.dy, ray.oz - ray.dz);
    assertThat(lens.project(behind, at)).isFalse();
  }
}
