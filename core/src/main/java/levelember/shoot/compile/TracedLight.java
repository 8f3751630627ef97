package levelember.shoot.compile;

import levelember.document.ImpossibleValue;
import levelember.math.Affine;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * A light with all that its layer depends on besides the set: itself in the world, without what
 * only weighs its layer, and the daylight of the sky whose sun it is.
 *
 * @param light tied to nothing and aimed at a place
 * @param daylight of a sun's sky, or null
 */
public record TracedLight(Light light, Daylight daylight) {

  /** What a light of a shoot is traced as. */
  public static TracedLight of(Shoot shoot, Light light) {
    Light plain = inWorld(shoot, light).withoutWeights();
    return new TracedLight(
        plain, light.emitter() instanceof Emitter.SkySun s ? daylight(shoot, s.sky()) : null);
  }

  /** The same light at its place and aim in the world. */
  public static Light inWorld(Shoot shoot, Light light) {
    if (light.mirror() != null) {
      return light.imageOf(inWorld(shoot, original(shoot, light)));
    }
    if (light.parent() == null && light.aimedAt() == null) {
      return light;
    }
    PieceTransforms frames = new PieceTransforms(shoot.pieces());
    Affine tied = light.parent() == null ? Affine.IDENTITY : frames.of(light.parent());
    Affine aimed = light.aimedAt() == null ? tied : frames.of(light.aimedAt());
    return light.standing(tied.point(light.position()), aimed.point(light.aim()));
  }

  /** The light that a light is the mirror image of, or itself. */
  public static Light original(Shoot shoot, Light light) {
    return light.mirror() == null
        ? light
        : shoot.lights().stream()
            .filter(l -> l.id().equals(light.mirror().of()))
            .findFirst()
            .orElseThrow(
                () -> new ImpossibleValue("mirror.of", light.mirror().of(), "the id of a light"));
  }

  private static Daylight daylight(Shoot shoot, String sky) {
    return shoot
        .light(sky)
        .map(l -> l.emitter() instanceof Emitter.Sky s ? s.daylight() : null)
        .orElseThrow(() -> new ImpossibleValue("sky", sky, "the id of a light that is a sky"));
  }
}
