package levelember.scene;

import java.util.List;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.piece.Piece;

/** The non-physical controls of a light, its {@link LightControls}, made ready for tracing. */
public final class CompiledControls {
  private final long[] lights;

  /** Levels of its light in diffuse reflection, and in specular reflection and refraction. */
  public final float diffuse, specular;

  private final float fades;

  /** Bits of the pieces that cast its shadows, or null for all. */
  public final long[] shadows;

  /** What passes where something solid stands in the way, by channel. */
  public final float darkR, darkG, darkB;

  private final boolean customShadow;

  private CompiledControls(LightControls controls, List<Piece> pieces) {
    lights = bits(PieceTransforms.in(controls.lightLinking(), pieces));
    shadows = bits(PieceTransforms.in(controls.shadowLinking(), pieces));
    diffuse = (float) controls.diffuse();
    specular = (float) controls.specular();
    fades = (float) controls.fadesAtMetres();
    double depth = controls.shadowDensity();
    darkR = (float) (1 - depth + depth * controls.shadowColour().r());
    darkG = (float) (1 - depth + depth * controls.shadowColour().g());
    darkB = (float) (1 - depth + depth * controls.shadowColour().b());
    customShadow = shadows != null || darkR + darkG + darkB > 0;
  }

  /** Null where the light is as physics has it. */
  static CompiledControls of(LightControls controls, List<Piece> pieces) {
    return controls.withCaustics(LightControls.WHOLE.caustics()).equals(LightControls.WHOLE)
        ? null
        : new CompiledControls(controls, pieces);
  }

  /** The same as bits, 64 a number; null for null. */
  static long[] bits(boolean[] in) {
    if (in == null) {
      return null;
    }
    long[] to = new long[(in.length + 63) / 64];
    for (int i = 0; i < in.length; i++) {
      if (in[i]) {
        to[i >> 6] |= 1L << (i & 63);
      }
    }
    return to;
  }

  /** Whether the light lights a piece. */
  public boolean lights(int piece) {
    return lights == null || (lights[piece >> 6] >>> (piece & 63) & 1) != 0;
  }

  /** Whether its shadows are other than physics has them. */
  public boolean customShadow() {
    return customShadow;
  }

  /**
   * Light kept at a distance: 1 near, falling to 0 where it fades, as {@code range} has it in
   * KHR_lights_punctual.
   */
  public float fade(float distance) {
    if (fades == 0 || distance == Float.POSITIVE_INFINITY) {
      return 1;
    }
    float part = distance / fades, fourth = part * part * part * part;
    return fourth >= 1 ? 0 : 1 - fourth;
  }

  /** Factor of a BSDF's value of which a share is diffuse. */
  public float factor(float diffuseShare) {
    return specular + (diffuse - specular) * diffuseShare;
  }

  /** True where shadows are left out altogether. */
  public boolean shadowless() {
    return shadows != null && isNone() || darkR == 1 && darkG == 1 && darkB == 1;
  }

  private boolean isNone() {
    for (long word : shadows) {
      if (word != 0) {
        return false;
      }
    }
    return true;
  }
}
