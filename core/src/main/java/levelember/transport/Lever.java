package levelember.transport;

import java.util.List;
import levelember.shoot.Frames;
import levelember.shoot.Piece;
import levelember.shoot.Reach;

/** A light's {@link Reach} made ready for tracing. */
final class Lever {
  private final long[] lights;
  private final float matte, gloss;
  private final float fades;

  /** Bits of the pieces that cast its shadows, or null for all. */
  final long[] shadows;

  /** What passes where something solid stands in the way, by channel. */
  final float darkR, darkG, darkB;

  private final boolean veiled;

  private Lever(Reach reach, List<Piece> pieces) {
    lights = bits(Frames.in(reach.lights(), pieces));
    shadows = bits(Frames.in(reach.shadows(), pieces));
    matte = (float) reach.matte();
    gloss = (float) reach.gloss();
    fades = (float) reach.fadesAtMetres();
    double depth = reach.shadowDepth();
    darkR = (float) (1 - depth + depth * reach.shadowColour().r());
    darkG = (float) (1 - depth + depth * reach.shadowColour().g());
    darkB = (float) (1 - depth + depth * reach.shadowColour().b());
    veiled = shadows != null || darkR + darkG + darkB > 0;
  }

  /** Null where nothing is levered. */
  static Lever of(Reach reach, List<Piece> pieces) {
    return reach.equals(Reach.WHOLE) ? null : new Lever(reach, pieces);
  }

  private static long[] bits(boolean[] in) {
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
  boolean lights(int piece) {
    return lights == null || (lights[piece >> 6] >>> (piece & 63) & 1) != 0;
  }

  /** Whether its shadows are other than physics has them. */
  boolean veiled() {
    return veiled;
  }

  /** Light kept at a distance: 1 near, falling to 0 where it fades. */
  float fade(float distance) {
    if (fades == 0 || distance == Float.POSITIVE_INFINITY) {
      return 1;
    }
    float part = distance / fades, fourth = part * part * part * part;
    return fourth >= 1 ? 0 : (1 - fourth) * (1 - fourth);
  }

  /**
   * A surface's answer with its parts levelled.
   *
   * @param whole of it
   * @param flat the matte part of it
   */
  float parts(float whole, float flat) {
    return matte * flat + gloss * (whole - flat);
  }

  /** The same as a factor, for an answer of which a share is matte. */
  float part(float share) {
    return gloss + (matte - gloss) * share;
  }

  /** True where shadows are left out altogether. */
  boolean shadowless() {
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
