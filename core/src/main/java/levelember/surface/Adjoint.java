package levelember.surface;

/**
 * The adjoint of a {@link LayeredSurface}'s BSDF, by which light paths are scattered (Veach 1997,
 * sections 5.2 and 5.3).
 *
 * <p>A light path comes along the prepared direction and goes on along the sampled one. Radiance is
 * kept over the square of the index here, and in that measure value and density of {@link
 * LayeredSurface#evaluate} and {@link LayeredSurface#sample} hold for light paths as they stand: no
 * factor of the indices is due, neither for radiance nor for flux. What is due is the correction
 * where the shading normal is not the geometric one, as cosines are taken with the former.
 */
public final class Adjoint {
  private Adjoint() {}

  /**
   * Factor on the throughput of a light path at a surface whose normals differ; 1 where they are
   * the same, 0 where a direction lies along the surface.
   *
   * @param fromShading cosine of the direction that the light comes from to the shading normal
   * @param fromGeometric the same to the geometric normal
   * @param toShading cosine of the direction in which it goes on to the shading normal
   * @param toGeometric the same to the geometric normal
   */
  public static float correction(
      float fromShading, float fromGeometric, float toShading, float toGeometric) {
    float below = Math.abs(fromGeometric * toShading);
    return below > 0 ? Math.abs(fromShading * toGeometric) / below : 0;
  }
}
