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
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;
import levelember.shoot.piece.Waves;

/** A stepped beacon lens, a glass float and a shallow basin of rippling water on pale stone. */
final class TideLens {
  private TideLens() {}

  static ShootPackage shoot() {
    Stage s = new Stage();
    s.papered(
        "stone", "Pale stone", Rgb.WHITE, 0.55, s.pattern("limestone"), s.pattern("scuffs"), 0.4);
    s.material(Material.matte("paper", "Dusk paper", new Rgb(0.22, 0.27, 0.32)));
    s.material(
        Material.glass(
            "crown",
            "Beacon glass",
            0,
            1.52,
            new Material.Glass(1, new Rgb(0.80, 0.95, 0.88), 0.10, false, 45)));
    s.material(
        Material.glass(
            "float",
            "Float glass",
            0,
            1.51,
            new Material.Glass(1, new Rgb(0.30, 0.72, 0.55), 0.02, false, 0)));
    s.material(
        Material.glass(
            "water",
            "Tide water",
            0,
            1.333,
            new Material.Glass(1, new Rgb(0.55, 0.85, 0.84), 0.5, false, 0)));
    s.material(Material.metal("brass", "Lamp brass", new Rgb(0.89, 0.70, 0.38), 0.24));
    s.material(Material.glossy("slate", "Basin slate", new Rgb(0.20, 0.23, 0.24), 0.5, 1.5));
    s.material(Material.matte("rope", "Tarred rope", new Rgb(0.13, 0.09, 0.055)));

    s.piece("sweep", "Backdrop", at(0, 0, -1.4), new Shape.Sweep(6, 4.4, 3, 0.9), "paper");
    s.piece("table", "Stone slab", Vec3.ZERO, new Shape.Box(1.9, 0.08, 1.1, 0.008), "stone");
    lens(s);
    basin(s);
    glassFloat(s);

    s.light("dome", "Dim dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 60, Unit.NIT, 7500);
    s.light(
        "beam",
        "Small spot behind the lens",
        new Emitter.Spot(38, 0.3, 0.012, 0.1, null, null, null),
        at(-0.75, 0.62, -0.85),
        at(-0.34, 0.29, -0.1),
        1500,
        Unit.CANDELA,
        3000);
    s.controls(LightControls.WHOLE.withCaustics(Caustics.CAST));
    s.light(
        "over",
        "Low spot across the basin",
        new Emitter.Spot(24, 0.2, 0.0025, 0.3, null, null, new Emitter.Doors(8.4, 8.6, 0.65, 1.4)),
        at(0.66, 0.53, 1.75),
        at(0.42, 0.19, 0.04),
        28_000,
        Unit.CANDELA,
        4600);
    s.controls(LightControls.WHOLE.withCaustics(Caustics.CAST));
    s.light(
        "fill",
        "Wide fill",
        new Emitter.Rectangle(1.4, 1.0, false),
        at(-1.4, 1.2, 1.6),
        at(0, 0.15, 0),
        4600,
        Unit.LUMEN,
        6300);
    s.looks(DemoLooks.tideLens());
    s.shot(
        new Shot("wide", "Wide", at(0.35, 0.82, 2.35), at(0.07, 0.2, 0), 58, 36, 8, 2.35, "tide"));
    s.shot(
        new Shot(
            "lens",
            "Lens, close",
            at(-0.05, 0.45, 1.05),
            at(-0.33, 0.30, 0),
            62,
            36,
            5.6,
            1.08,
            "clear",
            false,
            7,
            0,
            0.3,
            0.8));
    Track water =
        Track.of(
            "pieces/water/shape/seconds",
            Key.of(0, Span.STRAIGHT, 0.4),
            Key.of(3, Span.STRAIGHT, 3.4));
    s.measured(DemoMeters.tideLens());
    return s.pack("Tide lens", Motion.NONE.with(List.of(water)));
  }

  /** A flat back and a front of a bull's eye and prism rings, standing on edge in a brass ring. */
  private static void lens(Stage s) {
    double radius = 0.2, eye = 0.075, depth = 0.034, foot = 0.012;
    int rings = 5;
    List<Corner> p = new ArrayList<>();
    p.add(new Corner(0, 0));
    p.add(new Corner(radius, 0));
    p.add(new Corner(radius, foot));
    double step = (radius - eye) / rings;
    for (int i = 0; i < rings; i++) {
      double outer = radius - i * step, inner = outer - step;
      // Each ring leans as a lens of the bull's eye's focus would at its middle.
      double lean = 0.30 * (outer + inner) / 2 / eye;
      double rise = lean * step;
      for (int k = 1; k <= 4; k++) {
        double t = k / 4.0;
        p.add(new Corner(outer - step * t, foot + rise * t * (1.15 - 0.15 * t)));
      }
      p.add(new Corner(inner - 0.0004, foot + (i == rings - 1 ? 0.006 : 0)));
    }
    for (int i = 1; i <= 24; i++) {
      double r = (eye - 0.0004) * (1 - i / 24.0);
      p.add(new Corner(r, foot + 0.006 + (depth - foot) * (1 - r * r / eye / eye)));
    }
    s.group("beacon", "Beacon lens", at(-0.34, 0.3, -0.08), at(90, 0, 0));
    s.piece(
        "lens",
        "Stepped lens",
        "beacon",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Lathe(p, false, 25),
        "crown",
        null);
    s.piece(
        "lens-ring",
        "Lens ring",
        "beacon",
        at(0, 0.006, 0),
        Vec3.ZERO,
        turned(
            30, true, 0.2003, -0.009, 0.214, -0.009, 0.2165, -0.006, 0.2165, 0.012, 0.214, 0.015,
            0.2003, 0.015),
        "brass",
        null);
    s.piece(
        "lens-stem",
        "Stem",
        at(-0.34, 0.08, -0.08),
        turned(
            35, false, 0, 0, 0.07, 0, 0.07, 0.006, 0.055, 0.012, 0.018, 0.018, 0.012, 0.023, 0.012,
            0.026, 0, 0.026),
        "brass");
    s.piece(
        "lens-lug",
        "Lugs",
        "beacon",
        at(0.218, 0.008, 0),
        at(0, 0, -90),
        new Shape.Cylinder(0.009, 0.02, 0.002),
        "brass",
        Stage.ring(8));
  }

  private static void basin(Stage s) {
    double w = 0.62, d = 0.44, h = 0.115, wall = 0.02, level = 0.1;
    s.group("basin", "Basin", at(0.42, 0.08, 0.06), at(0, -8, 0));
    s.piece(
        "basin-floor",
        "Basin floor",
        "basin",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Box(w, 0.014, d, 0.002),
        "stone",
        null);
    s.piece(
        "basin-side",
        "Basin sides",
        "basin",
        at(-w / 2 + wall / 2, 0, 0),
        Vec3.ZERO,
        new Shape.Box(wall, h, d, 0.004),
        "slate",
        Stage.row(2, at(w - wall, 0, 0)));
    s.piece(
        "basin-end",
        "Basin ends",
        "basin",
        at(0, 0, -d / 2 + wall / 2),
        Vec3.ZERO,
        new Shape.Box(w - 2 * wall + 0.004, h, wall, 0.004),
        "slate",
        Stage.row(2, at(0, 0, d - wall)));
    s.piece(
        "water",
        "Rippling water",
        "basin",
        at(0, level, 0),
        Vec3.ZERO,
        new Shape.Water(
            w - 2 * wall + 0.002,
            d - 2 * wall + 0.002,
            level - 0.013,
            Waves.round(0.0011, 0.1, 65, 3).withChoppiness(0.2),
            List.of(new RippleRing(-0.12, 0.03, 0.0032, 0.032, 0.12)),
            null,
            0.4),
        "water",
        null);
    s.piece(
        "pebbles",
        "Pebbles",
        "basin",
        at(0, 0.016, 0),
        Vec3.ZERO,
        new Shape.Sphere(0.012),
        "stone",
        new levelember.shoot.piece.Piece.Copies(
            26,
            Vec3.ZERO,
            Vec3.ZERO,
            new levelember.shoot.piece.Piece.Scatter(
                11, at(0.5, 0, 0.32), at(40, 180, 40), 0.45, 1.2)));
  }

  private static void glassFloat(Stage s) {
    List<Corner> p = new ArrayList<>();
    double outer = 0.095, inner = 0.0915;
    for (int i = 0; i <= 48; i++) {
      double a = Math.PI * (i / 48.0 - 0.5);
      p.add(new Corner(Math.max(0, outer * StrictMath.cos(a)), outer * StrictMath.sin(a)));
    }
    for (int i = 48; i >= 0; i--) {
      double a = Math.PI * (i / 48.0 - 0.5);
      p.add(new Corner(Math.max(0, inner * StrictMath.cos(a)), inner * StrictMath.sin(a)));
    }
    s.group("buoy", "Glass float", at(-0.02, 0.175, 0.28), at(18, 30, 12));
    s.piece(
        "buoy-glass",
        "Blown glass",
        "buoy",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Lathe(p, true, 60),
        "float",
        null);
    s.piece(
        "buoy-rope",
        "Rope rings",
        "buoy",
        Vec3.ZERO,
        Vec3.ZERO,
        new Shape.Torus(0.0985, 0.0035),
        "rope",
        new levelember.shoot.piece.Piece.Copies(3, Vec3.ZERO, at(60, 0, 0)));
  }
}
