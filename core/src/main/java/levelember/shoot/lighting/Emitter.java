package levelember.shoot.lighting;

import java.util.List;
import java.util.Optional;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/**
 * What kind of light a light is, with its own dimensions in metres and degrees. What the rest of
 * the program asks of a kind stands here; what it emits, and how it is sampled, in the light
 * package.
 */
public sealed interface Emitter {
  /** Whether it faces its light's aim. */
  default boolean aimed() {
    return switch (this) {
      case Rectangle _, Disc _, Tube _, Spot _, Sun _ -> true;
      case Point p -> p.profile() != null;
      case Sphere _, Environment _, Dome _, Sky _, SkySun _, Plate _, Emissive _ -> false;
    };
  }

  /** Whether it stands at its light's position, as far from what it lights as that is. */
  default boolean placed() {
    return switch (this) {
      case Rectangle _, Disc _, Sphere _, Tube _, Point _, Spot _ -> true;
      case Sun _, Environment _, Dome _, Sky _, SkySun _, Plate _, Emissive _ -> false;
    };
  }

  /** Whether it shines to all sides, whichever way it is turned. */
  default boolean omnidirectional() {
    return switch (this) {
      case Sphere _, Tube _, Point _, Dome _, Environment _, Sky _ -> true;
      case Rectangle _, Disc _, Spot _, Sun _, SkySun _, Plate _, Emissive _ -> false;
    };
  }

  /**
   * Lengths across its source, metres: width and height of a rectangle, the greatest one of others;
   * none of a point and of what has no place.
   */
  default List<Double> extents() {
    return switch (this) {
      case Rectangle r -> List.of(r.width(), r.height());
      case Disc d -> List.of(2 * d.radius());
      case Sphere s -> List.of(2 * s.radius());
      case Tube t -> List.of(t.length());
      case Spot s -> List.of(2 * s.sourceRadius());
      case Point _, Sun _, Environment _, Dome _, Sky _, SkySun _, Plate _, Emissive _ -> List.of();
    };
  }

  /** Angle across a source without a place, degrees; infinite where it is no lamp in the sky. */
  default double angularDiameterDegrees() {
    return switch (this) {
      case Sun s -> s.sizeDegrees();
      case SkySun s -> s.sizeDegrees();
      case Environment _, Dome _, Sky _, Plate _, Emissive _ -> Double.POSITIVE_INFINITY;
      case Rectangle _, Disc _, Sphere _, Tube _, Point _, Spot _ -> 0;
    };
  }

  /** Units that its brightness may be said in; the first is the usual one. */
  default List<Brightness.Unit> units() {
    return switch (this) {
      case Rectangle _, Disc _, Sphere _, Tube _ -> FACE_UNITS;
      case Point _, Spot _ -> POINT_UNITS;
      case Sun _ -> List.of(Brightness.Unit.LUX);
      case Sky _, SkySun _ -> List.of(Brightness.Unit.TIMES);
      case Environment _, Dome _, Plate _, Emissive _ -> List.of(Brightness.Unit.NIT);
    };
  }

  /** Name of the picture that it needs of the shoot's assets, or null. */
  default String asset() {
    return switch (this) {
      case Rectangle r -> r.picture();
      case Disc d -> d.picture();
      case Spot s -> s.gobo() == null ? null : s.gobo().picture();
      case Environment e -> e.picture();
      case Plate p -> p.picture();
      case Emissive e -> e.picture();
      case Sphere _, Tube _, Point _, Sun _, Dome _, Sky _, SkySun _ -> null;
    };
  }

  /** Radius of a disc as large as its face is seen, metres; 0 for what has none. */
  default double faceRadius() {
    return switch (this) {
      case Rectangle r -> Math.sqrt(r.width() * r.height() / Math.PI);
      case Disc d -> d.radius();
      case Sphere s -> s.radius();
      case Tube t -> Math.sqrt(t.length() * 2 * t.radius() / Math.PI);
      case Point _, Spot _, Sun _, Environment _, Dome _, Sky _, SkySun _, Plate _, Emissive _ -> 0;
    };
  }

  /** The same with its source so many times as wide and as high; empty for what has no size. */
  default Optional<Emitter> scaled(double by) {
    return Optional.ofNullable(
        switch (this) {
          case Rectangle r ->
              new Rectangle(
                  r.width() * by, r.height() * by, r.twoSided(), r.spreadDegrees(), r.picture());
          case Disc d -> new Disc(d.radius() * by, d.twoSided(), d.spreadDegrees(), d.picture());
          case Sphere s -> new Sphere(s.radius() * by);
          case Tube t -> new Tube(t.length() * by, t.radius() * by);
          case Spot s -> s.withSourceRadius(s.sourceRadius() * by);
          case Point _, Sun _, Environment _, Dome _, Sky _, SkySun _, Plate _, Emissive _ -> null;
        });
  }

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

  /** A flat rectangle that shines along its aim. */
  record Rectangle(
      @Field(meaning = "width of the face", min = 1e-4, max = 10_000, unit = "m") double width,
      @Field(meaning = "height of the face", min = 1e-4, max = 10_000, unit = "m") double height,
      @Field(meaning = "shines from both sides", defaultValue = "false") boolean twoSided,
      @Field(
              meaning = "full angle that an egg-crate lets out; 180 is an open face",
              defaultValue = "180",
              min = 1,
              max = 180,
              unit = "°")
          double spreadDegrees,
      @Field(meaning = "name of a picture on the face, times its luminance", defaultValue = "null")
          String picture)
      implements Emitter {
    public Rectangle {
      RecordFields.check(Rectangle.class, width, height, twoSided, spreadDegrees, picture);
    }

    /** An open face of even luminance. */
    public Rectangle(double width, double height, boolean twoSided) {
      this(width, height, twoSided, 180, null);
    }
  }

  /** A flat disc that shines along its aim; the rest as {@link Rectangle}. */
  record Disc(
      @Field(meaning = "radius of the face", min = 1e-4, max = 10_000, unit = "m") double radius,
      @Field(meaning = "shines from both sides", defaultValue = "false") boolean twoSided,
      @Field(
              meaning = "full angle that an egg-crate lets out; 180 is an open face",
              defaultValue = "180",
              min = 1,
              max = 180,
              unit = "°")
          double spreadDegrees,
      @Field(meaning = "name of a picture on the face, times its luminance", defaultValue = "null")
          String picture)
      implements Emitter {
    public Disc {
      RecordFields.check(Disc.class, radius, twoSided, spreadDegrees, picture);
    }
  }

  /** A sphere that shines evenly in all directions. */
  record Sphere(
      @Field(meaning = "radius of the sphere", min = 1e-4, max = 10_000, unit = "m") double radius)
      implements Emitter {
    public Sphere {
      RecordFields.check(Sphere.class, radius);
    }
  }

  /** A straight tube that shines from its side, across its aim. */
  record Tube(
      @Field(meaning = "length of the tube", min = 1e-4, max = 10_000, unit = "m") double length,
      @Field(meaning = "radius of the tube", min = 1e-4, max = 1000, unit = "m") double radius)
      implements Emitter {
    public Tube {
      RecordFields.check(Tube.class, length, radius);
    }
  }

  /** A point without size. */
  record Point(
      @Field(
              meaning = "how its intensity goes by direction, its pole towards the aim",
              defaultValue = "null")
          Profile profile)
      implements Emitter {
    public Point {
      RecordFields.check(Point.class, profile);
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
              meaning = "full angle at which the light has gone",
              defaultValue = "45",
              min = 0.1,
              max = 175,
              unit = "°")
          double coneDegrees,
      @Field(
              meaning = "part of the cone's half angle over which it goes",
              defaultValue = "0.1",
              min = 0,
              max = 1)
          double feather,
      @Field(
              meaning = "radius of the round source, 0 for a point",
              defaultValue = "0",
              min = 0,
              max = 100,
              unit = "m")
          double sourceRadius,
      @Field(
              meaning = "distance from the source to the gate",
              defaultValue = "0.25",
              min = 0.001,
              max = 1000,
              unit = "m")
          double gateDistance,
      @Field(meaning = "how its intensity goes by direction within the cone", defaultValue = "null")
          Profile profile,
      @Field(meaning = "pattern in the gate", defaultValue = "null") Gobo gobo,
      @Field(meaning = "barn doors", defaultValue = "null") Doors doors)
      implements Emitter {
    public Spot {
      RecordFields.check(
          Spot.class, coneDegrees, feather, sourceRadius, gateDistance, profile, gobo, doors);
    }

    Spot withSourceRadius(double radius) {
      return new Spot(coneDegrees, feather, radius, gateDistance, profile, gobo, doors);
    }
  }

  /**
   * Barn doors: degrees from the axis to each leaf's edge, negative when a leaf reaches over the
   * axis; 90 is wide open.
   */
  record Doors(
      @Field(
              meaning =
                  "angle from the axis to the edge of the left leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              defaultValue = "90",
              min = -80,
              max = 90,
              unit = "°")
          double left,
      @Field(
              meaning =
                  "angle from the axis to the edge of the right leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              defaultValue = "90",
              min = -80,
              max = 90,
              unit = "°")
          double right,
      @Field(
              meaning =
                  "angle from the axis to the edge of the top leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              defaultValue = "90",
              min = -80,
              max = 90,
              unit = "°")
          double top,
      @Field(
              meaning =
                  "angle from the axis to the edge of the bottom leaf; 90 is wide open, "
                      + "below 0 it reaches over the axis",
              defaultValue = "90",
              min = -80,
              max = 90,
              unit = "°")
          double bottom) {
    public Doors {
      RecordFields.check(Doors.class, left, right, top, bottom);
    }
  }

  /** A sun: light from one direction, out of the aim's opposite, as far away as one likes. */
  record Sun(
      @Field(
              meaning = "angle across its disc, 0 for none; the sun of the earth has 0.53",
              defaultValue = "0.53",
              min = 0,
              max = 90,
              unit = "°")
          double sizeDegrees)
      implements Emitter {
    public Sun {
      RecordFields.check(Sun.class, sizeDegrees);
    }
  }

  /** A surrounding picture, equirectangular and linear. */
  record Environment(
      @Field(meaning = "name of an equirectangular, linear picture") String picture,
      @Field(
              meaning = "turn about the upright axis",
              defaultValue = "0",
              min = -36_000,
              max = 36_000,
              unit = "°")
          double rotationDegrees,
      @Field(
              meaning = "turn about the axis to the right, once turned",
              defaultValue = "0",
              min = -180,
              max = 180,
              unit = "°")
          double tiltDegrees,
      @Field(
              meaning = "width of the blur, 0 for none",
              defaultValue = "0",
              min = 0,
              max = 90,
              unit = "°")
          double blurDegrees,
      @Field(
              meaning = "part of the width over which the borders are blended",
              defaultValue = "0",
              min = 0,
              max = 0.5)
          double seamBlend)
      implements Emitter {
    public Environment {
      RecordFields.check(
          Environment.class, picture, rotationDegrees, tiltDegrees, blurDegrees, seamBlend);
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
      @Field(meaning = "linear colour overhead", defaultValue = "[1, 1, 1]", min = 0, max = 1)
          Rgb above,
      @Field(meaning = "linear colour beneath", defaultValue = "[1, 1, 1]", min = 0, max = 1)
          Rgb below)
      implements Emitter {
    public Dome {
      RecordFields.check(Dome.class, above, below);
    }

    /** One even white. */
    public Dome() {
      this(Rgb.WHITE, Rgb.WHITE);
    }
  }

  /** The sky by day, at dusk and by night. */
  record Sky(
      @Field(meaning = "what the sky is computed from", defaultValue = "{}") Daylight daylight)
      implements Emitter {
    public Sky {
      RecordFields.check(Sky.class, daylight);
    }
  }

  /** The sun of a sky. */
  record SkySun(
      @Field(meaning = "id of the light that is the sky", text = Field.Text.ID) String sky,
      @Field(
              meaning = "angle across its disc",
              defaultValue = "0.53",
              min = 0,
              max = 30,
              unit = "°")
          double sizeDegrees)
      implements Emitter {
    public SkySun {
      RecordFields.check(SkySun.class, sky, sizeDegrees);
    }
  }

  /** A backdrop picture that fills the camera's frame behind everything and lights nothing. */
  record Plate(
      @Field(meaning = "name of a picture that fills the frame behind everything") String picture)
      implements Emitter {
    public Plate {
      RecordFields.check(Plate.class, picture);
    }
  }

  /** All pieces of one material shine from their outsides. */
  record Emissive(
      @Field(meaning = "id of the material whose pieces shine from their outsides") String material,
      @Field(
              meaning =
                  "name of a picture on the pieces by their texture coordinates, times "
                      + "the luminance",
              defaultValue = "null")
          String picture)
      implements Emitter {
    public Emissive {
      RecordFields.check(Emissive.class, material, picture);
    }

    /** Even luminance. */
    public Emissive(String material) {
      this(material, null);
    }
  }
}
