package levelember.demo;

import static levelember.demo.Stage.at;
import static levelember.demo.Stage.row;
import static levelember.demo.Stage.turned;

import java.util.ArrayList;
import java.util.List;
import levelember.formats.exchange.ShootPackage;
import levelember.keyframes.SunPath;
import levelember.keyframes.TimeRange;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Motion;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Opening;
import levelember.shoot.piece.Shape.Wall;

/** The observatory's reading room: tall windows, a long table, shelves, lamps, a star chart. */
final class ReadingRoom {
  private static final double WIDTH = 6.4, DEPTH = 8.4, HEIGHT = 4.2;
  private static final double[] WINDOWS = {-2.4, 0, 2.4};

  private ReadingRoom() {}

  static ShootPackage shoot() {
    Stage s = new Stage();
    materials(s);
    List<Opening> holes = new ArrayList<>();
    for (double x : WINDOWS) {
      holes.add(new Opening(Wall.RIGHT, x, 0.7, 1.25, 2.9));
    }
    s.piece("room", "Room", Vec3.ZERO, new Shape.Room(WIDTH, DEPTH, HEIGHT, 0.4, holes), "plaster");
    s.piece("floor", "Oak floor", at(0, 0.001, 0), new Shape.Floor(WIDTH, DEPTH), "boards");
    s.piece(
        "skirting",
        "Skirting",
        at(0, 0, -DEPTH / 2 + 0.012),
        new Shape.Box(WIDTH, 0.16, 0.024, 0.004),
        "paint");
    windows(s);
    table(s);
    shelves(s);
    chart(s);

    s.daylight(Daylight.of(101, 33, 3), 0.75, 0.26);
    s.light(
        "louvre",
        "Louvre light",
        new Emitter.Spot(34, 0.15, 0.012, 1.2, null, s.gobo("gobo-blinds"), null),
        at(7.4, 4.6, 3.4),
        at(-1.6, 1.5, -3.4),
        52_000,
        Unit.CANDELA,
        3600);
    s.shines("bulbs", "Lamp bulbs", "bulb", 26_000, 2700, Rgb.WHITE);
    s.shines("screen", "Display screen", "screen", 260, 6500, new Rgb(0.45, 0.75, 1));
    s.looks(DemoLooks.readingRoom());
    s.shot(
        new Shot(
            "long",
            "Along the table",
            at(-1.15, 1.55, 3.95),
            at(0.35, 1.15, -1.5),
            24,
            36,
            0,
            0,
            "morning",
            true,
            0,
            0,
            0,
            0));
    s.shot(
        new Shot(
            "desk",
            "Lamp and chart",
            at(-1.0, 1.35, 0.35),
            at(0.25, 1.15, -2.4),
            45,
            36,
            2.8,
            2.2,
            "lamplight",
            false,
            8,
            10,
            0.4,
            0));
    s.measured(DemoMeters.readingRoom());
    ShootPackage still = s.pack("Reading room");
    // A morning in June at 52° north, from where the still has its sun to noon.
    SunPath morning = new SunPath("sky", 9.374, 12.5, 52, 4, 6, 21, 2, 7.511);
    TimeRange over = TimeRange.frames(Motion.NONE, 1, 72);
    return s.pack("Reading room", Motion.NONE.with(morning.tracks(still.shoot(), over)));
  }

  private static void materials(Stage s) {
    s.material(
        Material.glossy("plaster", "Warm plaster", new Rgb(0.74, 0.70, 0.62), 0.8, 1.5)
            .with(Maps.NONE.withBump(s.pattern("plaster"), 0.004)));
    s.material(
        Material.glossy("boards", "Polished oak floor", Rgb.WHITE, 0.32, 1.5)
            .with(new Material.Coat(0.8, 0.12, 1.5))
            .with(Maps.colour(s.pattern("oak-boards").turned(90))));
    s.material(
        Material.glossy("walnut", "Walnut", Rgb.WHITE, 0.35, 1.5)
            .with(new Material.Coat(0.5, 0.2, 1.5))
            .with(Maps.colour(s.pattern("walnut"))));
    s.material(Material.glossy("paint", "Sash white", new Rgb(0.72, 0.71, 0.68), 0.35, 1.5));
    s.material(
        Material.glass(
            "pane", "Window pane", 0, 1.5, new Material.Glass(1, Rgb.grey(0.97), 0.01, true, 0)));
    s.material(Material.metal("brass", "Old brass", new Rgb(0.80, 0.61, 0.31), 0.28));
    s.material(Material.glossy("shade", "Green shade", new Rgb(0.012, 0.11, 0.055), 0.12, 1.5));
    s.material(Material.matte("bulb", "Bulb", Rgb.grey(0.8)));
    s.material(Material.glossy("screen", "Screen", Rgb.grey(0.03), 0.1, 1.5));
    s.material(Material.glossy("black", "Black steel", Rgb.grey(0.02), 0.3, 1.5));
    s.material(
        Material.matte("chart", "Star chart", Rgb.WHITE)
            .with(Maps.colour(s.picture("star-chart.png", DemoPictures.starChart(1024, 704)))));
    s.material(
        Material.glossy("leather", "Green leather", new Rgb(0.05, 0.10, 0.07), 0.45, 1.5)
            .with(Maps.NONE.withBump(s.pattern("leather"), 0.0006)));
    Rgb[] cloths = {
      new Rgb(0.22, 0.05, 0.04),
      new Rgb(0.05, 0.10, 0.17),
      new Rgb(0.10, 0.13, 0.06),
      new Rgb(0.33, 0.24, 0.12),
      new Rgb(0.13, 0.10, 0.09)
    };
    for (int i = 0; i < cloths.length; i++) {
      s.material(
          Material.glossy("book-" + i, "Book cloth " + (i + 1), cloths[i], 0.6, 1.5)
              .with(Maps.NONE.withBump(s.pattern("linen"), 0.0003)));
    }
  }

  private static void windows(Stage s) {
    double x = WIDTH / 2 + 0.22;
    for (int i = 0; i < WINDOWS.length; i++) {
      String w = "window-" + i;
      s.group(w, "Window " + (i + 1), at(x, 0.7, WINDOWS[i]), Vec3.ZERO);
      s.piece(
          w + "-upright",
          "Mullions",
          w,
          at(0, 0, -0.605),
          Vec3.ZERO,
          new Shape.Box(0.055, 2.9, 0.045, 0.006),
          "paint",
          row(4, at(0, 0, 0.4035)));
      s.piece(
          w + "-bar",
          "Glazing bars",
          w,
          at(0, 0.02, 0),
          Vec3.ZERO,
          new Shape.Box(0.05, 0.04, 1.2, 0.006),
          "paint",
          row(6, at(0, 0.564, 0)));
      s.piece(
          w + "-pane",
          "Panes",
          w,
          at(0.002, 1.45, 0),
          at(0, 90, 0),
          new Shape.Rectangle(1.2, 2.86),
          "pane",
          null);
      s.piece(
          w + "-sill",
          "Sill",
          w,
          at(-0.2, -0.04, 0),
          Vec3.ZERO,
          new Shape.Box(0.5, 0.045, 1.4, 0.008),
          "walnut",
          null);
    }
  }

  private static void table(Stage s) {
    s.group("table", "Long table", at(0.3, 0, -0.6), Vec3.ZERO);
    s.piece(
        "table-top",
        "Table top",
        "table",
        at(0, 0.735, 0),
        Vec3.ZERO,
        new Shape.Box(1.15, 0.045, 4.2, 0.008),
        "walnut",
        null);
    s.piece(
        "table-pad",
        "Leather pads",
        "table",
        at(0.22, 0.78, -1.35),
        Vec3.ZERO,
        new Shape.Box(0.5, 0.004, 0.7, 0.0015),
        "leather",
        row(3, at(0, 0, 1.35)));
    s.piece(
        "table-leg",
        "Table legs",
        "table",
        at(-0.47, 0, -1.95),
        Vec3.ZERO,
        turned(
            30, false, 0, 0, 0.03, 0, 0.034, 0.02, 0.026, 0.07, 0.032, 0.25, 0.046, 0.46, 0.03,
            0.56, 0.048, 0.6, 0.048, 0.735, 0, 0.735),
        "walnut",
        row(2, at(0.94, 0, 0)));
    s.piece(
        "table-leg-far",
        "Table legs, near",
        "table",
        at(-0.47, 0, 1.95),
        Vec3.ZERO,
        turned(
            30, false, 0, 0, 0.03, 0, 0.034, 0.02, 0.026, 0.07, 0.032, 0.25, 0.046, 0.46, 0.03,
            0.56, 0.048, 0.6, 0.048, 0.735, 0, 0.735),
        "walnut",
        row(2, at(0.94, 0, 0)));
    lamps(s);
    s.piece(
        "book-open",
        "Books on the table",
        "table",
        at(-0.25, 0.78, 0.35),
        at(0, 25, 0),
        new Shape.Box(0.17, 0.035, 0.24, 0.003),
        "book-1",
        new Piece.Copies(
            3,
            at(0.005, 0.0355, 0),
            Vec3.ZERO,
            new Piece.Scatter(5, at(0.03, 0, 0.03), at(0, 30, 0), 0.94, 1)));
    s.piece(
        "display",
        "Display",
        "table",
        at(0.1, 0.78, -1.85),
        at(0, 12, 0),
        new Shape.Box(0.16, 0.012, 0.12, 0.004),
        "black",
        null);
    s.piece(
        "display-neck",
        "Display neck",
        "display",
        at(0, 0.01, 0),
        Vec3.ZERO,
        new Shape.Cylinder(0.012, 0.16, 0.002),
        "black",
        null);
    s.piece(
        "display-case",
        "Display case",
        "display",
        at(0, 0.13, 0.015),
        Vec3.ZERO,
        new Shape.Box(0.56, 0.34, 0.022, 0.006),
        "black",
        null);
    s.piece(
        "display-screen",
        "Display screen",
        "display",
        at(0, 0.3, 0.0265),
        Vec3.ZERO,
        new Shape.Rectangle(0.535, 0.315),
        "screen",
        null);
  }

  private static void lamps(Stage s) {
    for (int i = 0; i < 2; i++) {
      String l = "lamp-" + i;
      s.piece(
          l,
          "Brass lamp " + (i + 1),
          "table",
          at(-0.1, 0.78, i == 0 ? -0.7 : 1.1),
          Vec3.ZERO,
          turned(
              35, false, 0, 0, 0.095, 0, 0.1, 0.006, 0.094, 0.014, 0.03, 0.026, 0.014, 0.04, 0.011,
              0.06, 0.011, 0.36, 0.016, 0.37, 0.009, 0.385, 0, 0.385),
          "brass",
          null);
      s.piece(
          l + "-shade",
          "Lamp shade",
          l,
          at(0, 0.34, 0),
          Vec3.ZERO,
          turned(
              50, true, 0.155, 0, 0.15, 0.05, 0.125, 0.095, 0.08, 0.125, 0.03, 0.135, 0.03, 0.132,
              0.078, 0.122, 0.122, 0.092, 0.147, 0.049, 0.152, 0),
          "shade",
          null);
      s.piece(
          l + "-bulb",
          "Bulb",
          l,
          at(0, 0.405, 0),
          Vec3.ZERO,
          new Shape.Sphere(0.028),
          "bulb",
          null);
    }
  }

  private static void shelves(Stage s) {
    double x = -WIDTH / 2 + 0.16;
    s.group("shelves", "Shelves", at(x, 0, 0), Vec3.ZERO);
    s.piece(
        "shelf-upright",
        "Uprights",
        "shelves",
        at(0, 0, -3.6),
        Vec3.ZERO,
        new Shape.Box(0.3, 3.1, 0.035, 0.004),
        "walnut",
        row(7, at(0, 0, 1.2)));
    s.piece(
        "shelf-board",
        "Boards",
        "shelves",
        at(0, 0.08, 0),
        Vec3.ZERO,
        new Shape.Box(0.3, 0.028, 7.2, 0.003),
        "walnut",
        row(9, at(0, 0.374, 0)));
    int book = 0;
    for (int level = 0; level < 8; level++) {
      for (int bay = 0; bay < 6; bay++) {
        if ((level * 5 + bay * 3) % 11 == 4) {
          continue;
        }
        String id = "books-" + level + "-" + bay;
        int count = 15 + (level * 7 + bay * 5) % 9;
        s.piece(
            id,
            "Books " + (level + 1) + "." + (bay + 1),
            "shelves",
            at(0.02, 0.108 + 0.374 * level, -3.54 + 1.2 * bay),
            Vec3.ZERO,
            new Shape.Box(0.19, 0.27, 0.042, 0.003),
            "book-" + book++ % 5,
            new Piece.Copies(
                count,
                at(0, 0, 0.0465),
                Vec3.ZERO,
                new Piece.Scatter(level * 31 + bay, at(0.03, 0, 0.002), at(0, 1, 0), 0.82, 1)));
      }
    }
  }

  private static void chart(Stage s) {
    s.group("chart-frame", "Framed chart", at(0.1, 2.15, -DEPTH / 2 + 0.02), Vec3.ZERO);
    s.piece(
        "chart",
        "Star chart",
        "chart-frame",
        at(0, 0, 0.012),
        Vec3.ZERO,
        new Shape.Rectangle(1.6, 1.1),
        "chart",
        null);
    s.piece(
        "frame-rail",
        "Frame rails",
        "chart-frame",
        at(0, -0.6, 0.015),
        Vec3.ZERO,
        new Shape.Box(1.74, 0.07, 0.045, 0.006),
        "walnut",
        row(2, at(0, 1.13, 0)));
    s.piece(
        "frame-stile",
        "Frame stiles",
        "chart-frame",
        at(-0.835, -0.6, 0.015),
        Vec3.ZERO,
        new Shape.Box(0.07, 1.2, 0.045, 0.006),
        "walnut",
        row(2, at(1.67, 0, 0)));
  }
}
