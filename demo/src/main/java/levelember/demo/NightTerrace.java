package levelember.demo;

import static levelember.demo.Stage.at;
import static levelember.demo.Stage.row;
import static levelember.demo.Stage.turned;

import java.util.ArrayList;
import java.util.List;
import levelember.formats.exchange.ShootPackage;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;

/**
 * The terrace at night: the dome, a parapet, a visitors' telescope, paper lanterns, a bent glass
 * tube.
 */
final class NightTerrace {
  /** The strings of lanterns, each a light of its own. */
  private static final String[] STRINGS = {"left", "middle", "right"};

  private NightTerrace() {}

  static ShootPackage shoot() {
    Stage s = new Stage();
    s.papered(
        "slate",
        "Terrace slate",
        Rgb.grey(0.7),
        0.4,
        s.pattern("slate-tiles"),
        s.pattern("scuffs"),
        0.8);
    s.material(
        Material.glossy("stone", "Parapet stone", Rgb.WHITE, 0.75, 1.5)
            .with(Maps.colour(s.pattern("limestone")).withBump(s.pattern("scuffs"), 0.001)));
    Texture scuffs = s.pattern("scuffs");
    s.material(
        Material.metal("brass", "Weathered brass", new Rgb(0.80, 0.60, 0.30), 0.34)
            .with(Maps.NONE.withBump(s.pattern("brushed"), 0.0002)));
    s.material(Material.metal("worn", "Brass worn bright", new Rgb(0.93, 0.76, 0.45), 0.13));
    s.material(
        Material.glossy("iron", "Painted iron", new Rgb(0.035, 0.075, 0.07), 0.42, 1.5)
            .with(Maps.NONE.withBump(scuffs, 0.0006)));
    s.material(Material.metal("bare", "Bare iron", new Rgb(0.47, 0.45, 0.43), 0.3));
    s.material(
        Material.glass(
            "lens", "Telescope lens", 0, 1.52, new Material.Glass(1, Rgb.WHITE, 0.01, false, 0)));
    s.material(Material.metal("copper", "Dome copper", new Rgb(0.32, 0.42, 0.36), 0.5));
    s.material(Material.glossy("render", "White render", new Rgb(0.62, 0.60, 0.56), 0.8, 1.5));
    for (String part : STRINGS) {
      Rgb paper = new Rgb(0.8, 0.7, 0.55);
      s.material(Material.matte("lantern-" + part, "Lantern paper, " + part, paper));
    }
    s.material(Material.matte("tube", "Lit glass tube", Rgb.grey(0.7)));
    s.material(Material.glossy("black", "Black iron", Rgb.grey(0.02), 0.5, 1.5));
    s.material(Material.matte("marsh", "Marsh", new Rgb(0.03, 0.035, 0.025)));

    s.piece("marsh", "Marsh", at(0, -1.6, -20), new Shape.Ground(90, 60, 1.2, 9, 0.5, 4), "marsh");
    s.piece("terrace", "Terrace", at(0, -0.3, -0.5), new Shape.Box(14, 0.3, 9, 0.01), "slate");
    parapet(s);
    observatory(s);
    telescope(s);
    lanterns(s);
    sign(s);

    lights(s);
    shots(s);
    s.measured(DemoMeters.nightTerrace());
    return s.pack("Night terrace", motion());
  }

  private static void lights(Stage s) {
    s.light(
        "night",
        "Night sky",
        new Emitter.Dome(),
        Vec3.ZERO,
        Vec3.UP,
        1.3,
        Unit.NIT,
        11_000,
        new Rgb(0.55, 0.7, 1),
        true);
    s.light("moon", "Moon", new Emitter.Sun(0.52), at(-22, 26, 14), Vec3.ZERO, 14, Unit.LUX, 7200);
    s.light(
        "afterglow",
        "Last of the sun",
        new Emitter.Sun(1.6),
        at(24, 2.1, -20),
        at(0, 0, 0),
        5,
        Unit.LUX,
        2000);
    s.light(
        "back",
        "Shadowless back light",
        new Emitter.Rectangle(1.2, 1.8, false),
        at(2.2, 3.4, -3.2),
        at(0.2, 1, 0),
        900,
        Unit.LUMEN,
        8200);
    s.controls(LightControls.WHOLE.linked(Scope.ALL, Scope.NONE));
    for (String part : STRINGS) {
      String name = "Paper lanterns, " + part;
      s.shines("lanterns-" + part, name, "lantern-" + part, 210, 2300, Rgb.WHITE);
    }
    s.shines("sign", "Glass tube sign", "tube", 1700, 6500, new Rgb(1, 0.17, 0.10));
  }

  private static void shots(Stage s) {
    s.looks(DemoLooks.nightTerrace());
    s.shot(
        new Shot(
            "terrace",
            "Across the terrace",
            at(-3.1, 1.55, 5.1),
            at(0.15, 1.35, -1.4),
            32,
            36,
            0,
            0,
            "late",
            true,
            0,
            0,
            0,
            0));
    s.shot(
        new Shot(
            "telescope",
            "The telescope",
            at(-1.35, 1.62, 2.9),
            at(0.2, 1.42, 0),
            48,
            36,
            2.8,
            3.2,
            "brass",
            false,
            6,
            0,
            0,
            0.8));
  }

  /** All goes dark, the lanterns come on one string after the other, and the sign stutters on. */
  private static Motion motion() {
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i < STRINGS.length; i++) {
      double on = 0.5 + 0.6 * i;
      String light = "lights/lanterns-" + STRINGS[i] + "/";
      tracks.add(
          Track.of(
              light + "muted",
              Key.of(0, Span.HOLD, 0.0),
              Key.of(0.25, Span.HOLD, 1.0),
              Key.of(on, Span.HOLD, 0.0)));
      tracks.add(
          Track.of(
              light + "levelStops",
              Key.of(0, Span.HOLD, 0.0),
              Key.of(on, Span.EASED, -5.0),
              Key.of(on + 0.5, Span.EASED, 0.0)));
    }
    double[] sign = {0, 0, 0.2, 1, 2.3, 0, 2.38, 1, 2.5, 0, 2.54, 1, 2.7, 0};
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < sign.length; i += 2) {
      keys.add(Key.of(sign[i], Span.HOLD, sign[i + 1]));
    }
    tracks.add(new Track("lights/sign/muted", Track.After.HOLD, keys));
    return Motion.NONE.with(tracks);
  }

  private static void parapet(Stage s) {
    s.group("parapet", "Parapet", at(0, 0, -4.4), Vec3.ZERO);
    s.piece(
        "parapet-base",
        "Plinth course",
        "parapet",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Box(14, 0.16, 0.42, 0.01),
        "stone",
        null);
    s.piece(
        "parapet-rail",
        "Coping",
        "parapet",
        at(0, 0.86, 0),
        Vec3.ZERO,
        new Shape.Box(14, 0.12, 0.46, 0.02),
        "stone",
        null);
    s.piece(
        "baluster",
        "Balusters",
        "parapet",
        at(-6.7, 0.16, 0),
        Vec3.ZERO,
        turned(
            35, false, 0, 0, 0.1, 0, 0.1, 0.05, 0.06, 0.08, 0.095, 0.2, 0.1, 0.27, 0.07, 0.4, 0.05,
            0.52, 0.05, 0.58, 0.08, 0.62, 0.1, 0.65, 0.1, 0.7, 0, 0.7),
        "stone",
        row(43, at(0.32, 0, 0)));
  }

  private static void observatory(Stage s) {
    s.group("observatory", "Observatory", at(4.6, 0, -8.6), at(0, 38, 0));
    s.piece(
        "drum",
        "Drum",
        "observatory",
        at(0, -1.5, 0),
        Vec3.ZERO,
        new Shape.Cylinder(2.6, 4.2, 0.04),
        "render",
        null);
    List<Corner> p = new ArrayList<>();
    p.add(new Corner(2.72, 0));
    p.add(new Corner(2.72, 0.22));
    for (int i = 0; i <= 24; i++) {
      double a = Math.PI / 2 * i / 24;
      p.add(new Corner(2.6 * StrictMath.cos(a), 0.24 + 2.6 * StrictMath.sin(a)));
    }
    s.piece(
        "dome",
        "Dome",
        "observatory",
        at(0, 2.7, 0),
        Vec3.ZERO,
        new Shape.Lathe(p, false, 40),
        "copper",
        null);
    s.piece(
        "dome-rib",
        "Dome ribs",
        "observatory",
        at(0, 2.94, 0),
        Vec3.ZERO,
        new Shape.Tube(
            List.of(
                at(2.61, 0, 0),
                at(2.41, 1.0, 0),
                at(1.84, 1.85, 0),
                at(1.0, 2.41, 0),
                at(0, 2.61, 0)),
            0.03,
            false),
        "copper",
        Stage.ring(16));
    s.piece(
        "slit",
        "Shutter",
        "observatory",
        at(0, 2.94, 0),
        at(0, 11.25, 0),
        new Shape.Tube(
            List.of(at(2.64, 0.1, 0), at(2.44, 1.0, 0), at(1.87, 1.86, 0), at(1.0, 2.45, 0)),
            0.14,
            false),
        "black",
        null);
  }

  /**
   * A visitors' telescope on its post: the eyepiece at 1.7 m, brass and painted iron, bare where
   * hands hold it.
   */
  private static void telescope(Stage s) {
    s.group("post", "Telescope's post", at(0.2, 0, 0), Vec3.ZERO);
    s.piece(
        "post-step",
        "Step",
        "post",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Cylinder(0.42, 0.14, 0.015),
        "stone",
        null);
    s.piece(
        "post-column",
        "Column",
        "post",
        at(0, 0.14, 0),
        Vec3.ZERO,
        turned(
            40, false, 0, 0, 0.19, 0, 0.19, 0.02, 0.15, 0.04, 0.1, 0.1, 0.075, 0.2, 0.068, 0.5,
            0.064, 0.95, 0.08, 0.98, 0.085, 1.01, 0.08, 1.04, 0.062, 1.07, 0.06, 1.2, 0.1, 1.23,
            0.1, 1.26, 0, 1.26),
        "iron",
        null);
    s.piece(
        "post-slot",
        "Coin box",
        "post",
        at(0, 1.02, 0.095),
        Vec3.ZERO,
        new Shape.Box(0.1, 0.14, 0.07, 0.008),
        "bare",
        null);
    s.piece(
        "post-fork",
        "Fork",
        "post",
        Vec3.ZERO,
        at(0, 62, 0),
        new Shape.Tube(
            List.of(
                at(-0.15, 1.76, 0),
                at(-0.15, 1.56, 0),
                at(-0.11, 1.44, 0),
                at(0, 1.4, 0),
                at(0.11, 1.44, 0),
                at(0.15, 1.56, 0),
                at(0.15, 1.76, 0)),
            0.024,
            false),
        "iron",
        null);
    barrel(s);
  }

  /** The telescope itself, along its own upright axis from the eyepiece to the lens. */
  private static void barrel(Stage s) {
    s.group("telescope", "Telescope", at(0.2, 1.76, 0), at(0, 62, 0));
    s.piece("tube", "Tube", "telescope", Vec3.ZERO, at(-76, 0, 0), null, null, null);
    s.piece(
        "tube-iron",
        "Painted barrel",
        "tube",
        at(0, -0.2, 0),
        Vec3.ZERO,
        turned(
            35, false, 0.05, 0, 0.084, 0, 0.088, 0.01, 0.088, 0.5, 0.096, 0.51, 0.098, 0.52, 0.098,
            0.6, 0.09, 0.6),
        "iron",
        null);
    s.piece(
        "tube-bands",
        "Brass bands",
        "tube",
        at(0, -0.19, 0),
        Vec3.ZERO,
        turned(30, true, 0.087, 0, 0.093, 0.002, 0.094, 0.012, 0.093, 0.022, 0.087, 0.024),
        "brass",
        Stage.row(3, at(0, 0.19, 0)));
    s.piece(
        "tube-hood",
        "Lens hood",
        "tube",
        at(0, 0.4, 0),
        Vec3.ZERO,
        turned(
            30, true, 0.098, 0, 0.106, 0.004, 0.106, 0.15, 0.11, 0.155, 0.11, 0.172, 0.104, 0.176,
            0.098, 0.17),
        "brass",
        null);
    s.piece(
        "tube-lens",
        "Lens",
        "tube",
        at(0, 0.42, 0),
        Vec3.ZERO,
        turned(60, false, 0, 0, 0.096, 0, 0.096, 0.006, 0.07, 0.016, 0.035, 0.021, 0, 0.0225),
        "lens",
        null);
    s.piece(
        "tube-focus",
        "Focusing ring",
        "tube",
        at(0, -0.3, 0),
        Vec3.ZERO,
        turned(
            25, false, 0, 0, 0.046, 0, 0.05, 0.006, 0.05, 0.018, 0.066, 0.02, 0.068, 0.03, 0.068,
            0.05, 0.064, 0.06, 0.058, 0.062, 0.058, 0.1, 0, 0.1),
        "worn",
        null);
    s.piece(
        "tube-eyepiece",
        "Eyepiece",
        "tube",
        at(0, -0.37, 0),
        Vec3.ZERO,
        turned(
            30, false, 0.018, 0.004, 0.03, 0, 0.036, 0.01, 0.034, 0.03, 0.026, 0.04, 0.026, 0.072,
            0, 0.072),
        "black",
        null);
    s.piece(
        "tube-axle",
        "Axle",
        "telescope",
        at(-0.18, 0, 0),
        at(0, 0, -90),
        new Shape.Cylinder(0.02, 0.36, 0.004),
        "brass",
        null);
    s.piece(
        "tube-knobs",
        "Clamping knobs",
        "telescope",
        at(-0.2, 0, 0),
        at(0, 0, -90),
        turned(25, false, 0, 0, 0.034, 0.001, 0.04, 0.006, 0.04, 0.018, 0.034, 0.024, 0, 0.026),
        "worn",
        Stage.row(2, at(0.374, 0, 0)));
    s.piece(
        "tube-handle",
        "Handles",
        "tube",
        at(-0.085, -0.1, 0),
        at(0, 0, 58),
        turned(
            40, false, 0, 0, 0.014, 0, 0.013, 0.02, 0.017, 0.06, 0.019, 0.1, 0.016, 0.13, 0.006,
            0.142, 0, 0.142),
        "worn",
        null);
  }

  private static void lanterns(Stage s) {
    s.piece(
        "cable",
        "Cable",
        Vec3.ZERO,
        new Shape.Tube(
            List.of(
                at(-5.5, 3.2, -4.2),
                at(-3.4, 2.75, -3.0),
                at(-1.2, 2.62, -1.9),
                at(1.2, 2.75, -1.5),
                at(3.6, 3.2, -1.6)),
            0.008,
            false),
        "black");
    s.piece("mast", "Masts", at(-5.5, 0, -4.15), new Shape.Cylinder(0.035, 3.3, 0.005), "black");
    s.piece(
        "mast-far", "Far mast", at(3.6, 0, -1.6), new Shape.Cylinder(0.035, 3.3, 0.005), "black");
    double[][] hang = {
      {-4.5, 2.93, -3.62},
      {-3.4, 2.75, -3.0},
      {-2.3, 2.66, -2.45},
      {-1.2, 2.62, -1.9},
      {0.0, 2.66, -1.65},
      {1.2, 2.75, -1.5},
      {2.4, 2.94, -1.52}
    };
    for (int i = 0; i < hang.length; i++) {
      double size = 0.13 + 0.035 * (i * 5 % 4);
      List<Corner> p = new ArrayList<>();
      p.add(new Corner(0.05, -0.8 * size));
      for (int k = 0; k <= 40; k++) {
        double a = Math.PI * (k / 40.0 - 0.5) * 0.94;
        double rib = 1 - 0.035 * Math.abs(StrictMath.sin(6 * a));
        p.add(new Corner(size * StrictMath.cos(a) * rib, 0.82 * size * StrictMath.sin(a)));
      }
      p.add(new Corner(0.05, 0.8 * size));
      Vec3 at = at(hang[i][0], hang[i][1] - size - 0.06, hang[i][2]);
      String paper = "lantern-" + STRINGS[i * STRINGS.length / hang.length];
      s.piece("lantern-" + i, "Lantern " + (i + 1), at, new Shape.Lathe(p, false, 20), paper);
      s.piece(
          "hook-" + i,
          "Hook " + (i + 1),
          at(at.x(), at.y() + 0.78 * size, at.z()),
          new Shape.Cylinder(0.05, 0.03, 0.003),
          "black");
    }
  }

  /** A rising moon and three waves, bent from one kind of tube. */
  private static void sign(Stage s) {
    s.group("sign", "Glass tube sign", at(-2.35, 1.25, -4.12), Vec3.ZERO);
    s.piece(
        "sign-board",
        "Sign board",
        "sign",
        at(0, -0.42, -0.05),
        Vec3.ZERO,
        new Shape.Box(1.5, 1.0, 0.03, 0.01),
        "black",
        null);
    s.piece(
        "sign-post",
        "Sign posts",
        "sign",
        at(-0.6, -1.25, -0.03),
        Vec3.ZERO,
        new Shape.Cylinder(0.025, 0.9, 0.003),
        "black",
        row(2, at(1.2, 0, 0)));
    List<Vec3> crescent = new ArrayList<>();
    for (int i = 0; i <= 12; i++) {
      double a = Math.toRadians(40 + 280.0 * i / 12);
      crescent.add(at(-0.3 + 0.27 * StrictMath.cos(a), 0.13 + 0.27 * StrictMath.sin(a), 0));
    }
    for (int i = 11; i >= 1; i--) {
      double a = Math.toRadians(62 + 236.0 * i / 12);
      crescent.add(at(-0.2 + 0.2 * StrictMath.cos(a), 0.13 + 0.2 * StrictMath.sin(a), 0));
    }
    s.piece(
        "sign-moon",
        "Crescent",
        "sign",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Tube(crescent, 0.012, true),
        "tube",
        null);
    List<Vec3> wave = new ArrayList<>();
    for (int i = 0; i <= 12; i++) {
      wave.add(at(0.02 + 0.05 * i, 0.05 * (i % 2 == 0 ? 1 : -1), 0));
    }
    s.piece(
        "sign-wave",
        "Waves",
        "sign",
        at(0, -0.12, 0),
        Vec3.ZERO,
        new Shape.Tube(wave, 0.011, false),
        "tube",
        row(3, at(0, 0.17, 0)));
  }
}
