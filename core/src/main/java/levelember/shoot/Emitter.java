package levelember.shoot;

/** What kind of light a light is, with its own dimensions in metres and degrees. */
public sealed interface Emitter {
  /**
   * A flat rectangle that shines along its aim.
   *
   * @param twoSided from both sides
   * @param spreadDegrees full angle that an egg-crate lets out; 180 is an open face
   * @param picture on the face, times its luminance, or null
   */
  record Rectangle(
      double width, double height, boolean twoSided, double spreadDegrees, String picture)
      implements Emitter {
    public Rectangle {
      Checks.range("width", width, 1e-4, 10_000);
      Checks.range("height", height, 1e-4, 10_000);
      Checks.range("spreadDegrees", spreadDegrees, 1, 180);
    }

    /** An open face of even luminance. */
    public Rectangle(double width, double height, boolean twoSided) {
      this(width, height, twoSided, 180, null);
    }
  }

  /** A flat disc that shines along its aim; the rest as {@link Rectangle}. */
  record Disc(double radius, boolean twoSided, double spreadDegrees, String picture)
      implements Emitter {
    public Disc {
      Checks.range("radius", radius, 1e-4, 10_000);
      Checks.range("spreadDegrees", spreadDegrees, 1, 180);
    }
  }

  /** A sphere that shines evenly in all directions. */
  record Sphere(double radius) implements Emitter {
    public Sphere {
      Checks.range("radius", radius, 1e-4, 10_000);
    }
  }

  /** A straight tube that shines from its side, across its aim. */
  record Tube(double length, double radius) implements Emitter {
    public Tube {
      Checks.range("length", length, 1e-4, 10_000);
      Checks.range("radius", radius, 1e-4, 1000);
    }
  }

  /**
   * A point without size.
   *
   * @param profile how its intensity goes by direction, its pole towards the aim, or null
   */
  record Point(Profile profile) implements Emitter {
    public Point() {
      this(null);
    }
  }

  /**
   * A lamp that throws a cone of light along its aim. Its cone, doors and pattern stand in a gate
   * in front of its source, so that a larger source softens their edges as it does every shadow.
   *
   * @param coneDegrees full angle at which the light has gone
   * @param feather part of the cone's half angle over which it goes, 0…1
   * @param sourceRadius of the round source, 0 for a point
   * @param gateDistance from the source to the gate
   * @param profile how its intensity goes by direction within the cone, or null
   * @param gobo pattern in the gate, or null
   * @param doors barn doors, or null
   */
  record Spot(
      double coneDegrees,
      double feather,
      double sourceRadius,
      double gateDistance,
      Profile profile,
      Gobo gobo,
      Doors doors)
      implements Emitter {
    public Spot {
      Checks.range("coneDegrees", coneDegrees, 0.1, 175);
      Checks.range("feather", feather, 0, 1);
      Checks.range("sourceRadius", sourceRadius, 0, 100);
      Checks.range("gateDistance", gateDistance, 0.001, 1000);
    }
  }

  /**
   * Barn doors: degrees from the axis to each leaf's edge, negative when a leaf reaches over the
   * axis; 90 is wide open.
   */
  record Doors(double left, double right, double top, double bottom) {
    public Doors {
      Checks.range("left", left, -80, 90);
      Checks.range("right", right, -80, 90);
      Checks.range("top", top, -80, 90);
      Checks.range("bottom", bottom, -80, 90);
    }
  }

  /**
   * A sun: light from one direction, out of the aim's opposite, as far away as one likes.
   *
   * @param sizeDegrees angle across its disc, 0 for none; the sun of the earth has 0.53
   */
  record Sun(double sizeDegrees) implements Emitter {
    public Sun {
      Checks.range("sizeDegrees", sizeDegrees, 0, 90);
    }
  }

  /**
   * A surrounding picture, equirectangular and linear.
   *
   * @param picture name of the asset
   * @param rotationDegrees about the upright axis
   * @param tiltDegrees about the axis to the right, once turned
   * @param blurDegrees width of the blur, 0 for none
   * @param seamBlend part of the width over which the borders are blended, 0…0.5
   */
  record Environment(
      String picture,
      double rotationDegrees,
      double tiltDegrees,
      double blurDegrees,
      double seamBlend)
      implements Emitter {
    public Environment {
      Checks.name("picture", picture);
      Checks.range("rotationDegrees", rotationDegrees, -36_000, 36_000);
      Checks.range("tiltDegrees", tiltDegrees, -180, 180);
      Checks.range("blurDegrees", blurDegrees, 0, 90);
      Checks.range("seamBlend", seamBlend, 0, 0.5);
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

  /**
   * A surrounding of a colour overhead and another beneath, even between them by height.
   *
   * @param above linear, 0…1
   * @param below linear, 0…1
   */
  record Dome(Rgb above, Rgb below) implements Emitter {
    public Dome {
      above.checked("above", 1);
      below.checked("below", 1);
    }

    /** One even white. */
    public Dome() {
      this(Rgb.WHITE, Rgb.WHITE);
    }
  }

  /** The sky by day, at dusk and by night. */
  record Sky(Daylight daylight) implements Emitter {}

  /**
   * The sun of a sky.
   *
   * @param sky id of the light that is the sky
   * @param sizeDegrees angle across its disc
   */
  record SkySun(String sky, double sizeDegrees) implements Emitter {
    public SkySun {
      Checks.id(sky);
      Checks.range("sizeDegrees", sizeDegrees, 0, 30);
    }
  }

  /**
   * A backdrop picture that fills the camera's frame behind everything and lights nothing.
   *
   * @param picture name of the asset
   */
  record Plate(String picture) implements Emitter {
    public Plate {
      Checks.name("picture", picture);
    }
  }

  /**
   * All pieces of one material shine from their outsides.
   *
   * @param picture on the pieces by their own places, times the luminance, or null
   */
  record Emissive(String material, String picture) implements Emitter {
    public Emissive {
      Checks.name("material", material);
    }

    /** Even luminance. */
    public Emissive(String material) {
      this(material, null);
    }
  }
}
