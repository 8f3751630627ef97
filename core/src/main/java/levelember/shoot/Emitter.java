package levelember.shoot;

/** What kind of light a light is, with its own dimensions in metres. */
public sealed interface Emitter {
  /** A flat rectangle that shines along its aim, from both sides if wished. */
  record Rectangle(double width, double height, boolean twoSided) implements Emitter {
    public Rectangle {
      Checks.range("width", width, 1e-4, 10_000);
      Checks.range("height", height, 1e-4, 10_000);
    }
  }

  /** A sphere that shines evenly in all directions. */
  record Sphere(double radius) implements Emitter {
    public Sphere {
      Checks.range("radius", radius, 1e-4, 10_000);
    }
  }

  /** A point without size. */
  record Point() implements Emitter {}

  /**
   * A surrounding picture, equirectangular and linear.
   *
   * @param picture name of the asset
   * @param turnDegrees about the upright axis
   */
  record Environment(String picture, double turnDegrees) implements Emitter {
    public Environment {
      Checks.name("picture", picture);
      Checks.range("turnDegrees", turnDegrees, -36_000, 36_000);
    }
  }

  /** A surrounding of one even luminance. */
  record Dome() implements Emitter {}

  /** All pieces of one material shine from their outsides. */
  record Emissive(String material) implements Emitter {
    public Emissive {
      Checks.name("material", material);
    }
  }
}
