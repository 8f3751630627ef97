package levelember.formats.exchange;

/**
 * Parts a polygon in space into triangles; it may be concave, but must not cross itself.
 *
 * <p>Method: ear clipping (Meisters 1975), in the plane in which Newell's normal sees most of it.
 */
final class Polygon {
  private final double[] u, v;

  /** A polygon by its corners, x, y and z each. */
  Polygon(float[] corners) {
    int n = corners.length / 3;
    double nx = 0, ny = 0, nz = 0;
    for (int i = 0; i < n; i++) {
      int a = 3 * i, b = 3 * ((i + 1) % n);
      nx += (corners[a + 1] - corners[b + 1]) * (double) (corners[a + 2] + corners[b + 2]);
      ny += (corners[a + 2] - corners[b + 2]) * (double) (corners[a] + corners[b]);
      nz += (corners[a] - corners[b]) * (double) (corners[a + 1] + corners[b + 1]);
    }
    u = new double[n];
    v = new double[n];
    double ax = Math.abs(nx), ay = Math.abs(ny), az = Math.abs(nz);
    for (int i = 0; i < n; i++) {
      double x = corners[3 * i], y = corners[3 * i + 1], z = corners[3 * i + 2];
      if (az >= ax && az >= ay) {
        u[i] = nz > 0 ? x : -x;
        v[i] = y;
      } else if (ax >= ay) {
        u[i] = nx > 0 ? y : -y;
        v[i] = z;
      } else {
        u[i] = ny > 0 ? z : -z;
        v[i] = x;
      }
    }
  }

  /** Numbers of corners, three a triangle, turning as the polygon does. */
  int[] triangles() {
    int n = u.length;
    int[] left = java.util.stream.IntStream.range(0, n).toArray();
    int[] to = new int[3 * (n - 2)];
    int put = 0;
    while (n > 3) {
      int ear = ear(left, n);
      to[put++] = left[(ear + n - 1) % n];
      to[put++] = left[ear];
      to[put++] = left[(ear + 1) % n];
      System.arraycopy(left, ear + 1, left, ear, n - ear - 1);
      n--;
    }
    for (int i = 0; i < 3; i++) {
      to[put++] = left[i];
    }
    return to;
  }

  /** A corner that can be cut off; the second where none can, as of a polygon without area. */
  private int ear(int[] left, int n) {
    for (int i = 1; i <= n; i++) {
      int a = left[i - 1], b = left[i % n], c = left[(i + 1) % n];
      if (turn(a, b, c) > 0 && empty(left, n, a, b, c)) {
        return i % n;
      }
    }
    return 1;
  }

  private boolean empty(int[] left, int n, int a, int b, int c) {
    for (int i = 0; i < n; i++) {
      int p = left[i];
      if (p != a
          && p != b
          && p != c
          && turn(a, b, p) >= 0
          && turn(b, c, p) >= 0
          && turn(c, a, p) >= 0) {
        return false;
      }
    }
    return true;
  }

  private double turn(int a, int b, int c) {
    return (u[b] - u[a]) * (v[c] - v[a]) - (v[b] - v[a]) * (u[c] - u[a]);
  }
}
