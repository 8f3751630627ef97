package levelember.denoise;

import java.util.Arrays;
import java.util.function.Consumer;
import java.util.function.IntConsumer;

/**
 * Gives a filtered layer the amount of light of its samples again. Filters whose weights are not
 * the same both ways, and limits on outliers, take light away; what is missing about a pixel is
 * spread over its neighbourhood in proportion to the filtered light that is there, so that each
 * neighbourhood keeps its sum (normalised convolution after Knutsson and Westin 1993, in its
 * transposed form, which is exact up to the picture's border). What does not stand out of its own
 * noise there is spread over the whole picture; of a picture that finer ones follow, only as far as
 * it stands out of the noise of the whole, as one sample of much light would brighten everything.
 */
final class MeanCorrection {
  /** Pixels of a cell across, in which light is summed first. */
  private static final int CELL = 4;

  /** Cells that a neighbourhood reaches to each side, for so many of them across the picture. */
  private static final int CELLS_PER_REACH = 16, LEAST_REACH = 2;

  /** Squared standard errors by which missing light must stand out to stay where it is missing. */
  private static final float LOCAL = 4;

  /** Share of light that surfaces get for being there, against what the filter found on them. */
  private static final float BY_COLOUR = 0.05f;

  /** Albedo that what lies open, or shows nothing to guides, counts for. */
  private static final float LEAST_ALBEDO = 1e-3f;

  /** Weight below which there is nothing to go by. */
  private static final float LEAST_WEIGHT = 1e-30f;

  /** Squared standard errors by which light that is spread over a coarse picture must stand out. */
  private static final float WHOLE_PICTURE = 2;

  private final PixelGuides guides;
  private final boolean coarse;
  private final int width, height, across, down, reach;
  private final Consumer<IntConsumer> rows;

  /** For every cell: filtered luminance, missing light by channel, and its squares summed. */
  private final float[] weight, missingR, missingG, missingB, squares;

  /**
   * @param coarse whether finer pictures follow
   * @param rows does something for every row of the picture
   */
  MeanCorrection(
      PixelGuides guides, boolean coarse, int width, int height, Consumer<IntConsumer> rows) {
    this.guides = guides;
    this.coarse = coarse;
    this.width = width;
    this.height = height;
    this.rows = rows;
    across = Math.ceilDiv(width, CELL);
    down = Math.ceilDiv(height, CELL);
    reach = Math.max(LEAST_REACH, across / CELLS_PER_REACH);
    int cells = across * down;
    weight = new float[cells];
    missingR = new float[cells];
    missingG = new float[cells];
    missingB = new float[cells];
    squares = new float[cells];
  }

  /** What a pixel had before it was filtered. */
  interface Traced {
    /** Mean of the samples of a pixel, three channels. */
    void mean(int x, int y, float[] to);
  }

  /**
   * Corrects a layer.
   *
   * @param traced what it was filtered from
   * @param light three floats a pixel, which are changed
   */
  void correct(Traced traced, float[] light) {
    float floor = floor(traced);
    rows.accept(y -> {
      if (y % CELL == 0) {
        sum(y / CELL, traced, light, floor);
      }
    });
    float[] near = box(box(weight)), noise = box(squares);
    float[] sumR = box(missingR), sumG = box(missingG), sumB = box(missingB);
    double restR = 0, restG = 0, restB = 0, all = 0;
    for (int c = 0; c < weight.length; c++) {
      float k = confidence((double) sumR[c] + sumG[c] + sumB[c], LOCAL * noise[c]);
      restR += (1 - k) * missingR[c];
      restG += (1 - k) * missingG[c];
      restB += (1 - k) * missingB[c];
      all += weight[c];
      float local = near[c] > LEAST_WEIGHT ? k / near[c] : 0;
      missingR[c] *= local;
      missingG[c] *= local;
      missingB[c] *= local;
    }
    if (!(all > LEAST_WEIGHT)) {
      return;
    }
    if (coarse) {
      double variance = 0;
      for (float squared : squares) {
        variance += squared;
      }
      float sure = confidence(restR + restG + restB, WHOLE_PICTURE * variance);
      restR *= sure;
      restG *= sure;
      restB *= sure;
    }
    float r = (float) (restR / all), g = (float) (restG / all), b = (float) (restB / all);
    float[] addR = box(box(missingR)), addG = box(box(missingG)), addB = box(box(missingB));
    rows.accept(y -> {
      for (int x = 0; x < width; x++) {
        int p = y * width + x;
        float w = weight(light, floor, p);
        light[3 * p] = Math.max(0, light[3 * p] + w * (r + at(addR, x, y)));
        light[3 * p + 1] = Math.max(0, light[3 * p + 1] + w * (g + at(addG, x, y)));
        light[3 * p + 2] = Math.max(0, light[3 * p + 2] + w * (b + at(addB, x, y)));
      }
    });
  }

  /**
   * How sure missing light is, 0…1.
   *
   * @param least squared light by which it must stand out
   */
  private static float confidence(double missing, double least) {
    double squared = missing * missing;
    return squared > 0 ? (float) Math.max(0, 1 - least / squared) : 0;
  }

  /** The weight that a surface of albedo 1 has for being there, by the light that was traced. */
  private float floor(Traced traced) {
    double sum = 0, surfaces = 0;
    float[] mean = new float[3];
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        traced.mean(x, y, mean);
        sum += Math.max(0, mean[0] + mean[1] + mean[2]) / 3;
        surfaces += LEAST_ALBEDO + guides.albedo(y * width + x);
      }
    }
    return (float) (BY_COLOUR * sum / surfaces);
  }

  private static float luminance(float[] light, int p) {
    return (light[3 * p] + light[3 * p + 1] + light[3 * p + 2]) * (1 / 3f);
  }

  private float weight(float[] light, float floor, int p) {
    return Math.max(0, luminance(light, p)) + floor * (LEAST_ALBEDO + guides.albedo(p));
  }

  /** Sums a row of cells. */
  private void sum(int row, Traced traced, float[] light, float floor) {
    float[] mean = new float[3];
    Arrays.fill(weight, row * across, (row + 1) * across, 0);
    Arrays.fill(missingR, row * across, (row + 1) * across, 0);
    Arrays.fill(missingG, row * across, (row + 1) * across, 0);
    Arrays.fill(missingB, row * across, (row + 1) * across, 0);
    Arrays.fill(squares, row * across, (row + 1) * across, 0);
    for (int y = row * CELL; y < Math.min(height, (row + 1) * CELL); y++) {
      for (int x = 0; x < width; x++) {
        int p = y * width + x, c = row * across + x / CELL;
        traced.mean(x, y, mean);
        float lostR = mean[0] - light[3 * p], lostG = mean[1] - light[3 * p + 1];
        float lostB = mean[2] - light[3 * p + 2], lost = lostR + lostG + lostB;
        weight[c] += weight(light, floor, p);
        missingR[c] += lostR;
        missingG[c] += lostG;
        missingB[c] += lostB;
        squares[c] += lost * lost;
      }
    }
  }

  /** Sums of the cells within reach either way. */
  private float[] box(float[] of) {
    float[] a = new float[of.length], b = new float[of.length];
    lines(of, a, down, across, across, 1);
    lines(a, b, across, down, 1, across);
    return b;
  }

  /** Sums of the cells within reach along lines. */
  private void lines(float[] of, float[] to, int lines, int length, int line, int step) {
    for (int i = 0; i < lines; i++) {
      double sum = 0;
      int first = i * line;
      for (int k = 0; k < Math.min(reach, length); k++) {
        sum += of[first + k * step];
      }
      for (int k = 0; k < length; k++) {
        if (k + reach < length) {
          sum += of[first + (k + reach) * step];
        }
        if (k - reach - 1 >= 0) {
          sum -= of[first + (k - reach - 1) * step];
        }
        to[first + k * step] = (float) sum;
      }
    }
  }

  /** A value of the cells between their middles. */
  private float at(float[] cells, int x, int y) {
    float u = Math.clamp((x + 0.5f) / CELL - 0.5f, 0, across - 1);
    float v = Math.clamp((y + 0.5f) / CELL - 0.5f, 0, down - 1);
    int i = Math.min((int) u, Math.max(0, across - 2)),
        j = Math.min((int) v, Math.max(0, down - 2));
    int right = across > 1 ? 1 : 0, below = down > 1 ? across : 0;
    float fu = u - i, fv = v - j;
    int c = j * across + i;
    float above = (1 - fu) * cells[c] + fu * cells[c + right];
    float under = (1 - fu) * cells[c + below] + fu * cells[c + below + right];
    return (1 - fv) * above + fv * under;
  }
}
