package levelember.look;

import levelember.math.Lanes;

/**
 * The arithmetic of a look on rows of single channels. Powers are taken by polynomials, so that
 * every machine gives the same bits: log2 by a polynomial fitted at Chebyshev's points, exp2 by its
 * Taylor polynomial; together within about 3·10⁻⁷.
 *
 * <p>Where the module {@code jdk.incubator.vector} is there, as many pixels at a time are worked on
 * as the machine's vectors have lanes; else the plain rows do the same one by one.
 */
abstract sealed class RowMath permits PlainRows, WideRows {
  /** Of log2(1 + t)/t from the root of one half to that of two, by least deviation. */
  static final float L1 = 1.442695f,
      L2 = -0.721347333f,
      L3 = 0.48091061f,
      L4 = -0.360704828f,
      L5 = 0.287918324f,
      L6 = -0.23892034f,
      L7 = 0.215669859f,
      L8 = -0.207421035f,
      L9 = 0.126148466f;

  /** Powers of ln 2 over factorials. */
  static final float E1 = 0.693147181f,
      E2 = 0.240226507f,
      E3 = 0.0555041087f,
      E4 = 0.00961812911f,
      E5 = 0.00133335581f,
      E6 = 0.000154035304f,
      E7 = 0.0000152527338f;

  /** Bits of the root of one half, from which mantissas are counted. */
  static final int ROOT_HALF = 0x3F3504F3;

  static final int ONE = 0x3F800000;
  static final int MANTISSA = 23;

  /** Added and taken off again, it leaves a whole number. */
  static final float WHOLE = 12_582_912f;

  /** The bits of {@link #WHOLE}; a small whole number added to them is added to it. */
  static final int WHOLE_BITS = 0x4B400000;

  /** Below it a value is taken as nothing, above it as this. */
  static final float DARKEST = 0x1p-30f, BRIGHTEST = 0x1p20f;

  /** Where sRGB's curve leaves its straight line. */
  static final float SRGB_LINE = 0.0031308f;

  static final float SRGB_POWER = 1 / 2.4f;

  /** What a tone says, in the form that rows want it. */
  record ToneTerms(
      float[] matrix,
      float black,
      float perRange,
      float saturation,
      boolean bends,
      float contrast,
      float contrastScale,
      boolean film,
      float start,
      float white,
      float perStart,
      float perWhiteSquared,
      float base,
      float reach,
      float half,
      float most,
      float whiteFrom,
      float perWhite,
      float burn) {}

  /** What wheels say: by channel slope, offset and power, then saturation. */
  record WheelTerms(float[] slope, float[] offset, float[] power, float saturation) {}

  /**
   * What the pixels of a picture show, for smoothing along it.
   *
   * @param x of the direction each pixel's surface looks, as {@code y} and {@code z}
   * @param near one over the distance
   * @param sharp what a difference of it is multiplied by to tell when it is too far
   */
  record Surfaces(
      int width, int rows, float[] x, float[] y, float[] z, float[] near, float[] sharp) {
    /** Cosine of directions that are too far apart. */
    static final float FOLD = 0.8f;

    /** Parts of a distance that are too far apart. */
    static final float EDGE = 0.04f;

    /** Of planes of directions, and one over the distance. */
    static Surfaces of(int width, int rows, float[][] planes) {
      float[] near = planes[3], sharp = new float[near.length];
      for (int i = 0; i < near.length; i++) {
        sharp[i] = 1 / (EDGE * Math.max(1e-6f, near[i]));
      }
      return new Surfaces(width, rows, planes[0], planes[1], planes[2], near, sharp);
    }
  }

  /**
   * The channels of a picture, each with a border around it of its outermost pixels.
   *
   * @param stride values from row to row
   */
  record Planes(int width, int height, int stride, float[][] channels) {
    /** Pixels of border on each side. */
    static final int BORDER = 4;

    /** Values after the last, so that whole vectors can be read anywhere. */
    static final int AFTER = 128;
  }

  /**
   * Where pixels are read: at r of the way to a corner from s·r·(1 + d·r²).
   *
   * @param d how much it bends
   * @param perCorner one over the square of the pixels to a corner
   * @param s how far out the channel lies
   */
  record Lens(float d, float perCorner, float s) {}

  /** Memory of one thread for rows that a lens bends. */
  static final class LensMemory {
    /** The second of the four columns that are read for a pixel. */
    final int[] columns;

    /** The second of the four rows. */
    final float[] rows;

    /** How far a pixel lies from there to the third, 0…1. */
    final float[] partAcross, partDown;

    /** Weights of the four. */
    final float[][] across, down;

    /** Of pixels that go together, at the first: least and greatest row, and rows to be read. */
    final int[] top, bottom, count;

    final float[] scales, line, none;
    private Lens lens;
    private int y;

    LensMemory(int width) {
      columns = new int[width];
      rows = new float[width];
      partAcross = new float[width];
      partDown = new float[width];
      across = new float[4][width];
      down = new float[4][width];
      top = new int[width];
      bottom = new int[width];
      count = new int[width];
      scales = new float[width];
      line = new float[width];
      none = new float[width];
    }

    /** Whether it was last asked for the same row; takes note of it. */
    boolean holds(Lens of, int row) {
      boolean same = of.equals(lens) && row == y;
      lens = of;
      y = row;
      return same;
    }
  }

  /** The rows that suit this machine. */
  static RowMath ofMachine() {
    return Machine.ROWS;
  }

  /** Asked once, and only where the module is there, so that the class loads without it. */
  private static final class Machine {
    static final RowMath ROWS =
        Lanes.vectors() && !Lanes.scalarLook() ? new WideRows() : new PlainRows();
  }

  /** Takes a row of pixels apart into its channels. */
  abstract void part(float[] from, int at, float[] r, float[] g, float[] b, int n);

  /**
   * From cd/m² to encoded display values before the grade, in place.
   *
   * @param memory two rows as long
   */
  abstract void tone(float[] r, float[] g, float[] b, int n, ToneTerms terms, float[][] memory);

  /** Whether any of some values is above another. */
  abstract boolean anyAbove(float[] values, int from, int to, float least);

  /** Adds a run of values, weighed, to another; the two do not overlap. */
  abstract void add(float[] from, int at, int length, float weight, float[] to, int into);

  /**
   * The wheels of a grade on encoded values, in place.
   *
   * @param memory a row as long
   */
  abstract void wheels(float[] r, float[] g, float[] b, int n, WheelTerms terms, float[] memory);

  /**
   * A curve of values 0…1, in place.
   *
   * @param curve its values at equal steps from 0 to 1, and the last once more
   */
  abstract void bend(float[] row, int n, float[] curve);

  /**
   * A row of the mean of the 5 × 5 values around each, {@code step} apart, of which those on the
   * same surface count.
   */
  abstract void smooth(float[] in, Surfaces surfaces, int y, int step, float[] out);

  /**
   * A row of a channel as a lens bends it, by Catmull and Rom's curve between pixels.
   *
   * @param memory of one thread
   */
  abstract void lens(Planes from, int channel, Lens lens, int y, float[] to, LensMemory memory);

  /** A power of one value; what the rows do lane by lane. */
  static float power(float x, float p) {
    return exp2(p * log2(x));
  }

  static float log2(float x) {
    int bits = Float.floatToRawIntBits(x);
    int e = (bits - ROOT_HALF) >> MANTISSA;
    float t = Float.intBitsToFloat(bits - (e << MANTISSA)) - 1;
    float p = Math.fma(L9, t, L8);
    p = Math.fma(p, t, L7);
    p = Math.fma(p, t, L6);
    p = Math.fma(p, t, L5);
    p = Math.fma(p, t, L4);
    p = Math.fma(p, t, L3);
    p = Math.fma(p, t, L2);
    p = Math.fma(p, t, L1);
    return Math.fma(p, t, Float.intBitsToFloat(e + WHOLE_BITS) - WHOLE);
  }

  static float exp2(float y) {
    float shifted = y + WHOLE;
    float f = y - (shifted - WHOLE);
    float p = Math.fma(E7, f, E6);
    p = Math.fma(p, f, E5);
    p = Math.fma(p, f, E4);
    p = Math.fma(p, f, E3);
    p = Math.fma(p, f, E2);
    p = Math.fma(p, f, E1);
    p = Math.fma(p, f, 1);
    return p * Float.intBitsToFloat((Float.floatToRawIntBits(shifted) << MANTISSA) + ONE);
  }
}
