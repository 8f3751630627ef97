package levelember.e2e;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import levelember.demo.DemoShoots;
import levelember.formats.exchange.ShootPackage;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/**
 * A shoot made for testing: the armillary's rig, looks and materials round a ball on its plinth,
 * which is clean within a second or two.
 */
final class TestStudio {
  private static final Set<String> KEPT = Set.of("sweep", "plinth");

  private TestStudio() {}

  static ShootPackage named(String name) {
    ShootPackage armillary = DemoShoots.make("armillary");
    Shoot s = armillary.shoot();
    List<Piece> pieces =
        new ArrayList<>(s.pieces().stream().filter(p -> KEPT.contains(p.id())).toList());
    pieces.add(
        new Piece(
            "globe",
            "Globe",
            null,
            new Vec3(0, 0.345, 0),
            Vec3.ZERO,
            Vec3.ONE,
            new Shape.Sphere(0.14),
            "brass",
            null,
            true));
    Shoot small =
        new Shoot(
            name,
            pieces,
            s.materials(),
            s.lights(),
            s.banks(),
            s.bounce(),
            s.masterStops(),
            s.shots(),
            s.looks());
    return new ShootPackage(small, armillary.assets());
  }
}
