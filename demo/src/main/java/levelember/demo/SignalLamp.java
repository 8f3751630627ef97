package levelember.demo;

import static levelember.demo.Stage.at;
import static levelember.demo.Stage.turned;

import java.util.ArrayList;
import java.util.List;
import levelember.formats.ShootPackage;
import levelember.math.Vec3;
import levelember.shoot.Brightness.Unit;
import levelember.shoot.Emitter;
import levelember.shoot.Maps;
import levelember.shoot.Material;
import levelember.shoot.Rgb;
import levelember.shoot.Shape;
import levelember.shoot.Shape.Corner;
import levelember.shoot.Shot;

/** A lamp in ribbed coloured glass among odd shapes, and two glowing crystals by a white column. */
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
    s.material(Material.matte("teal", "Teal crystal", new Rgb(0.2, 0.5, 0.5)));
    s.material(Material.matte("violet", "Violet crystal", new Rgb(0.4, 0.25, 0.55)));
    s.material(Material.matte("white", "White plaster", new Rgb(0.78, 0.77, 0.74)));
    s.material(Material.glossy("ink", "Ink blue glaze", new Rgb(0.02, 0.05, 0.14), 0.15, 1.5));
    s.material(Material.glossy("clay", "Fired clay", new Rgb(0.48, 0.20, 0.11), 0.6, 1.5));
    s.material(
        Material.metal("tin", "Hammered tin", new Rgb(0.72, 0.70, 0.66), 0.22)
            .with(Maps.NONE.withBump(s.pattern("hammered"), 0.0008)));

    s.piece("table", "Table", at(0, -0.05, 0), new Shape.Box(2.2, 0.05, 1.3, 0.008), "table");
    s.piece("wall", "Wall", at(0, 0.9, -0.9), new Shape.Rectangle(6, 3.6), "wall");
    lamp(s);
    s.piece("cone", "Cone", at(-0.62, 0, -0.12), new Shape.Cone(0.09, 0, 0.3), "clay");
    s.piece("ball", "Ball", at(-0.42, 0.075, 0.2), new Shape.Sphere(0.075), "ink");
    s.piece(
        "ring", "Ring", at(-0.6, 0.1, -0.36), at(90, 35, 0), new Shape.Torus(0.08, 0.02), "tin");
    s.piece(
        "block",
        "Block",
        at(0.28, 0, 0.26),
        at(0, 32, 0),
        new Shape.Box(0.13, 0.09, 0.1, 0.006),
        "tin");
    s.piece(
        "column",
        "White column",
        at(0.52, 0, -0.1),
        new Shape.Cylinder(0.055, 0.34, 0.004),
        "white");
    crystal(
        s, "crystal-teal", "Teal crystal", at(0.36, 0, -0.16), at(0, 10, -8), 0.045, 0.2, "teal");
    crystal(
        s,
        "crystal-violet",
        "Violet crystal",
        at(0.70, 0, -0.02),
        at(4, 40, 9),
        0.04,
        0.16,
        "violet");

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
    s.shines("teal-glow", "Teal crystal", "teal", 70, 6500, new Rgb(0.05, 0.85, 0.9));
    s.shines("violet-glow", "Violet crystal", "violet", 95, 6500, new Rgb(0.55, 0.12, 1));
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
            "crystals",
            "Crystals",
            at(0.62, 0.34, 1.05),
            at(0.52, 0.13, -0.1),
            80,
            36,
            4,
            1.12,
            "crystal",
            false,
            6,
            20,
            0.5,
            0));
    return s.pack("Signal lamp");
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
      double t = (double) i / (ribs * 6), wave = Math.abs(Math.sin(Math.PI * ribs * t));
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

  /** A six-sided crystal with a leaning point. */
  private static void crystal(
      Stage s,
      String id,
      String name,
      Vec3 place,
      Vec3 turn,
      double radius,
      double tall,
      String of) {
    List<Double> positions = new ArrayList<>();
    List<Integer> triangles = new ArrayList<>();
    double[][] rings = {{0, 0.75}, {0.12, 1}, {0.72, 0.94}};
    for (double[] ring : rings) {
      for (int k = 0; k < 6; k++) {
        double a = Math.PI / 3 * k, r = radius * ring[1] * (k % 2 == 0 ? 1 : 0.88);
        positions.add(r * Math.cos(a));
        positions.add(tall * ring[0]);
        positions.add(-r * Math.sin(a));
      }
    }
    int tip = positions.size() / 3;
    positions.addAll(List.of(radius * 0.3, tall, radius * 0.1, 0.0, 0.0, 0.0));
    for (int ring = 0; ring < 2; ring++) {
      for (int k = 0; k < 6; k++) {
        int a = 6 * ring + k, b = 6 * ring + (k + 1) % 6;
        triangles.addAll(List.of(a, b, b + 6, a, b + 6, a + 6));
      }
    }
    for (int k = 0; k < 6; k++) {
      triangles.addAll(List.of(12 + k, 12 + (k + 1) % 6, tip));
      triangles.addAll(List.of((k + 1) % 6, k, tip + 1));
    }
    s.piece(id, name, null, place, turn, new Shape.Mesh(positions, List.of(), triangles), of, null);
  }
}
