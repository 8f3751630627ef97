package levelember.shoot;

import java.util.List;

/**
 * A grade of what is shown: works on display values as encoded, 0…1. First the wheels (as an ASC
 * CDL), then the curves, then the LUT.
 *
 * @param on false shows the picture without it
 * @param amount of the whole, 0…1
 * @param wheels lift, gamma, gain, offset and saturation
 * @param curves of all and of single channels
 * @param lut name of an asset, a .cube file, or null
 * @param lutAmount 0…1
 */
public record Grade(
    boolean on, double amount, Wheels wheels, Curves curves, String lut, double lutAmount) {
  public static final Grade NONE = new Grade(true, 1, Wheels.NEUTRAL, Curves.STRAIGHT, null, 1);

  public Grade {
    Checks.range("amount", amount, 0, 1);
    Checks.given("wheels", wheels);
    Checks.given("curves", curves);
    if (lut != null) {
      Checks.name("lut", lut);
      if (!lut.endsWith(".cube")) {
        throw new ImpossibleValue("lut", lut, "the name of a .cube file");
      }
    }
    Checks.range("lutAmount", lutAmount, 0, 1);
  }

  /** The wheels alone. */
  public static Grade of(Wheels wheels) {
    return new Grade(true, 1, wheels, Curves.STRAIGHT, null, 1);
  }

  /** True when it changes anything. */
  public boolean active() {
    return on
        && amount > 0
        && !(wheels.equals(Wheels.NEUTRAL)
            && curves.equals(Curves.STRAIGHT)
            && (lut == null || lutAmount == 0));
  }

  /** The same with curves. */
  public Grade with(Curves other) {
    return new Grade(on, amount, wheels, other, lut, lutAmount);
  }

  /**
   * Lift, gamma, gain and offset by channel. As an ASC CDL (version 1.2): slope = gain − lift,
   * offset = lift + offset, power = 1/gamma.
   *
   * @param lift what black becomes, −0.5…0.5
   * @param gamma of what lies between, 0.2…5
   * @param gain what white becomes, 0…4
   * @param offset of all, −0.5…0.5
   * @param saturation 0…4, about BT.709 luma
   */
  public record Wheels(Rgb lift, Rgb gamma, Rgb gain, Rgb offset, double saturation) {
    public static final Wheels NEUTRAL =
        new Wheels(Rgb.grey(0), Rgb.WHITE, Rgb.WHITE, Rgb.grey(0), 1);

    public Wheels {
      within("lift", lift, -0.5, 0.5);
      within("gamma", gamma, 0.2, 5);
      within("gain", gain, 0, 4);
      within("offset", offset, -0.5, 0.5);
      Checks.range("saturation", saturation, 0, 4);
    }

    private static void within(String field, Rgb v, double least, double most) {
      Checks.range(field + "[0]", v.r(), least, most);
      Checks.range(field + "[1]", v.g(), least, most);
      Checks.range(field + "[2]", v.b(), least, most);
    }

    /** Slope of the CDL. */
    public Rgb slope() {
      return new Rgb(gain.r() - lift.r(), gain.g() - lift.g(), gain.b() - lift.b());
    }

    /** Offset of the CDL. */
    public Rgb cdlOffset() {
      return new Rgb(lift.r() + offset.r(), lift.g() + offset.g(), lift.b() + offset.b());
    }

    /** Power of the CDL. */
    public Rgb power() {
      return new Rgb(1 / gamma.r(), 1 / gamma.g(), 1 / gamma.b());
    }
  }

  /**
   * A point of a curve.
   *
   * @param x value before, 0…1
   * @param y value after, 0…1
   */
  public record Point(double x, double y) {
    public Point {
      Checks.range("x", x, 0, 1);
      Checks.range("y", y, 0, 1);
    }
  }

  /**
   * Curves through points, for all channels and then for single ones; no points leave it straight.
   *
   * @param all for every channel
   * @param red for red alone
   * @param green for green alone
   * @param blue for blue alone
   */
  public record Curves(List<Point> all, List<Point> red, List<Point> green, List<Point> blue) {
    public static final Curves STRAIGHT = new Curves(List.of(), List.of(), List.of(), List.of());

    private static final int MOST_POINTS = 32;

    public Curves {
      all = checked("all", all);
      red = checked("red", red);
      green = checked("green", green);
      blue = checked("blue", blue);
    }

    /** One curve for all channels. */
    public static Curves all(Point... points) {
      return new Curves(List.of(points), List.of(), List.of(), List.of());
    }

    private static List<Point> checked(String field, List<Point> points) {
      if (points.size() == 1 || points.size() > MOST_POINTS) {
        throw new ImpossibleValue(
            field, points.size() + " points", "none, or 2 to " + MOST_POINTS + " points");
      }
      for (int i = 1; i < points.size(); i++) {
        if (!(points.get(i).x() - points.get(i - 1).x() >= 1e-4)) {
          throw new ImpossibleValue(
              field + "[" + i + "].x", points.get(i).x(), "more than that of the point before");
        }
      }
      return List.copyOf(points);
    }
  }
}
