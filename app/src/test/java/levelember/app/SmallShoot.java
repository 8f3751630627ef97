package levelember.app;

import java.util.List;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/** A ball on a floor between two lamps, which is rendered in no time. */
public final class SmallShoot {
  private SmallShoot() {}

  private static Light lamp(String id, double x) {
    return new Light(
        id,
        "Lamp " + id,
        new Emitter.Sphere(0.2),
        new Vec3(x, 2, 1),
        Vec3.ZERO,
        0,
        new Brightness(100, Brightness.Unit.NIT),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        false);
  }

  /** The ball, its shot wearing the look "k". */
  public static Shoot ball(Look... looks) {
    return new Shoot(
        "Ball",
        List.of(
            new Piece(
                "floor",
                "F",
                null,
                Vec3.ZERO,
                Vec3.ZERO,
                Vec3.ONE,
                new Shape.Floor(6, 6),
                "m",
                null,
                true),
            new Piece(
                "ball",
                "B",
                null,
                new Vec3(0, 0.5, 0),
                Vec3.ZERO,
                Vec3.ONE,
                new Shape.Sphere(0.5),
                "m",
                null,
                true)),
        List.of(Material.matte("m", "M", Rgb.grey(0.5))),
        List.of(lamp("a", 1.5), lamp("b", -1.5)),
        0,
        List.of(new Shot("s", "S", new Vec3(0, 1, 4), new Vec3(0, 0.5, 0), 50, 36, 0, 0, "k")),
        List.of(looks));
  }
}
