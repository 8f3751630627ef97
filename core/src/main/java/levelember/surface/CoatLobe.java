package levelember.surface;

import levelember.shoot.material.Material;

/** A clear dielectric coat over everything but the sheen: its own GGX face, and what it leaves. */
final class CoatLobe {
  private final float amount;
  private final float alpha;
  private final float f0;
  private final float eta;
  private final AlbedoTable single;
  private final AlbedoTable albedo;

  /**
   * Of a material.
   *
   * @param roughness perceptual, in place of the coat's
   */
  CoatLobe(Material.Coat coat, double roughness) {
    amount = (float) coat.amount();
    alpha = Ggx.alpha(roughness);
    f0 = Fresnel.normal(coat.ior());
    eta = (float) (1 / coat.ior());
    single = AlbedoTable.of(cos -> GgxAlbedo.whole(cos, roughness));
    albedo = MicrofacetLobe.dielectric(roughness, amount, eta, single);
  }

  boolean there() {
    return amount > 0;
  }

  float alpha() {
    return alpha;
  }

  /** Share of the light of a direction that it reflects. */
  float albedo(float cos) {
    return albedo.at(cos);
  }

  /** Reflectance at normal incidence. */
  float faceReflectance() {
    return amount * f0;
  }

  /** What layers above leave to it. */
  AlbedoTable coupling(AlbedoTable.Function left) {
    return Coupling.microfacets(alpha, eta, left);
  }

  /** What single scattering loses of a direction's light, over what it gives. */
  float lost(float cos) {
    return 1 / single.at(cos) - 1;
  }

  /** Adds its reflection, of which {@code left} passes the sheen above. */
  void evaluate(float iz, float left, Scattering s) {
    float alpha = Math.max(this.alpha, s.leastAlpha);
    float d = Ggx.distribution(s.halfCos, alpha);
    float value =
        left
            * amount
            * Fresnel.dielectric(s.halfAngleCos, eta)
            * (1 + f0 * s.coatLost)
            * d
            * Ggx.maskingTwo(s.oz, iz, alpha)
            / (4 * s.oz);
    s.add(value, value, value);
    s.pdf += s.probability[LayeredSurface.COAT] * d * Ggx.maskingOne(s.oz, alpha) / (4 * s.oz);
  }
}
