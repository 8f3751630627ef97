package levelember.shoot;

import java.util.List;
import java.util.Optional;
import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * What kind of light a light is, with its own dimensions in metres and degrees. What the rest of
 * the program asks of a kind stands here; what it emits, and how it is sampled, in the light
 * package.
 */
public sealed interface Emitter {
  /** Whether it faces its light's aim. */
  boolean aimed();

  /** Whether it stands at its light's position, as far from what it lights as that is. */
  boolean placed();

  /** Units that its brightness may be said in; the first is the usual one. */
  List<Brightness.Unit> units();

  /** Name of the picture that it needs of the shoot's assets, or null. */
  String asset();

  /** Radius of a disc as large as its face is seen, metres; 0 for what has none. */
  double faceRadius();

  /** The same with its source so many times as wide and as high; empty for what has no size. */
  Optional<Emitter> enlarged(double by);

  /** Units of lamps with a luminous face. */
  List<Brightness.Unit> FACE_UNITS =
      List.of(
          Brightness.Unit.LUMEN,
          Brightness.Unit.CANDELA,
          Brightness.Unit.LUX,
          Brightness.Unit.NIT,
          Brightness.Unit.WATT);

  /** Units of lamps that are points to what they light. */
  List<Brightness.Unit> POINT_UNITS =
      List.of(
          Brightness.Unit.LUMEN,
          Brightness.Unit.CANDELA,
          Brightness.Unit.LUX,
          Brightness.Unit.WATT);

  /** Lamps: they stand at a place. */
  sealed interface Lamp extends Emitter {
    @Override
    default boolean placed() {
      return true;
    }
  }

  /** Lamps with a luminous face. */
  sealed interface Faced extends Lamp {
    @Override
    default List<Brightness.Unit> units() {
      return FACE_UNITS;
    }
  }

  /** What comes from everywhere, from far away, or from pieces: it has neither place nor size. */
  sealed interface Unplaced extends Emitter {
    @Override
    default boolean placed() {
      return false;
    }

    @Override
    default double faceRadius() {
      return 0;
    }

    @Override
    default Optional<Emitter> enlarged(double by) {
      return Optional.empty();
    }
  }

  /** A flat rectangle that shines along its aim. */
  record Rectangle(
      @Field(says = "width of the face", least = 1e-4, most = 10_000, unit = "m") double width,
      @Field(says = "height of the face", least = 1e-4, most = 10_000, unit = "m") double height,
      @Field(says = "shines from both sides", usual = "false") boolean twoSided,
      @Field(
              says = "full angle that an egg-crate lets out; 180 is an open face",
              usual = "180",
              least = 1,
              most = 180,
              unit = "°")
          double spreadDegrees,
      @Field(says = "name of a picture on the face, times its luminance", usual = "null")
          String picture)
      implements Faced {
    public Rectangle {
      RecordFields.check(Rectangle.class, width, height, twoSided, spreadDegrees, picture);
    }

    @Override
    public boolean aimed() {
      return true;
    }

    @Override
    public String asset() {
      return picture;
    }

    @Override
    public double faceRadius() {
      return Math.sqrt(width * height / Math.PI);
    }

    @Override
    public Optional<Emitter> enlarged(double by) {
      return Optional.of(new Rectangle(width * by, height * by, twoSided, spreadDegrees, picture));
    }

    /** An open face of even luminance. */
    public Rectangle(double width, double height, boolean twoSided) {
      this(width, height, twoSided, 180, null);
    }
  }

  /** A flat disc that shines along its aim; the rest as {@link Rectangle}. */
  record Disc(
      @Field(says = "radius of the face", least = 1e-4, most = 10_000, unit = "m") double radius,
      @Field(says = "shines from both sides", usual = "false") boolean twoSided,
      @Field(
              says = "full angle that an egg-crate lets out; 180 is an open face",
              usual = "180",
              least = 1,
              most = 180,
              unit = "°")
          double spreadDegrees,
      @Field(says = "name of a picture on the face, times its luminance", usual = "null")
          String picture)
      implements Faced {
    public Disc {
      RecordFields.check(Disc.class, radius, twoSided, spreadDegrees, picture);
    }

    @Override
    public boolean aimed() {
      return true;
    }

    @Override
    public String asset() {
      return picture;
    }

    @Override
    public double faceRadius() {
      return radius;
    }

    @Override
    public Optional<Emitter> enlarged(double by) {
      return Optional.of(new Disc(radius * by, twoSided, spreadDegrees, picture));
    }
  }

  /** A sphere that shines evenly in all directions. */
  record Sphere(
      @Field(says = "radius of the sphere", least = 1e-4, most = 10_000, unit = "m") double radius)
      implements Faced {
    public Sphere {
      RecordFields.check(Sphere.class, radius);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public String asset() {
      return null;
    }

    @Override
    public double faceRadius() {
      return radius;
    }

    @Override
    public Optional<Emitter> enlarged(double by) {
      return Optional.of(new Sphere(radius * by));
    }
  }

  /** A straight tube that shines from its side, across its aim. */
  record Tube(
      @Field(says = "length of the tube", least = 1e-4, most = 10_000, unit = "m") double length,
      @Field(says = "radius of the tube", least = 1e-4, most = 1000, unit = "m") double radius)
      implements Faced {
    public Tube {
      RecordFields.check(Tube.class, length, radius);
    }

    @Override
    public boolean aimed() {
      return true;
    }

    @Override
    public String asset() {
      return null;
    }

    @Override
    public double faceRadius() {
      return Math.sqrt(length * 2 * radius / Math.PI);
    }

    @Override
    public Optional<Emitter> enlarged(double by) {
      return Optional.of(new Tube(length * by, radius * by));
    }
  }

  /** A point without size. */
  record Point(
      @Field(says = "how its intensity goes by direction, its pole towards the aim", usual = "null")
          Profile profile)
      implements Lamp {
    public Point {
      RecordFields.check(Point.class, profile);
    }

    @Override
    public boolean aimed() {
      return profile != null;
    }

    @Override
    public List<Brightness.Unit> units() {
      return POINT_UNITS;
    }

    @Override
    public String asset() {
      return null;
    }

    @Override
    public double faceRadius() {
      return 0;
    }

    @Override
    public Optional<Emitter> enlarged(double by) {
      return Optional.empty();
    }

    public Point() {
      this(null);
    }
  }

  /**
   * A lamp that throws a cone of light along its aim. Its cone, doors and pattern stand in a gate
   * in front of its source, so that a larger source softens their edges as it does every shadow.
   */
  record Spot(
      @Field(
              says = "full angle at which the light has gone",
              usual = "45",
              least = 0.1,
              most = 175,
              unit = "°")
          double coneDegrees,
      @Field(
              says = "part of the cone's half angle over which it goes",
              usual = "0.1",
              least = 0,
              most = 1)
          double feather,
      @Field(
              says = "radius of the round source, 0 for a point",
              usual = "0",
              least = 0,
              most = 100,
              unit = "m")
          double sourceRadius,
      @Field(
              says = "distance from the source to the gate",
              usual = "0.25",
              least = 0.001,
              most = 1000,
              unit = "m")
          double gateDistance,
      @Field(says = "how its intensity goes by direction within the cone", usual = "null")
          Profile profile,
      @Field(says = "pattern in the gate", usual = "null") Gobo gobo,
      @Field(says = "barn doors", usual = "null") Doors doors)
      implements Lamp {
    public Spot {
      RecordFields.check(
          Spot.class, coneDegrees, feather, sourceRadius, gateDistance, profile, gobo, doors);
    }

    @Override
    public boolean aimed() {
      return true;
    }

    @Override
    public List<Brightness.Unit> units() {
      return POINT_UNITS;
    }

    @Override
    public String asset() {
      return gobo == null ? null : gobo.picture();
    }

    @Override
    public double faceRadius() {
      return 0;
    }

    @Override
    public Optional<Emitter> enlarged(double by) {
      return Optional.of(
          new Spot(coneDegrees, feather, sourceRadius * by, gateDistance, profile, gobo, doors));
    }
  }

  /**
   * Barn doors: degrees from the axis to each leaf's edge, negative when a leaf reaches over the
   * axis; 90 is wide open.
   */
  record Doors(
      @Field(
              says =
                  "angle from the axis to the edge of the left leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              usual = "90",
              least = -80,
              most = 90,
              unit = "°")
          double left,
      @Field(
              says =
                  "angle from the axis to the edge of the right leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              usual = "90",
              least = -80,
              most = 90,
              unit = "°")
          double right,
      @Field(
              says =
                  "angle from the axis to the edge of the top leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              usual = "90",
              least = -80,
              most = 90,
              unit = "°")
          double top,
      @Field(
              says =
                  "angle from the axis to the edge of the bottom leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              usual = "90",
              least = -80,
              most = 90,
              unit = "°")
          double bottom) {
    public Doors {
      RecordFields.check(Doors.class, left, right, top, bottom);
    }
  }

  /** A sun: light from one direction, out of the aim's opposite, as far away as one likes. */
  record Sun(
      @Field(
              says = "angle across its disc, 0 for none; the sun of the earth has 0.53",
              usual = "0.53",
              least = 0,
              most = 90,
              unit = "°")
          double sizeDegrees)
      implements Unplaced {
    public Sun {
      RecordFields.check(Sun.class, sizeDegrees);
    }

    @Override
    public boolean aimed() {
      return true;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.LUX);
    }

    @Override
    public String asset() {
      return null;
    }
  }

  /** A surrounding picture, equirectangular and linear. */
  record Environment(
      @Field(says = "name of an equirectangular, linear picture") String picture,
      @Field(
              says = "turn about the upright axis",
              usual = "0",
              least = -36_000,
              most = 36_000,
              unit = "°")
          double rotationDegrees,
      @Field(
              says = "turn about the axis to the right, once turned",
              usual = "0",
              least = -180,
              most = 180,
              unit = "°")
          double tiltDegrees,
      @Field(says = "width of the blur, 0 for none", usual = "0", least = 0, most = 90, unit = "°")
          double blurDegrees,
      @Field(
              says = "part of the width over which the borders are blended",
              usual = "0",
              least = 0,
              most = 0.5)
          double seamBlend)
      implements Unplaced {
    public Environment {
      RecordFields.check(
          Environment.class, picture, rotationDegrees, tiltDegrees, blurDegrees, seamBlend);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.NIT);
    }

    @Override
    public String asset() {
      return picture;
    }

    /** A picture upright and sharp. */
    public Environment(String picture, double rotationDegrees) {
      this(picture, rotationDegrees, 0, 0, 0);
    }

    /** The same picture turned to another angle. */
    public Environment turned(double degrees) {
      return new Environment(picture, degrees, tiltDegrees, blurDegrees, seamBlend);
    }
  }

  /** A surrounding of a colour overhead and another beneath, even between them by height. */
  record Dome(
      @Field(says = "linear colour overhead", usual = "[1, 1, 1]", least = 0, most = 1) Rgb above,
      @Field(says = "linear colour beneath", usual = "[1, 1, 1]", least = 0, most = 1) Rgb below)
      implements Unplaced {
    public Dome {
      RecordFields.check(Dome.class, above, below);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.NIT);
    }

    @Override
    public String asset() {
      return null;
    }

    /** One even white. */
    public Dome() {
      this(Rgb.WHITE, Rgb.WHITE);
    }
  }

  /** The sky by day, at dusk and by night. */
  record Sky(@Field(says = "what the sky is computed from", usual = "{}") Daylight daylight)
      implements Unplaced {
    public Sky {
      RecordFields.check(Sky.class, daylight);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.TIMES);
    }

    @Override
    public String asset() {
      return null;
    }
  }

  /** The sun of a sky. */
  record SkySun(
      @Field(says = "id of the light that is the sky", text = Field.Text.ID) String sky,
      @Field(says = "angle across its disc", usual = "0.53", least = 0, most = 30, unit = "°")
          double sizeDegrees)
      implements Unplaced {
    public SkySun {
      RecordFields.check(SkySun.class, sky, sizeDegrees);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.TIMES);
    }

    @Override
    public String asset() {
      return null;
    }
  }

  /** A backdrop picture that fills the camera's frame behind everything and lights nothing. */
  record Plate(
      @Field(says = "name of a picture that fills the frame behind everything") String picture)
      implements Unplaced {
    public Plate {
      RecordFields.check(Plate.class, picture);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.NIT);
    }

    @Override
    public String asset() {
      return picture;
    }
  }

  /** All pieces of one material shine from their outsides. */
  record Emissive(
      @Field(says = "id of the material whose pieces shine from their outsides") String material,
      @Field(
              says =
                  "name of a picture on the pieces by their texture coordinates, times "
                      + "the luminance",
              usual = "null")
          String picture)
      implements Unplaced {
    public Emissive {
      RecordFields.check(Emissive.class, material, picture);
    }

    @Override
    public boolean aimed() {
      return false;
    }

    @Override
    public List<Brightness.Unit> units() {
      return List.of(Brightness.Unit.NIT);
    }

    @Override
    public String asset() {
      return picture;
    }

    /** Even luminance. */
    public Emissive(String material) {
      this(material, null);
    }
  }
}
