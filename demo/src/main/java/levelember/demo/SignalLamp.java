package levelember.demo;

import static levelember.demo.Stage.at;
import static levelember.demo.Stage.turned;

import java.util.ArrayList;
import java.util.List;
import levelember.formats.exchange.ShootPackage;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;

/**
 * A lamp in ribbed coloured glass among odd things of the shore, and two net floats of coloured
 * glass lit from within with a bleached shell between them.
 */
final class SignalLamp {
  private SignalLamp() {}

  static ShootPackage shoot() {
    Stage s = new Stage();
    s.papered(
        "table", "Walnut table", Rgb.WHITE, 0.38, s.pattern("walnut"), s.pattern("brushed"), 0.05);
    s.material(Material.matte("wall", "Evening wall", new Rgb(0.20, 0.19, 0.20)));
    s.material(Material.metal("brass", "Lamp brass", new Rgb(0.88, 0.69, 0.37), 0.26));
    s.material(
        Material.glass(
            "ruby",
            "Ruby glass",
            0,
            1.52,
            new Material.Glass(1, new Rgb(0.72, 0.055, 0.03), 0.006, false, 0)));
    s.material(Material.matte("filament", "Lamp core", Rgb.grey(0.7)));
    s.material(Material.matte("teal", "Teal glow", new Rgb(0.2, 0.5, 0.5)));
    s.material(Material.matte("violet", "Violet glow", new Rgb(0.4, 0.25, 0.55)));
    s.material(floatGlass("teal-glass", "Teal glass", new Rgb(0.16, 0.72, 0.66)));
    s.material(floatGlass("violet-glass", "Violet glass", new Rgb(0.52, 0.26, 0.78)));
    s.material(Material.matte("rope", "Tarred rope", new Rgb(0.23, 0.16, 0.09)));
    s.material(Material.glossy("shell", "Bleached shell", new Rgb(0.84, 0.79, 0.71), 0.5, 1.5));
    s.material(Material.glossy("pebble", "Wet pebble", new Rgb(0.05, 0.06, 0.07), 0.2, 1.5));
    s.material(Material.glossy("limpet", "Limpet", new Rgb(0.42, 0.33, 0.24), 0.6, 1.5));
    s.material(
        Material.metal("tin", "Hammered tin", new Rgb(0.72, 0.70, 0.66), 0.22)
            .with(Maps.NONE.withBump(s.pattern("hammered"), 0.0008)));

    s.piece("table", "Table", at(0, -0.05, 0), new Shape.Box(2.2, 0.05, 1.3, 0.008), "table");
    s.piece("wall", "Wall", at(0, 0.9, -0.9), new Shape.Rectangle(6, 3.6), "wall");
    lamp(s);
    s.piece(
        "limpet",
        "Limpet",
        at(-0.6, 0, -0.06),
        turned(25, false, 0.1, 0, 0.098, 0.008, 0.074, 0.04, 0.05, 0.062, 0.02, 0.074, 0, 0.076),
        "limpet");
    s.piece(
        "pebble",
        "Pebble",
        at(-0.4, 0, 0.22),
        at(0, 25, 0),
        turned(
            60, false, 0, 0, 0.04, 0.004, 0.072, 0.02, 0.084, 0.042, 0.076, 0.064, 0.048, 0.08, 0,
            0.086),
        "pebble");
    s.piece(
        "rope",
        "Coil of rope",
        null,
        at(-0.62, 0.014, -0.38),
        Vec3.ZERO,
        new Shape.Torus(0.1, 0.014),
        "rope",
        Stage.row(5, at(0, 0.024, 0)));
    s.piece(
        "tin",
        "Tackle tin",
        at(0.24, 0, 0.3),
        at(0, 32, 0),
        new Shape.Box(0.13, 0.06, 0.09, 0.006),
        "tin");
    netFloat(s, "teal", "Teal float", at(0.3, 0.074, -0.16), 0.074);
    netFloat(s, "violet", "Violet float", at(0.58, 0.058, -0.06), 0.058);
    s.piece(
        "whelk",
        "Bleached shell",
        null,
        at(0.45, 0.042, 0.05),
        at(0, -35, 78),
        Whelk.mesh(),
        "shell",
        null);

    s.light("dome", "Dim dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 6, Unit.NIT, 8200);
    s.light(
        "window",
        "Window glow",
        new Emitter.Rectangle(0.8, 1.2, false),
        at(-1.6, 1.5, 1.0),
        at(0, 0.15, 0),
        420,
        Unit.LUMEN,
        7800);
    s.shines("core", "Lamp core", "filament", 9000, 2600, Rgb.WHITE);
    s.shines("teal-glow", "Teal float", "teal", 190, 6500, new Rgb(0.05, 0.85, 0.9));
    s.shines("violet-glow", "Violet float", "violet", 240, 6500, new Rgb(0.55, 0.12, 1));
    s.looks(DemoLooks.signalLamp());
    s.shot(
        new Shot(
            "table",
            "The table",
            at(0.1, 0.46, 2.1),
            at(0.03, 0.16, -0.05),
            62,
            36,
            4,
            2.1,
            "watch"));
    s.shot(
        new Shot(
            "floats",
            "Net floats",
            at(0.5, 0.3, 1.0),
            at(0.45, 0.06, -0.05),
            80,
            36,
            4,
            1.12,
            "float",
            false,
            6,
            20,
            0.5,
            0));
    s.measured(DemoMeters.signalLamp());
    return s.pack("Signal lamp", motion());
  }

  /** One turn in three seconds, while the filament dips now and then. */
  private static Motion motion() {
    Track turn =
        new Track(
            "pieces/lamp/rotationDegrees",
            Track.After.LOOP,
            List.of(
                Key.of(0, Span.STRAIGHT, 0.0, 0.0, 0.0),
                Key.of(3, Span.STRAIGHT, 0.0, 360.0, 0.0)));
    double[] dips = {0, 0, 0.6, -0.9, 0.75, 0, 1.4, 0, 1.5, -1.6, 1.62, -0.4, 1.8, 0, 3, 0};
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < dips.length; i += 2) {
      keys.add(Key.of(dips[i], Span.EASED, dips[i + 1]));
    }
    return Motion.NONE.with(
        List.of(turn, new Track("lights/core/levelStops", Track.After.LOOP, keys)));
  }

  private static void lamp(Stage s) {
    s.group("lamp", "Signal lamp", at(-0.08, 0, -0.02), Vec3.ZERO);
    s.piece(
        "lamp-foot",
        "Lamp foot",
        "lamp",
        Vec3.ZERO,
        Vec3.ZERO,
        turned(
            35, false, 0, 0, 0.115, 0, 0.118, 0.008, 0.11, 0.018, 0.085, 0.028, 0.08, 0.055, 0.09,
            0.062, 0.09, 0.075, 0, 0.075),
        "brass",
        null);
    List<Corner> p = new ArrayList<>();
    int ribs = 11;
    double low = 0.0755, tall = 0.2;
    for (int i = 0; i <= ribs * 6; i++) {
      double t = (double) i / (ribs * 6), wave = Math.abs(StrictMath.sin(Math.PI * ribs * t));
      p.add(new Corner(0.074 + 0.007 * wave, low + tall * t));
    }
    p.add(new Corner(0.069, low + tall));
    p.add(new Corner(0.069, low));
    s.piece(
        "lamp-glass",
        "Ribbed glass",
        "lamp",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Lathe(p, true, 50),
        "ruby",
        null);
    s.piece(
        "lamp-core",
        "Lamp core",
        "lamp",
        at(0, 0.12, 0),
        Vec3.ZERO,
        new Shape.Cylinder(0.014, 0.09, 0.006),
        "filament",
        null);
    s.piece(
        "lamp-cap",
        "Lamp cap",
        "lamp",
        at(0, low + tall + 0.0005, 0),
        Vec3.ZERO,
        turned(
            35, false, 0, 0, 0.09, 0, 0.09, 0.012, 0.075, 0.02, 0.05, 0.052, 0.02, 0.068, 0.012,
            0.074, 0.018, 0.084, 0.012, 0.094, 0, 0.096),
        "brass",
        null);
    s.piece(
        "lamp-bar",
        "Guard bars",
        "lamp",
        at(0.088, 0.07, 0),
        Vec3.ZERO,
        new Shape.Cylinder(0.003, 0.21, 0.001),
        "brass",
        Stage.ring(6));
  }

  /** Blown glass so thin that light passes straight, coloured through. */
  private static Material floatGlass(String id, String name, Rgb colour) {
    return Material.glass(id, name, 0, 1.5, new Material.Glass(1, colour, 0.004, true, 0));
  }

  /** A net float: a ball of glass with a seal below, in three turns of rope, lit from within. */
  private static void netFloat(Stage s, String colour, String name, Vec3 place, double radius) {
    String id = colour + "-float";
    s.group(id, name, place, at(0, 20, 12));
    s.piece(
        id + "-glass",
        "Glass",
        id,
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Sphere(radius),
        colour + "-glass",
        null);
    s.piece(
        id + "-light",
        "Light within",
        id,
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Sphere(0.55 * radius),
        colour,
        null);
    s.piece(
        id + "-rope",
        "Rope",
        id,
        Vec3.ZERO,
        at(90, 0, 0),
        new Shape.Torus(radius + 0.002, 0.003),
        "rope",
        Stage.ring(3));
    s.piece(
        id + "-belt",
        "Belt",
        id,
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Torus(radius + 0.002, 0.003),
        "rope",
        null);
  }
}
