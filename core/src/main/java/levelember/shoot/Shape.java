package levelember.shoot;

import java.util.List;
import levelember.math.Vec3;

/**
 * The form of a piece, in its own frame: it stands on y = 0 round the origin where that makes sense
 * (box, cylinder, cone, lathe, sweep), and is centred on the origin otherwise (sphere, torus,
 * rectangle, mesh as given). All lengths in metres.
 */
public sealed interface Shape {
  double LEAST = 1e-5;
  double MOST = 10_000;

  /** A level rectangle of ground, facing up. */
  record Floor(double width, double depth) implements Shape {
    public Floor {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("depth", depth, LEAST, MOST);
    }
  }

  /**
   * A sheet of backdrop paper: level in front, rising behind through a quarter circle of the given
   * radius. The front edge is at z = depth, the upright at z = 0.
   */
  record Sweep(double width, double depth, double height, double radius) implements Shape {
    public Sweep {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("depth", depth, LEAST, MOST);
      Checks.range("height", height, LEAST, MOST);
      Checks.range("radius", radius, LEAST, Math.min(depth, height));
    }
  }

  /** A box with rounded edges; a rounding of 0 gives sharp ones. */
  record Box(double width, double height, double depth, double rounding) implements Shape {
    public Box {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("height", height, LEAST, MOST);
      Checks.range("depth", depth, LEAST, MOST);
      Checks.range("rounding", rounding, 0, Math.min(width, Math.min(height, depth)) / 2);
    }
  }

  /** A sphere round the origin. */
  record Sphere(double radius) implements Shape {
    public Sphere {
      Checks.range("radius", radius, LEAST, MOST);
    }
  }

  /** An upright closed cylinder whose two rims are rounded. */
  record Cylinder(double radius, double height, double rounding) implements Shape {
    public Cylinder {
      Checks.range("radius", radius, LEAST, MOST);
      Checks.range("height", height, LEAST, MOST);
      Checks.range("rounding", rounding, 0, Math.min(radius, height / 2));
    }
  }

  /** An upright closed cone, cut off at the top unless that radius is 0. */
  record Cone(double radius, double top, double height) implements Shape {
    public Cone {
      Checks.range("radius", radius, LEAST, MOST);
      Checks.range("top", top, 0, MOST);
      Checks.range("height", height, LEAST, MOST);
    }
  }

  /** A level ring: {@code radius} to the middle of the tube of radius {@code tube}. */
  record Torus(double radius, double tube) implements Shape {
    public Torus {
      Checks.range("radius", radius, LEAST, MOST);
      Checks.range("tube", tube, LEAST, radius);
    }
  }

  /**
   * A profile turned about the Y axis.
   *
   * @param profile corners from bottom to top, outside to the right; two at least
   * @param closed true joins the last corner to the first (a ring with that cross-section)
   * @param creaseDegrees corners that bend more than this stay sharp, the others shade smoothly
   */
  record Lathe(List<Corner> profile, boolean closed, double creaseDegrees) implements Shape {
    public Lathe {
      profile = List.copyOf(profile);
      Checks.range("profile.length", profile.size(), 2, 10_000);
      Checks.range("creaseDegrees", creaseDegrees, 0, 180);
    }
  }

  /**
   * A corner of a lathe's profile.
   *
   * @param radius distance from the axis
   * @param height along the axis
   */
  record Corner(double radius, double height) {
    public Corner {
      Checks.range("radius", radius, 0, MOST);
      Checks.range("height", height, -MOST, MOST);
    }
  }

  /** A flat upright rectangle round the origin that faces +Z and is seen from both sides. */
  record Rectangle(double width, double height) implements Shape {
    public Rectangle {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("height", height, LEAST, MOST);
    }
  }

  /** An upright rectangle round the origin that faces +Z, bent round an upright axis in front. */
  record Card(double width, double height, double bendDegrees) implements Shape {
    public Card {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("height", height, LEAST, MOST);
      Checks.range("bendDegrees", bendDegrees, -350, 350);
    }
  }

  /**
   * A room with walls, floor and ceiling, its inside standing on y = 0 round the origin.
   *
   * @param thickness of walls, floor and ceiling, outwards
   * @param openings windows and doors
   */
  record Room(double width, double depth, double height, double thickness, List<Opening> openings)
      implements Shape {
    public Room {
      Checks.range("width", width, 0.01, MOST);
      Checks.range("depth", depth, 0.01, MOST);
      Checks.range("height", height, 0.01, MOST);
      Checks.range("thickness", thickness, 0.001, 10);
      openings = List.copyOf(openings);
      Checks.range("openings.length", openings.size(), 0, 200);
    }
  }

  /** A side of a room, seen from inside with −Z ahead. */
  enum Wall {
    AHEAD,
    RIGHT,
    BEHIND,
    LEFT
  }

  /**
   * A hole in a wall, cut off where it would leave the wall.
   *
   * @param across from the wall's middle to the hole's, to the right as seen from inside
   * @param sill height of its lower edge
   */
  record Opening(Wall wall, double across, double sill, double width, double height) {
    public Opening {
      Checks.range("across", across, -MOST, MOST);
      Checks.range("sill", sill, 0, MOST);
      Checks.range("width", width, LEAST, MOST);
      Checks.range("height", height, LEAST, MOST);
    }
  }

  /**
   * A round tube along a curve through points (a centripetal Catmull-Rom spline), its ends closed.
   *
   * @param points places that it passes, two at least
   * @param closed joins the last to the first
   */
  record Tube(List<Vec3> points, double radius, boolean closed) implements Shape {
    public Tube {
      points = List.copyOf(points);
      Checks.range("points.length", points.size(), closed ? 3 : 2, 2000);
      for (int i = 0; i < points.size(); i++) {
        Checks.place("points[" + i + "]", points.get(i));
        if (i > 0 && points.get(i).minus(points.get(i - 1)).length() < 1e-6) {
          throw new ImpossibleValue(
              "points[" + i + "]", points.get(i), "apart from the one before");
        }
      }
      Checks.range("radius", radius, LEAST, MOST);
    }
  }

  /**
   * Open water, its level at y = 0, that moves with time.
   *
   * @param deep metres down to a flat bottom, which closes the body; 0 is the surface alone, over
   *     water of any depth
   * @param waves that run over all of it
   * @param rings of ripples about points
   * @param fine ripples too fine for the surface itself, or null
   * @param seconds on the clock of the water
   */
  record Water(
      double width,
      double depth,
      double deep,
      Waves waves,
      List<RippleRing> rings,
      FineRipples fine,
      double seconds)
      implements Shape {
    public Water {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("depth", depth, LEAST, MOST);
      Checks.range("deep", deep, 0, MOST);
      rings = List.copyOf(rings);
      Checks.range("ripples.length", rings.size(), 0, 32);
      Checks.range("seconds", seconds, -1e6, 1e6);
    }

    /** Water with waves alone. */
    public Water(double width, double depth, double deep, Waves waves, double seconds) {
      this(width, depth, deep, waves, List.of(), null, seconds);
    }

    /** The same at another time. */
    public Water at(double otherSeconds) {
      return new Water(width, depth, deep, waves, rings, fine, otherSeconds);
    }
  }

  /**
   * Uneven ground round the origin, its mean at about y = 0.
   *
   * @param rise metres between its lowest and highest, about
   * @param feature metres across its largest forms
   * @param roughness how much the smaller forms keep of it: 0 smooth … 1 jagged
   * @param seed another ground of the same kind
   */
  record Ground(double width, double depth, double rise, double feature, double roughness, int seed)
      implements Shape {
    public Ground {
      Checks.range("width", width, LEAST, MOST);
      Checks.range("depth", depth, LEAST, MOST);
      Checks.range("rise", rise, 0, 1000);
      Checks.range("feature", feature, 0.001, MOST);
      Checks.range("roughness", roughness, 0, 1);
      Checks.range("seed", seed, 0, 1_000_000);
    }
  }

  /**
   * A line of raised letters that stands on y = 0, its middle over the origin, and faces +Z.
   *
   * @param text the letters, 1…200
   * @param height of a capital
   * @param depth from front to back
   * @param bevel of the front and back edges, up to a twentieth of the height
   * @param spacing between letters over the typeface's own, in heights, −0.2…2
   */
  record Text(String text, double height, double depth, double bevel, double spacing)
      implements Shape {
    public Text {
      if (text == null || text.isBlank() || text.length() > 200) {
        throw new ImpossibleValue("text", text, "1 to 200 characters");
      }
      Checks.range("height", height, LEAST, MOST);
      Checks.range("depth", depth, LEAST, MOST);
      Checks.range("bevel", bevel, 0, Math.min(height / 20, depth / 2));
      Checks.range("spacing", spacing, -0.2, 2);
    }
  }

  /**
   * The edges of another shape as round struts.
   *
   * @param of any shape but a model or struts
   * @param radius of a strut
   */
  record Struts(Shape of, double radius) implements Shape {
    public Struts {
      if (of instanceof Struts || of instanceof Model || of instanceof Smooth) {
        throw new ImpossibleValue("of.kind", "struts, smooth or model", "another kind of shape");
      }
      Checks.range("radius", radius, LEAST, MOST);
    }
  }

  /**
   * Another shape shaded smoothly, and made finer.
   *
   * @param of any shape but one made smooth or struts
   * @param creaseDegrees edges that bend more than this stay sharp
   * @param subdivisions how often every triangle becomes four, 0…5
   */
  record Smooth(Shape of, double creaseDegrees, int subdivisions) implements Shape {
    public Smooth {
      if (of instanceof Smooth || of instanceof Struts) {
        throw new ImpossibleValue("of.kind", "smooth or struts", "another kind of shape");
      }
      Checks.range("creaseDegrees", creaseDegrees, 0, 180);
      Checks.range("subdivisions", subdivisions, 0, 5);
    }
  }

  /**
   * A part of a mesh of a model file among the shoot's assets.
   *
   * @param file name of the asset
   * @param mesh number of the mesh in the file
   * @param part number of the part of that mesh
   */
  record Model(String file, int mesh, int part) implements Shape {
    public Model {
      Checks.name("file", file);
      Checks.range("mesh", mesh, 0, 1_000_000);
      Checks.range("part", part, 0, 1_000_000);
    }
  }

  /**
   * Triangles as given.
   *
   * @param positions x, y, z of each corner
   * @param normals x, y, z of each corner's normal, or empty for flat shading
   * @param triangles three corner numbers a triangle, counter-clockwise seen from outside
   */
  record Mesh(List<Double> positions, List<Double> normals, List<Integer> triangles)
      implements Shape {
    public Mesh {
      positions = List.copyOf(positions);
      normals = List.copyOf(normals);
      triangles = List.copyOf(triangles);
      if (positions.size() < 9 || positions.size() % 3 != 0) {
        throw new ImpossibleValue("positions.length", positions.size(), "3 times 3 or more");
      }
      for (int i = 0; i < positions.size(); i++) {
        Checks.range("positions[" + i + "]", positions.get(i), -MOST, MOST);
      }
      if (!normals.isEmpty() && normals.size() != positions.size()) {
        throw new ImpossibleValue(
            "normals.length", normals.size(), "0 or as many as positions, " + positions.size());
      }
      for (int i = 0; i < normals.size(); i++) {
        Checks.range("normals[" + i + "]", normals.get(i), -1.01, 1.01);
      }
      if (triangles.isEmpty() || triangles.size() % 3 != 0) {
        throw new ImpossibleValue("triangles.length", triangles.size(), "3 times 1 or more");
      }
      for (int i = 0; i < triangles.size(); i++) {
        Checks.range("triangles[" + i + "]", triangles.get(i), 0, positions.size() / 3 - 1);
      }
    }
  }
}
