package levelember.trace;

import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;

/**
 * World-space triangles as the kernel reads them, in the order of the hierarchy's leaves.
 *
 * <p>Nine floats a triangle for intersection (corner a, edges b−a and c−a), nine for the corner
 * normals, and the number of its piece.
 */
public final class TriangleSoup {
  final float[] edges;
  final float[] normals;
  final int[] piece;
  final int count;

  private TriangleSoup(int count) {
    this.count = count;
    edges = new float[9 * count];
    normals = new float[9 * count];
    piece = new int[count];
  }

  static TriangleSoup inOrder(SetGeometry geometry, int[] order) {
    Triangles t = geometry.triangles();
    TriangleSoup soup = new TriangleSoup(order.length);
    for (int i = 0; i < order.length; i++) {
      int from = order[i];
      soup.piece[i] = geometry.piece(from);
      for (int k = 0; k < 3; k++) {
        var p = t.position(t.index(from, k));
        var n = t.normal(t.index(from, k));
        int at = 9 * i + 3 * k;
        soup.edges[at] = (float) p.x();
        soup.edges[at + 1] = (float) p.y();
        soup.edges[at + 2] = (float) p.z();
        soup.normals[at] = (float) n.x();
        soup.normals[at + 1] = (float) n.y();
        soup.normals[at + 2] = (float) n.z();
      }
      for (int k = 0; k < 3; k++) {
        soup.edges[9 * i + 3 + k] -= soup.edges[9 * i + k];
        soup.edges[9 * i + 6 + k] -= soup.edges[9 * i + k];
      }
    }
    return soup;
  }

  public int count() {
    return count;
  }

  /** Number of the piece that a triangle belongs to. */
  public int piece(int triangle) {
    return piece[triangle];
  }
}
