package levelember.demo;

import static levelember.demo.Stage.at;
import static levelember.demo.Stage.turned;

import java.util.List;
import levelember.formats.exchange.ShootPackage;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;

/**
 * Gear left on the quay below the observatory, lit with deliberate mistakes for second look to
 * find: a lamp card in the frame, two suns, a seam and a slanting horizon in the sky, a buoy that
 * floats over the stones, a lantern drowned by daylight, a bulb shut into a chest, a light linked
 * to nothing and one that is too weak to be seen, focus in mid air, and dirt for contact shade.
 */
final class Snags {
  private static final int SKY_WIDTH = 4096;

  private Snags() {}

  static ShootPackage shoot() {
    Stage s = new Stage();
    s.papered(
        "quay", "Quay stone", Rgb.WHITE, 0.7, s.pattern("limestone"), s.pattern("plaster"), 0.6);
    s.material(Material.glossy("red", "Buoy red", new Rgb(0.52, 0.07, 0.04), 0.45, 1.5));
    s.material(Material.glossy("white", "Buoy white", Rgb.grey(0.72), 0.5, 1.5));
    s.material(Material.metal("iron", "Galvanised iron", Rgb.grey(0.55), 0.4));
    s.material(Material.glossy("chest", "Chest", new Rgb(0.16, 0.2, 0.19), 0.6, 1.5));
    s.material(Material.matte("rope", "Tarred rope", new Rgb(0.2, 0.14, 0.09)));
    s.material(Material.matte("lantern", "Lantern glass", new Rgb(0.75, 0.68, 0.5)));
    s.piece("quay", "Quay", at(0, 0, 0), new Shape.Floor(26, 12), "quay");
    buoy(s);
    s.piece(
        "chest",
        "Tool chest",
        at(0.95, 0, -0.35),
        at(0, -24, 0),
        new Shape.Box(0.62, 0.36, 0.4, 0.012),
        "chest");
    s.piece(
        "coil",
        "Coil of rope",
        null,
        at(-0.95, 0.022, 0.2),
        Vec3.ZERO,
        new Shape.Torus(0.2, 0.022),
        "rope",
        Stage.row(4, at(0, 0.038, 0)));
    s.piece(
        "lantern",
        "Lantern",
        at(0.52, 0, 0.5),
        Vec3.ZERO,
        turned(40, true, 0, 0, 0.07, 0, 0.075, 0.02, 0.055, 0.03, 0.055, 0.15, 0.03, 0.18, 0, 0.19),
        "lantern");
    lights(s);
    s.shot(
        new Shot("quay", "The quay", at(0.1, 0.95, 4.3), at(0, 0.36, 0), 50, 36, 2, 1.3, "noon"));
    s.looks(
        List.of(
            new Look("noon", "Noon, as it came", 13.1, 0.6, 3).with(new ContactShade(0.9, 0.3))));
    return s.pack("Snags");
  }

  /** A mooring buoy of a float, a collar and a ring, three centimetres over the stones. */
  private static void buoy(Stage s) {
    s.group("buoy", "Mooring buoy", at(0, 0.03, 0), at(0, 20, 0));
    s.piece(
        "float",
        "Float",
        "buoy",
        Vec3.ZERO,
        Vec3.ZERO,
        turned(
            30, true, 0, 0, 0.2, 0.01, 0.34, 0.12, 0.38, 0.28, 0.34, 0.44, 0.2, 0.55, 0.12, 0.58, 0,
            0.59),
        "red",
        null);
    s.piece(
        "collar",
        "Collar",
        "buoy",
        at(0, 0.28, 0),
        Vec3.ZERO,
        new Shape.Torus(0.38, 0.035),
        "white",
        null);
    s.piece(
        "ring",
        "Ring",
        "buoy",
        at(0, 0.68, 0),
        at(90, 0, 0),
        new Shape.Torus(0.1, 0.016),
        "iron",
        null);
  }

  private static void lights(Stage s) {
    s.surroundings("harbour.hdr", SeaSky.harbour(SKY_WIDTH));
    s.light(
        "sky",
        "Harbour sky",
        new Emitter.Environment("harbour.hdr", 40, 3.5, 0, 0),
        Vec3.ZERO,
        Vec3.UP,
        3200,
        Unit.NIT,
        6504,
        Rgb.WHITE,
        true);
    s.light("sun", "Sun", new Emitter.Sun(0.53), at(-4, 5, 4), Vec3.ZERO, 26_000, Unit.LUX, 5400);
    s.light(
        "sun-two",
        "Sun from the old plan",
        new Emitter.Sun(0.53),
        at(5, 4, 2),
        Vec3.ZERO,
        15_000,
        Unit.LUX,
        4800);
    s.light(
        "card",
        "Card light",
        new Emitter.Rectangle(0.5, 0.5, true),
        at(1.05, 1.1, -0.2),
        at(0, 0.4, 0.4),
        60_000,
        Unit.NIT,
        5600,
        Rgb.WHITE,
        true);
    s.light(
            "edge",
            "Edge light",
            new Emitter.Rectangle(0.3, 1.2, false),
            at(-1.6, 1.4, -1.5),
            at(0, 0.4, 0),
            60_000,
            Unit.NIT,
            6000)
        .controls(LightControls.WHOLE.linked(Scope.NONE, Scope.ALL));
    s.light(
        "bulb",
        "Chest bulb",
        new Emitter.Sphere(0.03),
        at(0.95, 0.18, -0.35),
        Vec3.ZERO,
        90_000,
        Unit.NIT,
        2900);
    s.light(
        "pocket",
        "Pocket torch",
        new Emitter.Disc(0.02, false, 60, null),
        at(-1.2, 0.5, 1.4),
        at(-0.9, 0, 0.2),
        60,
        Unit.LUMEN,
        5000);
    s.shines("lantern", "Lantern flame", "lantern", 400, 2400, Rgb.WHITE);
  }
}
