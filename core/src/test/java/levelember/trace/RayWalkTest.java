package levelember.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.shoot.Piece;
import levelember.shoot.Shape;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;

class RayWalkTest {
  private static SetGeometry mixed() {
    List<Piece> pieces = new ArrayList<>();
    Random random = new Random(4);
    for (int i = 0; i < 12; i++) {
      Shape shape =
          i % 3 == 0
              ? new Shape.Box(0.4, 0.3, 0.5, 0.05)
              : i % 3 == 1 ? new Shape.Floor(1, 4) : new Shape.Cylinder(0.2, 0.6, 0.02);
      pieces.add(
          new Piece(
              "p" + i,
              "P",
              null,
              new Vec3(
                  random.nextDouble() * 4 - 2,
                  random.nextDouble() * 4 - 2,
                  random.nextDouble() * 4 - 2),
              new Vec3(random.nextDouble() * 360, random.nextDouble() * 360, 0),
              Vec3.ONE,
              shape,
              "m",
              null,
              true));
    }
    return SetGeometry.of(pieces);
  }

  /** Distance by testing every triangle in double precision (Möller and Trumbore 1997). */
  private static double nearestOfAll(Triangles t, Vec3 o, Vec3 d) {
    double best = Double.POSITIVE_INFINITY;
    for (int i = 0; i < t.count(); i++) {
      Vec3 a = t.position(t.index(i, 0));
      Vec3 e1 = t.position(t.index(i, 1)).minus(a), e2 = t.position(t.index(i, 2)).minus(a);
      Vec3 p = d.cross(e2), s = o.minus(a), q = s.cross(e1);
      double inv = 1 / e1.dot(p), u = s.dot(p) * inv, v = d.dot(q) * inv, far = e2.dot(q) * inv;
      if (u >= 0 && v >= 0 && u + v <= 1 && far > 0 && far < best) {
        best = far;
      }
    }
    return best;
  }

  @Test
  void theHierarchyFindsWhatTestingEveryTriangleFinds() {
    SetGeometry set = mixed();
    RayWalk walk = new RayWalk(Hierarchy.of(set));
    Random random = new Random(7);
    int hits = 0, wrong = 0, rays = 3000;
    for (int i = 0; i < rays; i++) {
      Vec3 o =
          new Vec3(random.nextGaussian() * 3, random.nextGaussian() * 3, random.nextGaussian() * 3);
      Vec3 d = new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
      if (i % 10 == 0) {
        d = new Vec3(0, i % 20 == 0 ? 1 : -1, 0);
      }
      double wanted = nearestOfAll(set.triangles(), o, d);
      float ox = (float) o.x(), oy = (float) o.y(), oz = (float) o.z();
      float dx = (float) d.x(), dy = (float) d.y(), dz = (float) d.z();
      boolean hit = walk.nearest(ox, oy, oz, dx, dy, dz, Float.POSITIVE_INFINITY);
      float t = walk.t;
      // Rays that graze an edge may fall either way in single precision.
      if (hit != wanted < Double.POSITIVE_INFINITY || hit && Math.abs(t - wanted) > 1e-3 * wanted) {
        wrong++;
        continue;
      }
      if (hit) {
        hits++;
        assertThat(walk.blocked(ox, oy, oz, dx, dy, dz, t * 1.01f)).isTrue();
        assertThat(walk.blocked(ox, oy, oz, dx, dy, dz, t * 0.99f)).isFalse();
      }
    }
    assertThat(hits).isGreaterThan(100);
    assertThat(wrong).isLessThan(3);
  }

  @Test
  void normalsAndPieceOfTheHitAreThoseOfTheSurface() {
    SetGeometry set =
        SetGeometry.of(
            List.of(
                new Piece(
                    "a",
                    "A",
                    null,
                    new Vec3(9, 9, 9),
                    Vec3.ZERO,
                    Vec3.ONE,
                    new Shape.Floor(1, 1),
                    "m",
                    null,
                    true),
                new Piece(
                    "b",
                    "B",
                    null,
                    Vec3.ZERO,
                    Vec3.ZERO,
                    Vec3.ONE,
                    new Shape.Sphere(1),
                    "m",
                    null,
                    true)));
    RayWalk walk = new RayWalk(Hierarchy.of(set));
    assertThat(walk.nearest(0.3f, 0.2f, 5, 0, 0, -1, 100)).isTrue();
    float[] n = new float[3];
    walk.shadingNormal(n);
    assertThat((double) n[0]).isCloseTo(0.3, Percentage.withPercentage(1));
    assertThat((double) n[1]).isCloseTo(0.2, Percentage.withPercentage(1));
    walk.faceNormal(n);
    assertThat(n[2]).isGreaterThan(0.9f);
    assertThat(walk.piece()).isEqualTo(1);
  }

  @Test
  void anEmptySetIsMissed() {
    RayWalk walk = new RayWalk(Hierarchy.of(SetGeometry.of(List.of())));
    assertThat(walk.nearest(0, 0, 0, 0, 0, 1, 100)).isFalse();
    assertThat(walk.blocked(0, 0, 0, 0, 0, 1, 100)).isFalse();
  }
}
