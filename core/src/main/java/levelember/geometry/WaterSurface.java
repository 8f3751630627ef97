package levelember.geometry;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import levelember.math.Vec3;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;

/**
 * The surface of open water: a sum of waves by the spectrum of Pierson and Moskowitz 1964, in water
 * of limited depth as Bouws et al. 1985 have it, spread about their heading by a squared cosine.
 * Each runs as gravity, surface tension and depth have it (Lamb 1932, art. 267); crests are
 * sharpened by moving the water sideways (Gerstner 1809). Rings of ripples come on top.
 */
final class WaterSurface {
  private static final int WAVES = 96;
  private static final double GRAVITY = 9.81;

  /** Surface tension of water over its density, m³/s². */
  private static final double TENSION = 7.28e-5;

  /** Steps of the surface along one usual wave, and along one ring. */
  private static final int STEPS = 48, RING_STEPS = 16;

  /**
   * Numbers of a point: height, its slopes, sideways shifts along x and z, and their derivatives
   * (XZ is that of the shift along x by z).
   */
  private static final int H = 0,
      HX = 1,
      HZ = 2,
      DX = 3,
      DZ = 4,
      XX = 5,
      XZ = 6,
      ZX = 7,
      ZZ = 8,
      ALL = 9;

  private final Shape.Water water;
  private final int across, along;
  private final double[] kx = new double[WAVES], kz = new double[WAVES], k = new double[WAVES];
  private final double[] amplitude = new double[WAVES], phase = new double[WAVES];
  private int waves;

  /** How far water goes sideways, of what it goes up and down. */
  private final double sideways;

  /** Width of the rim along which water does not go sideways, so that the sides stay plane. */
  private final double rim;

  private WaterSurface(Shape.Water water) {
    this.water = water;
    double form = water.waves().length();
    for (RippleRing ring : water.rings()) {
      form = Math.min(form, ring.length() * STEPS / RING_STEPS);
    }
    across = Sheets.steps(water.width(), form, STEPS);
    along = Sheets.steps(water.depth(), form, STEPS);
    rim = Math.min(water.waves().length() / 2, Math.min(water.width(), water.depth()) / 4);
    double steepness = sampleSpectrum(water.waves());
    sideways = water.waves().choppiness() * (steepness > 0 ? Math.min(1, 0.33 / steepness) : 0);
  }

  /** The surface, closed where the water has a depth. */
  static Triangles of(Shape.Water water) {
    return new WaterSurface(water).triangles();
  }

  /** Angular frequency of waves of a wave number. */
  static double frequency(double k, double deep) {
    double omega2 = GRAVITY * k + TENSION * k * k * k;
    return Math.sqrt(deep > 0 ? omega2 * StrictMath.tanh(k * deep) : omega2);
  }

  /** Samples the waves of the spectrum; returns the root mean square of their slopes. */
  private double sampleSpectrum(Waves of) {
    double step = Math.max(water.width() / across, water.depth() / along);
    Random random = new Random(of.seed() * 7919L + 17);
    double peak = Math.sqrt(GRAVITY * 2 * Math.PI / of.length());
    double power = 0, slopes = 0, seconds = of.speed() * water.seconds();
    for (int i = 0; i < WAVES; i++) {
      // Frequencies from half to two and a half times the peak's, in even ratios.
      double omega = peak * 0.5 * StrictMath.pow(5, (i + random.nextDouble()) / WAVES);
      double number = omega * omega / GRAVITY;
      double density =
          StrictMath.pow(omega / peak, -5)
              * StrictMath.exp(-1.25 * StrictMath.pow(peak / omega, 4))
              * shallow(number, water.deep());
      double spread = StrictMath.asin(2 * random.nextDouble() - 1);
      double heading = Math.toRadians(of.headingDegrees()) + spread * 0.8;
      double start = 2 * Math.PI * random.nextDouble();
      // What the sheet's corners are too far apart to show is left out.
      if (2 * Math.PI / number <= 5 * step) {
        continue;
      }
      amplitude[waves] = Math.sqrt(density * omega);
      k[waves] = number;
      kx[waves] = number * StrictMath.cos(heading);
      kz[waves] = -number * StrictMath.sin(heading);
      phase[waves] = start - frequency(number, water.deep()) * seconds;
      power += amplitude[waves] * amplitude[waves] / 2;
      slopes += Math.pow(amplitude[waves] * number, 2) / 2;
      waves++;
    }
    double scale = power > 0 ? of.height() / (4 * Math.sqrt(power)) : 0;
    for (int i = 0; i < waves; i++) {
      amplitude[i] *= scale;
    }
    return scale * Math.sqrt(slopes);
  }

  /** What limited depth leaves of a wave's density (Bouws et al. 1985). */
  private static double shallow(double k, double deep) {
    double kd = k * deep;
    if (deep == 0 || kd > 8) {
      return 1;
    }
    double t = StrictMath.tanh(kd);
    return t * t / (1 + 2 * kd / StrictMath.sinh(2 * kd));
  }

  private Triangles triangles() {
    double[][] rows = new double[along + 1][];
    IntStream.rangeClosed(0, along).parallel().forEach(j -> rows[j] = row(j));
    Triangles t = new Triangles();
    int[][] id = new int[along + 1][across + 1];
    for (int j = 0; j <= along; j++) {
      double v = (double) j / along, z = water.depth() * (v - 0.5);
      for (int i = 0; i <= across; i++) {
        double u = (double) i / across, x = water.width() * (u - 0.5);
        double[] p = rows[j];
        int n = ALL * i;
        Vec3 alongX = new Vec3(1 + p[n + XX], p[n + HX], p[n + ZX]);
        Vec3 alongZ = new Vec3(p[n + XZ], p[n + HZ], 1 + p[n + ZZ]);
        id[j][i] =
            t.corner(new Vec3(x + p[n + DX], p[n + H], z + p[n + DZ]), alongZ.cross(alongX), u, v);
      }
    }
    Sheets.close(t, id, across, along, water.deep());
    return t;
  }

  /** The numbers of all points of a row. */
  private double[] row(int j) {
    double z = water.depth() * ((double) j / along - 0.5), step = water.width() / across;
    double[] to = new double[ALL * (across + 1)];
    for (int w = 0; w < waves; w++) {
      // The angle grows by the same step from point to point, so that it is turned, not computed.
      double start = kz[w] * z + phase[w] - kx[w] * water.width() / 2;
      double c = StrictMath.cos(start), s = StrictMath.sin(start);
      double turnC = StrictMath.cos(kx[w] * step), turnS = StrictMath.sin(kx[w] * step);
      double a = amplitude[w], side = -sideways * a;
      double ux = kx[w] / k[w], uz = kz[w] / k[w];
      for (int n = 0; n < to.length; n += ALL) {
        to[n + H] += a * c;
        to[n + HX] -= a * kx[w] * s;
        to[n + HZ] -= a * kz[w] * s;
        to[n + DX] += side * ux * s;
        to[n + DZ] += side * uz * s;
        to[n + XX] += side * ux * kx[w] * c;
        to[n + XZ] += side * ux * kz[w] * c;
        to[n + ZZ] += side * uz * kz[w] * c;
        double next = c * turnC - s * turnS;
        s = s * turnC + c * turnS;
        c = next;
      }
    }
    for (int i = 0; i <= across; i++) {
      double x = water.width() * ((double) i / across - 0.5);
      dampSideways(x, z, to, ALL * i);
      ripple(water.rings(), x, z, to, ALL * i);
    }
    return to;
  }

  /** Keeps water at the rims from going sideways through them. */
  private void dampSideways(double x, double z, double[] to, int n) {
    double inX = Math.min(1, (water.width() / 2 - Math.abs(x)) / rim);
    double inZ = Math.min(1, (water.depth() / 2 - Math.abs(z)) / rim);
    double wx = smooth(inX), wz = smooth(inZ);
    double slopeX = -Math.signum(x) * 6 * inX * (1 - inX) / rim;
    double slopeZ = -Math.signum(z) * 6 * inZ * (1 - inZ) / rim;
    to[n + XX] = wx * to[n + XX] + slopeX * to[n + DX];
    to[n + ZZ] = wz * to[n + ZZ] + slopeZ * to[n + DZ];
    to[n + ZX] = wz * to[n + XZ];
    to[n + XZ] *= wx;
    to[n + DX] *= wx;
    to[n + DZ] *= wz;
  }

  private static double smooth(double t) {
    return t * t * (3 - 2 * t);
  }

  /** Adds rings, whose height falls with the root of their way and dies down by their reach. */
  private void ripple(List<RippleRing> rings, double x, double z, double[] to, int n) {
    for (RippleRing ring : rings) {
      double number = 2 * Math.PI / ring.length();
      double seconds = water.waves().speed() * water.seconds();
      double rx = x - ring.x(), rz = z - ring.z();
      // Rounded about the point, where the ring would have a cusp.
      double s = Math.sqrt(rx * rx + rz * rz + ring.length() * ring.length() / 16);
      double angle = number * s - frequency(number, water.deep()) * seconds;
      double fall = 1 + s / ring.length();
      double e = ring.height() / 2 * StrictMath.exp(-s / ring.reach()) / Math.sqrt(fall);
      double c = StrictMath.cos(angle);
      double slope =
          -e * number * StrictMath.sin(angle)
              - e * c * (1 / ring.reach() + 0.5 / (ring.length() * fall));
      to[n + H] += e * c;
      to[n + HX] += slope * rx / s;
      to[n + HZ] += slope * rz / s;
    }
  }
}
