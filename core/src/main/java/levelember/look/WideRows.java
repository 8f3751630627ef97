package levelember.look;

import static levelember.look.WideMath.all;
import static levelember.look.WideMath.atLeast;
import static levelember.look.WideMath.atMost;
import static levelember.look.WideMath.greater;
import static levelember.look.WideMath.lesser;
import static levelember.look.WideMath.ranged;
import static levelember.look.WideMath.unit;

import java.util.Arrays;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorShuffle;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/** Rows as many pixels at a time as there are lanes; the same bits as {@link PlainRows}. */
final class WideRows extends RowMath {
  static final VectorSpecies<Float> LANES = Lanes.species();

  // Short loops, each a method of its own that is called through a table: what is inlined into one
  // another grows past what the compiler keeps in registers, and gets many times slower.

  /** One loop over a row, with a row of memory. */
  private interface Step {
    void go(float[] row, float[] memory, int end, float p);
  }

  /** One loop over three rows. */
  private interface Turn {
    void go(float[] r, float[] g, float[] b, float[] most, float[] shown, int end, ToneTerms terms);
  }

  private static final Step[] POWER = {WideRows::logarithm, WideRows::power};
  private static final Step[] ENCODED = {
    WideRows::capped, WideRows::logarithm, WideRows::power, WideRows::lined
  };
  private static final Turn[] TONE = {
    WideRows::balanced, WideRows::within, WideRows::contrast, WideRows::curve, WideRows::burnt
  };

  /** Where the lanes of each channel lie in their vector of three vectors of pixels. */
  private static final VectorShuffle<Float>[] PARTS = parts();

  /** Which lanes of a channel come from the second and the third vector. */
  private static final VectorMask<Float>[][] LATER = later();

  @SuppressWarnings({"unchecked", "rawtypes"})
  private static VectorShuffle<Float>[] parts() {
    int n = LANES.length();
    VectorShuffle[] to = new VectorShuffle[3];
    for (int channel = 0; channel < 3; channel++) {
      int k = channel;
      to[k] = VectorShuffle.fromOp(LANES, i -> (3 * i + k) % n);
    }
    return to;
  }

  @SuppressWarnings({"unchecked", "rawtypes"})
  private static VectorMask<Float>[][] later() {
    int n = LANES.length();
    VectorMask[][] to = new VectorMask[3][2];
    for (int channel = 0; channel < 3; channel++) {
      for (int v = 0; v < 2; v++) {
        boolean[] in = new boolean[n];
        for (int i = 0; i < n; i++) {
          in[i] = (3 * i + channel) / n == v + 1;
        }
        to[channel][v] = VectorMask.fromArray(LANES, in, 0);
      }
    }
    return to;
  }

  @Override
  void part(float[] from, int at, float[] r, float[] g, float[] b, int n) {
    int end = LANES.loopBound(n), lanes = LANES.length();
    for (int x = 0, i = at; x < end; x += lanes, i += 3 * lanes) {
      FloatVector u = FloatVector.fromArray(LANES, from, i);
      FloatVector v = FloatVector.fromArray(LANES, from, i + lanes);
      FloatVector w = FloatVector.fromArray(LANES, from, i + 2 * lanes);
      channel(u, v, w, 0).intoArray(r, x);
      channel(u, v, w, 1).intoArray(g, x);
      channel(u, v, w, 2).intoArray(b, x);
    }
    PlainRows.part(from, at, r, g, b, end, n);
  }

  private static FloatVector channel(FloatVector u, FloatVector v, FloatVector w, int k) {
    VectorShuffle<Float> lanes = PARTS[k];
    return u.rearrange(lanes)
        .blend(v.rearrange(lanes), LATER[k][0])
        .blend(w.rearrange(lanes), LATER[k][1]);
  }

  @Override
  void tone(float[] r, float[] g, float[] b, int n, ToneTerms t, float[][] memory) {
    int end = LANES.loopBound(n);
    float[] most = memory[0], shown = memory[1];
    for (Turn turn : TONE) {
      turn.go(r, g, b, most, shown, end, t);
    }
    run(ENCODED, r, shown, end, SRGB_POWER);
    run(ENCODED, g, shown, end, SRGB_POWER);
    run(ENCODED, b, shown, end, SRGB_POWER);
    PlainRows.tone(r, g, b, end, n, t);
  }

  private static void run(Step[] steps, float[] row, float[] memory, int end, float p) {
    for (Step step : steps) {
      step.go(row, memory, end, p);
    }
  }

  private static void balanced(
      float[] r, float[] g, float[] b, float[] most, float[] shown, int end, ToneTerms t) {
    float[] m = t.matrix();
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector lr = FloatVector.fromArray(LANES, r, i);
      FloatVector lg = FloatVector.fromArray(LANES, g, i);
      FloatVector lb = FloatVector.fromArray(LANES, b, i);
      FloatVector x = row(lr, lg, lb, m[0], m[1], m[2]);
      FloatVector y = row(lr, lg, lb, m[3], m[4], m[5]);
      FloatVector z = row(lr, lg, lb, m[6], m[7], m[8]);
      x = x.sub(t.black()).mul(t.perRange());
      y = y.sub(t.black()).mul(t.perRange());
      z = z.sub(t.black()).mul(t.perRange());
      FloatVector light = row(x, y, z, 0.2126f, 0.7152f, 0.0722f);
      FloatVector part = all(t.saturation());
      part.fma(x.sub(light), light).intoArray(r, i);
      part.fma(y.sub(light), light).intoArray(g, i);
      part.fma(z.sub(light), light).intoArray(b, i);
    }
  }

  /** Into what can be shown, and the largest channel of each. */
  private static void within(
      float[] r, float[] g, float[] b, float[] most, float[] shown, int end, ToneTerms t) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector x = FloatVector.fromArray(LANES, r, i);
      FloatVector y = FloatVector.fromArray(LANES, g, i);
      FloatVector z = FloatVector.fromArray(LANES, b, i);
      FloatVector least = lesser(lesser(x, y), z);
      VectorMask<Float> outside = least.compare(VectorOperators.LT, 0);
      if (outside.anyTrue()) {
        FloatVector grey = atLeast(row(x, y, z, 0.2126f, 0.7152f, 0.0722f), 0);
        FloatVector keep = grey.div(atLeast(grey.sub(least), DARKEST));
        x = x.blend(atLeast(keep.fma(x.sub(grey), grey), 0), outside);
        y = y.blend(atLeast(keep.fma(y.sub(grey), grey), 0), outside);
        z = z.blend(atLeast(keep.fma(z.sub(grey), grey), 0), outside);
        x.intoArray(r, i);
        y.intoArray(g, i);
        z.intoArray(b, i);
      }
      greater(greater(x, y), z).intoArray(most, i);
    }
  }

  private static void contrast(
      float[] r, float[] g, float[] b, float[] most, float[] shown, int end, ToneTerms t) {
    for (int i = 0; i < end; i += LANES.length()) {
      ranged(FloatVector.fromArray(LANES, most, i)).intoArray(shown, i);
    }
    if (t.bends()) {
      run(POWER, shown, shown, end, t.contrast());
      for (int i = 0; i < end; i++) {
        shown[i] *= t.contrastScale();
      }
    }
  }

  private static void curve(
      float[] r, float[] g, float[] b, float[] most, float[] shown, int end, ToneTerms t) {
    if (t.film()) {
      for (int i = 0; i < end; i += LANES.length()) {
        FloatVector x = FloatVector.fromArray(LANES, shown, i);
        all(t.reach()).fma(x.div(x.add(t.half())), all(t.base())).min(t.most()).intoArray(shown, i);
      }
      return;
    }
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector x = FloatVector.fromArray(LANES, shown, i);
      FloatVector over = x.sub(t.start()).mul(t.perStart());
      FloatVector held = over.mul(over.fma(all(t.perWhiteSquared()), all(1))).div(over.add(1));
      FloatVector bent = all(1 - t.start()).fma(held, all(t.start()));
      VectorMask<Float> white = x.compare(VectorOperators.GE, t.white());
      VectorMask<Float> plain = x.compare(VectorOperators.LE, t.start());
      atMost(bent.blend(all(1), white).blend(x, plain), 1).intoArray(shown, i);
    }
  }

  private static void burnt(
      float[] r, float[] g, float[] b, float[] largest, float[] bent, int end, ToneTerms t) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector most = FloatVector.fromArray(LANES, largest, i);
      FloatVector shown = FloatVector.fromArray(LANES, bent, i);
      FloatVector w = unit(shown.sub(t.whiteFrom()).mul(t.perWhite()));
      FloatVector white = w.mul(t.burn()).mul(w);
      VectorMask<Float> dark = most.compare(VectorOperators.LT, DARKEST);
      FloatVector in = ranged(most);
      FloatVector by = shown.div(in).mul(all(1).sub(white)).blend(all(0), dark);
      FloatVector add = white.mul(shown).blend(shown, dark);
      by.fma(FloatVector.fromArray(LANES, r, i), add).intoArray(r, i);
      by.fma(FloatVector.fromArray(LANES, g, i), add).intoArray(g, i);
      by.fma(FloatVector.fromArray(LANES, b, i), add).intoArray(b, i);
    }
  }

  private static void capped(float[] row, float[] memory, int end, float p) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector x = atMost(FloatVector.fromArray(LANES, row, i), 1);
      x.intoArray(row, i);
      atLeast(x, SRGB_LINE).intoArray(memory, i);
    }
  }

  /** The straight line where it is dark, else the curve of the power that is in memory. */
  private static void lined(float[] row, float[] memory, int end, float p) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector x = FloatVector.fromArray(LANES, row, i);
      FloatVector root = FloatVector.fromArray(LANES, memory, i);
      FloatVector bent = atMost(all(1.055f).fma(root, all(-0.055f)), 1);
      VectorMask<Float> low = x.compare(VectorOperators.LT, SRGB_LINE);
      bent.blend(x.mul(12.92f), low).intoArray(row, i);
    }
  }

  private static void logarithm(float[] row, float[] memory, int end, float p) {
    for (int i = 0; i < end; i += LANES.length()) {
      WideMath.log2(FloatVector.fromArray(LANES, memory, i)).mul(p).intoArray(memory, i);
    }
  }

  private static void power(float[] row, float[] memory, int end, float p) {
    for (int i = 0; i < end; i += LANES.length()) {
      WideMath.exp2(FloatVector.fromArray(LANES, memory, i)).intoArray(memory, i);
    }
  }

  private static FloatVector row(
      FloatVector a, FloatVector b, FloatVector c, float x, float y, float z) {
    return c.fma(all(z), b.fma(all(y), a.mul(x)));
  }

  @Override
  boolean anyAbove(float[] values, int from, int to, float least) {
    return above(values, from, to, least);
  }

  static boolean above(float[] values, int from, int to, float least) {
    int i = from;
    for (; i + LANES.length() <= to; i += LANES.length()) {
      if (FloatVector.fromArray(LANES, values, i).compare(VectorOperators.GT, least).anyTrue()) {
        return true;
      }
    }
    for (; i < to; i++) {
      if (values[i] > least) {
        return true;
      }
    }
    return false;
  }

  @Override
  void add(float[] from, int at, int length, float weight, float[] to, int into) {
    int end = LANES.loopBound(length), i = 0;
    FloatVector w = all(weight);
    for (; i < end; i += LANES.length()) {
      FloatVector sum = FloatVector.fromArray(LANES, to, into + i);
      w.fma(FloatVector.fromArray(LANES, from, at + i), sum).intoArray(to, into + i);
    }
    for (; i < length; i++) {
      to[into + i] = Math.fma(weight, from[at + i], to[into + i]);
    }
  }

  @Override
  void bend(float[] row, int n, float[] curve) {
    int end = LANES.loopBound(n), lanes = LANES.length();
    float steps = curve.length - 2;
    int[] places = new int[lanes];
    for (int i = 0; i < end; i += lanes) {
      FloatVector at = FloatVector.fromArray(LANES, row, i).mul(steps);
      IntVector k = at.convert(VectorOperators.F2I, 0).reinterpretAsInts();
      k.intoArray(places, 0);
      FloatVector low = FloatVector.fromArray(LANES, curve, 0, places, 0);
      FloatVector high = FloatVector.fromArray(LANES, curve, 1, places, 0);
      FloatVector part = at.sub((FloatVector) k.convert(VectorOperators.I2F, 0));
      part.fma(high.sub(low), low).intoArray(row, i);
    }
    PlainRows.bend(row, end, n, curve);
  }

  /** One loop of a wheel over a channel, with a row of memory. */
  private interface Wheel {
    void go(float[] row, float[] memory, int end, float a, float b);
  }

  private static final Wheel[] WHEEL = {WideRows::sloped, WideRows::held, WideRows::raised};
  private static final Wheel[] SATURATED = {WideRows::luma, WideRows::saturated};

  @Override
  void wheels(float[] r, float[] g, float[] b, int n, WheelTerms t, float[] memory) {
    int end = LANES.loopBound(n);
    wheel(r, memory, end, 0, t);
    wheel(g, memory, end, 1, t);
    wheel(b, memory, end, 2, t);
    // The luma, in the order in which it is added up for one pixel.
    Arrays.fill(memory, 0, end, 0);
    SATURATED[0].go(r, memory, end, 0.2126f, 0);
    SATURATED[0].go(g, memory, end, 0.7152f, 0);
    SATURATED[0].go(b, memory, end, 0.0722f, 0);
    SATURATED[1].go(r, memory, end, t.saturation(), 0);
    SATURATED[1].go(g, memory, end, t.saturation(), 0);
    SATURATED[1].go(b, memory, end, t.saturation(), 0);
    PlainRows.wheels(r, g, b, end, n, t);
  }

  private static void luma(float[] row, float[] luma, int end, float weight, float none) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector sum = FloatVector.fromArray(LANES, luma, i);
      FloatVector.fromArray(LANES, row, i).fma(all(weight), sum).intoArray(luma, i);
    }
  }

  private static void saturated(float[] row, float[] luma, int end, float part, float none) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector light = FloatVector.fromArray(LANES, luma, i);
      FloatVector x = FloatVector.fromArray(LANES, row, i);
      unit(all(part).fma(x.sub(light), light)).intoArray(row, i);
    }
  }

  private static void wheel(float[] row, float[] memory, int end, int k, WheelTerms t) {
    WHEEL[0].go(row, memory, end, t.slope()[k], t.offset()[k]);
    if (t.power()[k] == 1) {
      return;
    }
    WHEEL[1].go(row, memory, end, 0, 0);
    run(POWER, row, memory, end, t.power()[k]);
    WHEEL[2].go(row, memory, end, 0, 0);
  }

  private static void sloped(float[] row, float[] memory, int end, float slope, float offset) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector v = FloatVector.fromArray(LANES, row, i);
      unit(v.fma(all(slope), all(offset))).intoArray(row, i);
    }
  }

  private static void held(float[] row, float[] memory, int end, float a, float b) {
    for (int i = 0; i < end; i += LANES.length()) {
      atLeast(FloatVector.fromArray(LANES, row, i), DARKEST).intoArray(memory, i);
    }
  }

  private static void raised(float[] row, float[] memory, int end, float a, float b) {
    for (int i = 0; i < end; i += LANES.length()) {
      FloatVector x = FloatVector.fromArray(LANES, row, i);
      FloatVector p = atMost(FloatVector.fromArray(LANES, memory, i), 1);
      p.blend(all(0), x.compare(VectorOperators.LT, DARKEST)).intoArray(row, i);
    }
  }

  @Override
  void smooth(float[] in, Surfaces surfaces, int y, int step, float[] out) {
    WideSmoothing.row(in, surfaces, y, step, out);
  }

  @Override
  void lens(Planes from, int channel, Lens lens, int y, float[] to, LensMemory memory) {
    WideLens.row(from, channel, lens, y, to, memory);
  }
}
