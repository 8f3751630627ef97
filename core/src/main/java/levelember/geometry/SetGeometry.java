package levelember.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.document.ImpossibleValue;
import levelember.math.Affine;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/**
 * All shown pieces of a set: meshes in frames of their own, and where they stand in the world.
 * Pieces of one shape share its mesh. Copies of small shapes are put together into one mesh, so
 * that a ring of marks is one thing to trace and not three hundred.
 */
public final class SetGeometry {
  /** More triangles than this, copies counted, are refused. */
  public static final long MOST_TRIANGLES = 200_000_000;

  /** More meshes that stand somewhere than this are refused. */
  public static final int MOST_PLACED = 2_000_000;

  /** Copies that make up to so many triangles together become one mesh. */
  private static final int TOGETHER = 1 << 16;

  /**
   * A mesh that stands somewhere.
   *
   * @param piece number in the list of pieces
   * @param mesh in its own frame
   * @param map from that frame to the world
   */
  public record Placed(int piece, Triangles mesh, Affine map) {}

  /** What a mesh is made from. */
  private record Origin(Shape shape, Relief.Push push, Affine own, Piece.Copies copies) {}

  private final List<Placed> placed = new ArrayList<>();
  private final Map<Origin, Triangles> made = new HashMap<>();
  private final Map<Origin, Triangles> before;
  private final Meshes meshes;
  private final Relief relief;
  private long count;

  private SetGeometry(Map<Origin, Triangles> before, Meshes meshes, Relief relief) {
    this.before = before;
    this.meshes = meshes;
    this.relief = relief;
  }

  /**
   * Puts the pieces together, none of which is a model.
   *
   * @throws ImpossibleValue when copies of copies make too many triangles
   */
  public static SetGeometry of(List<Piece> pieces) {
    return of(pieces, Meshes.NONE);
  }

  /**
   * Puts the pieces together.
   *
   * @throws Meshes.MissingMesh when a piece names a model that is not there
   * @throws ImpossibleValue when copies of copies make too many triangles
   */
  public static SetGeometry of(List<Piece> pieces, Meshes meshes) {
    return of(pieces, meshes, Relief.NONE);
  }

  /** Puts the pieces together, their surfaces pushed by pictures. */
  public static SetGeometry of(List<Piece> pieces, Meshes meshes, Relief relief) {
    return new SetGeometry(Map.of(), meshes, relief).filled(pieces);
  }

  /** One mesh that stands in the world as it is, as piece 0. */
  public static SetGeometry of(Triangles mesh) {
    SetGeometry set = new SetGeometry(Map.of(), Meshes.NONE, Relief.NONE);
    set.add(0, mesh, Affine.IDENTITY);
    return set;
  }

  /** The same for changed pieces; meshes that stay the same are the same objects. */
  public SetGeometry next(List<Piece> pieces) {
    return next(pieces, relief);
  }

  /** The same for changed pieces and surfaces that are pushed otherwise. */
  public SetGeometry next(List<Piece> pieces, Relief pushes) {
    return new SetGeometry(made, meshes, pushes).filled(pieces);
  }

  private SetGeometry filled(List<Piece> pieces) {
    Map<String, List<Integer>> children = new HashMap<>();
    for (int i = 0; i < pieces.size(); i++) {
      children.computeIfAbsent(pieces.get(i).parent(), k -> new ArrayList<>()).add(i);
    }
    place(pieces, children, null, Affine.IDENTITY);
    return this;
  }

  private void place(
      List<Piece> pieces, Map<String, List<Integer>> children, String parent, Affine frame) {
    for (int i : children.getOrDefault(parent, List.of())) {
      Piece p = pieces.get(i);
      if (!p.shown()) {
        continue;
      }
      Affine own = Affine.of(p.position(), p.rotationDegrees(), p.scale());
      int copies = p.copies() == null ? 1 : p.copies().count();
      boolean holds = children.containsKey(p.id());
      Relief.Push push = relief.push(p.material());
      Triangles mesh = p.shape() == null ? null : mesh(new Origin(p.shape(), push, null, null));
      if (mesh != null && copies > 1 && (long) copies * mesh.count() <= TOGETHER) {
        add(i, mesh(new Origin(p.shape(), push, own, p.copies())), frame);
        mesh = null;
      }
      for (int copy = 0; copy < copies && (mesh != null || holds); copy++) {
        Affine map = frame.after(p.copies() == null ? own : p.copies().map(copy, own));
        if (mesh != null) {
          add(i, mesh, map);
        }
        if (holds) {
          place(pieces, children, p.id(), map);
        }
      }
    }
  }

  private Triangles mesh(Origin origin) {
    Triangles there = made.get(origin);
    if (there == null) {
      there = before.get(origin);
      if (there == null) {
        there = origin.copies == null ? mesh(origin.shape) : together(origin);
        if (origin.copies == null && origin.push != null) {
          there = Displacement.of(there, origin.push, relief);
        }
      }
      made.put(origin, there);
    }
    return there;
  }

  private Triangles mesh(Shape shape) {
    return switch (shape) {
      case Shape.Model m -> meshes.mesh(m.file(), m.mesh(), m.part());
      case Shape.Smooth s -> Smoothing.of(mesh(s.of()), s);
      default -> Tessellation.of(shape);
    };
  }

  private Triangles together(Origin origin) {
    Triangles one = mesh(new Origin(origin.shape, origin.push, null, null));
    Triangles all = new Triangles();
    for (int copy = 0; copy < origin.copies.count(); copy++) {
      all.add(one, origin.copies.map(copy, origin.own));
    }
    return all;
  }

  private void add(int piece, Triangles mesh, Affine map) {
    count += mesh.count();
    if (count > MOST_TRIANGLES || placed.size() >= MOST_PLACED) {
      throw new ImpossibleValue(
          "pieces[" + piece + "]",
          "too many copies",
          "at most " + MOST_TRIANGLES + " triangles and " + MOST_PLACED + " copies in all");
    }
    if (mesh.count() > 0) {
      placed.add(new Placed(piece, mesh, map));
    }
  }

  /** Every mesh that stands in the set, in the order of the tree of pieces. */
  public List<Placed> placed() {
    return placed;
  }

  /** Triangles in all, copies counted. */
  public long triangles() {
    return count;
  }

  /** Everything as one list of triangles in the world. */
  public Triangles flattened() {
    Triangles all = new Triangles();
    placed.forEach(p -> all.add(p.mesh(), p.map()));
    return all;
  }
}
