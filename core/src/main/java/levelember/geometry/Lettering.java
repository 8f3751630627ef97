package levelember.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.shoot.piece.Shape;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

/** Raised letters: two faces, the wall between them, and a bevel at both edges of the wall. */
final class Lettering {
  private static final GeometryFactory PLANE = new GeometryFactory();

  /** Contours bend smoothly up to this cosine, and have a corner beyond. */
  private static final double CREASE = StrictMath.cos(Math.toRadians(30));

  private final Triangles to = new Triangles();
  private final double front, bevel;
  private double left, width, height;

  private Lettering(Shape.Text s) {
    front = s.depth() / 2;
    bevel = s.bevel();
  }

  static Triangles text(Shape.Text s, Typeface face) {
    Lettering letters = new Lettering(s);
    List<Polygon> polygons = new ArrayList<>();
    double x = 0;
    for (int point : s.text().codePoints().toArray()) {
      polygons.addAll(filled(face.outline(point), x, s.height()));
      x += (face.advance(point) + s.spacing()) * s.height();
    }
    double least = Double.POSITIVE_INFINITY, most = Double.NEGATIVE_INFINITY;
    for (Polygon p : polygons) {
      least = Math.min(least, p.getEnvelopeInternal().getMinX());
      most = Math.max(most, p.getEnvelopeInternal().getMaxX());
    }
    letters.left = (least + most) / 2;
    letters.width = Math.max(most - least, 1e-9);
    letters.height = s.height();
    polygons.forEach(letters::raise);
    return letters.to;
  }

  /** The filled parts of a letter, in metres, put at {@code x}. */
  private static List<Polygon> filled(List<double[]> contours, double x, double height) {
    Geometry solid = PLANE.createPolygon(), holes = PLANE.createPolygon();
    for (double[] c : contours) {
      Coordinate[] ring = new Coordinate[c.length / 2 + 1];
      for (int i = 0; i < c.length / 2; i++) {
        ring[i] = new Coordinate(x + height * c[2 * i], height * c[2 * i + 1]);
      }
      ring[ring.length - 1] = ring[0].copy();
      if (ring.length >= 4) {
        Geometry part = PLANE.createPolygon(ring).buffer(0);
        if (Orientation.isCCW(ring)) {
          holes = holes.union(part);
        } else {
          solid = solid.union(part);
        }
      }
    }
    Geometry rest = solid.difference(holes);
    List<Polygon> to = new ArrayList<>();
    for (int i = 0; i < rest.getNumGeometries(); i++) {
      if (rest.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
        to.add(p);
      }
    }
    return to;
  }

  private void raise(Polygon polygon) {
    Map<Coordinate, Coordinate> inset = new HashMap<>();
    wall(polygon.getExteriorRing(), true, inset);
    for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
      wall(polygon.getInteriorRingN(i), false, inset);
    }
    Geometry faces = PolygonTriangulator.triangulate(polygon);
    for (int i = 0; i < faces.getNumGeometries(); i++) {
      Coordinate[] c = faces.getGeometryN(i).getCoordinates();
      boolean turned = !Orientation.isCCW(c);
      Coordinate a = inset.get(c[0]), b = inset.get(c[turned ? 2 : 1]);
      Coordinate d = inset.get(c[turned ? 1 : 2]);
      to.triangle(face(a, 1), face(b, 1), face(d, 1));
      to.triangle(face(a, -1), face(d, -1), face(b, -1));
    }
  }

  /** A corner of the front (1) or the back (−1) face. */
  private int face(Coordinate c, int side) {
    return corner(c.x, c.y, side * front, 0, 0, side);
  }

  /** The wall along a contour that has what is filled on its left; notes its inset corners. */
  private void wall(LinearRing ring, boolean outer, Map<Coordinate, Coordinate> inset) {
    Coordinate[] c = ring.getCoordinates();
    int n = c.length - 1;
    boolean against = Orientation.isCCW(c) != outer;
    Coordinate[] at = new Coordinate[n];
    for (int i = 0; i < n; i++) {
      at[i] = c[against ? n - i : i];
    }
    double[] nx = new double[n], ny = new double[n];
    for (int i = 0; i < n; i++) {
      Coordinate p = at[i], q = at[(i + 1) % n];
      double l = p.distance(q);
      nx[i] = (q.y - p.y) / l;
      ny[i] = -(q.x - p.x) / l;
    }
    Coordinate[] in = new Coordinate[n];
    for (int i = 0; i < n; i++) {
      int before = (i + n - 1) % n;
      double mx = nx[before] + nx[i], my = ny[before] + ny[i], m2 = mx * mx + my * my;
      // A mitre of at most twice the bevel, so that sharp corners do not run away.
      double s = m2 > 1e-9 ? Math.min(2 / m2, 2 / Math.sqrt(m2)) : 0;
      in[i] = new Coordinate(at[i].x - bevel * s * mx, at[i].y - bevel * s * my);
      inset.put(at[i], in[i]);
    }
    for (int i = 0; i < n; i++) {
      int next = (i + 1) % n, before = (i + n - 1) % n;
      double[] a = smooth(nx, ny, before, i), b = smooth(nx, ny, next, i);
      for (int side = 1; side >= -1; side -= 2) {
        if (bevel > 0) {
          strip(in[i], in[next], side * front, at[i], at[next], side * (front - bevel), a, b, side);
        }
      }
      double z = front - bevel;
      if (z > 0) {
        strip(at[i], at[next], z, at[i], at[next], -z, a, b, 0);
      }
    }
  }

  /** The normal of edge {@code own} at the corner that it shares with {@code other}. */
  private static double[] smooth(double[] nx, double[] ny, int other, int own) {
    double x = nx[own], y = ny[own];
    if (x * nx[other] + y * ny[other] > CREASE) {
      x += nx[other];
      y += ny[other];
    }
    double l = StrictMath.hypot(x, y);
    return new double[] {x / l, y / l};
  }

  /**
   * A band from one line to another, the lines seen from outside with what is filled on the left.
   */
  private void strip(
      Coordinate p,
      Coordinate q,
      double z,
      Coordinate r,
      Coordinate s,
      double w,
      double[] a,
      double[] b,
      int side) {
    int p1 = corner(p.x, p.y, z, a[0], a[1], side), q1 = corner(q.x, q.y, z, b[0], b[1], side);
    int r1 = corner(r.x, r.y, w, a[0], a[1], side), s1 = corner(s.x, s.y, w, b[0], b[1], side);
    if (z > w) {
      to.quad(r1, s1, q1, p1);
    } else {
      to.quad(p1, q1, s1, r1);
    }
  }

  private int corner(double x, double y, double z, double nx, double ny, double nz) {
    return to.corner(x - left, y, z, nx, ny, nz, (x - left) / width + 0.5, 1 - y / height);
  }
}
