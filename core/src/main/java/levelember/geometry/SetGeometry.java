package levelember.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.math.Affine;
import levelember.shoot.ImpossibleValue;
import levelember.shoot.Piece;
import levelember.shoot.Shape;

/** All shown pieces of a set as world-space triangles, each with the number of its piece. */
public final class SetGeometry {
  /** More triangles than this are refused. */
  public static final int MOST_TRIANGLES = 20_000_000;

  private final Triangles triangles = new Triangles();
  private int[] pieceOfTriangle = new int[256];
  private final Map<Shape, Triangles> tessellated = new HashMap<>();

  private SetGeometry() {}

  /**
   * Puts the pieces together.
   *
   * @throws ImpossibleValue when copies of copies make more than {@link #MOST_TRIANGLES}
   */
  public static SetGeometry of(List<Piece> pieces) {
    SetGeometry geometry = new SetGeometry();
    Map<String, List<Integer>> children = new HashMap<>();
    for (int i = 0; i < pieces.size(); i++) {
      children.computeIfAbsent(pieces.get(i).parent(), k -> new ArrayList<>()).add(i);
    }
    geometry.place(pieces, children, null, Affine.IDENTITY);
    return geometry;
  }

  private void place(
      List<Piece> pieces, Map<String, List<Integer>> children, String parent, Affine frame) {
    for (int i : children.getOrDefault(parent, List.of())) {
      Piece p = pieces.get(i);
      if (!p.shown()) {
        continue;
      }
      Affine own = Affine.of(p.place(), p.turnDegrees(), p.size());
      int count = p.copies() == null ? 1 : p.copies().count();
      for (int copy = 0; copy < count; copy++) {
        Affine map = copy == 0 ? frame.after(own) : frame.after(p.copies().map(copy).after(own));
        if (p.shape() != null) {
          add(i, p.shape(), map);
        }
        place(pieces, children, p.id(), map);
      }
    }
  }

  private void add(int piece, Shape shape, Affine map) {
    Triangles own = tessellated.computeIfAbsent(shape, Tessellation::of);
    if ((long) triangles.count() + own.count() > MOST_TRIANGLES) {
      throw new ImpossibleValue(
          "pieces[" + piece + "]", "too many copies", "at most " + MOST_TRIANGLES + " triangles");
    }
    int before = triangles.count();
    triangles.add(own, map);
    int after = triangles.count();
    if (after > pieceOfTriangle.length) {
      pieceOfTriangle =
          java.util.Arrays.copyOf(pieceOfTriangle, Math.max(after, pieceOfTriangle.length * 2));
    }
    java.util.Arrays.fill(pieceOfTriangle, before, after, piece);
  }

  public Triangles triangles() {
    return triangles;
  }

  /** Number in the list of pieces of the piece that a triangle belongs to. */
  public int piece(int triangle) {
    return pieceOfTriangle[triangle];
  }
}
