package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Random;
import levelember.math.Affine;
import levelember.math.Vec3;

/**
 * One object of the set; pieces nest.
 *
 * @param id unique among pieces
 * @param name as the artist reads it
 * @param parent the piece in whose frame this one stands, or null
 * @param position in the parent's frame, metres
 * @param rotationDegrees about X, then Y, then Z
 * @param scale factor along each axis, not 0
 * @param shape null for a piece that only holds others
 * @param material null with no shape
 * @param copies repeats of this piece and all that it holds, or null
 * @param visibility who sees the piece itself, and what it casts
 * @param shown false takes it and all that it holds out of the picture
 */
@RecordBuilder
public record Piece(
    String id,
    String name,
    String parent,
    Vec3 position,
    Vec3 rotationDegrees,
    Vec3 scale,
    Shape shape,
    String material,
    Copies copies,
    Visibility visibility,
    boolean shown)
    implements PieceBuilder.With {

  /** A piece that shows to everything. */
  public Piece(
      String id,
      String name,
      String parent,
      Vec3 position,
      Vec3 rotationDegrees,
      Vec3 scale,
      Shape shape,
      String material,
      Copies copies,
      boolean shown) {
    this(
        id,
        name,
        parent,
        position,
        rotationDegrees,
        scale,
        shape,
        material,
        copies,
        Visibility.ALL,
        shown);
  }

  public Piece {
    Checks.id(id);
    Checks.name("name", name);
    Checks.place("position", position);
    Checks.vector("rotationDegrees", rotationDegrees, -36_000, 36_000);
    Checks.vector("scale", scale, -10_000, 10_000);
    if (Math.abs(scale.x()) < 1e-6 || Math.abs(scale.y()) < 1e-6 || Math.abs(scale.z()) < 1e-6) {
      throw new ImpossibleValue("scale", scale, "factors of at least 0.000001 either way");
    }
    if (visibility == null) {
      throw new ImpossibleValue("visibility", null, "what the piece shows to");
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
   * @param rotationDegrees about the parent's X, Y and Z axes from one to the next
   * @param scatter how the copies stray, or null
   */
  public record Copies(int count, Vec3 step, Vec3 rotationDegrees, Scatter scatter) {
    /** Copies that do not stray. */
    public Copies(int count, Vec3 step, Vec3 rotationDegrees) {
      this(count, step, rotationDegrees, null);
    }

    public Copies {
      Checks.range("count", count, 1, 100_000);
      Checks.place("step", step);
      Checks.vector("rotationDegrees", rotationDegrees, -360, 360);
    }

    /**
     * The map of copy {@code i} into the parent's frame.
     *
     * @param own the piece's own map
     */
    public Affine map(int i, Affine own) {
      Affine strayed = scatter == null ? own : scatter.moved(i, own);
      return i == 0
          ? strayed
          : Affine.of(step.times(i), rotationDegrees.times(i), Vec3.ONE).after(strayed);
    }
  }

  /**
   * How copies stray from where they would stand, each by its own draw.
   *
   * @param seed another draw of the same kind
   * @param spread metres along each axis of the box in which they stray
   * @param rotationDegrees most turn either way about each axis, round the copy's own place
   * @param minScale factor of the smallest copy
   * @param maxScale factor of the largest copy
   */
  public record Scatter(
      int seed, Vec3 spread, Vec3 rotationDegrees, double minScale, double maxScale) {
    public Scatter {
      Checks.range("seed", seed, 0, 1_000_000);
      Checks.vector("spread", spread, 0, 10_000);
      Checks.vector("rotationDegrees", rotationDegrees, 0, 180);
      Checks.range("minScale", minScale, 0.001, 1000);
      Checks.range("maxScale", maxScale, minScale, 1000);
    }

    Affine moved(int i, Affine own) {
      Random random = new Random(seed * 1_000_003L + 7919L * i);
      Vec3 shift = drawn(random, spread.times(0.5));
      Vec3 turn = drawn(random, rotationDegrees);
      double size = minScale + (maxScale - minScale) * random.nextDouble();
      Vec3 at = own.shift();
      Affine there = Affine.of(at.plus(shift), turn, Vec3.ONE.times(size));
      return there.after(Affine.of(at.times(-1), Vec3.ZERO, Vec3.ONE)).after(own);
    }

    private static Vec3 drawn(Random random, Vec3 most) {
      return new Vec3(
          (2 * random.nextDouble() - 1) * most.x(),
          (2 * random.nextDouble() - 1) * most.y(),
          (2 * random.nextDouble() - 1) * most.z());
    }
  }
}
