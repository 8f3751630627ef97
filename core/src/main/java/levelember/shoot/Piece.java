package levelember.shoot;

import levelember.math.Affine;
import levelember.math.Vec3;

/**
 * One object of the set; pieces nest.
 *
 * @param id unique among pieces
 * @param name as the artist reads it
 * @param parent the piece in whose frame this one stands, or null
 * @param place in the parent's frame, metres
 * @param turnDegrees about X, then Y, then Z
 * @param size factor along each axis, not 0
 * @param shape null for a piece that only holds others
 * @param material null with no shape
 * @param copies repeats of this piece and all that it holds, or null
 * @param shown false takes it and all that it holds out of the picture
 */
public record Piece(
    String id,
    String name,
    String parent,
    Vec3 place,
    Vec3 turnDegrees,
    Vec3 size,
    Shape shape,
    String material,
    Copies copies,
    boolean shown) {

  public Piece {
    Checks.id(id);
    Checks.name("name", name);
    Checks.place("place", place);
    Checks.vector("turnDegrees", turnDegrees, -36_000, 36_000);
    Checks.vector("size", size, -10_000, 10_000);
    if (Math.abs(size.x()) < 1e-6 || Math.abs(size.y()) < 1e-6 || Math.abs(size.z()) < 1e-6) {
      throw new ImpossibleValue("size", size, "factors of at least 0.000001 either way");
    }
    if (shape != null && material == null) {
      throw new ImpossibleValue("material", null, "the id of a material, as the piece has a shape");
    }
  }

  /**
   * Copies in a row or a ring: copy {@code i} stands {@code i} steps and {@code i} turns further,
   * counted in the parent's frame.
   *
   * @param count how many in all
   * @param step metres from one to the next
   * @param turnDegrees about the parent's X, Y and Z axes from one to the next
   */
  public record Copies(int count, Vec3 step, Vec3 turnDegrees) {
    public Copies {
      Checks.range("count", count, 1, 100_000);
      Checks.place("step", step);
      Checks.vector("turnDegrees", turnDegrees, -360, 360);
    }

    /** The map of copy {@code i} in the parent's frame. */
    public Affine map(int i) {
      return Affine.of(step.times(i), turnDegrees.times(i), Vec3.ONE);
    }
  }
}
