package levelember.film;

/**
 * What the pixels of a coarse film show, a plane a value, and how far surfaces are apart: what the
 * weights of {@link JointUpsampling} are made of.
 */
final class CoarseSurfaces {
  /** Albedo, normal, one over the path length, place. */
  static final int R = 0, G = 1, B = 2, NX = 3, NY = 4, NZ = 5, NEARNESS = 6, X = 7, Y = 8, Z = 9;

  static final int VALUES = 10;

  /** Differences by squared difference of normals and of albedos. */
  static final float BY_NORMAL = 6, BY_ALBEDO = 3;

  /** Distance from the tangent plane that counts as one, by the distance from the camera. */
  static final float BY_PLANE = 1 / 0.02f;

  /** Difference of what lies on another plane at most, and of a surface from the open. */
  static final float MOST_BY_PLANE = 12;

  /** Difference of anything from a pixel of which nothing is known. */
  static final float BY_UNKNOWN = 1;

  /** A plane a value; albedo at least {@link Denoiser#LEAST_COLOUR}. */
  final float[][] values;

  /** 1 where a surface is met and where the open is, else 0. */
  final float[] surface, open;

  /** The same pixel by pixel, for those who look at single ones: values, surface, open. */
  private final float[] records;

  private static final int RECORD = VALUES + 2;

  final int width, height;

  CoarseSurfaces(Film film, PixelGuides guides) {
    width = film.width();
    height = film.height();
    values = new float[VALUES][width * height];
    surface = new float[width * height];
    open = new float[width * height];
    records = new float[RECORD * width * height];
    float[] first = new float[VALUES];
    for (int p = 0; p < width * height; p++) {
      int kind = film.surfaces().kind(p, 0);
      surface[p] = kind == GBuffer.SURFACE ? 1 : 0;
      open[p] = kind == GBuffer.OPEN ? 1 : 0;
      film.surfaces().read(p, 0, first);
      for (int k = 0; k < VALUES; k++) {
        float v = k < PixelGuides.VALUES ? guides.mean[k][p] : first[k];
        values[k][p] = k <= B ? Math.max(Denoiser.LEAST_COLOUR, v) : v;
        records[RECORD * p + k] = values[k][p];
      }
      records[RECORD * p + VALUES] = surface[p];
      records[RECORD * p + VALUES + 1] = open[p];
    }
  }

  /** How far a sample's surface is from a pixel's. */
  float apart(int p, float[] sample) {
    float[] v = records;
    int at = RECORD * p;
    float r = v[at] - sample[R], g = v[at + G] - sample[G], b = v[at + B] - sample[B];
    float nx = sample[NX], ny = sample[NY], nz = sample[NZ];
    float i = v[at + NX] - nx, j = v[at + NY] - ny, k = v[at + NZ] - nz;
    float plane =
        nx * (v[at + X] - sample[X]) + ny * (v[at + Y] - sample[Y]) + nz * (v[at + Z] - sample[Z]);
    plane *= sample[NEARNESS] * BY_PLANE;
    float here = sample[NEARNESS] > 0 ? 1 : 0;
    float met = v[at + VALUES], unmet = v[at + VALUES + 1];
    return BY_ALBEDO * (r * r + g * g + b * b)
        + BY_NORMAL * (i * i + j * j + k * k)
        + here * met * Math.min(MOST_BY_PLANE, plane * plane)
        + MOST_BY_PLANE * (here * unmet + (1 - here) * met)
        + BY_UNKNOWN * (1 - met - unmet);
  }

  /** Nearly e^−t. */
  static float falling(float t) {
    float f = Math.max(0, 1 - t / 16);
    f *= f;
    f *= f;
    f *= f;
    return f * f;
  }
}
