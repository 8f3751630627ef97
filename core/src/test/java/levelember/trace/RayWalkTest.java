package levelember.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
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
    Triangles all = set.flattened();
    RayWalk walk = RayWalk.of(Hierarchy.of(set));
    Random random = new Random(7);
    int hits = 0, wrong = 0, rays = 3000;
    for (int i = 0; i < rays; i++) {
      Vec3 o =
          new Vec3(random.nextGaussian() * 3, random.nextGaussian() * 3, random.nextGaussian() * 3);
      Vec3 d = new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
      if (i % 10 == 0) {
        d = new Vec3(0, i % 20 == 0 ? 1 : -1, 0);
      }
      double wanted = nearestOfAll(all, o, d);
      float ox = (float) o.x(), oy = (float) o.y(), oz = (float) o.z();
      float dx = (float) d.x(), dy = (float) d.y(), dz = (float) d.z();
      boolean hit = walk.closestHit(ox, oy, oz, dx, dy, dz, Float.POSITIVE_INFINITY);
      float t = walk.t;
      // Rays that graze an edge may fall either way in single precision.
      if (hit != wanted < Double.POSITIVE_INFINITY || hit && Math.abs(t - wanted) > 1e-3 * wanted) {
        wrong++;
        continue;
      }
      if (hit) {
        hits++;
        assertThat(walk.occluded(ox, oy, oz, dx, dy, dz, t * 1.01f)).isTrue();
        assertThat(walk.occluded(ox, oy, oz, dx, dy, dz, t * 0.99f)).isFalse();
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
    RayWalk walk = RayWalk.of(Hierarchy.of(set));
    assertThat(walk.closestHit(0.3f, 0.2f, 5, 0, 0, -1, 100)).isTrue();
    float[] n = new float[3];
    walk.shadingNormal(n);
    assertThat((double) n[0]).isCloseTo(0.3, Percentage.withPercentage(1));
    assertThat((double) n[1]).isCloseTo(0.2, Percentage.withPercentage(1));
    walk.faceNormal(n);
    assertThat(n[2]).isGreaterThan(0.9f);
    assertThat(walk.piece()).isEqualTo(1);
  }

  @Test
  void zerosOfEitherSignAreTheSameDirection() {
    SetGeometry set = mixed();
    for (Hierarchy h : List.of(Hierarchy.of(set), Hierarchy.plain(set))) {
      RayWalk walk = RayWalk.of(h);
      Random random = new Random(5);
      int hits = 0;
      for (int i = 0; i < 300; i++) {
        float x = (float) random.nextGaussian(), z = (float) random.nextGaussian();
        boolean hit = walk.closestHit(x, 9, z, 0, -1, 0, 99);
        float t = walk.t;
        hits += hit ? 1 : 0;
        assertThat(walk.closestHit(x, 9, z, -0f, -1, -0f, 99)).isEqualTo(hit);
        assertThat(walk.t).isEqualTo(t);
        assertThat(walk.closestHit(x, 9, z, -1e-30f, -1, 0, 99)).isEqualTo(hit);
        assertThat(walk.occluded(x, 9, z, 0, -1, -0f, 99)).isEqualTo(hit);
      }
      assertThat(hits).isBetween(20, 300);
    }
  }

  @Test
  void anEmptySetIsMissed() {
    RayWalk walk = RayWalk.of(Hierarchy.of(SetGeometry.of(List.of())));
    assertThat(walk.closestHit(0, 0, 0, 0, 0, 1, 100)).isFalse();
    assertThat(walk.occluded(0, 0, 0, 0, 0, 1, 100)).isFalse();
  }

  /** A set with rings of copies, mirrored and squeezed pieces. */
  private static List<Piece> ring(Vec3 ball) {
    return List.of(
        new Piece(
            "pegs",
            "Pegs",
            null,
            new Vec3(1.5, 0, 0),
            new Vec3(10, 20, 30),
            new Vec3(-1, 1.4, 0.6),
            new Shape.Cylinder(0.1, 0.8, 0.02),
            "m",
            new Piece.Copies(24, Vec3.ZERO, new Vec3(0, 15, 0)),
            true),
        piece("ball", new Shape.Sphere(0.5), ball),
        piece("floor", new Shape.Floor(6, 6), new Vec3(0, -0.5, 0)));
  }

  private static Piece piece(String id, Shape shape, Vec3 place) {
    return new Piece(id, id, null, place, Vec3.ZERO, Vec3.ONE, shape, "m", null, true);
  }

  private static float[] aimed(Random random) {
    Vec3 o = new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).times(3);
    Vec3 to = new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
    Vec3 d = to.minus(o).unit();
    return new float[] {
      (float) o.x(), (float) o.y(), (float) o.z(), (float) d.x(), (float) d.y(), (float) d.z()
    };
  }

  private static boolean closestHit(RayWalk walk, float[] r) {
    return walk.closestHit(r[0], r[1], r[2], r[3], r[4], r[5], Float.POSITIVE_INFINITY);
  }

  @Test
  void theWideWalkAnswersAsThePlainOneDoes() {
    for (SetGeometry set :
        List.of(mixed(), SetGeometry.of(ring(new Vec3(0, 0.2, 0))), SetGeometry.of(folded(60)))) {
      RayWalk wide = RayWalk.of(Hierarchy.of(set));
      RayWalk plain = RayWalk.of(Hierarchy.plain(set));
      Random random = new Random(3);
      int hits = 0;
      for (int i = 0; i < 4000; i++) {
        float[] r = aimed(random);
        boolean hit = closestHit(plain, r);
        assertThat(closestHit(wide, r)).isEqualTo(hit);
        assertThat(wide.t).isEqualTo(plain.t, within(2e-6f));
        if (!hit) {
          continue;
        }
        hits++;
        assertThat(wide.piece()).isEqualTo(plain.piece());
        float far = 0.5f * plain.t;
        assertThat(wide.occluded(r[0], r[1], r[2], r[3], r[4], r[5], far)).isFalse();
        assertThat(wide.occluded(r[0], r[1], r[2], r[3], r[4], r[5], 1.01f * plain.t)).isTrue();
      }
      assertThat(hits).isGreaterThan(500);
    }
  }

  /** A closed, folded ball of many thin triangles; 2·side² of them. */
  private static Triangles folded(int side) {
    Triangles t = new Triangles();
    for (int j = 0; j <= side; j++) {
      for (int i = 0; i <= side; i++) {
        double u = 2 * Math.PI * (i % side) / side, v = Math.PI * j / side;
        double r = 1 + 0.2 * Math.sin(9 * u) * Math.sin(v) * Math.sin(17 * v);
        double x = r * Math.sin(v) * Math.cos(u), z = r * Math.sin(v) * Math.sin(u);
        if (j == 0 || j == side) {
          x = z = 0;
        }
        t.corner(x, r * Math.cos(v), z, x, Math.cos(v), z);
      }
    }
    for (int j = 0; j < side; j++) {
      for (int i = 0; i < side; i++) {
        int a = j * (side + 1) + i, c = a + side + 1;
        t.triangle(a, a + 1, c + 1);
        t.triangle(a, c + 1, c);
      }
    }
    return t;
  }

  @Test
  void noRaySlipsBetweenTheTrianglesOfAClosedMesh() {
    RayWalk walk = RayWalk.of(Hierarchy.of(SetGeometry.of(folded(400))));
    Random random = new Random(5);
    for (int i = 0; i < 60_000; i++) {
      Vec3 d = new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
      float dx = (float) d.x(), dy = (float) d.y(), dz = (float) d.z();
      assertThat(walk.closestHit(0.01f, 0.02f, 0.03f, dx, dy, dz, 9)).isTrue();
      float away = 40;
      assertThat(walk.closestHit(-away * dx, -away * dy, -away * dz, dx, dy, dz, 2 * away))
          .isTrue();
      assertThat(walk.t).isBetween(38.7f, 39.3f);
    }
  }

  @Test
  void placeAndNormalsFollowMirroredAndSqueezedPieces() {
    SetGeometry set = SetGeometry.of(ring(new Vec3(0, 0.2, 0)));
    RayWalk walk = RayWalk.of(Hierarchy.of(set));
    Random random = new Random(9);
    float[] place = new float[3];
    float[] face = new float[3];
    float[] shading = new float[3];
    int outside = 0, pegs = 0;
    for (int i = 0; i < 3000; i++) {
      float[] r = aimed(random);
      if (!closestHit(walk, r)) {
        continue;
      }
      walk.place(place);
      for (int k = 0; k < 3; k++) {
        assertThat(place[k]).isEqualTo(r[k] + walk.t * r[3 + k], within(1e-4f));
      }
      if (walk.piece() != 0) {
        continue;
      }
      pegs++;
      walk.faceNormal(face);
      walk.shadingNormal(shading);
      float agree = face[0] * shading[0] + face[1] * shading[1] + face[2] * shading[2];
      assertThat(agree).isGreaterThan(0.5f);
      outside += face[0] * r[3] + face[1] * r[4] + face[2] * r[5] < 0 ? 1 : 0;
    }
    assertThat(pegs).isGreaterThan(50);
    assertThat(outside).isGreaterThan((int) (0.95 * pegs));
  }

  @Test
  void aMovedPieceBuildsTheUpperTreeAloneAndGivesTheSameBitsAsFromScratch() {
    SetGeometry before = SetGeometry.of(ring(new Vec3(0, 0.2, 0)));
    List<Piece> moved = ring(new Vec3(0.7, 0.3, -0.2));
    Hierarchy old = Hierarchy.of(before);
    AtomicLong built = new AtomicLong();
    Hierarchy next = old.next(before.next(moved), built::set);
    assertThat(built).hasValue(0);
    RayWalk kept = RayWalk.of(next);
    RayWalk scratch = RayWalk.of(Hierarchy.of(SetGeometry.of(moved), built::set));
    assertThat(built).hasPositiveValue();
    Random random = new Random(6);
    for (int i = 0; i < 2000; i++) {
      float[] r = aimed(random);
      assertThat(closestHit(kept, r)).isEqualTo(closestHit(scratch, r));
      assertThat(kept.t).isEqualTo(scratch.t);
      assertThat(kept.triangle).isEqualTo(scratch.triangle);
    }
  }

  @Test
  void raysPassPiecesThatDoNotShowToTheirKindOrAreNotAmongTheBlockers() {
    List<Piece> pieces = ring(new Vec3(0, 0.2, 0));
    for (Hierarchy h :
        List.of(Hierarchy.of(SetGeometry.of(pieces)), Hierarchy.plain(SetGeometry.of(pieces)))) {
      RayWalk walk = RayWalk.of(h.showing(new int[] {-1, 2, -1}));
      assertThat(walk.closestHit(0, 4, 0, 0, -1, 0, 9, 2)).isTrue();
      assertThat(walk.piece()).isEqualTo(1);
      assertThat(walk.closestHit(0, 4, 0, 0, -1, 0, 9, 4)).isTrue();
      assertThat(walk.piece()).isEqualTo(2);
      assertThat(walk.occluded(0, 4, 0, 0, -1, 0, 4, 2, null)).isTrue();
      assertThat(walk.occluded(0, 4, 0, 0, -1, 0, 4, 2, new long[] {0b101})).isFalse();
      assertThat(walk.occluded(0, 4, 0, 0, -1, 0, 4, 4, null)).isFalse();
      assertThat(walk.occluded(0, 4, 0, 0, -1, 0, 5, 4, new long[] {0b100})).isTrue();
    }
  }

  @Test
  void trianglesWithoutAreaAndOnesInTheSamePlaceDoNoHarm() {
    float[] positions = new float[9 * 300];
    int[] index = new int[3 * 300];
    for (int i = 0; i < 300; i++) {
      float high = i < 100 ? 0 : 1;
      float[] corners = {0, 0, 0, 1, 0, 0, i % 2, high, 0};
      System.arraycopy(corners, 0, positions, 9 * i, 9);
      for (int k = 0; k < 3; k++) {
        index[3 * i + k] = 3 * i + k;
      }
    }
    SetGeometry set = SetGeometry.of(Triangles.over(positions, positions.clone(), index));
    for (Hierarchy h : List.of(Hierarchy.of(set), Hierarchy.plain(set))) {
      RayWalk walk = RayWalk.of(h);
      assertThat(walk.closestHit(0.5f, 0.2f, 3, 0, 0, -1, 9)).isTrue();
      assertThat(walk.t).isEqualTo(3f, within(1e-5f));
      assertThat(walk.closestHit(0.5f, -0.2f, 3, 0, 0, -1, 9)).isFalse();
    }
  }
}
