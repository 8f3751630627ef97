package levelember.shoot.lighting;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.Inline;
import levelember.document.RecordFields;
import levelember.math.Vec3;

/**
 * One light of the rig. Brightness, level, colour, mute, solo and bank only weigh the light's
 * layer; everything else is traced.
 */
@RecordBuilder
public record Light(
    @Field(meaning = "unique among lights", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(meaning = "kind of light and its dimensions") Emitter emitter,
    @Field(
            meaning =
                "in the frame of the piece that it is tied to, if any; without meaning "
                    + "for surroundings and emissive pieces",
            defaultValue = "[0, 2, 0]",
            min = -1e5,
            max = 1e5,
            unit = "m")
        Vec3 position,
    @Field(
            meaning =
                "the point that the light faces, in the same frame; when aimed at a "
                    + "piece, counted from the piece's own place",
            defaultValue = "[0, 0, 0]",
            min = -1e5,
            max = 1e5,
            unit = "m")
        Vec3 aim,
    @Field(
            meaning = "turn about the line of aim",
            defaultValue = "0",
            min = -36_000,
            max = 36_000,
            unit = "°")
        double rollDegrees,
    @Field(meaning = "the lamp's own value; for an environment the luminance of a pixel of 1.0")
        Brightness brightness,
    @Field(
            meaning = "fader over the brightness",
            defaultValue = "0",
            min = -10,
            max = 10,
            unit = "stops")
        double levelStops,
    @Field(meaning = "colour temperature, tint and filter", defaultValue = "{}") LightColour colour,
    @Field(meaning = "gives no light", defaultValue = "false") boolean muted,
    @Field(
            meaning = "when any light or bank is soloed, only those that are give light",
            defaultValue = "false")
        boolean solo,
    @Field(
            meaning = "shows its own shape, or the surrounding, to the camera",
            defaultValue = "false")
        boolean seenDirectly,
    @Inline LightControls controls,
    @Field(
            meaning = "id of the piece that it moves with",
            defaultValue = "null",
            text = Field.Text.ID)
        String parent,
    @Field(
            meaning = "id of the piece that it stays aimed at",
            defaultValue = "null",
            text = Field.Text.ID)
        String aimedAt,
    @Field(
            meaning = "id of the bank that it belongs to",
            defaultValue = "null",
            text = Field.Text.ID)
        String bank,
    @Field(
            meaning =
                "the light whose mirror image it is: that one's kind, dimensions, "
                    + "brightness and colour are its own, its level comes on top",
            defaultValue = "null")
        Mirror mirror)
    implements LightBuilder.With {

  /**
   * Makes a light the mirror image of another: its kind, size, place, brightness and colour are the
   * other's, its level comes on top of the other's.
   */
  public record Mirror(
      @Field(meaning = "id of the other light", text = Field.Text.ID) String of,
      @Field(meaning = "point on the mirror's plane", min = -1e5, max = 1e5, unit = "m") Vec3 point,
      @Field(meaning = "normal of the mirror's plane, of any length above 0") Vec3 normal) {
    public Mirror {
      RecordFields.check(Mirror.class, of, point, normal);
      if (!(normal.length() > 1e-6)) {
        throw new ImpossibleValue("normal", normal, "a direction");
      }
    }

    /** The mirror image of a place. */
    public Vec3 mirrored(Vec3 p) {
      Vec3 n = normal.unit();
      return p.minus(n.times(2 * p.minus(point).dot(n)));
    }
  }

  public Light {
    RecordFields.check(
        Light.class,
        id,
        name,
        emitter,
        position,
        aim,
        rollDegrees,
        brightness,
        levelStops,
        colour,
        muted,
        solo,
        seenDirectly,
        controls,
        parent,
        aimedAt,
        bank,
        mirror);
    if (emitter.aimed() && aimedAt == null && position.minus(aim).length() < 1e-6) {
      throw new ImpossibleValue("aim", aim, "a point apart from the light's position");
    }
    if (!emitter.units().contains(brightness.unit())) {
      throw new ImpossibleValue(
          "brightness.unit",
          brightness.unit().symbol(),
          String.join(", ", emitter.units().stream().map(Brightness.Unit::symbol).toList())
              + " for this kind of light");
    }
  }

  /** A free light that lights everything. */
  public Light(
      String id,
      String name,
      Emitter emitter,
      Vec3 position,
      Vec3 aim,
      double rollDegrees,
      Brightness brightness,
      double levelStops,
      LightColour colour,
      boolean muted,
      boolean solo,
      boolean seenDirectly) {
    this(
        id,
        name,
        emitter,
        position,
        aim,
        rollDegrees,
        brightness,
        levelStops,
        colour,
        muted,
        solo,
        seenDirectly,
        LightControls.WHOLE,
        null,
        null,
        null,
        null);
  }

  /** The mirror image of another light that this one is, in the world. */
  public Light imageOf(Light other) {
    return with(l ->
        l.emitter(other.emitter)
            .position(mirror.mirrored(other.position))
            .aim(mirror.mirrored(other.aim))
            .rollDegrees(-other.rollDegrees)
            .brightness(other.brightness)
            .colour(other.colour)
            .seenDirectly(other.seenDirectly)
            .parent(null)
            .aimedAt(null)
            .mirror(null));
  }

  /** The same light at a place and aim in the world, tied to nothing. */
  public Light standing(Vec3 positionInWorld, Vec3 aimInWorld) {
    return with(l -> l.position(positionInWorld).aim(aimInWorld).parent(null).aimedAt(null));
  }

  /** The same light with only what its traced layer depends on; the rest is neutral. */
  public Light withoutWeights() {
    return with(l ->
        l.name("traced")
            .brightness(new Brightness(0, emitter.units().getFirst()))
            .levelStops(0)
            .colour(LightColour.NEUTRAL)
            .muted(false)
            .solo(false)
            .bank(null));
  }
}
