package levelember.shoot.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Random;
import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Affine;
import levelember.math.Vec3;

/** One object of the set; pieces nest. */
@RecordBuilder
public record Piece(
    @Field(meaning = "unique among pieces", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(
            meaning = "id of the piece in whose frame it stands; no cycles",
            defaultValue = "null",
            text = Field.Text.ID)
        String parent,
    @Field(
            meaning = "in the parent's frame",
            defaultValue = "[0, 0, 0]",
            min = -1e5,
            max = 1e5,
            unit = "m")
        Vec3 position,
    @Field(
            meaning = "turns about X, then Y, then Z",
            defaultValue = "[0, 0, 0]",
            min = -36_000,
            max = 36_000,
            unit = "°")
        Vec3 rotationDegrees,
    @Field(
            meaning = "factor along each axis, not 0; a negative one mirrors",
            defaultValue = "[1, 1, 1]",
            min = -10_000,
            max = 10_000)
        Vec3 scale,
    @Field(meaning = "its form; without one it only holds others", defaultValue = "null")
        Shape shape,
    @Field(
            meaning = "id of a material; needed with a shape",
            defaultValue = "null",
            text = Field.Text.ID)
        String material,
    @Field(meaning = "repeats of this piece and all that it holds", defaultValue = "null")
        Copies copies,
    @Field(meaning = "who sees the piece itself, and what it casts", defaultValue = "{}")
        Visibility visibility,
    @Field(
            meaning = "false takes it and all that it holds out of the picture",
            defaultValue = "true")
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
      @Field(meaning = "how many in all", min = 1, max = 100_000) int count,
      @Field(
              meaning = "way from one to the next, in the parent's frame",
              defaultValue = "[0, 0, 0]",
              min = -1e5,
              max = 1e5,
              unit = "m")
          Vec3 step,
      @Field(
              meaning = "turns about the parent's axes from one to the next",
              defaultValue = "[0, 0, 0]",
              min = -360,
              max = 360,
              unit = "°")
          Vec3 rotationDegrees,
      @Field(meaning = "how the copies stray", defaultValue = "null") Scatter scatter) {
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
      @Field(
              meaning = "another draw of the same kind",
              defaultValue = "1",
              min = 0,
              max = 1_000_000)
          int seed,
      @Field(
              meaning = "extent along each axis of the box in which they stray",
              defaultValue = "[0, 0, 0]",
              min = 0,
              max = 10_000,
              unit = "m")
          Vec3 spread,
      @Field(
              meaning = "most turn either way about each axis, round the copy's own place",
              defaultValue = "[0, 0, 0]",
              min = 0,
              max = 180,
              unit = "°")
          Vec3 rotationDegrees,
      @Field(meaning = "factor of the smallest copy", defaultValue = "1", min = 0.001, max = 1000)
          double minScale,
      @Field(meaning = "factor of the largest copy", defaultValue = "1", min = 0.001, max = 1000)
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
