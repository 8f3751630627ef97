package levelember.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.picture.RadianceHdr;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;

/**
 * A brass armillary sphere from the observatory's shop: rings with graduations, the pole, a turned
 * base, on a lacquered plinth before a paper sweep.
 */
final class Armillary {
  private static final double POLE_HEIGHT = 52;
  private static final double ECLIPTIC = 23.44;
  private static final double BALL_HEIGHT = 0.345;
  private static final String STUDIO = "studio-two-banks.hdr";

  private final List<Piece> pieces = new ArrayList<>();

  private Armillary() {}

  static ShootPackage shoot() {
    Armillary a = new Armillary();
    a.backdrop();
    a.base();
    a.horizon();
    a.sphere();
    TreeMap<String, byte[]> assets = new TreeMap<>();
    assets.put(STUDIO, RadianceHdr.write(StudioPanorama.twoBanks(1024)));
    return new ShootPackage(
        new Shoot(
                "Armillary",
                a.pieces,
                materials(),
                lights(),
                banks(),
                Bounce.USUAL,
                0,
                shots(),
                DemoLooks.armillary())
            .with(DemoMeters.armillary()),
        assets);
  }

  private static List<Material> materials() {
    return List.of(
        Material.matte("paper", "Backdrop paper", new Rgb(0.50, 0.485, 0.46)),
        Material.glossy("lacquer", "Marsh green lacquer", new Rgb(0.008, 0.040, 0.036), 0.07, 1.52),
        Material.metal("brass", "Polished brass", new Rgb(0.905, 0.715, 0.395), 0.16),
        Material.metal("satin", "Satin brass", new Rgb(0.86, 0.675, 0.375), 0.34),
        Material.metal("steel", "Blued steel", new Rgb(0.16, 0.20, 0.30), 0.22),
        Material.matte("ink", "Engraving ink", new Rgb(0.012, 0.010, 0.009)),
        Material.glossy("enamel", "Sea enamel", new Rgb(0.02, 0.10, 0.22), 0.12, 1.55));
  }

  private void add(
      String id, String name, String parent, Vec3 place, Vec3 turn, Shape shape, String material) {
    add(id, name, parent, place, turn, shape, material, null);
  }

  private void add(
      String id,
      String name,
      String parent,
      Vec3 place,
      Vec3 turn,
      Shape shape,
      String material,
      Piece.Copies copies) {
    pieces.add(new Piece(id, name, parent, place, turn, Vec3.ONE, shape, material, copies, true));
  }

  private static Vec3 at(double x, double y, double z) {
    return new Vec3(x, y, z);
  }

  private void backdrop() {
    add(
        "sweep",
        "Paper sweep",
        null,
        at(0, 0, -1.15),
        Vec3.ZERO,
        new Shape.Sweep(4.4, 3.6, 2.6, 0.7),
        "paper");
    add(
        "plinth",
        "Plinth",
        null,
        Vec3.ZERO,
        at(0, 14, 0),
        new Shape.Box(0.36, 0.055, 0.36, 0.005),
        "lacquer");
    add(
        "plinth-foot",
        "Plinth foot",
        "plinth",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Box(0.375, 0.012, 0.375, 0.003),
        "satin");
    add(
        "inlay",
        "Inlaid ring",
        "plinth",
        at(0, 0.0548, 0),
        Vec3.ZERO,
        band(0.148, 0.003, 0.001, 0.0002),
        "brass");
  }

  private void base() {
    List<Corner> p = new ArrayList<>();
    p.add(new Corner(0, 0));
    p.add(new Corner(0.086, 0));
    arc(p, 0.086, 0.004, 0.004, -90, 90, 10);
    p.add(new Corner(0.080, 0.010));
    arc(p, 0.078, 0.013, 0.0025, -60, 80, 6);
    // An ogee from the wide foot into the stem.
    for (int i = 0; i <= 28; i++) {
      double t = i / 28.0;
      double bend = t * t * (3 - 2 * t);
      p.add(new Corner(0.076 - 0.060 * StrictMath.pow(bend, 0.72), 0.0165 + 0.040 * t));
    }
    arc(p, 0.0165, 0.060, 0.0032, -80, 80, 8);
    p.add(new Corner(0.010, 0.0665));
    for (int i = 0; i <= 16; i++) {
      double t = i / 16.0;
      p.add(
          new Corner(
              0.0095 + 0.0125 * StrictMath.pow(StrictMath.sin(Math.PI * t), 1.4),
              0.070 + 0.030 * t));
    }
    arc(p, 0.012, 0.104, 0.0028, -80, 80, 8);
    p.add(new Corner(0.0085, 0.109));
    for (int i = 0; i <= 12; i++) {
      double t = i / 12.0;
      p.add(new Corner(0.0085 + 0.0075 * t * t, 0.112 + 0.016 * t));
    }
    p.add(new Corner(0.016, 0.1305));
    p.add(new Corner(0, 0.1305));
    add(
        "base",
        "Turned base",
        null,
        at(0, 0.055, 0),
        Vec3.ZERO,
        new Shape.Lathe(p, false, 32),
        "brass");
    // Four arms carry the horizon.
    add("arms", "Arms", "base", at(0, 0.126, 0), at(0, 45, 0), null, null, null);
    add(
        "arm-foot",
        "Arm foot",
        "arms",
        at(0, 0, 0.012),
        at(62, 0, 0),
        new Shape.Cylinder(0.0038, 0.128, 0.001),
        "satin",
        new Piece.Copies(4, Vec3.ZERO, at(0, 90, 0)));
    add(
        "arm-post",
        "Arm post",
        "arms",
        at(0, 0.058, 0.1245),
        Vec3.ZERO,
        new Shape.Cylinder(0.0038, 0.106, 0.001),
        "satin",
        new Piece.Copies(4, Vec3.ZERO, at(0, 90, 0)));
    add(
        "arm-knop",
        "Arm knop",
        "arms",
        at(0, 0.060, 0.1245),
        Vec3.ZERO,
        new Shape.Sphere(0.0068),
        "brass",
        new Piece.Copies(4, Vec3.ZERO, at(0, 90, 0)));
  }

  private static void arc(
      List<Corner> p, double x, double y, double r, double from, double to, int steps) {
    for (int i = 0; i <= steps; i++) {
      double a = Math.toRadians(from + (to - from) * i / steps);
      p.add(new Corner(x + r * StrictMath.cos(a), y + r * StrictMath.sin(a)));
    }
  }

  /** A level ring of rectangular section with bevelled edges, centred on its middle plane. */
  private static Shape.Lathe band(double radius, double thick, double tall, double bevel) {
    double in = radius - thick / 2, out = radius + thick / 2, h = tall / 2;
    return new Shape.Lathe(
        List.of(
            new Corner(in + bevel, -h),
            new Corner(out - bevel, -h),
            new Corner(out, -h + bevel),
            new Corner(out, h - bevel),
            new Corner(out - bevel, h),
            new Corner(in + bevel, h),
            new Corner(in, h - bevel),
            new Corner(in, -h + bevel)),
        true,
        20);
  }

  /** Graduations on the upper face of a flat ring: long, middle and short strokes. */
  private void faceScale(String ring, double outer, double face, double unit) {
    stroke(ring, "tens", 36, 10, unit * 6, outer, face, 0.0007);
    stroke(ring, "fives", 72, 5, unit * 4, outer, face, 0.0005);
    stroke(ring, "degrees", 360, 1, unit * 2.4, outer, face, 0.00028);
  }

  private void stroke(
      String ring,
      String name,
      int count,
      double step,
      double l,
      double outer,
      double face,
      double w) {
    add(
        ring + "-" + name,
        "Scale, " + name,
        ring,
        at(0, face - 0.0002, outer - l / 2),
        Vec3.ZERO,
        new Shape.Box(w, 0.00026, l, 0),
        "ink",
        new Piece.Copies(count, Vec3.ZERO, at(0, step, 0)));
  }

  /** Graduations on the outer wall of a band. */
  private void wallScale(String ring, double outer, double unit) {
    add(
        ring + "-tens",
        "Scale, tens",
        ring,
        at(0, -unit * 3, outer - 0.0001),
        Vec3.ZERO,
        new Shape.Box(0.0008, unit * 6, 0.00026, 0),
        "ink",
        new Piece.Copies(36, Vec3.ZERO, at(0, 10, 0)));
    add(
        ring + "-twos",
        "Scale, twos",
        ring,
        at(0, -unit * 3, outer - 0.0001),
        Vec3.ZERO,
        new Shape.Box(0.0004, unit * 2.5, 0.00026, 0),
        "ink",
        new Piece.Copies(180, Vec3.ZERO, at(0, 2, 0)));
  }

  private void horizon() {
    double y = 0.055 + 0.126 + 0.164;
    add(
        "horizon",
        "Horizon ring",
        null,
        at(0, y, 0),
        Vec3.ZERO,
        band(0.1295, 0.021, 0.005, 0.0008),
        "satin");
    faceScale("horizon", 0.1390, 0.0025, 0.001);
    add(
        "horizon-line",
        "Horizon line",
        "horizon",
        at(0, 0.0024, 0),
        Vec3.ZERO,
        band(0.1238, 0.0004, 0.0006, 0.00005),
        "ink");
  }

  private void sphere() {
    double r = 0.112;
    add("ball", "Sphere", null, at(0, BALL_HEIGHT, 0), at(0, 28, -(90 - POLE_HEIGHT)), null, null);
    add(
        "meridian",
        "Meridian ring",
        "ball",
        Vec3.ZERO,
        at(90, 0, 0),
        band(r + 0.005, 0.009, 0.006, 0.0008),
        "brass");
    faceScale("meridian", r + 0.0090, 0.003, 0.0008);
    add(
        "colure-1",
        "Colure of the solstices",
        "ball",
        Vec3.ZERO,
        at(90, 45, 0),
        band(r - 0.004, 0.003, 0.006, 0.0005),
        "brass");
    add(
        "colure-2",
        "Colure of the equinoxes",
        "ball",
        Vec3.ZERO,
        at(90, -45, 0),
        band(r - 0.004, 0.003, 0.006, 0.0005),
        "brass");
    double rr = r - 0.0035;
    add(
        "equator",
        "Equator",
        "ball",
        Vec3.ZERO,
        Vec3.ZERO,
        band(rr, 0.003, 0.009, 0.0005),
        "brass");
    wallScale("equator", rr + 0.0015, 0.001);
    double t = Math.toRadians(ECLIPTIC);
    for (int side = -1; side <= 1; side += 2) {
      String name = side > 0 ? "Northern" : "Southern";
      String id = side > 0 ? "north" : "south";
      add(
          id + "-tropic",
          name + " tropic",
          "ball",
          at(0, side * rr * StrictMath.sin(t), 0),
          Vec3.ZERO,
          band(rr * StrictMath.cos(t), 0.003, 0.005, 0.0005),
          "satin");
      add(
          id + "-circle",
          name + " polar circle",
          "ball",
          at(0, side * rr * StrictMath.cos(t), 0),
          Vec3.ZERO,
          band(rr * StrictMath.sin(t), 0.003, 0.004, 0.0005),
          "satin");
      add(
          id + "-knob",
          name + " pole",
          "ball",
          at(0, side * (r + 0.0195), 0),
          Vec3.ZERO,
          new Shape.Sphere(0.0062),
          "brass");
      add(
          id + "-collar",
          name + " collar",
          "ball",
          at(0, side * (r + 0.011) - 0.0035, 0),
          Vec3.ZERO,
          new Shape.Cylinder(0.0052, 0.007, 0.001),
          "satin");
    }
    add(
        "ecliptic",
        "Ecliptic band",
        "ball",
        Vec3.ZERO,
        at(ECLIPTIC, 0, 0),
        band(rr + 0.0002, 0.0022, 0.019, 0.0005),
        "satin");
    wallScale("ecliptic", rr + 0.0013, 0.0024);
    add(
        "axis",
        "Pole",
        "ball",
        at(0, -0.136, 0),
        Vec3.ZERO,
        new Shape.Cylinder(0.0021, 0.272, 0.0006),
        "steel");
    add("earth", "Earth", "ball", Vec3.ZERO, Vec3.ZERO, new Shape.Sphere(0.022), "enamel");
    add(
        "earth-band",
        "Earth's equator",
        "ball",
        Vec3.ZERO,
        Vec3.ZERO,
        band(0.0222, 0.0012, 0.0016, 0.0003),
        "brass");
  }

  private static Light lamp(
      String id,
      String name,
      Emitter emitter,
      Vec3 place,
      Vec3 aim,
      double value,
      Unit unit,
      double kelvin) {
    return new Light(
        id,
        name,
        emitter,
        place,
        aim,
        0,
        new Brightness(value, unit),
        0,
        new LightColour(kelvin, 0, Rgb.WHITE),
        false,
        false,
        false);
  }

  private static List<Light> lights() {
    Vec3 middle = at(0, 0.30, 0);
    Light studio =
        lamp(
            "studio",
            "Studio in reflections",
            new Emitter.Environment(STUDIO, 0),
            Vec3.ZERO,
            middle,
            260,
            Unit.NIT,
            5900);
    Light key =
        lamp(
            "key",
            "Key softbox",
            new Emitter.Rectangle(0.9, 1.2, false),
            at(-1.25, 1.15, 0.85),
            middle,
            11_000,
            Unit.LUMEN,
            5200);
    return List.of(
        studio.withControls(LightControls.WHOLE.levelled(0, 1)),
        banked(key, 0, null),
        banked(key, -1.2, new Light.Mirror("key", middle, new Vec3(1, 0, 0))),
        lamp(
            "rim",
            "Rim strip",
            new Emitter.Rectangle(0.12, 1.1, false),
            at(0.62, 0.85, -0.72),
            middle,
            4_200,
            Unit.LUMEN,
            6800),
        lamp(
            "top",
            "Top light",
            new Emitter.Rectangle(0.35, 0.35, false),
            at(0.05, 1.35, -0.15),
            at(0, 0.06, 0.05),
            5_200,
            Unit.LUMEN,
            5400),
        lamp(
            "glow",
            "Backdrop glow",
            new Emitter.Sphere(0.05),
            at(0.9, 0.35, -0.55),
            middle,
            1_300,
            Unit.LUMEN,
            3200));
  }

  /** A light of the pair of softboxes, itself or its other side. */
  private static Light banked(Light l, double levelStops, Light.Mirror mirror) {
    return new Light(
        mirror == null ? l.id() : "fill",
        mirror == null ? l.name() : "Fill softbox",
        l.emitter(),
        l.position(),
        l.aim(),
        0,
        l.brightness(),
        levelStops,
        l.colour(),
        false,
        false,
        false,
        LightControls.WHOLE,
        null,
        null,
        "pair",
        mirror);
  }

  private static List<Bank> banks() {
    return List.of(new Bank("pair", "Softboxes", 0, Rgb.WHITE, false, false));
  }

  private static List<Shot> shots() {
    return List.of(
        new Shot("front", "Front", at(0.50, 0.60, 2.35), at(0, 0.262, 0), 85, 36, 8, 2.36, "day"),
        new Shot(
            "scale",
            "Scales, close",
            at(-0.16, 0.52, 0.62),
            at(-0.015, 0.365, 0.06),
            100,
            36,
            16,
            0.60,
            "scales"));
  }
}
