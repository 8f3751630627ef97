package levelember.surface;

import levelember.math.Trig;

/**
 * The Lambert base below a dielectric face, coupled so that both together reflect all light where
 * the base is white (Kelemen and Szirmay-Kalos 2001).
 */
final class DiffuseLobe {
  private static final float PI = (float) Math.PI;
  private final AlbedoTable face;
  private final float faceMean;

  DiffuseLobe(AlbedoTable face) {
    this.face = face;
    faceMean = face.mean();
  }

  /** What of a direction's light passes the face. */
  float passing(float cos) {
    return 1 - face.at(cos);
  }

  void evaluate(float iz, Scattering s) {
    float value =
        s.belowDiffuse
            * s.base
            * s.outgoingBase
            * passing(iz)
            / Math.max(1e-6f, 1 - faceMean)
            * iz
            / PI;
    s.addDiffuse(value * s.colour[0], value * s.colour[1], value * s.colour[2]);
  }

  /** Density of a direction sampled by cosine with a probability. */
  static float density(float probability, float iz) {
    return probability * iz / PI;
  }

  /** Samples a direction by cosine. */
  static void sample(float u, float v, Scattering s) {
    float radius = (float) Math.sqrt(u);
    s.x = radius * (float) Trig.cosine(v);
    s.y = radius * (float) Trig.sine(v);
    s.z = (float) Math.sqrt(Math.max(0, 1 - u));
  }
}
