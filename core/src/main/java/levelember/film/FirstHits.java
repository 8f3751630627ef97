package levelember.film;

import java.util.stream.IntStream;

/**
 * What the camera meets first, for some rows of a picture: which piece, which lamps it sees
 * directly, and how near other surfaces come to what it sees. Independent of how lights are set; a
 * look's contact shade and glow are made of it without tracing.
 *
 * <p>Panes and holes are passed straight through. Sums over samples; one thread a row. After {@link
 * #FEW} samples a pixel is settled whose samples, and those of the eight pixels round it, have met
 * the same; the others, at edges, take {@link #ENOUGH}.
 */
public final class FirstHits {
  /** Samples after which more bring little; of so many the pieces are kept. */
  public static final int ENOUGH = 8;

  /** Samples of a pixel round which all is the same. */
  public static final int FEW = 2;

  /** Directions of the open that each sample looks into where obscurance is noted. */
  public static final int OPEN_RAYS = 2;

  /** Rows and columns round a pixel that say whether it is settled. */
  public static final int NEIGHBOURS = 1;

  /** Stands for what differs from sample to sample. */
  private static final int MIXED = Integer.MIN_VALUE;

  /** Distances told apart. */
  public static final int BINS = 12;

  /** Nearest distance told apart, metres; each bin reaches twice as far as the one before. */
  private static final double NEAREST = 0.005;

  private final int width, height, firstRow, rows, margin;
  private final int above, below;
  private final int[] pieces;

  /** How far the next surface is, by bins, or null where nobody wants to know. */
  private final byte[] near;

  private final double reach;

  private final float[] guides;
  private final float[] open;
  private final float[][] seen;

  /** What the samples have met, as a number that tells pieces and lamps apart. */
  private final int[] signature;

  /** Pixels that need no more samples, margins included; null until it can be told. */
  private boolean[] settled;

  private int samples;

  /**
   * Rows of a picture.
   *
   * @param width of the whole picture, pixels
   * @param height of the whole picture, pixels
   * @param firstRow that is kept
   * @param rows that are kept
   */
  public record Band(int width, int height, int firstRow, int rows) {
    /** All rows of a picture. */
    public static Band whole(int width, int height) {
      return new Band(width, height, 0, height);
    }
  }

  /**
   * Nothing met yet.
   *
   * @param band rows that are kept
   * @param margin pixels around the frame, not around the rows, in which lamps are looked for
   * @param lights of the rig
   * @param reach metres over which obscurance will be asked for at most; 0 to note none
   */
  public FirstHits(Band band, int margin, int lights, double reach) {
    width = band.width;
    height = band.height;
    firstRow = band.firstRow;
    rows = band.rows;
    this.margin = margin;
    above = firstRow == 0 ? margin : 0;
    below = firstRow + rows == height ? margin : 0;
    pieces = new int[Math.multiplyExact(ENOUGH, width * rows)];
    this.reach = reach;
    near = reach > 0 ? new byte[Math.multiplyExact(BINS, width * rows)] : null;
    guides = new float[4 * width * rows];
    open = new float[width * rows];
    seen = new float[lights][];
    signature = new int[paddedWidth() * paddedRows()];
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  public int firstRow() {
    return firstRow;
  }

  public int rows() {
    return rows;
  }

  public int margin() {
    return margin;
  }

  /** Lights of the rig that it was made for. */
  public int lights() {
    return seen.length;
  }

  /** The first row in which lamps are looked for. */
  public int top() {
    return firstRow - above;
  }

  /** The row after the last in which lamps are looked for. */
  public int bottom() {
    return firstRow + rows + below;
  }

  /** Whether it is noted how near other surfaces come to what is met. */
  public boolean obscurance() {
    return near != null;
  }

  /** Metres over which obscurance may be asked for; 0 where none is noted. */
  public double reach() {
    return reach;
  }

  /** Metres beyond which no surface obscures anything within {@link #reach}. */
  public double farthest() {
    int bin = 0;
    while (bin < BINS && middle(bin) < reach) {
      bin++;
    }
    return NEAREST * (1 << Math.max(0, bin - 1));
  }

  /** Samples after which more bring little. */
  public int enough() {
    return ENOUGH;
  }

  /** Samples that are in, where most are needed. */
  public int samples() {
    return samples;
  }

  /** Notes that one more sample of all rows is in. */
  public void sampled() {
    samples++;
    if (samples == FEW) {
      settled = new boolean[signature.length];
      int w = paddedWidth(), h = paddedRows();
      IntStream.range(0, h)
          .parallel()
          .forEach(y -> {
            for (int x = 0; x < w; x++) {
              settled[y * w + x] = alike(x, y, w, h);
            }
          });
    }
  }

  /** Whether a pixel and its neighbours have met one thing. */
  private boolean alike(int x, int y, int w, int h) {
    int own = signature[y * w + x];
    boolean same = own != MIXED;
    for (int v = Math.max(0, y - NEIGHBOURS); same && v <= Math.min(h - 1, y + NEIGHBOURS); v++) {
      for (int u = Math.max(0, x - NEIGHBOURS); u <= Math.min(w - 1, x + NEIGHBOURS); u++) {
        same &= signature[v * w + u] == own;
      }
    }
    return same;
  }

  /** Whether one more sample of a pixel would bring something. */
  public boolean needsSample(int x, int y) {
    return settled == null || !settled[padded(x, y)];
  }

  /** Samples that a pixel has. */
  private int samples(int x, int y) {
    return needsSample(x, y) ? samples : FEW;
  }

  private int padded(int x, int y) {
    return (y - top()) * paddedWidth() + x + margin;
  }

  /**
   * Notes what a sample has met all in all.
   *
   * @param met a number that tells pieces and lamps apart
   */
  public void noteMet(int x, int y, int met) {
    int at = padded(x, y);
    int sign = met == MIXED ? 0 : met;
    signature[at] = samples == 0 || signature[at] == sign ? sign : MIXED;
  }

  /** Notes the piece that a sample has met, −1 for none, with its direction and distance. */
  public void met(int x, int y, int piece, float nx, float ny, float nz, float distance) {
    int at = (y - firstRow) * width + x;
    if (samples < ENOUGH) {
      pieces[ENOUGH * at + samples] = piece;
    }
    if (piece >= 0) {
      guides[4 * at] += nx;
      guides[4 * at + 1] += ny;
      guides[4 * at + 2] += nz;
      guides[4 * at + 3] += 1 / distance;
    }
  }

  /** Notes how much of a sample leaves the set, 0…1. */
  public void left(int x, int y, float share) {
    open[(y - firstRow) * width + x] += share;
  }

  /** Notes how far it is from what a sample has met to the next surface, metres. */
  public void near(int x, int y, float distance) {
    int at = BINS * ((y - firstRow) * width + x);
    // The exponent is the octave rounded down; a power of two ends its own bin.
    double ratio = distance / NEAREST;
    int octave = Math.getExponent(ratio);
    int bin = Math.max(0, ratio == Math.scalb(1.0, octave) ? octave : octave + 1);
    if (bin < BINS && near[at + bin] != -1) {
      near[at + bin]++;
    }
  }

  /**
   * Notes light at unit level that comes straight from a lamp.
   *
   * @param x may lie outside of the frame by the margin
   * @param y may lie outside of the frame by the margin
   */
  public void seen(int light, int x, int y, float r, float g, float b) {
    float[] to = seen[light];
    if (to == null) {
      synchronized (seen) {
        if (seen[light] == null) {
          seen[light] = new float[3 * paddedWidth() * paddedRows()];
        }
        to = seen[light];
      }
    }
    int at = 3 * padded(x, y);
    to[at] += r;
    to[at + 1] += g;
    to[at + 2] += b;
  }

  private int paddedWidth() {
    return width + 2 * margin;
  }

  private int paddedRows() {
    return bottom() - top();
  }

  /** Whether anything of a light is seen directly. */
  public boolean sees(int light) {
    return seen[light] != null;
  }

  /**
   * Adds what is seen of a light to a row of a picture, margins included.
   *
   * @param y row of the picture, from −margin on
   * @param weights three a light
   */
  public void addSeen(int light, int y, float[] weights, float[] to, int at) {
    if (seen[light] == null) {
      return;
    }
    int from = 3 * (y - top()) * paddedWidth();
    for (int i = 0; i < 3 * paddedWidth(); i += 3) {
      int n = samples(i / 3 - margin, y);
      for (int k = 0; k < 3; k++) {
        to[at + i + k] += weights[3 * light + k] / n * seen[light][from + i + k];
      }
    }
  }

  /** Share of the samples of a pixel that have met one of some pieces. */
  public float share(int x, int y, boolean[] of) {
    int n = Math.min(samples(x, y), ENOUGH), in = 0;
    int at = ENOUGH * ((y - firstRow) * width + x);
    for (int i = 0; i < n; i++) {
      int piece = pieces[at + i];
      in += piece >= 0 && of[piece] ? 1 : 0;
    }
    return n == 0 ? 0 : (float) in / n;
  }

  /** Share of a pixel's light that comes from behind the set. */
  public float open(int x, int y) {
    return samples == 0 ? 0 : open[(y - firstRow) * width + x] / samples(x, y);
  }

  /**
   * How much of what each pixel of a row shows is shut in: the mean over its surroundings of 1 −
   * distance/reach where that is above 0. Only where {@link #obscurance} is noted.
   *
   * @param within metres, {@link #reach} at most
   */
  public void shutIn(int y, double within, float[] to, int into) {
    float[] fades = new float[BINS];
    for (int bin = 0; bin < BINS; bin++) {
      fades[bin] = (float) Math.max(0, 1 - middle(bin) / within);
    }
    int last = BINS;
    while (last > 0 && fades[last - 1] == 0) {
      last--;
    }
    int from = BINS * (y - firstRow) * width;
    for (int x = 0, at = from; x < width; x++, at += BINS) {
      float sum = 0;
      for (int bin = 0; bin < last; bin++) {
        sum += (near[at + bin] & 0xFF) * fades[bin];
      }
      to[into + x] = samples == 0 ? 0 : sum / (OPEN_RAYS * samples(x, y));
    }
  }

  private static double middle(int bin) {
    return NEAREST * (bin == 0 ? 0.5 : 0.75 * StrictMath.pow(2, bin));
  }

  /**
   * The mean direction, and one over the distance, of each pixel of a row.
   *
   * @param to four planes
   */
  public void guides(int y, float[][] to, int into) {
    int from = 4 * (y - firstRow) * width;
    for (int x = 0, at = from; x < width; x++, at += 4) {
      float a = guides[at], b = guides[at + 1], c = guides[at + 2];
      float l = (float) Math.sqrt(a * a + b * b + c * c);
      float s = l > 0 ? 1 / l : 0;
      to[0][into + x] = a * s;
      to[1][into + x] = b * s;
      to[2][into + x] = c * s;
      to[3][into + x] = samples == 0 ? 0 : guides[at + 3] / samples(x, y);
    }
  }

  /** Bytes that it holds. */
  public long bytes() {
    long sum =
        4L * pieces.length
            + (near == null ? 0 : near.length)
            + 4L * guides.length
            + 4L * open.length
            + 5L * signature.length;
    for (float[] s : seen) {
      sum += s == null ? 0 : 4L * s.length;
    }
    return sum;
  }
}
