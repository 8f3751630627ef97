package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Random;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Affine;
import levelember.math.Vec3;

/** One object of the set; pieces nest. */
@RecordBuilder
public record Piece(
    @Field(says = "unique among pieces", text = Field.Text.ID) String id,
    @Field(says = "as the artist reads it", usual = "@id") String name,
    @Field(
            says = "id of the piece in whose frame it stands; no cycles",
            usual = "null",
            text = Field.Text.ID)
        String parent,
    @Field(
            says = "in the parent's frame",
            usual = "[0, 0, 0]",
            least = -1e5,
            most = 1e5,
            unit = "m")
        Vec3 position,
    @Field(
            says = "turns about X, then Y, then Z",
            usual = "[0, 0, 0]",
            least = -36_000,
            most = 36_000,
            unit = "°")
        Vec3 rotationDegrees,
    @Field(
            says = "factor along each axis, not 0; a negative one mirrors",
            usual = "[1, 1, 1]",
            least = -10_000,
            most = 10_000)
        Vec3 scale,
    @Field(says = "its form; without one it only holds others", usual = "null") Shape shape,
    @Field(says = "id of a material; needed with a shape", usual = "null", text = Field.Text.ID)
        String material,
    @Field(says = "repeats of this piece and all that it holds", usual = "null") Copies copies,
    @Field(says = "who sees the piece itself, and what it casts", usual = "{}")
        Visibility visibility,
    @Field(says = "false takes it and all that it holds out of the picture", usual = "true")
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
    RecordFields.check(
        Piece.class,
        id,
        name,
        parent,
        position,
        rotationDegrees,
        scale,
        shape,
        material,
        copies,
        visibility,
        shown);
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
   */
  public record Copies(
      @Field(says = "how many in all", least = 1, most = 100_000) int count,
      @Field(
              says = "way from one to the next, in the parent's frame",
              usual = "[0, 0, 0]",
              least = -1e5,
              most = 1e5,
              unit = "m")
          Vec3 step,
      @Field(
              says = "turns about the parent's axes from one to the next",
              usual = "[0, 0, 0]",
              least = -360,
              most = 360,
              unit = "°")
          Vec3 rotationDegrees,
      @Field(says = "how the copies stray", usual = "null") Scatter scatter) {
    /** Copies that do not stray. */
    public Copies(int count, Vec3 step, Vec3 rotationDegrees) {
      this(count, step, rotationDegrees, null);
    }

    public Copies {
      RecordFields.check(Copies.class, count, step, rotationDegrees, scatter);
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

  /** How copies stray from where they would stand, each by its own draw. */
  public record Scatter(
      @Field(says = "another draw of the same kind", usual = "1", least = 0, most = 1_000_000)
          int seed,
      @Field(
              says = "extent along each axis of the box in which they stray",
              usual = "[0, 0, 0]",
              least = 0,
              most = 10_000,
              unit = "m")
          Vec3 spread,
      @Field(
              says = "most turn either way about each axis, round the copy's own place",
              usual = "[0, 0, 0]",
              least = 0,
              most = 180,
              unit = "°")
          Vec3 rotationDegrees,
      @Field(says = "factor of the smallest copy", usual = "1", least = 0.001, most = 1000)
          double minScale,
      @Field(says = "factor of the largest copy", usual = "1", least = 0.001, most = 1000)
          double maxScale) {
    public Scatter {
      RecordFields.check(Scatter.class, seed, spread, rotationDegrees, minScale, maxScale);
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
