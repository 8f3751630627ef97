package levelember.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.document.ImpossibleValue;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;

/**
 * Smooth shading by crease angle, and subdivision: Loop 1987, "Smooth Subdivision Surfaces Based on
 * Triangles", with borders and creases after Hoppe et al. 1994. Corners at one place count as one.
 * Where a picture lies is carried along evenly.
 */
final class Smoothing {
  private static final long MOST = 20_000_000;

  /** Two corners, whichever way round. */
  private record Edge(int a, int b) {
    static Edge of(int a, int b) {
      return a < b ? new Edge(a, b) : new Edge(b, a);
    }
  }

  private List<Vec3> places = new ArrayList<>();

  /** Three corner numbers a face, and where the picture lies at each, u and v. */
  private int[] faces;

  private double[] laid;
  private Set<Edge> creases = new HashSet<>();
  private final double crease;

  private Smoothing(Triangles from, double creaseDegrees) {
    crease = StrictMath.cos(Math.toRadians(creaseDegrees));
    Map<Vec3, Integer> known = new HashMap<>();
    faces = new int[3 * from.count()];
    laid = from.places() == null ? null : new double[6 * from.count()];
    for (int i = 0; i < faces.length; i++) {
      int corner = from.index(i / 3, i % 3);
      faces[i] =
          known.computeIfAbsent(
              from.position(corner),
              p -> {
                places.add(p);
                return places.size() - 1;
              });
      if (laid != null) {
        laid[2 * i] = from.places()[2 * corner];
        laid[2 * i + 1] = from.places()[2 * corner + 1];
      }
    }
  }

  /**
   * The triangles of a shape made smooth.
   *
   * @throws ImpossibleValue when it would be too many
   */
  static Triangles of(Triangles from, Shape.Smooth s) {
    if ((long) from.count() << (2 * s.subdivisions()) > MOST) {
      throw new ImpossibleValue(
          "subdivisions", s.subdivisions(), "few enough for " + MOST + " triangles");
    }
    Smoothing mesh = new Smoothing(from, s.creaseDegrees());
    if (s.subdivisions() > 0) {
      mesh.findCreases();
    }
    for (int i = 0; i < s.subdivisions(); i++) {
      mesh.subdivide();
    }
    return mesh.shaded();
  }

  private Vec3 normal(int face) {
    Vec3 a = places.get(faces[3 * face]);
    return places.get(faces[3 * face + 1]).minus(a).cross(places.get(faces[3 * face + 2]).minus(a));
  }

  /** The faces at every edge. */
  private Map<Edge, List<Integer>> edges() {
    Map<Edge, List<Integer>> to = new HashMap<>(faces.length);
    for (int i = 0; i < faces.length; i++) {
      int next = i % 3 == 2 ? i - 2 : i + 1;
      to.computeIfAbsent(Edge.of(faces[i], faces[next]), e -> new ArrayList<>(2)).add(i / 3);
    }
    return to;
  }

  private void findCreases() {
    edges()
        .forEach((edge, at) -> {
          boolean sharp =
              at.size() != 2 || normal(at.get(0)).unit().dot(normal(at.get(1)).unit()) < crease;
          if (sharp) {
            creases.add(edge);
          }
        });
  }

  private int opposite(int face, Edge edge) {
    for (int k = 0; k < 3; k++) {
      int corner = faces[3 * face + k];
      if (corner != edge.a && corner != edge.b) {
        return corner;
      }
    }
    return edge.a;
  }

  private void subdivide() {
    Map<Edge, List<Integer>> edges = edges();
    List<Vec3> next = new ArrayList<>(moved(edges));
    Map<Edge, Integer> middle = new HashMap<>(edges.size());
    Set<Edge> sharp = new HashSet<>();
    edges.forEach((edge, at) -> {
      Vec3 ends = places.get(edge.a).plus(places.get(edge.b));
      int number = next.size();
      if (creases.contains(edge) || at.size() != 2) {
        next.add(ends.times(0.5));
        sharp.add(Edge.of(edge.a, number));
        sharp.add(Edge.of(edge.b, number));
      } else {
        Vec3 sides =
            places.get(opposite(at.get(0), edge)).plus(places.get(opposite(at.get(1), edge)));
        next.add(ends.times(0.375).plus(sides.times(0.125)));
      }
      middle.put(edge, number);
    });
    int[] to = new int[4 * faces.length];
    double[] lies = laid == null ? null : new double[4 * laid.length];
    for (int f = 0; f < faces.length / 3; f++) {
      int[] c = {faces[3 * f], faces[3 * f + 1], faces[3 * f + 2]};
      int[] m = new int[3];
      for (int k = 0; k < 3; k++) {
        m[k] = middle.get(Edge.of(c[k], c[(k + 1) % 3]));
      }
      int[] four = {c[0], m[0], m[2], m[0], c[1], m[1], m[2], m[1], c[2], m[0], m[1], m[2]};
      System.arraycopy(four, 0, to, 12 * f, 12);
      if (lies != null) {
        // Corners 0 to 2, then the middles after each.
        int[] own = {0, 3, 5, 3, 1, 4, 5, 4, 2, 3, 4, 5};
        for (int i = 0; i < 12; i++) {
          for (int k = 0; k < 2; k++) {
            int at = own[i], first = at < 3 ? at : at - 3, second = at < 3 ? at : (at - 2) % 3;
            lies[24 * f + 2 * i + k] =
                (laid[6 * f + 2 * first + k] + laid[6 * f + 2 * second + k]) / 2;
          }
        }
      }
    }
    places = next;
    faces = to;
    laid = lies;
    creases = sharp;
  }

  /** Where the old corners go. */
  private List<Vec3> moved(Map<Edge, List<Integer>> edges) {
    int n = places.size();
    Vec3[] around = new Vec3[n], along = new Vec3[n];
    int[] count = new int[n], sharp = new int[n];
    java.util.Arrays.fill(around, Vec3.ZERO);
    java.util.Arrays.fill(along, Vec3.ZERO);
    for (Edge edge : edges.keySet()) {
      boolean bends = creases.contains(edge);
      for (int k = 0; k < 2; k++) {
        int own = k == 0 ? edge.a : edge.b, other = k == 0 ? edge.b : edge.a;
        around[own] = around[own].plus(places.get(other));
        count[own]++;
        if (bends) {
          along[own] = along[own].plus(places.get(other));
          sharp[own]++;
        }
      }
    }
    List<Vec3> to = new ArrayList<>(n);
    for (int i = 0; i < n; i++) {
      Vec3 p = places.get(i);
      if (sharp[i] > 2 || count[i] < 3) {
        to.add(p);
      } else if (sharp[i] == 2) {
        to.add(p.times(0.75).plus(along[i].times(0.125)));
      } else {
        double beta = count[i] == 3 ? 3.0 / 16 : 3.0 / (8 * count[i]);
        to.add(p.times(1 - count[i] * beta).plus(around[i].times(beta)));
      }
    }
    return to;
  }

  /** Corners with normals that go over every bend but those sharper than the crease. */
  private Triangles shaded() {
    int count = faces.length / 3;
    Vec3[] normal = new Vec3[count], unit = new Vec3[count];
    int[] begin = new int[places.size() + 1];
    for (int f = 0; f < count; f++) {
      normal[f] = normal(f);
      unit[f] = normal[f].unit();
      for (int k = 0; k < 3; k++) {
        begin[faces[3 * f + k] + 1]++;
      }
    }
    for (int i = 1; i < begin.length; i++) {
      begin[i] += begin[i - 1];
    }
    int[] at = new int[faces.length], used = new int[places.size()];
    for (int i = 0; i < faces.length; i++) {
      at[begin[faces[i]] + used[faces[i]]++] = i / 3;
    }
    Triangles t = new Triangles();
    for (int f = 0; f < count; f++) {
      int[] corner = new int[3];
      for (int k = 0; k < 3; k++) {
        int own = faces[3 * f + k];
        Vec3 sum = Vec3.ZERO;
        for (int i = begin[own]; i < begin[own + 1]; i++) {
          if (at[i] == f || unit[at[i]].dot(unit[f]) >= crease) {
            sum = sum.plus(normal[at[i]]);
          }
        }
        Vec3 bent = sum.length() > 0 ? sum : normal[f];
        int i = 2 * (3 * f + k);
        corner[k] =
            laid == null
                ? t.corner(places.get(own), bent)
                : t.corner(places.get(own), bent, laid[i], laid[i + 1]);
      }
      t.triangle(corner[0], corner[1], corner[2]);
    }
    return t;
  }
}
