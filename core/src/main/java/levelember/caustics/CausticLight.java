package levelember.caustics;

import java.util.Arrays;
import levelember.scene.Scene;

/**
 * A light that casts caustics: how often its photons begin at which caster, by what arrives there,
 * and over which radius they are gathered. Found once, in fixed order. Immutable.
 */
final class CausticLight {
  /** Photons that try out each caster. */
  private static final int TRIED = 64;

  /** Photons that try out all of them, at most. */
  private static final int ALL_TRIED = 1 << 16;

  /** Share of all photons that casters share evenly. */
  private static final double EVEN = 0.05;

  /** Share of new photons that each pass keeps. */
  private static final double KEPT = 0.7;

  /** Key of a pass that no picture has. */
  private static final int TRYING = 0x51ED270B;

  private final CasterSurfaces surfaces;

  /** Sums of the casters' probabilities before each, and 1. */
  private final double[] before;

  /** Mean density of the light's samples from casters, weighted by their flux, 1/sr. */
  final double density;

  /** Width of cells in which a pilot pass has some photons, metres. */
  private final double width;

  private CausticLight(CasterSurfaces surfaces, double[] before, double density, double width) {
    this.surfaces = surfaces;
    this.before = before;
    this.density = density;
    this.width = width;
  }

  /**
   * A light's; null where nothing of it falls on a rough surface over casters, or paths find that
   * soon enough for a light that has photons automatically.
   */
  static CausticLight of(Scene scene, int light, CasterSurfaces surfaces) {
    boolean always = scene.caustics(light).on();
    CausticLight to = selecting(light, surfaces, new PhotonTracer(scene));
    if (to == null || !always && !to.isNoisy(1)) {
      return null;
    }
    if (!always) {
      CausticPilot few = new CausticPilot(scene, light, to, CausticPilot.FEW);
      if (!to.isNoisy(few.causticShare())) {
        return null;
      }
    }
    CausticPilot pilot = new CausticPilot(scene, light, to, CausticPilot.PHOTONS);
    if (!(pilot.width > 0)) {
      return null;
    }
    return new CausticLight(surfaces, to.before, to.density, pilot.width);
  }

  private boolean isNoisy(double share) {
    return CausticPilot.deviation(share, density) > CausticPilot.MOST_DEVIATION;
  }

  /** A light's probabilities of casters, without a radius; null where none of it arrives at any. */
  static CausticLight selecting(int light, CasterSurfaces surfaces, PhotonTracer tracer) {
    int count = surfaces.count(), tried = Math.min(TRIED, ALL_TRIED / count);
    double[] flux = new double[count];
    double densities = 0;
    for (int c = 0; c < count; c++) {
      // Of very many casters the same arrives at each.
      flux[c] = tried == 0 ? 1 : 0;
      for (int i = 0; i < tried; i++) {
        double arrives = tracer.incidentFlux(light, surfaces, c, i, TRYING) / tried;
        flux[c] += arrives;
        densities += arrives > 0 ? arrives * tracer.density(light) : 0;
      }
    }
    double sum = Arrays.stream(flux).sum();
    if (!(sum > 0) || sum == Double.POSITIVE_INFINITY) {
      return null;
    }
    double[] before = new double[count + 1];
    for (int c = 0; c < count; c++) {
      before[c + 1] = before[c] + EVEN / count + (1 - EVEN) * flux[c] / sum;
    }
    before[count] = 1;
    return new CausticLight(surfaces, before, densities / sum, 0);
  }

  CasterSurfaces surfaces() {
    return surfaces;
  }

  /**
   * The caster that a number chooses.
   *
   * @param u in [0, 1)
   */
  int choose(double u) {
    int low = 0, high = before.length - 2;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (before[middle] <= u) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return low;
  }

  /** The number that chose a caster, stretched to [0, 1) again. */
  double remapped(int caster, double u) {
    double share = chance(caster);
    return share > 0 ? Math.clamp((u - before[caster]) / share, 0, Math.nextDown(1.0)) : 0;
  }

  /** The probability of a caster. */
  double chance(int caster) {
    return before[caster + 1] - before[caster];
  }

  /**
   * Radius over which photons are gathered: smaller the more there are in a pass, and the further
   * the pass is (Knaus and Zwicker 2011, "Progressive Photon Mapping: A Probabilistic Approach").
   *
   * @param photons of a pass
   * @param pass from 0
   * @param least metres, 0 or more
   */
  float radius(int photons, int pass, double least) {
    double square = width * width * CausticPilot.PHOTONS / photons;
    for (int i = 1; i <= pass; i++) {
      square *= (i + KEPT) / (i + 1);
    }
    return (float) Math.max(least, Math.max(1e-6, Math.sqrt(square)));
  }
}
