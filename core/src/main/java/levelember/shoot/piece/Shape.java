package levelember.shoot.piece;

import java.util.List;
import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.Inline;
import levelember.document.RecordFields;
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
  record Floor(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "depth", min = LEAST, max = MOST, unit = "m") double depth)
      implements Shape {
    public Floor {
      RecordFields.check(Floor.class, width, depth);
    }
  }

  /**
   * A sheet of backdrop paper: level in front, rising behind through a quarter circle of the given
   * radius. The front edge is at z = depth, the upright at z = 0.
   */
  record Sweep(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "depth of the level part", min = LEAST, max = MOST, unit = "m") double depth,
      @Field(meaning = "height behind", min = LEAST, max = MOST, unit = "m") double height,
      @Field(
              meaning = "radius of the quarter circle between, at most depth and height",
              min = LEAST,
              max = MOST,
              unit = "m")
          double radius)
      implements Shape {
    public Sweep {
      RecordFields.check(Sweep.class, width, depth, height, radius);
      Checks.range("radius", radius, LEAST, Math.min(depth, height));
    }
  }

  /** A box with rounded edges; a rounding of 0 gives sharp ones. */
  record Box(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "height", min = LEAST, max = MOST, unit = "m") double height,
      @Field(meaning = "depth", min = LEAST, max = MOST, unit = "m") double depth,
      @Field(
              meaning = "radius of the edges, at most half the shortest side",
              defaultValue = "0",
              min = 0,
              max = MOST / 2,
              unit = "m")
          double rounding)
      implements Shape {
    public Box {
      RecordFields.check(Box.class, width, height, depth, rounding);
      Checks.range("rounding", rounding, 0, Math.min(width, Math.min(height, depth)) / 2);
    }
  }

  /** A sphere round the origin. */
  record Sphere(@Field(meaning = "radius", min = LEAST, max = MOST, unit = "m") double radius)
      implements Shape {
    public Sphere {
      RecordFields.check(Sphere.class, radius);
    }
  }

  /** An upright closed cylinder whose two rims are rounded. */
  record Cylinder(
      @Field(meaning = "radius", min = LEAST, max = MOST, unit = "m") double radius,
      @Field(meaning = "height", min = LEAST, max = MOST, unit = "m") double height,
      @Field(
              meaning = "radius of the rims, at most radius and half the height",
              defaultValue = "0",
              min = 0,
              max = MOST,
              unit = "m")
          double rounding)
      implements Shape {
    public Cylinder {
      RecordFields.check(Cylinder.class, radius, height, rounding);
      Checks.range("rounding", rounding, 0, Math.min(radius, height / 2));
    }
  }

  /** An upright closed cone, cut off at the top unless that radius is 0. */
  record Cone(
      @Field(meaning = "radius below", min = LEAST, max = MOST, unit = "m") double radius,
      @Field(
              meaning = "radius above; 0 is a point",
              defaultValue = "0.0",
              min = 0,
              max = MOST,
              unit = "m")
          double top,
      @Field(meaning = "height", min = LEAST, max = MOST, unit = "m") double height)
      implements Shape {
    public Cone {
      RecordFields.check(Cone.class, radius, top, height);
    }
  }

  /** A level ring: {@code radius} to the middle of the tube of radius {@code tube}. */
  record Torus(
      @Field(meaning = "radius to the middle of the tube", min = LEAST, max = MOST, unit = "m")
          double radius,
      @Field(
              meaning = "radius of the tube, at most that of the ring",
              min = LEAST,
              max = MOST,
              unit = "m")
          double tube)
      implements Shape {
    public Torus {
      RecordFields.check(Torus.class, radius, tube);
      Checks.range("tube", tube, LEAST, radius);
    }
  }

  /** A profile turned about the Y axis. */
  record Lathe(
      @Field(
              meaning = "corners from bottom to top, outside to the right",
              minEntries = 2,
              maxEntries = 10_000)
          List<Corner> profile,
      @Field(meaning = "joins the last corner to the first", defaultValue = "false") boolean closed,
      @Field(
              meaning = "corners that bend more than this stay sharp, the others shade smoothly",
              defaultValue = "35",
              min = 0,
              max = 180,
              unit = "°")
          double creaseDegrees)
      implements Shape {
    public Lathe {
      RecordFields.check(Lathe.class, profile, closed, creaseDegrees);
      profile = List.copyOf(profile);
    }
  }

  /** A corner of a lathe's profile. */
  record Corner(
      @Field(meaning = "distance from the axis", min = 0, max = MOST, unit = "m") double radius,
      @Field(meaning = "height along the axis", min = -MOST, max = MOST, unit = "m")
          double height) {
    public Corner {
      RecordFields.check(Corner.class, radius, height);
    }
  }

  /** A flat upright rectangle round the origin that faces +Z and is seen from both sides. */
  record Rectangle(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "height", min = LEAST, max = MOST, unit = "m") double height)
      implements Shape {
    public Rectangle {
      RecordFields.check(Rectangle.class, width, height);
    }
  }

  /** An upright rectangle round the origin that faces +Z, bent round an upright axis in front. */
  record Card(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "height", min = LEAST, max = MOST, unit = "m") double height,
      @Field(
              meaning = "bend round an upright axis in front",
              defaultValue = "0",
              min = -350,
              max = 350,
              unit = "°")
          double bendDegrees)
      implements Shape {
    public Card {
      RecordFields.check(Card.class, width, height, bendDegrees);
    }
  }

  /** A room with walls, floor and ceiling, its inside standing on y = 0 round the origin. */
  record Room(
      @Field(meaning = "width inside", min = 0.01, max = MOST, unit = "m") double width,
      @Field(meaning = "depth inside", min = 0.01, max = MOST, unit = "m") double depth,
      @Field(meaning = "height inside", min = 0.01, max = MOST, unit = "m") double height,
      @Field(
              meaning = "thickness of walls, floor and ceiling, outwards",
              defaultValue = "0.2",
              min = 0.001,
              max = 10,
              unit = "m")
          double thickness,
      @Field(meaning = "windows and doors", defaultValue = "[]", maxEntries = 200)
          List<Opening> openings)
      implements Shape {
    public Room {
      RecordFields.check(Room.class, width, depth, height, thickness, openings);
      openings = List.copyOf(openings);
    }
  }

  /** A side of a room, seen from inside with −Z ahead. */
  enum Wall {
    AHEAD,
    RIGHT,
    BEHIND,
    LEFT
  }

  /** A hole in a wall, cut off where it would leave the wall. */
  record Opening(
      @Field(
              meaning = "side of the room, seen from inside with −Z ahead",
              defaultValue = "\"ahead\"")
          Wall wall,
      @Field(
              meaning = "from the wall's middle to the opening's, to the right as seen from inside",
              defaultValue = "0",
              min = -MOST,
              max = MOST,
              unit = "m")
          double across,
      @Field(
              meaning = "height of its lower edge",
              defaultValue = "0",
              min = 0,
              max = MOST,
              unit = "m")
          double sill,
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "height", min = LEAST, max = MOST, unit = "m") double height) {
    public Opening {
      RecordFields.check(Opening.class, wall, across, sill, width, height);
    }
  }

  /**
   * A round tube along a curve through points (a centripetal Catmull-Rom spline), its ends closed.
   */
  record Tube(
      @Field(
              meaning = "points that it passes, two and more; three where it is closed",
              min = -1e5,
              max = 1e5,
              unit = "m",
              minEntries = 2,
              maxEntries = 2000)
          List<Vec3> points,
      @Field(meaning = "radius of the tube", min = LEAST, max = MOST, unit = "m") double radius,
      @Field(meaning = "joins the last to the first", defaultValue = "false") boolean closed)
      implements Shape {
    public Tube {
      RecordFields.check(Tube.class, points, radius, closed);
      points = List.copyOf(points);
      Checks.range("points.length", points.size(), closed ? 3 : 2, 2000);
      for (int i = 0; i < points.size(); i++) {
        if (i > 0 && points.get(i).minus(points.get(i - 1)).length() < 1e-6) {
          throw new ImpossibleValue(
              "points[" + i + "]", points.get(i), "apart from the one before");
        }
      }
    }
  }

  /** Open water, its level at y = 0, that moves with time. */
  record Water(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "depth, along Z", min = LEAST, max = MOST, unit = "m") double depth,
      @Field(
              meaning =
                  "depth down to a flat bottom, which closes the body; 0 is the surface alone",
              defaultValue = "0",
              min = 0,
              max = MOST,
              unit = "m")
          double deep,
      @Inline Waves waves,
      @Field(
              meaning = "rings of ripples about points",
              name = "ripples",
              defaultValue = "[]",
              maxEntries = 32)
          List<RippleRing> rings,
      @Field(meaning = "ripples too fine for the surface itself", defaultValue = "null")
          FineRipples fine,
      @Field(
              meaning = "time on the clock of the water",
              defaultValue = "0",
              min = -1e6,
              max = 1e6,
              unit = "s")
          double seconds)
      implements Shape {
    public Water {
      RecordFields.check(Water.class, width, depth, deep, waves, rings, fine, seconds);
      rings = List.copyOf(rings);
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

  /** Uneven ground round the origin, its mean at about y = 0. */
  record Ground(
      @Field(meaning = "width", min = LEAST, max = MOST, unit = "m") double width,
      @Field(meaning = "depth", min = LEAST, max = MOST, unit = "m") double depth,
      @Field(
              meaning = "height between its lowest and highest, about",
              min = 0,
              max = 1000,
              unit = "m")
          double rise,
      @Field(meaning = "size of its largest forms", min = 0.001, max = MOST, unit = "m")
          double feature,
      @Field(
              meaning = "how much the smaller forms keep of it: 0 smooth … 1 jagged",
              defaultValue = "0.5",
              min = 0,
              max = 1)
          double roughness,
      @Field(
              meaning = "another ground of the same kind",
              defaultValue = "1",
              min = 0,
              max = 1_000_000)
          int seed)
      implements Shape {
    public Ground {
      RecordFields.check(Ground.class, width, depth, rise, feature, roughness, seed);
    }
  }

  /** A line of raised letters that stands on y = 0, its middle over the origin, and faces +Z. */
  record Text(
      @Field(meaning = "the letters") String text,
      @Field(meaning = "height of a capital", min = LEAST, max = MOST, unit = "m") double height,
      @Field(meaning = "from front to back", min = LEAST, max = MOST, unit = "m") double depth,
      @Field(
              meaning = "bevel of the front and back edges, up to a twentieth of the height",
              defaultValue = "0",
              min = 0,
              max = 500,
              unit = "m")
          double bevel,
      @Field(
              meaning = "space between letters over the typeface's own, in heights",
              defaultValue = "0",
              min = -0.2,
              max = 2)
          double spacing)
      implements Shape {
    public Text {
      RecordFields.check(Text.class, text, height, depth, bevel, spacing);
      if (text == null || text.isBlank() || text.length() > 200) {
        throw new ImpossibleValue("text", text, "1 to 200 characters");
      }
      Checks.range("bevel", bevel, 0, Math.min(height / 20, depth / 2));
    }
  }

  /** The edges of another shape as round struts. */
  record Struts(
      @Field(meaning = "the shape whose edges are struts: any but a model, struts or a smooth one")
          Shape of,
      @Field(meaning = "radius of a strut", min = LEAST, max = MOST, unit = "m") double radius)
      implements Shape {
    public Struts {
      RecordFields.check(Struts.class, of, radius);
      if (of instanceof Struts || of instanceof Model || of instanceof Smooth) {
        throw new ImpossibleValue("of.kind", "struts, smooth or model", "another kind of shape");
      }
    }
  }

  /** Another shape shaded smoothly, and made finer. */
  record Smooth(
      @Field(meaning = "the shape that is shaded smoothly: any but struts or a smooth one")
          Shape of,
      @Field(
              meaning = "edges that bend more than this stay sharp",
              defaultValue = "40",
              min = 0,
              max = 180,
              unit = "°")
          double creaseDegrees,
      @Field(
              meaning = "how often every triangle becomes four",
              defaultValue = "0",
              min = 0,
              max = 5)
          int subdivisions)
      implements Shape {
    public Smooth {
      RecordFields.check(Smooth.class, of, creaseDegrees, subdivisions);
      if (of instanceof Smooth || of instanceof Struts) {
        throw new ImpossibleValue("of.kind", "smooth or struts", "another kind of shape");
      }
    }
  }

  /** A part of a mesh of a model file among the shoot's assets. */
  record Model(
      @Field(meaning = "name of a glTF 2.0 file") String file,
      @Field(meaning = "number of the mesh in the file", min = 0, max = 1_000_000) int mesh,
      @Field(meaning = "number of the part of that mesh", min = 0, max = 1_000_000) int part)
      implements Shape {
    public Model {
      RecordFields.check(Model.class, file, mesh, part);
    }
  }

  /** Triangles as given. */
  record Mesh(
      @Field(
              meaning = "x, y, z of each corner",
              min = -MOST,
              max = MOST,
              unit = "m",
              minEntries = 9)
          List<Double> positions,
      @Field(
              meaning = "x, y, z of each corner's normal, or empty for flat shading",
              defaultValue = "[]",
              min = -1.01,
              max = 1.01)
          List<Double> normals,
      @Field(
              meaning = "three corner numbers a triangle, counter-clockwise seen from outside",
              min = 0,
              minEntries = 3)
          List<Integer> triangles)
      implements Shape {
    public Mesh {
      RecordFields.check(Mesh.class, positions, normals, triangles);
      positions = List.copyOf(positions);
      normals = List.copyOf(normals);
      triangles = List.copyOf(triangles);
      if (positions.size() % 3 != 0) {
        throw new ImpossibleValue("positions.length", positions.size(), "3 times 3 or more");
      }
      if (!normals.isEmpty() && normals.size() != positions.size()) {
        throw new ImpossibleValue(
            "normals.length", normals.size(), "0 or as many as positions, " + positions.size());
      }
      if (triangles.size() % 3 != 0) {
        throw new ImpossibleValue("triangles.length", triangles.size(), "3 times 1 or more");
      }
      for (int i = 0; i < triangles.size(); i++) {
        Checks.range("triangles[" + i + "]", triangles.get(i), 0, positions.size() / 3 - 1);
      }
    }
  }
}
