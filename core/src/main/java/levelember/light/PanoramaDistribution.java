package levelember.light;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * Draws places of an equirectangular picture by luminance × solid angle × a bound on the cosine
 * about the normal of a lit point; without a normal by luminance × solid angle, exactly.
 *
 * <p>The picture is parted into cells and the normals into {@value #NORMALS} patches of the sphere.
 * For each patch there is a table of the cells' probabilities; within a cell pixels are drawn by
 * luminance (two-step inversion as in Pharr, Jakob and Humphreys 2016, section 13.6.7). Immutable.
 */
final class PanoramaDistribution {
  private static final int FACE = 6, NORMALS = 6 * FACE * FACE;

  /** The patch of a point that is lit from all sides. */
  static final int ALL_SIDES = NORMALS;

  private static final int CELLS_ACROSS = 32, CELLS_DOWN = 16;
  private final int width, height, across, down;

  /** Cell that each column and row of pixels lies in. */
  private final int[] cellOfColumn, cellOfRow;

  /** First column and row of pixels of each cell. */
  private final int[] firstColumn, firstRow;

  private final float[] luminance;

  /** By row and column: what lies before the pixel's right edge, of its row in its cell. */
  private final float[] columns;

  /** By column of cells and row: what lies above the row's lower edge, of its cell. */
  private final float[] rows;

  private final double[] cellSums;

  /** By patch of normals and cell: the cell's probability. */
  private final float[] probability;

  /** By patch and row of cells: what lies above its lower edge. */
  private final float[] cellRows;

  /** By patch, row of cells and cell: what lies before its right edge, of its row. */
  private final float[] cellColumns;

  private final double total;

  PanoramaDistribution(Picture picture) {
    width = picture.width();
    height = picture.height();
    across = Math.min(CELLS_ACROSS, width);
    down = Math.min(CELLS_DOWN, height);
    firstColumn = edges(width, across);
    firstRow = edges(height, down);
    cellOfColumn = owners(firstColumn);
    cellOfRow = owners(firstRow);
    luminance = new float[width * height];
    columns = new float[width * height];
    rows = new float[across * height];
    cellSums = new double[across * down];
    float[] rgb = picture.rgb();
    for (int i = 0; i < luminance.length; i++) {
      luminance[i] = Math.max(0, Colour.luminance(rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]));
    }
    IntStream.range(0, across * down).parallel().forEach(this::sumCell);
    double sum = 0;
    for (double cell : cellSums) {
      sum += cell;
    }
    total = sum;
    probability = new float[(NORMALS + 1) * across * down];
    cellRows = new float[(NORMALS + 1) * down];
    cellColumns = new float[(NORMALS + 1) * across * down];
    double[][] middles = middles();
    double spread = Math.hypot(Math.PI / down, 2 * Math.PI / across) / 2;
    IntStream.rangeClosed(0, NORMALS).parallel().forEach(patch -> table(patch, middles, spread));
  }

  private static int[] edges(int length, int parts) {
    int[] first = new int[parts + 1];
    for (int i = 0; i <= parts; i++) {
      first[i] = (int) ((long) i * length / parts);
    }
    return first;
  }

  private static int[] owners(int[] first) {
    int[] owner = new int[first[first.length - 1]];
    for (int cell = 0; cell + 1 < first.length; cell++) {
      Arrays.fill(owner, first[cell], first[cell + 1], cell);
    }
    return owner;
  }

  /** Solid angle of a pixel of a row, sr. */
  private double solidAngle(int y) {
    return 2
        * Math.PI
        / width
        * (StrictMath.cos(Math.PI * y / height) - StrictMath.cos(Math.PI * (y + 1) / height));
  }

  /** Sums up a cell's pixels. */
  private void sumCell(int cell) {
    int cx = cell % across, cy = cell / across;
    double sum = 0;
    for (int y = firstRow[cy]; y < firstRow[cy + 1]; y++) {
      double run = 0;
      for (int x = firstColumn[cx]; x < firstColumn[cx + 1]; x++) {
        run += luminance[y * width + x];
        columns[y * width + x] = (float) run;
      }
      scale(columns, y * width + firstColumn[cx], y * width + firstColumn[cx + 1], run);
      sum += run * solidAngle(y);
      rows[cx * height + y] = (float) sum;
    }
    scale(rows, cx * height + firstRow[cy], cx * height + firstRow[cy + 1], sum);
    cellSums[cell] = sum;
  }

  /** Brings a running sum to end in 1. */
  private static void scale(float[] table, int from, int to, double sum) {
    for (int i = from; i < to && sum > 0; i++) {
      table[i] = (float) (table[i] / sum);
    }
    table[to - 1] = 1;
  }

  /** Unit directions of the middles of the cells, in the picture's frame. */
  private double[][] middles() {
    double[][] to = new double[across * down][];
    for (int cell = 0; cell < to.length; cell++) {
      double turns = (cell % across + 0.5) / across - 0.5, polar = (cell / across + 0.5) / down;
      double sin = Math.sin(Math.PI * polar);
      to[cell] =
          new double[] {
            sin * Math.sin(2 * Math.PI * turns),
            Math.cos(Math.PI * polar),
            -sin * Math.cos(2 * Math.PI * turns)
          };
    }
    return to;
  }

  /** Writes the tables of a patch of normals. */
  private void table(int patch, double[][] middles, double spread) {
    double[] normal = patch == ALL_SIDES ? null : middle(patch);
    double loose = spread + (normal == null ? 0 : reach(patch, normal));
    double sum = 0;
    int first = patch * across * down;
    for (int cy = 0; cy < down; cy++) {
      double run = 0;
      for (int cx = 0; cx < across; cx++) {
        int cell = cy * across + cx;
        double weight = cellSums[cell];
        if (normal != null && weight > 0) {
          weight *= bound(normal, middles[cell], loose);
        }
        run += weight;
        probability[first + cell] = (float) weight;
        cellColumns[first + cell] = (float) run;
      }
      sum += run;
      cellRows[patch * down + cy] = (float) sum;
      scale(cellColumns, first + cy * across, first + (cy + 1) * across, run);
    }
    for (int cell = 0; cell < across * down; cell++) {
      probability[first + cell] = sum > 0 ? (float) (probability[first + cell] / sum) : 0;
    }
    scale(cellRows, patch * down, (patch + 1) * down, sum);
  }

  /** The greatest cosine between directions so far about two middles, at least 0. */
  private static double bound(double[] normal, double[] middle, double loose) {
    double cos = normal[0] * middle[0] + normal[1] * middle[1] + normal[2] * middle[2];
    double angle = Math.acos(Math.clamp(cos, -1, 1)) - loose;
    return angle <= 0 ? 1 : Math.max(0, Math.cos(angle));
  }

  /** The patch of the sphere that a direction of the picture's frame lies in. */
  static int patch(float x, float y, float z) {
    float ax = Math.abs(x), ay = Math.abs(y), az = Math.abs(z);
    int axis = ax >= ay && ax >= az ? 0 : ay >= az ? 1 : 2;
    float major = axis == 0 ? x : axis == 1 ? y : z, most = Math.abs(major);
    float s = axis == 0 ? y : axis == 1 ? z : x, t = axis == 0 ? z : axis == 1 ? x : y;
    int i = Math.min(FACE - 1, (int) ((s / most + 1) * (0.5f * FACE)));
    int j = Math.min(FACE - 1, (int) ((t / most + 1) * (0.5f * FACE)));
    return ((2 * axis + (major < 0 ? 1 : 0)) * FACE + i) * FACE + j;
  }

  private static double[] middle(int patch) {
    return point(patch, 0.5, 0.5);
  }

  /** A unit direction of a patch, by how far along each of its sides it lies. */
  private static double[] point(int patch, double i, double j) {
    int face = patch / (FACE * FACE), axis = face / 2;
    double s = (patch / FACE % FACE + i) * 2 / FACE - 1, t = (patch % FACE + j) * 2 / FACE - 1;
    double l = 1 / Math.sqrt(1 + s * s + t * t);
    double[] to = new double[3];
    to[axis] = (face & 1) == 0 ? l : -l;
    to[(axis + 1) % 3] = s * l;
    to[(axis + 2) % 3] = t * l;
    return to;
  }

  /** The greatest angle between a patch's middle and its corners. */
  private static double reach(int patch, double[] middle) {
    double least = 1;
    for (int corner = 0; corner < 4; corner++) {
      double[] p = point(patch, corner & 1, corner >> 1);
      least = Math.min(least, p[0] * middle[0] + p[1] * middle[1] + p[2] * middle[2]);
    }
    return Math.acos(least);
  }

  /** Luminance × solid angle over the whole picture. */
  double total() {
    return total;
  }

  long bytes() {
    return 4L * (luminance.length + columns.length + rows.length + probability.length)
        + 4L * (cellRows.length + cellColumns.length);
  }

  /**
   * Draws a place; false when the patch is given no light.
   *
   * @param to gets the place in pixels from the picture's left and upper edge
   */
  boolean sample(int patch, float u, float v, LightSample to) {
    int tableRow = patch * down;
    int cy = find(cellRows, tableRow, tableRow + down, v) - tableRow;
    float down1 = rest(cellRows, tableRow, tableRow + cy, v);
    int tableColumn = (tableRow + cy) * across;
    int cx = find(cellColumns, tableColumn, tableColumn + across, u) - tableColumn;
    float across1 = rest(cellColumns, tableColumn, tableColumn + cx, u);
    if (!(probability[tableColumn + cx] > 0)) {
      return false;
    }
    int column = cx * height;
    int y = find(rows, column + firstRow[cy], column + firstRow[cy + 1], down1) - column;
    to.pictureY = y + rest(rows, column + firstRow[cy], column + y, down1);
    int row = y * width;
    int x = find(columns, row + firstColumn[cx], row + firstColumn[cx + 1], across1) - row;
    to.pictureX = x + rest(columns, row + firstColumn[cx], row + x, across1);
    return true;
  }

  /** Density of a pixel for a patch of normals, 1/sr. */
  float density(int patch, int x, int y) {
    int cell = cellOfRow[y] * across + cellOfColumn[x];
    float chance = probability[patch * across * down + cell];
    return chance > 0 ? (float) (chance * luminance[y * width + x] / cellSums[cell]) : 0;
  }

  /** The first place of a range whose running sum lies above a number in [0, 1). */
  private static int find(float[] table, int from, int to, float u) {
    int low = from, high = to - 1;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (table[middle] > u) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  /** How far through a place of a range a number lies, in [0, 1). */
  private static float rest(float[] table, int from, int at, float u) {
    float begin = at == from ? 0 : table[at - 1], span = table[at] - begin;
    if (!(span > 0)) {
      return 0.5f;
    }
    return Math.clamp((u - begin) / span, 0, 0.9999999f);
  }
}
