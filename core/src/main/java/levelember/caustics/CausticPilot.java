package levelember.caustics;

import java.util.List;
import java.util.stream.IntStream;
import levelember.scene.Scene;

/**
 * A pilot pass of photons of one light: over which radius they are to be gathered, and how noisy
 * paths would be where its caustics fall, by which photons or paths are chosen for them.
 *
 * <p>A path from such a place meets the light over casters with a probability of about Ω / π, Ω
 * being the solid angle that the light effectively has from the casters: one over the mean density
 * of its samples, weighted by their flux (the second moment of radiance over the squared first
 * one). Of what falls there from the light, directly and as caustics, these are a share ρ, so that
 * the relative standard deviation of one path is about ρ √(π / Ω).
 */
final class CausticPilot {
  /** Deviation of one path from which photons take over. */
  static final double MOST_DEVIATION = 2.1;

  /** Photons of a pilot pass by which radii are found, and of one by which photons are chosen. */
  static final int PHOTONS = 1 << 12, FEW = 1 << 10;

  /** Photons of it that a thread takes on at a time. */
  private static final int CHUNK = 1 << 8;

  /** Photons that must land for anything to be said of them. */
  private static final int LEAST_LANDED = 12;

  /** Places at which direct light is compared with caustics. */
  private static final int PLACES = 128;

  /** Photons in the cell of a photon of the pilot pass, on the mean. */
  private static final double OCCUPANCY = 8;

  /** Keys of passes that no picture has. */
  private static final int PILOTING = 0x2545F491, COMPARING = 0x7F4A7C15;

  /** Cosine between normals of two photons on one surface, at least. */
  private static final float SAME_SIDE = 0.6f;

  private final Scene scene;
  private final int light;
  private final List<PhotonMap.Deposits> deposits;

  /**
   * Width of cells in which the pass has {@link #OCCUPANCY}, metres; 0 where nothing has landed.
   */
  final double width;

  /**
   * Traces the pass.
   *
   * @param by where photons begin
   * @param photons {@link #PHOTONS} or {@link #FEW}
   */
  CausticPilot(Scene scene, int light, CausticLight by, int photons) {
    this.scene = scene;
    this.light = light;
    deposits =
        IntStream.range(0, photons / CHUNK)
            .parallel()
            .mapToObj(c -> chunk(by, c, photons))
            .toList();
    width = PhotonMap.cellWidth(deposits, OCCUPANCY);
  }

  private PhotonMap.Deposits chunk(CausticLight by, int chunk, int photons) {
    PhotonTracer tracer = new PhotonTracer(scene);
    PhotonMap.Deposits to = new PhotonMap.Deposits();
    for (int i = chunk * CHUNK; i < (chunk + 1) * CHUNK; i++) {
      tracer.trace(light, by, i, PILOTING, 1.0 / photons, to);
    }
    return to;
  }

  /**
   * Relative standard deviation of one path.
   *
   * @param share of caustics in what falls where they do, 0…1
   * @param density mean density of the light's samples from casters, 1/sr
   */
  static double deviation(double share, double density) {
    return share * Math.sqrt(Math.PI * density);
  }

  /**
   * The share of caustics in the light's illuminance where they fall, weighted by their flux, 0…1;
   * 0 where hardly any photon has landed.
   */
  double causticShare() {
    if (deposits.stream().mapToInt(d -> d.count).sum() < LEAST_LANDED) {
      return 0;
    }
    PhotonMap map = PhotonMap.of(deposits, (float) width);
    PhotonTracer tracer = new PhotonTracer(scene);
    float[] p = map.photons;
    int step = Math.max(1, map.count() / PLACES);
    double caustic = 0, all = 0;
    for (int i = 0; i < map.count(); i += step) {
      int a = PhotonMap.FLOATS * i;
      double flux = flux(p, a), thrown = illuminance(map, a);
      double direct = tracer.illuminance(light, p, a, i, COMPARING);
      caustic += flux * thrown / (thrown + direct);
      all += flux;
    }
    return all > 0 ? caustic / all : 0;
  }

  /** The mean over the channels of a photon's flux. */
  private static double flux(float[] p, int a) {
    return (p[a + 9] + p[a + 10] + p[a + 11]) / 3.0;
  }

  /** What photons about one of them give its place, lx, the mean over the channels. */
  private static double illuminance(PhotonMap map, int at) {
    float[] p = map.photons;
    int[] buckets = new int[8];
    int count = map.buckets(p[at], p[at + 1], p[at + 2], buckets);
    float r2 = map.radius * map.radius;
    double sum = 0;
    for (int i = 0; i < count; i++) {
      for (int n = map.begin(buckets[i]); n < map.end(buckets[i]); n++) {
        int a = PhotonMap.FLOATS * n;
        float x = p[a] - p[at], y = p[a + 1] - p[at + 1], z = p[a + 2] - p[at + 2];
        float cos = p[a + 6] * p[at + 6] + p[a + 7] * p[at + 7] + p[a + 8] * p[at + 8];
        float d2 = x * x + y * y + z * z;
        if (d2 < r2 && cos > SAME_SIDE) {
          sum += flux(p, a) * PhotonMap.kernel(d2, r2);
        }
      }
    }
    return sum;
  }
}
