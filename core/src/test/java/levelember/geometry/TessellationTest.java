package levelember.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import levelember.math.Vec3;
import levelember.shoot.Piece;
import levelember.shoot.Shape;
import levelember.shoot.Shape.Corner;
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
            Math.PI));
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
}
