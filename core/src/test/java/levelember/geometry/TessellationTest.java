package levelember.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;
import levelember.shoot.piece.Shape.Opening;
import levelember.shoot.piece.Waves;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TessellationTest {
  private record Solid(Shape shape, double volume) {}

  static Stream<Solid> solids() {
    return Stream.of(
        new Solid(new Shape.Box(1, 2, 3, 0), 6),
        // Steiner's formula for a box pushed out by r.
        new Solid(
            new Shape.Box(1, 2, 3, 0.25),
            0.5 * 1.5 * 2.5
                + 0.25 * 2 * (0.5 * 1.5 + 1.5 * 2.5 + 0.5 * 2.5)
                + Math.PI * 0.0625 * (0.5 + 1.5 + 2.5)
                + 4.0 / 3 * Math.PI * 0.015625),
        new Solid(new Shape.Sphere(0.7), 4.0 / 3 * Math.PI * 0.343),
        new Solid(new Shape.Cylinder(0.5, 2, 0), Math.PI * 0.5),
        new Solid(new Shape.Cone(0.5, 0, 2), Math.PI * 0.25 * 2 / 3),
        new Solid(new Shape.Cone(0.5, 0.25, 2), Math.PI * 2 / 3 * (0.25 + 0.125 + 0.0625)),
        new Solid(new Shape.Torus(1, 0.3), 2 * Math.PI * Math.PI * 0.09),
        new Solid(
            new Shape.Lathe(
                List.of(new Corner(1, 0), new Corner(2, 0), new Corner(2, 1), new Corner(1, 1)),
                true,
                30),
            3 * Math.PI),
        new Solid(
            new Shape.Lathe(
                List.of(new Corner(0, 0), new Corner(1, 0), new Corner(0, 3)), false, 30),
            Math.PI),
        new Solid(new Shape.Room(4, 3, 2.5, 0.2, List.of()), 4.4 * 3.4 * 2.9 - 30),
        // Two windows, a door to the floor, and a hole that takes all of a wall.
        new Solid(
            new Shape.Room(
                4,
                3,
                2.5,
                0.2,
                List.of(
                    new Opening(Shape.Wall.AHEAD, -1, 0.8, 1, 1.2),
                    new Opening(Shape.Wall.AHEAD, 0.8, 0.9, 0.6, 1.2),
                    new Opening(Shape.Wall.RIGHT, 0.2, 0, 0.9, 2),
                    new Opening(Shape.Wall.BEHIND, 0, 0, 99, 99))),
            4.4 * 3.4 * 2.9 - 30 - 0.2 * (1.2 + 0.72 + 1.8 + 4 * 2.5)),
        new Solid(
            new Shape.Tube(List.of(new Vec3(0, 1, 0), new Vec3(2, 2, -2)), 0.1, false),
            3 * Math.PI * 0.01),
        new Solid(new Shape.Tube(ring(16), 0.1, true), 2 * Math.PI * Math.PI * 0.01),
        new Solid(new Shape.Water(2, 3, 0.5, Waves.round(0, 0.3, 0, 1), 0), 3),
        new Solid(new Shape.Water(1, 1, 0.5, Waves.round(0.02, 0.1, 30, 1), 2), 0.5));
  }

  private static List<Vec3> ring(int n) {
    return java.util.stream.IntStream.range(0, n)
        .mapToObj(i -> 2 * Math.PI * i / n)
        .map(a -> new Vec3(Math.cos(a), 0, Math.sin(a)))
        .toList();
  }

  @Test
  void wavesHaveTheirHeightSlopesAndClock() {
    Triangles t = Tessellation.of(new Shape.Water(4, 4, 0, Waves.round(0.08, 0.5, 20, 3), 0));
    double square = 0;
    for (int i = 0; i < t.corners(); i++) {
      square += t.position(i).y() * t.position(i).y() / t.corners();
    }
    // The mean of the highest third is four times the standard deviation.
    assertThat(4 * Math.sqrt(square)).isCloseTo(0.08, Percentage.withPercentage(15));
    int across = 1;
    while (t.position(across).z() == t.position(0).z()) {
      across++;
    }
    for (int i = across + 1; i < 5 * across; i += 7) {
      Vec3 left = t.position(i - 1), right = t.position(i + 1), n = t.normal(i);
      if (left.z() == right.z()) {
        double slope = (right.y() - left.y()) / (right.x() - left.x());
        assertThat(-n.x() / n.y()).isCloseTo(slope, within(0.04));
      }
    }
    Triangles later = Tessellation.of(new Shape.Water(4, 4, 0, Waves.round(0.08, 0.5, 20, 3), 0.2));
    Triangles again = Tessellation.of(new Shape.Water(4, 4, 0, Waves.round(0.08, 0.5, 20, 3), 0));
    assertThat(again.positions()).isEqualTo(t.positions());
    assertThat(later.position(500).y()).isNotCloseTo(t.position(500).y(), within(1e-3));
  }

  @Test
  void choppyWaterIsAsSteepAsItsCornersAndKeepsItsSidesPlane() {
    Waves choppy = new Waves(0.03, 0.4, 25, 1, 1, 5), round = Waves.round(0.03, 0.4, 25, 5);
    Triangles t = Tessellation.of(new Shape.Water(1, 1, 0, choppy, 0.7));
    double high = 0, low = 0, mean = 0;
    for (int i = 0; i < t.count(); i++) {
      Vec3 a = t.position(t.index(i, 0)), b = t.position(t.index(i, 1));
      Vec3 c = t.position(t.index(i, 2));
      Vec3 flat = b.minus(a).cross(c.minus(a)).unit();
      double same = flat.dot(t.normal(t.index(i, 0)).unit());
      assertThat(same).isGreaterThan(0.7);
      mean += same / t.count();
      assertThat(Math.abs(a.x())).isLessThanOrEqualTo(0.5 + 1e-9);
      high = Math.max(high, a.y());
      low = Math.min(low, a.y());
    }
    // Only where crests are sharpest do triangles stand off their corners' normals.
    assertThat(mean).isGreaterThan(0.995);
    Triangles same = Tessellation.of(new Shape.Water(1, 1, 0, round, 0.7));
    assertThat(high).isLessThan(0.04);
    assertThat(low).isGreaterThan(-0.04);
    assertThat(same.positions()).isNotEqualTo(t.positions());
  }

  @Test
  void wavesInShallowWaterRunAsDepthHasIt() {
    // Far longer than deep: the root of gravity and depth; far shorter: by gravity and length.
    double k = 2 * Math.PI / 10;
    assertThat(WaterSurface.frequency(k, 0.1) / k)
        .isCloseTo(Math.sqrt(9.81 * 0.1), Percentage.withPercentage(0.5));
    assertThat(WaterSurface.frequency(k, 0) / k)
        .isCloseTo(Math.sqrt(9.81 / k), Percentage.withPercentage(0.1));
    assertThat(WaterSurface.frequency(k, 100)).isEqualTo(WaterSurface.frequency(k, 0));
  }

  @Test
  void ringsSpreadFromTheirPointAndDieDown() {
    RippleRing ring = new RippleRing(0.1, 0, 0.01, 0.1, 0.2);
    Waves calm = Waves.round(0, 0.4, 0, 1);
    double quarter = Math.PI / 2 / WaterSurface.frequency(2 * Math.PI / 0.1, 0);
    Shape.Water water = new Shape.Water(1, 1, 0, calm, List.of(ring), null, 0);
    Triangles t = Tessellation.of(water), later = Tessellation.of(water.at(quarter));
    assertThat(crests(t, 0.1)).containsExactly(0.2, 0.3, 0.4);
    assertThat(crests(later, 0.125)).startsWith(0.225, 0.325);
    double near = 0, far = 0;
    for (int i = 0; i < t.corners(); i++) {
      Vec3 p = t.position(i);
      double r = Math.hypot(p.x() - 0.1, p.z());
      near = r < 0.15 ? Math.max(near, p.y()) : near;
      far = r > 0.4 ? Math.max(far, p.y()) : far;
    }
    assertThat(near).isBetween(0.002, 0.005);
    assertThat(far).isLessThan(0.3 * near);
  }

  /** Distances from a middle, to a fortieth of a metre, of the crests along +X. */
  private static List<Double> crests(Triangles t, double first) {
    List<Vec3> row = new ArrayList<>();
    for (int i = 0; i < t.corners(); i++) {
      if (Math.abs(t.position(i).z()) < 1e-9 && t.position(i).x() > first) {
        row.add(t.position(i));
      }
    }
    List<Double> to = new ArrayList<>();
    for (int i = 1; i + 1 < row.size(); i++) {
      if (row.get(i).y() > row.get(i - 1).y() && row.get(i).y() >= row.get(i + 1).y()) {
        to.add(Math.round(40 * row.get(i).x()) / 40.0);
      }
    }
    return to;
  }

  @Test
  void groundRisesAsMuchAsItSaysAndItsSeedMakesAnother() {
    Triangles t = Tessellation.of(new Shape.Ground(20, 20, 2, 3, 0.5, 1));
    double least = 9, most = -9;
    for (int i = 0; i < t.corners(); i++) {
      least = Math.min(least, t.position(i).y());
      most = Math.max(most, t.position(i).y());
      assertThat(t.normal(i).y()).isPositive();
    }
    assertThat(most - least).isBetween(1.0, 2.6);
    Triangles other = Tessellation.of(new Shape.Ground(20, 20, 2, 3, 0.5, 2));
    assertThat(other.position(77).y()).isNotCloseTo(t.position(77).y(), within(1e-3));
  }

  @Test
  void aBentCardKeepsItsWidthAlongTheBend() {
    Triangles t = Tessellation.of(new Shape.Card(2, 1, 180));
    double r = 2 / Math.PI, length = 0;
    Vec3 before = null;
    for (int i = 0; i < t.corners(); i++) {
      Vec3 p = t.position(i);
      assertThat(Math.hypot(p.x(), p.z() - r)).isCloseTo(r, within(1e-6));
      if (p.y() < 0) {
        length += before == null ? 0 : p.minus(before).length();
        before = p;
      }
    }
    assertThat(length).isCloseTo(2, within(1e-3));
  }

  private static double volume(Triangles t) {
    double volume = 0;
    for (int i = 0; i < t.count(); i++) {
      Vec3 a = t.position(t.index(i, 0)), b = t.position(t.index(i, 1));
      volume += a.dot(b.cross(t.position(t.index(i, 2)))) / 6;
    }
    return volume;
  }

  @Test
  void aSharpBoxStaysABoxHoweverOftenItIsSubdivided() {
    Shape.Box box = new Shape.Box(1, 2, 3, 0);
    Triangles t = Tessellation.of(new Shape.Smooth(box, 30, 3));
    assertThat(t.count()).isEqualTo(12 * 64);
    assertThat(volume(t)).isCloseTo(6, within(1e-5));
    for (int i = 0; i < t.corners(); i++) {
      Vec3 n = t.normal(i);
      assertThat(Math.max(Math.abs(n.x()), Math.max(Math.abs(n.y()), Math.abs(n.z()))))
          .isCloseTo(1, within(1e-6));
    }
    // The picture lies as it lay.
    assertThat(t.places()).isNotNull();
  }

  @Test
  void withoutCreasesABoxBecomesRoundAndSmooth() {
    Shape.Box box = new Shape.Box(1, 1, 1, 0);
    Triangles t = Tessellation.of(new Shape.Smooth(box, 180, 4));
    double least = 9, most = 0;
    for (int i = 0; i < t.corners(); i++) {
      Vec3 p = t.position(i).minus(new Vec3(0, 0.5, 0));
      least = Math.min(least, p.length());
      most = Math.max(most, p.length());
      assertThat(t.normal(i).dot(p.unit())).isGreaterThan(0.9);
    }
    assertThat(most / least).isLessThan(1.25);
    assertThat(volume(t)).isBetween(0.2, 0.6);
  }

  @Test
  void aCreaseAngleDecidesWhichEdgesAreShadedSmoothly() {
    // A tent: two slopes that meet at 60°.
    double h = Math.tan(Math.toRadians(30));
    Shape tent =
        new Shape.Mesh(
            List.of(
                -1.0, 0.0, 0.0, -1.0, 0.0, 1.0, 0.0, h, 1.0, 0.0, h, 0.0, 1.0, 0.0, 1.0, 1.0, 0.0,
                0.0),
            List.of(),
            List.of(0, 1, 2, 0, 2, 3, 3, 2, 4, 3, 4, 5));
    for (double crease : new double[] {50, 70}) {
      Triangles t = Tessellation.of(new Shape.Smooth(tent, crease, 0));
      for (int i = 0; i < t.corners(); i++) {
        if (t.position(i).x() == 0) {
          double lean = Math.abs(t.normal(i).x());
          assertThat(lean).isCloseTo(crease > 60 ? 0 : 0.5, within(crease > 60 ? 0.3 : 1e-6));
        }
      }
    }
    // Its border keeps its corners' line.
    Triangles fine = Tessellation.of(new Shape.Smooth(tent, 70, 3));
    for (int i = 0; i < fine.corners(); i++) {
      assertThat(fine.position(i).z()).isBetween(-1e-6, 1 + 1e-6);
    }
  }

  @Test
  void strutsStandAtTheEdgesThatBend() {
    Triangles t = Tessellation.of(new Shape.Struts(new Shape.Box(1, 1, 1, 0), 0.01));
    // Twelve prisms of 8 sides and eight balls, no diagonals.
    assertThat(t.count()).isEqualTo(12 * 16 + 8 * (2 * 8 + 2 * 16));
    for (int i = 0; i < t.corners(); i++) {
      Vec3 p = t.position(i);
      double x = Math.abs(Math.abs(p.x()) - 0.5), y = Math.abs(Math.abs(p.y() - 0.5) - 0.5);
      double z = Math.abs(Math.abs(p.z()) - 0.5);
      assertThat(Math.min(Math.hypot(x, y), Math.min(Math.hypot(x, z), Math.hypot(y, z))))
          .isLessThan(0.0101);
    }
  }

  /** Volume by the divergence theorem: right only when all triangles face outwards. */
  @ParameterizedTest
  @MethodSource("solids")
  void solidsAreClosedFaceOutwardsAndHaveTheirVolume(Solid solid) {
    Triangles t = Tessellation.of(solid.shape());
    double volume = 0;
    for (int i = 0; i < t.count(); i++) {
      Vec3 a = t.position(t.index(i, 0)), b = t.position(t.index(i, 1));
      Vec3 c = t.position(t.index(i, 2));
      volume += a.dot(b.cross(c)) / 6;
      Vec3 face = b.minus(a).cross(c.minus(a)).unit();
      for (int k = 0; k < 3; k++) {
        assertThat(t.normal(t.index(i, k)).dot(face)).isGreaterThan(0.6);
      }
    }
    assertThat(volume).isCloseTo(solid.volume(), Percentage.withPercentage(0.5));
  }

  @Test
  void aSweepRisesSmoothlyFromLevelToUpright() {
    Triangles t = Tessellation.of(new Shape.Sweep(2, 3, 2, 0.5));
    for (int i = 0; i < t.corners(); i++) {
      Vec3 p = t.position(i), n = t.normal(i);
      if (p.y() > 0.51) {
        assertThat(n.z()).isCloseTo(1, within(1e-6));
      } else if (p.z() > 0.51) {
        assertThat(n.y()).isCloseTo(1, within(1e-6));
      } else {
        assertThat(Math.hypot(p.y() - 0.5, p.z() - 0.5)).isCloseTo(0.5, within(1e-6));
      }
    }
  }

  @Test
  void mirroredAndNestedCopiesStandWhereTheyShouldAndFaceOutwards() {
    Piece group =
        new Piece(
            "g",
            "G",
            null,
            new Vec3(0, 1, 0),
            new Vec3(0, 90, 0),
            Vec3.ONE,
            null,
            null,
            new Piece.Copies(3, new Vec3(0, 2, 0), Vec3.ZERO),
            true);
    Piece box =
        new Piece(
            "b",
            "B",
            "g",
            new Vec3(1, 0, 0),
            Vec3.ZERO,
            new Vec3(-1, 1, 1),
            new Shape.Box(0.2, 0.2, 0.2, 0),
            "m",
            null,
            true);
    SetGeometry set = SetGeometry.of(List.of(box, group));
    Triangles t = set.flattened();
    assertThat(set.triangles()).isEqualTo(36);
    assertThat(set.placed()).allSatisfy(p -> assertThat(p.piece()).isZero());
    assertThat(t.count()).isEqualTo(36);
    double volume = 0, most = 0;
    for (int i = 0; i < t.count(); i++) {
      Vec3 a = t.position(t.index(i, 0));
      volume += a.dot(t.position(t.index(i, 1)).cross(t.position(t.index(i, 2)))) / 6;
      most = Math.max(most, a.y());
      assertThat(a.z()).isCloseTo(-1, within(0.11));
    }
    assertThat(volume).isCloseTo(3 * 0.008, within(1e-6));
    assertThat(most).isCloseTo(5.2, within(1e-6));
  }

  @Test
  void raisedLettersAreClosedAndAsThickAsTheyShouldBe() {
    // Letters of the test's typeface are square rings of area 3/4.
    Triangles plain = Tessellation.of(new Shape.Text("ab c", 0.4, 0.1, 0, 0));
    double wanted = 3 * 0.75 * 0.4 * 0.4 * 0.1;
    assertThat(volume(plain)).isCloseTo(wanted, within(1e-4 * wanted));
    // A bevel takes something off each rim: contour · b²/2, less or more by the corners.
    double b = 0.02;
    Triangles bevelled = Tessellation.of(new Shape.Text("ab c", 0.4, 0.1, b, 0));
    double rims = 3 * 2 * (4 + 2) * 0.4 * b * b / 2;
    assertThat(volume(bevelled)).isCloseTo(wanted - rims, within(0.1 * rims));
    double left = Double.POSITIVE_INFINITY, right = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < plain.corners(); i++) {
      left = Math.min(left, plain.position(i).x());
      right = Math.max(right, plain.position(i).x());
    }
    assertThat(left + right).isCloseTo(0, within(1e-6));
    assertThat(right - left).isCloseTo((3 * 1.25 + 1) * 0.4, within(1e-6));
  }

  @Test
  void aPushedMeshKeepsItsColoursAndSecondPlacesAndMovesByItsHeights() {
    float[] at = {0, 0, 0, 1, 0, 0, 0, 0, -1}, up = {0, 1, 0, 0, 1, 0, 0, 1, 0};
    Triangles mesh =
        Triangles.over(at, up, new int[] {0, 1, 2})
            .with(
                new float[] {0, 0, 1, 0, 0, 1},
                new float[] {5, 5, 6, 5, 5, 6},
                new float[] {1, 0, 0, 0, 1, 0, 0, 0, 1});
    // Heights that rise along u: corner by corner the surface is lifted by half of it.
    Relief slope =
        new Relief() {
          @Override
          public Push push(String material) {
            return null;
          }

          @Override
          public float height(Push push, float u, float v) {
            return u;
          }
        };
    Triangles pushed =
        Displacement.of(
            mesh, new Relief.Push(levelember.shoot.material.Texture.once("p"), 0.5), slope);
    assertThat(pushed.count()).isGreaterThan(10_000);
    for (int i = 0; i < pushed.corners(); i += 97) {
      Vec3 p = pushed.position(i);
      assertThat(p.y()).isCloseTo(0.5 * p.x(), within(1e-6));
      assertThat(pushed.colours()[3 * i + 1]).isCloseTo((float) p.x(), within(1e-5f));
      assertThat(pushed.seconds()[2 * i]).isCloseTo((float) (5 + p.x()), within(1e-5f));
      assertThat(pushed.normal(i).y()).isCloseTo(1 / Math.hypot(1, 0.5), within(1e-4));
    }
  }
}
