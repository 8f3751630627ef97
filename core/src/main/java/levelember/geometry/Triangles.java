package levelember.geometry;

import java.util.Arrays;
import java.util.function.DoubleBinaryOperator;
import levelember.math.Affine;
import levelember.math.Vec3;

/**
 * A growing list of corners (place and unit normal, and where a picture lies) and triangles (three
 * corner numbers, counter-clockwise seen from outside).
 */
public final class Triangles {
  private float[] positions;
  private float[] normals;
  private float[] places;
  private float[] seconds;
  private float[] colours;
  private int[] indices;
  private int corners;
  private int count;

  /** Adds a corner and gives its number. The normal need not be a unit vector. */
  public int corner(double x, double y, double z, double nx, double ny, double nz) {
    int at = 3 * corners;
    if (at + 3 > positions.length) {
      positions = Arrays.copyOf(positions, positions.length * 2);
      normals = Arrays.copyOf(normals, normals.length * 2);
    }
    double l = Math.sqrt(nx * nx + ny * ny + nz * nz);
    double s = l > 0 ? 1 / l : 0;
    positions[at] = (float) x;
    positions[at + 1] = (float) y;
    positions[at + 2] = (float) z;
    normals[at] = (float) (nx * s);
    normals[at + 1] = (float) (ny * s);
    normals[at + 2] = (float) (nz * s);
    return corners++;
  }

  /** Adds a corner at a place of a picture, 0, 0 its upper left. */
  public int corner(
      double x, double y, double z, double nx, double ny, double nz, double u, double v) {
    int at = corner(x, y, z, nx, ny, nz);
    if (places == null) {
      places = new float[positions.length / 3 * 2];
    } else if (2 * at + 2 > places.length) {
      places = Arrays.copyOf(places, positions.length / 3 * 2);
    }
    places[2 * at] = (float) u;
    places[2 * at + 1] = (float) v;
    return at;
  }

  int corner(Vec3 p, Vec3 n, double u, double v) {
    return corner(p.x(), p.y(), p.z(), n.x(), n.y(), n.z(), u, v);
  }

  int corner(Vec3 p, Vec3 n) {
    return corner(p.x(), p.y(), p.z(), n.x(), n.y(), n.z());
  }

  /** Adds a triangle; one without area is left out. */
  public void triangle(int a, int b, int c) {
    if (a == b || b == c || c == a || noArea(a, b, c)) {
      return;
    }
    int at = 3 * count;
    if (at + 3 > indices.length) {
      indices = Arrays.copyOf(indices, indices.length * 2);
    }
    indices[at] = a;
    indices[at + 1] = b;
    indices[at + 2] = c;
    count++;
  }

  void quad(int a, int b, int c, int d) {
    triangle(a, b, c);
    triangle(a, c, d);
  }

  private boolean noArea(int a, int b, int c) {
    double[] e = new double[6];
    for (int k = 0; k < 3; k++) {
      e[k] = (double) positions[3 * b + k] - positions[3 * a + k];
      e[3 + k] = (double) positions[3 * c + k] - positions[3 * a + k];
    }
    double nx = e[1] * e[5] - e[2] * e[4];
    double ny = e[2] * e[3] - e[0] * e[5];
    double nz = e[0] * e[4] - e[1] * e[3];
    return !(nx * nx + ny * ny + nz * nz > 0);
  }

  /** Adds all of another list, mapped; a mirroring map keeps outsides outside. */
  public void add(Triangles other, Affine map) {
    int first = corners;
    for (int i = 0; i < other.corners; i++) {
      Vec3 p = map.point(other.position(i)), n = map.normal(other.normal(i));
      if (other.places == null) {
        corner(p, n);
      } else {
        corner(p, n, other.places[2 * i], other.places[2 * i + 1]);
      }
    }
    boolean mirrored = map.determinant() < 0;
    for (int t = 0; t < other.count; t++) {
      int a = first + other.indices[3 * t];
      int b = first + other.indices[3 * t + 1];
      int c = first + other.indices[3 * t + 2];
      if (mirrored) {
        triangle(a, c, b);
      } else {
        triangle(a, b, c);
      }
    }
  }

  /** Triangles over given arrays, which are kept: three floats a corner, unit normals. */
  public static Triangles over(float[] positions, float[] normals, int[] indices) {
    Triangles t = new Triangles(positions, normals, indices);
    t.corners = positions.length / 3;
    t.count = indices.length / 3;
    return t;
  }

  /**
   * The same with more said of each corner; arrays are kept, not copied.
   *
   * @param first places of a picture, two floats a corner, or null
   * @param second other places, or null
   * @param corners linear colours, three floats a corner, or null
   */
  public Triangles with(float[] first, float[] second, float[] corners) {
    places = first;
    seconds = second;
    colours = corners;
    return this;
  }

  public Triangles() {
    this(new float[192], new float[192], new int[192]);
  }

  private Triangles(float[] positions, float[] normals, int[] indices) {
    this.positions = positions;
    this.normals = normals;
    this.indices = indices;
  }

  /** Places, three floats a corner; may be longer than needed. Not to be written. */
  public float[] positions() {
    return positions;
  }

  /** Unit normals, three floats a corner; may be longer than needed. Not to be written. */
  public float[] normals() {
    return normals;
  }

  /** Corner numbers, three a triangle; may be longer than needed. Not to be written. */
  public int[] indices() {
    return indices;
  }

  /** Places of a picture, two floats a corner, or null. Not to be written. */
  public float[] places() {
    return places;
  }

  /** The second set of places, or the first where there is none. Not to be written. */
  public float[] seconds() {
    return seconds == null ? places : seconds;
  }

  /** The second set of places, or null. Not to be written. */
  float[] ownSeconds() {
    return seconds;
  }

  /** Linear colours, three floats a corner, or null. Not to be written. */
  public float[] colours() {
    return colours;
  }

  public Vec3 position(int corner) {
    return new Vec3(positions[3 * corner], positions[3 * corner + 1], positions[3 * corner + 2]);
  }

  /** The least coordinates of all corners, or the origin without corners. */
  public Vec3 least() {
    return outermost(Math::min);
  }

  /** The greatest coordinates of all corners, or the origin without corners. */
  public Vec3 most() {
    return outermost(Math::max);
  }

  private Vec3 outermost(DoubleBinaryOperator of) {
    Vec3 to = corners == 0 ? Vec3.ZERO : position(0);
    for (int i = 1; i < corners; i++) {
      Vec3 p = position(i);
      to =
          new Vec3(
              of.applyAsDouble(to.x(), p.x()),
              of.applyAsDouble(to.y(), p.y()),
              of.applyAsDouble(to.z(), p.z()));
    }
    return to;
  }

  public Vec3 normal(int corner) {
    return new Vec3(normals[3 * corner], normals[3 * corner + 1], normals[3 * corner + 2]);
  }

  /** Number of the corner {@code k} (0…2) of a triangle. */
  public int index(int triangle, int k) {
    return indices[3 * triangle + k];
  }

  public int corners() {
    return corners;
  }

  public int count() {
    return count;
  }
}
