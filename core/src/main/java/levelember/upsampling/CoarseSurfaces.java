package levelember.upsampling;

import levelember.denoise.Denoiser;
import levelember.denoise.PixelGuides;
import levelember.film.Film;
import levelember.film.GBuffer;

/**
 * What the pixels of a coarse film show, a plane a value, and how far surfaces are apart: what the
 * weights of {@link JointUpsampling} are made of.
 */
final class CoarseSurfaces {
  private static final int NX = GBuffer.NORMAL, NY = NX + 1, NZ = NX + 2;
  private static final int X = GBuffer.PLACE, Y = X + 1, Z = X + 2;

  /** Differences by squared difference of normals and of albedos. */
  static final float BY_NORMAL = 6, BY_ALBEDO = 3;

  /** Distance from the tangent plane that counts as one, by the distance from the camera. */
  static final float BY_PLANE = 1 / 0.02f;

  /** Difference of what lies on another plane at most, and of a surface from the open. */
  static final float MOST_BY_PLANE = 12;

  /** Difference of anything from a pixel of which nothing is known. */
  static final float BY_UNKNOWN = 1;

  /** A plane for each of a sample's values; albedo at least {@link Denoiser#LEAST_COLOUR}. */
  final float[][] values;

  /** 1 where a surface is met and where the open is, else 0. */
  final float[] surface, open;

  /** The same pixel by pixel, for those who look at single ones: values, surface, open. */
  private final float[] records;

  private static final int RECORD = GBuffer.VALUES + 2;

  final int width, height;

  CoarseSurfaces(Film film, PixelGuides guides) {
    width = film.width();
    height = film.height();
    values = new float[GBuffer.VALUES][width * height];
    surface = new float[width * height];
    open = new float[width * height];
    records = new float[RECORD * width * height];
    float[] first = new float[GBuffer.VALUES];
    for (int p = 0; p < width * height; p++) {
      int kind = film.surfaces().kind(p, 0);
      surface[p] = kind == GBuffer.SURFACE ? 1 : 0;
      open[p] = kind == GBuffer.OPEN ? 1 : 0;
      film.surfaces().read(p, 0, first);
      for (int k = 0; k < GBuffer.VALUES; k++) {
        float v = k < PixelGuides.VALUES ? guides.mean[k][p] : first[k];
        values[k][p] = k < NX ? Math.max(Denoiser.LEAST_COLOUR, v) : v;
        records[RECORD * p + k] = values[k][p];
      }
      records[RECORD * p + GBuffer.VALUES] = surface[p];
      records[RECORD * p + GBuffer.VALUES + 1] = open[p];
    }
  }

  /** How far a sample's surface is from a pixel's, 0 where they are the same. */
  float featureDistance(int p, float[] sample) {
    float[] v = records;
    int at = RECORD * p;
    float r = v[at] - sample[0], g = v[at + 1] - sample[1], b = v[at + 2] - sample[2];
    float nx = sample[NX], ny = sample[NY], nz = sample[NZ];
    float i = v[at + NX] - nx, j = v[at + NY] - ny, k = v[at + NZ] - nz;
    float plane =
        nx * (v[at + X] - sample[X]) + ny * (v[at + Y] - sample[Y]) + nz * (v[at + Z] - sample[Z]);
    plane *= sample[GBuffer.NEARNESS] * BY_PLANE;
    float here = sample[GBuffer.NEARNESS] > 0 ? 1 : 0;
    float met = v[at + GBuffer.VALUES], unmet = v[at + GBuffer.VALUES + 1];
    return BY_ALBEDO * (r * r + g * g + b * b)
        + BY_NORMAL * (i * i + j * j + k * k)
        + here * met * Math.min(MOST_BY_PLANE, plane * plane)
        + MOST_BY_PLANE * (here * unmet + (1 - here) * met)
        + BY_UNKNOWN * (1 - met - unmet);
  }

  /** What distances of surfaces or places leave of a weight: nearly e^−t. */
  static float edgeStop(float t) {
    float f = Math.max(0, 1 - t / 16);
    f *= f;
    f *= f;
    f *= f;
    return f * f;
  }
}
