package levelember.surface;

import levelember.math.Rgb;
import levelember.shoot.material.Material;

/**
 * Reflection by GGX microfacets of metal and of the dielectric's face, which share their roughness.
 * What single scattering loses is given back after Turquin 2019, "Practical multiple scattering
 * compensation for microfacet models". Fresnel: the full equations for the dielectric and for
 * metals of a complex index; Schlick 1994, with a tint towards the edge, for metals by colour.
 */
final class MicrofacetLobe {
  final float alpha;

  /** Albedo of a perfect reflector by single scattering. */
  final AlbedoTable single;

  /** Albedo of the dielectric's face. */
  final AlbedoTable dielectric;

  private final float weight;
  private final float f0;
  private final float eta;
  private final float[] n;
  private final float[] k;
  private final float[] edgeTint;

  /**
   * Of a material.
   *
   * @param roughness perceptual, in place of the material's
   */
  MicrofacetLobe(Material m, double roughness) {
    alpha = Ggx.alpha(roughness);
    weight = (float) m.specular();
    f0 = Fresnel.normal(m.ior());
    eta = (float) (1 / m.ior());
    single = AlbedoTable.of(cos -> GgxAlbedo.whole(cos, roughness));
    dielectric = dielectric(roughness, weight, eta, single);
    n = m.complexIndex() == null ? null : channels(m.complexIndex().n());
    k = m.complexIndex() == null ? null : channels(m.complexIndex().k());
    edgeTint = channels(m.edgeTint());
  }

  /** Albedo of a dielectric face, all orders of scattering in. */
  static AlbedoTable dielectric(double roughness, float weight, float eta, AlbedoTable single) {
    float f0 = Fresnel.dielectric(1, eta), alpha = Ggx.alpha(roughness);
    return single.from((entry, cos, kept) -> {
      float first = weight > 0 ? GgxAlbedo.dielectric(cos, alpha, eta) : 0;
      return Math.min(1, weight * first * (1 + f0 * (1 / kept - 1)));
    });
  }

  static float[] channels(Rgb c) {
    return new float[] {(float) c.r(), (float) c.g(), (float) c.b()};
  }

  /** Sets the metal's reflectance, by colour unless it has a complex index. */
  void metal(Scattering s) {
    for (int c = 0; c < 3; c++) {
      s.metalF0[c] = n == null ? s.colour[c] : Fresnel.conductor(1, n[c], k[c]);
      s.metalEdge[c] = n == null ? Fresnel.edge(s.colour[c], edgeTint[c]) : 0;
    }
  }

  /** What layers above leave to the dielectric's face. */
  AlbedoTable faceCoupling(AlbedoTable.Function left) {
    return Coupling.microfacets(alpha, eta, left);
  }

  /** Whether the dielectric's face reflects. */
  boolean reflects() {
    return weight > 0;
  }

  /** Reflectance of the dielectric's face at normal incidence. */
  float faceReflectance() {
    return weight * f0;
  }

  /** What single scattering loses of a direction's light, over what it gives. */
  float lost(float cos) {
    return 1 / single.at(cos) - 1;
  }

  void evaluate(float iz, Scattering s) {
    boolean facing = s.base > 0 && weight > 0;
    if (!facing && s.metal == 0) {
      return;
    }
    float alpha = Math.max(this.alpha, s.leastAlpha);
    float c = s.halfAngleCos;
    float d = Ggx.distribution(s.halfCos, alpha);
    float lobe = d * Ggx.maskingTwo(s.oz, iz, alpha) / (4 * s.oz);
    float lost = s.facetsLost;
    if (facing) {
      float face =
          s.belowFace * s.base * weight * Fresnel.dielectric(c, eta) * (1 + f0 * lost) * lobe;
      s.add(face, face, face);
    }
    if (s.metal > 0) {
      float schlick = Fresnel.fifth(c);
      float mirror = s.belowMetal * s.metal * lobe;
      s.add(
          mirror * metal(s, 0, c, schlick, lost),
          mirror * metal(s, 1, c, schlick, lost),
          mirror * metal(s, 2, c, schlick, lost));
    }
    s.pdf +=
        s.probability[LayeredSurface.MICROFACETS] * d * Ggx.maskingOne(s.oz, alpha) / (4 * s.oz);
  }

  private float metal(Scattering s, int channel, float c, float schlick, float lost) {
    float f = s.metalF0[channel];
    float fresnel =
        n == null
            ? f + (1 - f) * schlick - s.metalEdge[channel] * c * schlick * (1 - c)
            : Fresnel.conductor(c, n[channel], k[channel]);
    return Math.max(0, fresnel) * (1 + f * lost);
  }
}
