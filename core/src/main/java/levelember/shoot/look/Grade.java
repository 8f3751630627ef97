package levelember.shoot.look;

import java.util.List;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/**
 * A grade of what is shown: works on display values as encoded, 0…1. First the wheels (as an ASC
 * CDL), then the curves, then the LUT.
 */
public record Grade(
    @Field(meaning = "false shows the picture without it", defaultValue = "true") boolean on,
    @Field(meaning = "how much of the grade shows", defaultValue = "1", min = 0, max = 1)
        double amount,
    @Field(meaning = "lift, gamma, gain, offset and saturation", defaultValue = "{}") Wheels wheels,
    @Field(meaning = "curves of all and of single channels", defaultValue = "{}") Curves curves,
    @Field(meaning = "name of a .cube file", defaultValue = "null") String lut,
    @Field(meaning = "how much of the LUT shows", defaultValue = "1", min = 0, max = 1)
        double lutAmount) {
  public static final Grade NONE = new Grade(true, 1, Wheels.NEUTRAL, Curves.STRAIGHT, null, 1);

  public Grade {
    RecordFields.check(Grade.class, on, amount, wheels, curves, lut, lutAmount);
    if (lut != null && !lut.endsWith(".cube")) {
      throw new ImpossibleValue("lut", lut, "the name of a .cube file");
    }
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
   */
  public record Wheels(
      @Field(meaning = "what black becomes", defaultValue = "[0, 0, 0]", min = -0.5, max = 0.5)
          Rgb lift,
      @Field(meaning = "power of what lies between", defaultValue = "[1, 1, 1]", min = 0.2, max = 5)
          Rgb gamma,
      @Field(meaning = "what white becomes", defaultValue = "[1, 1, 1]", min = 0, max = 4) Rgb gain,
      @Field(meaning = "added to all", defaultValue = "[0, 0, 0]", min = -0.5, max = 0.5)
          Rgb offset,
      @Field(meaning = "saturation about BT.709 luma", defaultValue = "1", min = 0, max = 4)
          double saturation) {
    public static final Wheels NEUTRAL =
        new Wheels(Rgb.grey(0), Rgb.WHITE, Rgb.WHITE, Rgb.grey(0), 1);

    public Wheels {
      RecordFields.check(Wheels.class, lift, gamma, gain, offset, saturation);
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

  /** A point of a curve. */
  public record Point(
      @Field(meaning = "value before", min = 0, max = 1) double x,
      @Field(meaning = "value after", min = 0, max = 1) double y) {
    public Point {
      RecordFields.check(Point.class, x, y);
    }
  }

  /**
   * Curves through points, for all channels and then for single ones; no points leave it straight.
   */
  public record Curves(
      @Field(
              meaning = "points of the curve for every channel, none or 2 to 32",
              defaultValue = "[]",
              maxEntries = Curves.MOST_POINTS)
          List<Point> all,
      @Field(
              meaning = "points of the curve for red alone, none or 2 to 32",
              defaultValue = "[]",
              maxEntries = Curves.MOST_POINTS)
          List<Point> red,
      @Field(
              meaning = "points of the curve for green alone, none or 2 to 32",
              defaultValue = "[]",
              maxEntries = Curves.MOST_POINTS)
          List<Point> green,
      @Field(
              meaning = "points of the curve for blue alone, none or 2 to 32",
              defaultValue = "[]",
              maxEntries = Curves.MOST_POINTS)
          List<Point> blue) {
    public static final Curves STRAIGHT = new Curves(List.of(), List.of(), List.of(), List.of());

    private static final int MOST_POINTS = 32;

    public Curves {
      RecordFields.check(Curves.class, all, red, green, blue);
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
