package levelember.transport;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

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

  /** Photons of the pilot pass by which the radius is chosen. */
  private static final int PILOT = 1 << 12;

  /** Photons of it that a thread takes on at a time. */
  private static final int CHUNK = 1 << 9;

  /** Photons in the cell of a photon of the pilot pass, on the mean. */
  private static final double OCCUPANCY = 8;

  /** Share of new photons that each pass keeps. */
  private static final double KEPT = 0.7;

  /** Keys of passes that no picture has. */
  private static final int TRYING = 0x51ED270B, PILOTING = 0x2545F491;

  private final CasterSurfaces surfaces;

  /** Sums of the casters' probabilities before each, and 1. */
  private final double[] before;

  /** Width of cells in which the pilot pass has {@link #OCCUPANCY}, metres. */
  private final double width;

  private CausticLight(CasterSurfaces surfaces, double[] before, double width) {
    this.surfaces = surfaces;
    this.before = before;
    this.width = width;
  }

  /** A light's; null where nothing of it falls on a rough surface over casters. */
  static CausticLight of(Scene scene, int light, CasterSurfaces surfaces) {
    PhotonTracer tracer = new PhotonTracer(scene);
    CausticLight to = selecting(light, surfaces, tracer);
    if (to == null) {
      return null;
    }
    double[] before = to.before;
    List<PhotonMap.Deposits> deposits =
        IntStream.range(0, PILOT / CHUNK)
            .parallel()
            .mapToObj(chunk -> pilot(scene, light, to, chunk))
            .toList();
    double width = PhotonMap.cellWidth(deposits, OCCUPANCY);
    return width > 0 ? new CausticLight(surfaces, before, width) : null;
  }

  /** Some of the photons of the pilot pass. */
  private static PhotonMap.Deposits pilot(Scene scene, int light, CausticLight by, int chunk) {
    PhotonTracer tracer = new PhotonTracer(scene);
    PhotonMap.Deposits to = new PhotonMap.Deposits();
    for (int i = chunk * CHUNK; i < (chunk + 1) * CHUNK; i++) {
      tracer.trace(light, by, i, PILOTING, 1.0 / PILOT, to);
    }
    return to;
  }

  /** A light's probabilities of casters, without a radius; null where none of it arrives at any. */
  static CausticLight selecting(int light, CasterSurfaces surfaces, PhotonTracer tracer) {
    int count = surfaces.count();
    double[] flux = incidentFlux(light, surfaces, tracer);
    double sum = Arrays.stream(flux).sum();
    if (!(sum > 0) || sum == Double.POSITIVE_INFINITY) {
      return null;
    }
    double[] before = new double[count + 1];
    for (int c = 0; c < count; c++) {
      before[c + 1] = before[c] + EVEN / count + (1 - EVEN) * flux[c] / sum;
    }
    before[count] = 1;
    return new CausticLight(surfaces, before, 0);
  }

  /** What arrives at each caster, up to a factor; of very many casters the same at each. */
  private static double[] incidentFlux(int light, CasterSurfaces surfaces, PhotonTracer tracer) {
    double[] to = new double[surfaces.count()];
    int tried = Math.min(TRIED, ALL_TRIED / to.length);
    for (int c = 0; c < to.length; c++) {
      to[c] = tried == 0 ? 1 : 0;
      for (int i = 0; i < tried; i++) {
        to[c] += tracer.incidentFlux(light, surfaces, c, i, TRYING) / tried;
      }
    }
    return to;
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
    double square = width * width * PILOT / photons;
    for (int i = 1; i <= pass; i++) {
      square *= (i + KEPT) / (i + 1);
    }
    return (float) Math.max(least, Math.max(1e-6, Math.sqrt(square)));
  }
}
