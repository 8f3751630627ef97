package levelember.shoot.shelf;

import java.util.List;
import java.util.Optional;
import levelember.math.Rgb;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Grade.Curves;
import levelember.shoot.look.Grade.Point;
import levelember.shoot.look.Grade.Wheels;

/** Grades of our own to start from. */
public final class GradeShelf {
  /**
   * A grade of the shelf.
   *
   * @param id unique on the shelf
   * @param name as the artist reads it
   * @param what it does, in a few words
   */
  public record Preset(String id, String name, String what, Grade grade) {}

  private static final Rgb NONE = Rgb.grey(0);

  private static final List<Preset> ALL =
      List.of(
          preset(
              "crisp",
              "Crisp",
              "a little more contrast, clean whites",
              wheels(NONE, Rgb.WHITE, Rgb.grey(1.03), NONE, 1.04),
              s(0.25, 0.22, 0.75, 0.79)),
          preset(
              "brass-hour",
              "Brass hour",
              "warm lights, quiet blue in the shadows",
              wheels(
                  new Rgb(-0.005, 0.002, 0.018),
                  new Rgb(1.05, 1.0, 0.94),
                  new Rgb(1.05, 1.0, 0.92),
                  NONE,
                  1.06),
              s(0.25, 0.235, 0.75, 0.77)),
          preset(
              "marsh-fog",
              "Marsh fog",
              "lifted, cool, little contrast",
              wheels(new Rgb(0.045, 0.055, 0.065), Rgb.grey(1.05), Rgb.grey(0.95), NONE, 0.78),
              List.of()),
          preset(
              "slate-night",
              "Slate night",
              "blue and dense, lamps stay warm",
              wheels(
                  new Rgb(-0.01, -0.003, 0.014),
                  new Rgb(0.93, 0.98, 1.07),
                  new Rgb(1.03, 1.0, 0.97),
                  NONE,
                  0.92),
              s(0.3, 0.26, 0.8, 0.83)),
          preset(
              "linen",
              "Linen",
              "creamy whites, soft shoulders",
              wheels(
                  Rgb.grey(0.012),
                  new Rgb(1.04, 1.02, 0.98),
                  new Rgb(1.0, 0.985, 0.95),
                  NONE,
                  0.94),
              s(0.25, 0.27, 0.8, 0.79)),
          preset(
              "silver-print",
              "Silver print",
              "without colour, full blacks",
              wheels(NONE, Rgb.grey(0.98), Rgb.grey(1.02), NONE, 0),
              s(0.22, 0.18, 0.72, 0.77)),
          preset(
              "selenium",
              "Selenium",
              "without colour but for a hint of plum in the darks",
              wheels(NONE, Rgb.WHITE, Rgb.WHITE, NONE, 0),
              new Curves(
                  s(0.25, 0.22, 0.75, 0.78),
                  List.of(new Point(0, 0.018), new Point(0.5, 0.505), new Point(1, 1)),
                  List.of(),
                  List.of(new Point(0, 0.03), new Point(0.5, 0.51), new Point(1, 0.985)))),
          preset(
              "verdigris",
              "Verdigris",
              "green in the darks, copper in the lights",
              wheels(
                  new Rgb(-0.012, 0.01, 0.002),
                  new Rgb(1.0, 1.01, 0.98),
                  new Rgb(1.05, 0.99, 0.94),
                  NONE,
                  1.0),
              s(0.25, 0.24, 0.75, 0.77)),
          preset(
              "tide-clear",
              "Tide clear",
              "cool whites, clear blues",
              wheels(NONE, new Rgb(0.97, 1.0, 1.03), new Rgb(0.97, 1.0, 1.04), NONE, 1.1),
              s(0.25, 0.235, 0.75, 0.775)),
          preset(
              "old-chart",
              "Old chart",
              "faded paper, brown darks",
              wheels(
                  new Rgb(0.07, 0.05, 0.03), Rgb.grey(1.02), new Rgb(0.96, 0.93, 0.84), NONE, 0.7),
              List.of()),
          preset(
              "ember",
              "Ember",
              "deep, saturated, red in the middle",
              wheels(
                  new Rgb(0.004, -0.004, -0.006),
                  new Rgb(1.05, 0.97, 0.93),
                  new Rgb(1.04, 1.0, 0.97),
                  NONE,
                  1.14),
              s(0.28, 0.23, 0.75, 0.78)),
          preset(
              "overcast",
              "Overcast",
              "even, pale, a breath of blue",
              wheels(
                  new Rgb(0.015, 0.018, 0.022),
                  new Rgb(1.03, 1.04, 1.06),
                  new Rgb(0.97, 0.98, 1.0),
                  NONE,
                  0.86),
              List.of()));

  private GradeShelf() {}

  /** All of them, in order. */
  public static List<Preset> all() {
    return ALL;
  }

  /** The one of that id. */
  public static Optional<Preset> preset(String id) {
    return ALL.stream().filter(p -> p.id().equals(id)).findFirst();
  }

  private static Wheels wheels(Rgb lift, Rgb gamma, Rgb gain, Rgb offset, double saturation) {
    return new Wheels(lift, gamma, gain, offset, saturation);
  }

  /** A curve from black to white through two points. */
  private static List<Point> s(double x0, double y0, double x1, double y1) {
    return List.of(new Point(0, 0), new Point(x0, y0), new Point(x1, y1), new Point(1, 1));
  }

  private static Preset preset(
      String id, String name, String what, Wheels wheels, List<Point> all) {
    return preset(id, name, what, wheels, new Curves(all, List.of(), List.of(), List.of()));
  }

  private static Preset preset(String id, String name, String what, Wheels wheels, Curves curves) {
    return new Preset(id, name, what, Grade.of(wheels).with(curves));
  }
}
