package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import levelember.math.Vec3;

/**
 * One light of the rig. Brightness, level, colour, mute, solo and bank only weigh the light's
 * layer; everything else is traced.
 *
 * @param id unique among lights
 * @param name as the artist reads it
 * @param emitter kind and dimensions
 * @param position metres, in the frame of the piece that the light is tied to, if any; without
 *     meaning for surroundings and emissive pieces
 * @param aim the point that the light faces, in the same frame; when aimed at a piece, counted from
 *     the piece's own place
 * @param rollDegrees about the line of aim
 * @param brightness the lamp's own value; for an environment the luminance of a pixel of 1.0
 * @param levelStops fader, −10…+10 stops over the brightness
 * @param colour temperature, tint and filter
 * @param muted gives nothing
 * @param solo when any light or bank is soloed, only those that are give light
 * @param seenDirectly shows its own shape, or the surrounding, to the camera
 * @param reach what it lights and how
 * @param parent id of the piece that it moves with, or null
 * @param aimedAt id of the piece that it stays aimed at, or null
 * @param bank id of the bank that it belongs to, or null
 * @param mirror whose mirror image it is, or null
 */
@RecordBuilder
public record Light(
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
    boolean seenDirectly,
    Reach reach,
    String parent,
    String aimedAt,
    String bank,
    Mirror mirror)
    implements LightBuilder.With {

  /**
   * Makes a light the mirror image of another: its kind, size, place, brightness and colour are the
   * other's, its level comes on top of the other's.
   *
   * @param of id of the other light
   * @param point on the mirror's plane, metres
   * @param normal of the plane
   */
  public record Mirror(String of, Vec3 point, Vec3 normal) {
    public Mirror {
      Checks.id(of);
      Checks.place("point", point);
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
    Checks.id(id);
    Checks.name("name", name);
    if (emitter == null) {
      throw new ImpossibleValue("emitter", null, "a kind of light");
    }
    Checks.place("position", position);
    Checks.place("aim", aim);
    if (aims(emitter) && aimedAt == null && position.minus(aim).length() < 1e-6) {
      throw new ImpossibleValue("aim", aim, "a point apart from the light's position");
    }
    Checks.range("rollDegrees", rollDegrees, -36_000, 36_000);
    Checks.range("levelStops", levelStops, -10, 10);
    if (!units(emitter).contains(brightness.unit())) {
      throw new ImpossibleValue(
          "brightness.unit",
          brightness.unit().symbol(),
          String.join(", ", units(emitter).stream().map(Brightness.Unit::symbol).toList())
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
        Reach.WHOLE,
        null,
        null,
        null,
        null);
  }

  /** The mirror image of another light that this one is, in the world. */
  Light imageOf(Light other) {
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

  /** Whether a kind of light faces its aim. */
  public static boolean aims(Emitter emitter) {
    return switch (emitter) {
      case Emitter.Rectangle e -> true;
      case Emitter.Disc e -> true;
      case Emitter.Tube e -> true;
      case Emitter.Spot e -> true;
      case Emitter.Sun e -> true;
      case Emitter.Point e -> e.profile() != null;
      case Emitter.Sphere e -> false;
      case Emitter.Environment e -> false;
      case Emitter.Dome e -> false;
      case Emitter.Sky e -> false;
      case Emitter.SkySun e -> false;
      case Emitter.Plate e -> false;
      case Emitter.Emissive e -> false;
    };
  }

  /** Units that a kind of light's brightness may be said in; the first is the usual one. */
  public static List<Brightness.Unit> units(Emitter emitter) {
    return switch (emitter) {
      case Emitter.Rectangle e -> FACE;
      case Emitter.Disc e -> FACE;
      case Emitter.Sphere e -> FACE;
      case Emitter.Tube e -> FACE;
      case Emitter.Point e -> POINT;
      case Emitter.Spot e -> POINT;
      case Emitter.Sun e -> List.of(Brightness.Unit.LUX);
      case Emitter.Environment e -> NIT;
      case Emitter.Dome e -> NIT;
      case Emitter.Sky e -> TIMES;
      case Emitter.SkySun e -> TIMES;
      case Emitter.Plate e -> NIT;
      case Emitter.Emissive e -> NIT;
    };
  }

  private static final List<Brightness.Unit> FACE =
      List.of(
          Brightness.Unit.LUMEN,
          Brightness.Unit.CANDELA,
          Brightness.Unit.LUX,
          Brightness.Unit.NIT,
          Brightness.Unit.WATT);
  private static final List<Brightness.Unit> POINT =
      List.of(
          Brightness.Unit.LUMEN,
          Brightness.Unit.CANDELA,
          Brightness.Unit.LUX,
          Brightness.Unit.WATT);
  private static final List<Brightness.Unit> NIT = List.of(Brightness.Unit.NIT);
  private static final List<Brightness.Unit> TIMES = List.of(Brightness.Unit.TIMES);

  /** The same light with only what its traced layer depends on; the rest is neutral. */
  public Light withoutWeights() {
    return with(l ->
        l.name("traced")
            .brightness(new Brightness(0, units(emitter).getFirst()))
            .levelStops(0)
            .colour(LightColour.NEUTRAL)
            .muted(false)
            .solo(false)
            .bank(null));
  }
}
