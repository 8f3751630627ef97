package levelember.daylight;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.IntStream;
import levelember.math.Vec3;
import levelember.photometry.Observer;
import levelember.shoot.lighting.Daylight;
import levelember.texture.Picture;

/**
 * The light of sun and sky through a clear to hazy air round a globe, in cd/m² and lx, by twelve
 * bands from 390 to 720 nm.
 *
 * <p>Air: Rayleigh scattering with the optical depth of Bodhaine et al. 1999 at 550 nm (0.097 over
 * a scale height of 8 km), falling with the power 4.08 of the wavelength; aerosol of 1.2 km scale
 * height, 0.04 of optical depth at 550 nm for each unit of turbidity over 1, by Ångström's law
 * (exponent 1.3), of which 0.92 is scattered by the phase function of Cornette and Shanks 1992 with
 * g = 0.76; 300 Dobson units of ozone about 25 km up, its Chappuis band to about a tenth. Single
 * scattering is integrated along the ray; all higher orders are added by the isotropic series of
 * Hillaire 2020, "A Scalable and Production Ready Sky and Atmosphere Rendering Technique". The sun
 * is a black body of 5778 K that gives 128 klx outside the air. Colours by the CIE 1931 observer.
 *
 * <p>A clear sky at 60° gives what is measured outside to within the spread of clear days;
 * refraction is left out, so a sun at the horizon stands half a degree low.
 */
public final class Atmosphere {
  private static final int BANDS = 12;
  private static final double FIRST_NM = 390, STEP_NM = 30;
  private static final double EARTH = 6_360_000, TOP = 6_420_000;
  private static final double RAYLEIGH_SCALE = 8000, AEROSOL_SCALE = 1200;
  private static final double G = 0.76;
  private static final double OUTSIDE_LUX = 128_000;

  /** Ozone cross sections of the bands, 1e-21 cm² a molecule, about (Gorshelev et al. 2014). */
  private static final double[] OZONE = {
    0.01, 0.05, 0.25, 0.8, 1.7, 3.2, 4.6, 4.9, 3.9, 2.3, 1.2, 0.6
  };

  /** 300 Dobson units over a layer whose density is a tent of 15 km half width. */
  private static final double OZONE_DENSITY = 300 * 2.687e16 * 1e4 / 15_000;

  private static final int STEPS = 40, SUN_STEPS = 64;
  private static final int TABLE = 48, HEIGHTS = 16;
  private final double[] rayleigh = new double[BANDS];
  private final double[] aerosol = new double[BANDS];
  private final double[] ozone = new double[BANDS];
  private final double[] sun = new double[BANDS];
  private final double[][] toRgb = new double[BANDS][3];
  private final double albedo = 0.92;
  private final double ground;

  /** Tables are kept for so many airs: a sun that is turned stays in one. */
  private static final int KEPT_AIRS = 8;

  private static final Map<Air, Tables> TABLES =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Air, Tables> eldest) {
          return size() > KEPT_AIRS;
        }
      };

  /** All that the tables depend on. */
  private record Air(double haze, double ground) {}

  /** Transmittance to the sun by height and cosine of its zenith, and the isotropic series. */
  private record Tables(double[] sun, double[] series) {}

  private double[] sunTable, series;
  private final Daylight daylight;
  private final Vec3 toSun;

  public Atmosphere(Daylight daylight) {
    this.daylight = daylight;
    toSun = SunPosition.of(daylight).direction();
    ground =
        0.2126 * daylight.ground().r()
            + 0.7152 * daylight.ground().g()
            + 0.0722 * daylight.ground().b();
    // Turbidity 1 is air without aerosol; the optical depth at 550 nm grows by 0.04 for each.
    double depth = 0.04 * (daylight.haze() - 1);
    double light = 0;
    for (int i = 0; i < BANDS; i++) {
      double nm = FIRST_NM + i * STEP_NM, um = nm / 1000;
      rayleigh[i] = 1.216e-5 * StrictMath.pow(0.55 / um, 4.08);
      aerosol[i] = depth / AEROSOL_SCALE * StrictMath.pow(0.55 / um, 1.3);
      ozone[i] = OZONE[i] * 1e-21 * 1e-4 * OZONE_DENSITY;
      sun[i] = 1 / (StrictMath.pow(um, 5) * (StrictMath.exp(14_388 / (um * 5778)) - 1));
      double[] xyz = Observer.xyz(nm);
      light += sun[i] * xyz[1];
      toRgb[i] = Observer.rgb(xyz[0], xyz[1], xyz[2]);
    }
    for (int i = 0; i < BANDS; i++) {
      sun[i] *= OUTSIDE_LUX / light;
    }
    tables();
  }

  /** Unit direction to the sun. */
  public Vec3 toSun() {
    return toSun;
  }

  /** Illuminance square to the sun at the ground, lx by channel, graded as the sky is. */
  public double[] sunLux() {
    double[] out = new double[BANDS];
    double[] passed = new double[BANDS];
    transmittance(EARTH + 1, toSun.y(), passed);
    for (int i = 0; i < BANDS; i++) {
      out[i] = sun[i] * passed[i];
    }
    double[] rgb = rgb(out);
    graded(rgb);
    return rgb;
  }

  /** Luminance of the sky in a direction over the horizon, cd/m² by channel, as computed. */
  public double[] sky(Vec3 direction) {
    return rgb(scattered(direction));
  }

  /**
   * The sky and the ground beneath as an equirectangular picture, cd/m², its middle towards −Z.
   *
   * @param height rows; twice as many columns
   */
  public Picture picture(int height) {
    int width = 2 * height;
    Picture to = Picture.black(width, height);
    double[] floor = groundLuminance();
    double line = StrictMath.sin(Math.toRadians(daylight.horizonDegrees()));
    double soft = 0.002 + 0.3 * daylight.horizonSoftness();
    IntStream.range(0, height)
        .parallel()
        .forEach(y -> {
          double polar = Math.PI * (y + 0.5) / height;
          double up = StrictMath.cos(polar), flat = StrictMath.sin(polar);
          // Sky down to the horizon's height, what is beneath it being the ground.
          double share = Math.clamp(0.5 + (up - line) / soft, 0, 1);
          share = share * share * (3 - 2 * share);
          SkyRow row = share > 0 ? new SkyRow(Math.max(1e-3, up - line)) : null;
          for (int x = 0; x < width; x++) {
            double a = 2 * Math.PI * ((x + 0.5) / width - 0.5);
            double[] rgb = {0, 0, 0};
            if (row != null) {
              rgb = row.sky(a);
              graded(rgb);
            }
            double[] night = {daylight.night().r(), daylight.night().g(), daylight.night().b()};
            for (int c = 0; c < 3; c++) {
              rgb[c] += night[c] * daylight.nightLuminance();
              rgb[c] = share * rgb[c] + (1 - share) * floor[c];
            }
            to.set(x, y, rgb[0], rgb[1], rgb[2]);
          }
        });
    return to;
  }

  /**
   * The sky at one height over the horizon. But for the phase functions, what is scattered towards
   * the ground changes little with the angle to the sun's azimuth, so it is marched at some and
   * interpolated between.
   */
  private final class SkyRow {
    private static final int AZIMUTHS = 24;
    private final double y, flat, sunAzimuth;
    private final double[][][] parts = new double[AZIMUTHS + 1][3][BANDS];

    SkyRow(double y) {
      this.y = y;
      flat = Math.sqrt(Math.max(0, 1 - y * y));
      sunAzimuth = StrictMath.atan2(toSun.x(), -toSun.z());
      for (int i = 0; i <= AZIMUTHS; i++) {
        march(
            EARTH + 1,
            direction(sunAzimuth + Math.PI * i / AZIMUTHS),
            toSun,
            false,
            parts[i],
            null);
      }
    }

    private Vec3 direction(double azimuth) {
      return new Vec3(flat * StrictMath.sin(azimuth), y, -flat * StrictMath.cos(azimuth));
    }

    double[] sky(double azimuth) {
      double apart = Math.abs(azimuth - sunAzimuth);
      apart = apart > Math.PI ? 2 * Math.PI - apart : apart;
      double at = Math.clamp(apart / Math.PI, 0, 1) * AZIMUTHS;
      int i = Math.min((int) at, AZIMUTHS - 1);
      double t = at - i;
      double cos = direction(azimuth).dot(toSun);
      double[] light = new double[BANDS];
      for (int k = 0; k < BANDS; k++) {
        double[] mixed = new double[3];
        for (int p = 0; p < 3; p++) {
          mixed[p] = parts[i][p][k] + t * (parts[i + 1][p][k] - parts[i][p][k]);
        }
        light[k] = sun[k] * (mixed[0] * phaseAir(cos) + mixed[1] * phaseHaze(cos) + mixed[2]);
      }
      return rgb(light);
    }
  }

  /** Rayleigh's phase function, per steradian. */
  private static double phaseAir(double cos) {
    return 3 / (16 * Math.PI) * (1 + cos * cos);
  }

  /** The phase function of Cornette and Shanks, per steradian. */
  private static double phaseHaze(double cos) {
    return 3
        / (8 * Math.PI)
        * (1 - G * G)
        * (1 + cos * cos)
        / ((2 + G * G) * StrictMath.pow(1 + G * G - 2 * G * cos, 1.5));
  }

  /** Luminance of even ground under sun and sky, cd/m² by channel. */
  private double[] groundLuminance() {
    double[] lux = skyLux();
    double[] beam = sunLux();
    graded(lux);
    double[] own = {daylight.ground().r(), daylight.ground().g(), daylight.ground().b()};
    double[] night = {daylight.night().r(), daylight.night().g(), daylight.night().b()};
    for (int c = 0; c < 3; c++) {
      double all =
          lux[c]
              + beam[c] * Math.max(0, toSun.y())
              + Math.PI * night[c] * daylight.nightLuminance();
      lux[c] = own[c] * all / Math.PI;
    }
    return lux;
  }

  /** Illuminance of level ground by the sky alone, lx by channel, as computed. */
  public double[] skyLux() {
    double[] sum = new double[BANDS];
    int up = 12, round = 24;
    for (int i = 0; i < up; i++) {
      double sin2 = (i + 0.5) / up, y = Math.sqrt(1 - sin2), r = Math.sqrt(sin2);
      for (int j = 0; j < round; j++) {
        double a = 2 * Math.PI * (j + 0.5) / round;
        double[] sky = scattered(new Vec3(r * StrictMath.sin(a), y, -r * StrictMath.cos(a)));
        for (int k = 0; k < BANDS; k++) {
          sum[k] += Math.PI * sky[k] / (up * round);
        }
      }
    }
    return rgb(sum);
  }

  /** Warmth and saturation, which keep luminance. */
  private void graded(double[] rgb) {
    double before = luminance(rgb);
    double warm = StrictMath.pow(2, 0.5 * daylight.warmth());
    rgb[0] *= warm;
    rgb[2] /= warm;
    double y = luminance(rgb);
    for (int c = 0; c < 3; c++) {
      rgb[c] = Math.max(0, y + daylight.saturation() * (rgb[c] - y));
    }
    double after = luminance(rgb);
    for (int c = 0; c < 3 && after > 0; c++) {
      rgb[c] *= before / after;
    }
  }

  private static double luminance(double[] rgb) {
    return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
  }

  /** Colours outside BT.709 lose their negative part. */
  private double[] rgb(double[] bands) {
    double[] to = new double[3];
    for (int i = 0; i < BANDS; i++) {
      for (int c = 0; c < 3; c++) {
        to[c] += bands[i] * toRgb[i][c];
      }
    }
    for (int c = 0; c < 3; c++) {
      to[c] = Math.max(0, to[c]);
    }
    return to;
  }

  private void tables() {
    Air air = new Air(daylight.haze(), ground);
    Tables kept;
    synchronized (TABLES) {
      kept = TABLES.get(air);
    }
    if (kept == null) {
      sunTable = new double[TABLE * HEIGHTS * BANDS];
      series = new double[TABLE * HEIGHTS * BANDS];
      fill();
      kept = new Tables(sunTable, series);
      synchronized (TABLES) {
        TABLES.put(air, kept);
      }
    }
    sunTable = kept.sun();
    series = kept.series();
  }

  private void fill() {
    IntStream.range(0, HEIGHTS)
        .parallel()
        .forEach(h -> {
          double[] out = new double[BANDS];
          for (int m = 0; m < TABLE; m++) {
            transmittance(radius(h), cosine(m), out);
            System.arraycopy(out, 0, sunTable, (h * TABLE + m) * BANDS, BANDS);
          }
        });
    IntStream.range(0, HEIGHTS * TABLE)
        .parallel()
        .forEach(i -> series(radius(i / TABLE), cosine(i % TABLE), i * BANDS));
  }

  private static double radius(int h) {
    double part = h / (HEIGHTS - 1.0);
    return EARTH + 1 + (TOP - EARTH - 2) * part * part;
  }

  /** Finer about the horizon. */
  private static double cosine(int m) {
    double t = 2 * m / (TABLE - 1.0) - 1;
    return Math.copySign(t * t, t);
  }

  /** Looks a table up into an array of bands. */
  private static void look(double[] table, double r, double mu, double[] to) {
    double h = Math.sqrt(Math.clamp((r - EARTH - 1) / (TOP - EARTH - 2), 0, 1)) * (HEIGHTS - 1);
    double m = (Math.copySign(Math.sqrt(Math.abs(mu)), mu) + 1) / 2 * (TABLE - 1);
    int h0 = Math.min((int) h, HEIGHTS - 2), m0 = Math.clamp((int) m, 0, TABLE - 2);
    double fh = h - h0, fm = m - m0;
    int at = (h0 * TABLE + m0) * BANDS, up = TABLE * BANDS;
    for (int i = 0; i < BANDS; i++) {
      double low = table[at + i] + fm * (table[at + BANDS + i] - table[at + i]);
      double high = table[at + up + i] + fm * (table[at + up + BANDS + i] - table[at + up + i]);
      to[i] = low + fh * (high - low);
    }
  }

  private double ozoneAt(double height) {
    return Math.max(0, 1 - Math.abs(height - 25_000) / 15_000);
  }

  /** What is left of the sun's light on its way to a height, by band; none behind the globe. */
  private void transmittance(double r, double mu, double[] to) {
    double[] depth = new double[3];
    if (mu < 0 && r * Math.sqrt(1 - mu * mu) < EARTH) {
      Arrays.fill(to, 0);
      return;
    }
    double end = -r * mu + Math.sqrt(Math.max(0, r * r * (mu * mu - 1) + TOP * TOP));
    double before = 0;
    for (int i = 0; i < SUN_STEPS; i++) {
      double part = (i + 1.0) / SUN_STEPS, t = end * part * part;
      double middle = (before + t) / 2, step = t - before;
      before = t;
      double height = Math.sqrt(r * r + middle * (2 * r * mu + middle)) - EARTH;
      depth[0] += step * StrictMath.exp(-height / RAYLEIGH_SCALE);
      depth[1] += step * StrictMath.exp(-height / AEROSOL_SCALE);
      depth[2] += step * ozoneAt(height);
    }
    for (int i = 0; i < BANDS; i++) {
      to[i] = StrictMath.exp(-rayleigh[i] * depth[0] - aerosol[i] * depth[1] - ozone[i] * depth[2]);
    }
  }

  /** The sum of all orders of scattering beyond the first, as if even in all directions. */
  private void series(double r, double mu, int at) {
    int rays = 8;
    double[] second = new double[BANDS], kept = new double[BANDS];
    double[][] parts = new double[3][BANDS];
    double[] share = new double[BANDS];
    Vec3 towards = new Vec3(Math.sqrt(Math.max(0, 1 - mu * mu)), mu, 0);
    for (int i = 0; i < rays; i++) {
      double y = 1 - 2 * (i + 0.5) / rays, flat = Math.sqrt(1 - y * y);
      for (int j = 0; j < rays; j++) {
        double a = 2 * Math.PI * (j + 0.5) / rays;
        Vec3 d = new Vec3(flat * StrictMath.cos(a), y, flat * StrictMath.sin(a));
        march(r, d, towards, true, parts, share);
        for (int k = 0; k < BANDS; k++) {
          double even = (parts[0][k] + parts[1][k]) / (4 * Math.PI) + parts[2][k];
          second[k] += even / (rays * rays);
          kept[k] += share[k] / (rays * rays);
        }
      }
    }
    for (int k = 0; k < BANDS; k++) {
      series[at + k] = second[k] / (1 - Math.min(0.999, kept[k]));
    }
  }

  private double[] scattered(Vec3 direction) {
    double[][] parts = new double[3][BANDS];
    march(EARTH + 1, direction, toSun, false, parts, null);
    double air = phaseAir(direction.dot(toSun)), haze = phaseHaze(direction.dot(toSun));
    double[] light = new double[BANDS];
    for (int i = 0; i < BANDS; i++) {
      light[i] = sun[i] * (parts[0][i] * air + parts[1][i] * haze + parts[2][i]);
    }
    return light;
  }

  /**
   * Gathers light along a ray, for a sun of 1.
   *
   * @param even the first order alone, and the ground's light
   * @param parts get by band what air scatters once and what haze does, both without their phase
   *     functions, and all the rest
   * @param share gets what of an even light of 1 would be scattered into the ray, or null
   */
  private void march(
      double r, Vec3 d, Vec3 towards, boolean even, double[][] parts, double[] share) {
    for (double[] part : parts) {
      Arrays.fill(part, 0);
    }
    if (share != null) {
      Arrays.fill(share, 0);
    }
    double mu = d.y();
    double ground2 = r * r * (mu * mu - 1) + EARTH * EARTH;
    boolean hits = mu < 0 && ground2 > 0;
    double end =
        hits
            ? -r * mu - Math.sqrt(ground2)
            : -r * mu + Math.sqrt(Math.max(0, r * r * (mu * mu - 1) + TOP * TOP));
    double[] left = new double[BANDS], sunLeft = new double[BANDS], more = new double[BANDS];
    Arrays.fill(left, 1);
    double before = 0;
    int steps = even ? STEPS / 2 : STEPS;
    for (int s = 0; s < steps; s++) {
      double part = (s + 1.0) / steps, t = end * part * part;
      double middle = (before + t) / 2, step = t - before;
      before = t;
      double x = middle * d.x(), y = r + middle * d.y(), z = middle * d.z();
      double here = Math.sqrt(x * x + y * y + z * z);
      double height = here - EARTH;
      double air = StrictMath.exp(-height / RAYLEIGH_SCALE),
          haze = StrictMath.exp(-height / AEROSOL_SCALE);
      double layer = ozoneAt(height);
      double zenith = (x * towards.x() + y * towards.y() + z * towards.z()) / here;
      look(sunTable, here, zenith, sunLeft);
      if (!even) {
        look(series, here, zenith, more);
      }
      for (int i = 0; i < BANDS; i++) {
        double fromAir = rayleigh[i] * air, fromHaze = albedo * aerosol[i] * haze;
        double out = fromAir + aerosol[i] * haze + ozone[i] * layer;
        double passed = StrictMath.exp(-out * step);
        double within = out > 1e-12 ? (1 - passed) / out : step;
        double arrives = left[i] * within;
        parts[0][i] += arrives * sunLeft[i] * fromAir;
        parts[1][i] += arrives * sunLeft[i] * fromHaze;
        parts[2][i] += even ? 0 : arrives * more[i] * (fromAir + fromHaze);
        if (share != null) {
          share[i] += left[i] * (fromAir + fromHaze) * within;
        }
        left[i] *= passed;
      }
    }
    if (hits && even) {
      double zenith =
          Math.max(
              0,
              (end * d.x() * towards.x()
                      + (r + end * d.y()) * towards.y()
                      + end * d.z() * towards.z())
                  / EARTH);
      look(sunTable, EARTH + 1, zenith, sunLeft);
      for (int i = 0; i < BANDS; i++) {
        parts[2][i] += left[i] * ground / Math.PI * zenith * sunLeft[i];
      }
    }
  }
}
