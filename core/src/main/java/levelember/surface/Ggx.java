package levelember.surface;

import levelember.math.Trig;

/**
 * The isotropic GGX distribution of microfacet normals with Smith's height-correlated masking.
 *
 * <p>Directions are unit vectors in the local frame, the macroscopic normal is +Z. Sources: Walter
 * et al. 2007; Heitz 2014 (masking); Heitz 2018, "Sampling the GGX Distribution of Visible
 * Normals".
 */
final class Ggx {
  /** Narrowest width traced; narrower highlights are drawn as wide as this. */
  static final float LEAST_ALPHA = 0.001f;

  private Ggx() {}

  /** Width from perceptual roughness: its square. */
  static float alpha(double roughness) {
    return Math.max(LEAST_ALPHA, (float) (roughness * roughness));
  }

  /** D: density of facet normals per steradian of projected area. */
  static float distribution(float cos, float alpha) {
    float a2 = alpha * alpha;
    float d = cos * cos * (a2 - 1) + 1;
    return a2 / ((float) Math.PI * d * d);
  }

  /** Λ of Smith's masking for a direction at cosine {@code cos}. */
  static float lambda(float cos, float alpha) {
    float c2 = cos * cos;
    float tan2 = Math.max(0, 1 - c2) / Math.max(c2, 1e-12f);
    return 0.5f * ((float) Math.sqrt(1 + alpha * alpha * tan2) - 1);
  }

  /** G1: share of facets visible from one direction. */
  static float maskingOne(float cos, float alpha) {
    return 1 / (1 + lambda(cos, alpha));
  }

  /** G2: share of facets visible from both directions. */
  static float maskingTwo(float cosOut, float cosIn, float alpha) {
    return 1 / (1 + lambda(cosOut, alpha) + lambda(cosIn, alpha));
  }

  /** Draws a visible facet normal for the outgoing direction into three floats. */
  static void visibleNormal(
      float ox, float oy, float oz, float alpha, float u, float v, float[] to) {
    float vx = alpha * ox, vy = alpha * oy, vz = oz;
    float l = 1 / (float) Math.sqrt(vx * vx + vy * vy + vz * vz);
    vx *= l;
    vy *= l;
    vz *= l;
    float len2 = vx * vx + vy * vy;
    float t1x = 1, t1y = 0;
    if (len2 > 1e-14f) {
      float s = 1 / (float) Math.sqrt(len2);
      t1x = -vy * s;
      t1y = vx * s;
    }
    float t2x = -vz * t1y, t2y = vz * t1x, t2z = vx * t1y - vy * t1x;
    float r = (float) Math.sqrt(u);
    float p1 = r * (float) Trig.cosine(v);
    float p2 = r * (float) Trig.sine(v);
    float s = 0.5f * (1 + vz);
    p2 = (1 - s) * (float) Math.sqrt(Math.max(0, 1 - p1 * p1)) + s * p2;
    float p3 = (float) Math.sqrt(Math.max(0, 1 - p1 * p1 - p2 * p2));
    float nx = alpha * (p1 * t1x + p2 * t2x + p3 * vx);
    float ny = alpha * (p1 * t1y + p2 * t2y + p3 * vy);
    float nz = Math.max(1e-6f, p2 * t2z + p3 * vz);
    float k = 1 / (float) Math.sqrt(nx * nx + ny * ny + nz * nz);
    to[0] = nx * k;
    to[1] = ny * k;
    to[2] = nz * k;
  }
}
