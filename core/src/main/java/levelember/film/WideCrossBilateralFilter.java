package levelember.film;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/** {@link CrossBilateralFilter} with as many pixels at a time as the machine's vectors hold. */
final class WideCrossBilateralFilter extends CrossBilateralFilter {
  private static final VectorSpecies<Float> S = Lanes.species();
  private static final VectorSpecies<Integer> BITS = S.withLanes(int.class);

  @Override
  void agree(
      PixelGuides guides,
      DenoiserStops stops,
      int here,
      int there,
      int begin,
      int end,
      float kernel,
      float far,
      float[] to) {
    float[][] guide = guides.mean;
    float[] slope = guides.slope;
    float[] near = guide[6];
    int x = begin;
    for (int last = end - S.length(); x <= last; x += S.length()) {
      int a = here + x, c = there + x;
      FloatVector r = minus(guide[0], a, c), g = minus(guide[1], a, c), b = minus(guide[2], a, c);
      FloatVector i = minus(guide[3], a, c), j = minus(guide[4], a, c), k = minus(guide[5], a, c);
      FloatVector own = FloatVector.fromArray(S, near, a);
      FloatVector away =
          own.sub(FloatVector.fromArray(S, near, c)).lanewise(VectorOperators.ABS).mul(0.5f);
      FloatVector may =
          FloatVector.fromArray(S, slope, a)
              .mul(2 * far)
              .add(own.mul(BY_DISTANCE))
              .add(LEAST_REACH);
      FloatVector colour = r.mul(r).add(g.mul(g)).add(b.mul(b)).mul(stops.byColour());
      FloatVector normal = i.mul(i).add(j.mul(j)).add(k.mul(k)).mul(stops.byNormal());
      falling(colour.add(normal).add(away.div(may))).mul(kernel).intoArray(to, x);
    }
    super.agree(guides, stops, here, there, x, end, kernel, far, to);
  }

  @Override
  void lend(float[][] from, float[] alike, int here, int there, int begin, int end, float[][] to) {
    float[] sr = from[0], sg = from[1], sb = from[2], sv = from[3];
    float[] tr = to[0], tg = to[1], tb = to[2], tv = to[3], tw = to[4];
    int x = begin;
    for (int last = end - S.length(); x <= last; x += S.length()) {
      int a = here + x, c = there + x;
      FloatVector d =
          minus(from[4], a, c)
              .lanewise(VectorOperators.ABS)
              .mul(FloatVector.fromArray(S, from[5], a));
      FloatVector w = falling(d).mul(FloatVector.fromArray(S, alike, x));
      add(tr, x, w.mul(FloatVector.fromArray(S, sr, c)));
      add(tg, x, w.mul(FloatVector.fromArray(S, sg, c)));
      add(tb, x, w.mul(FloatVector.fromArray(S, sb, c)));
      add(tv, x, w.mul(w).mul(FloatVector.fromArray(S, sv, c)));
      add(tw, x, w);
    }
    super.lend(from, alike, here, there, x, end, to);
  }

  /** All taps at once where each has its pixel, so that sums stay in registers. */
  @Override
  void lend(float[][] from, Taps taps, int here, int width, int step, float[][] to) {
    float[] sr = from[0], sg = from[1], sb = from[2], sv = from[3], light = from[4];
    int left = Math.min(step, width), x = left;
    for (int last = width - step - S.length(); x <= last; x += S.length()) {
      FloatVector own = FloatVector.fromArray(S, light, here + x);
      FloatVector tolerance = FloatVector.fromArray(S, from[5], here + x);
      FloatVector r = FloatVector.fromArray(S, to[0], x), g = FloatVector.fromArray(S, to[1], x);
      FloatVector b = FloatVector.fromArray(S, to[2], x), v = FloatVector.fromArray(S, to[3], x);
      FloatVector sum = FloatVector.fromArray(S, to[4], x);
      for (int t = 0; t < taps.count; t++) {
        int c = taps.there[t] + x;
        FloatVector d =
            own.sub(FloatVector.fromArray(S, light, c))
                .lanewise(VectorOperators.ABS)
                .mul(tolerance);
        FloatVector w = falling(d).mul(FloatVector.fromArray(S, taps.alike[t], x));
        r = r.add(w.mul(FloatVector.fromArray(S, sr, c)));
        g = g.add(w.mul(FloatVector.fromArray(S, sg, c)));
        b = b.add(w.mul(FloatVector.fromArray(S, sb, c)));
        v = v.add(w.mul(w).mul(FloatVector.fromArray(S, sv, c)));
        sum = sum.add(w);
      }
      r.intoArray(to[0], x);
      g.intoArray(to[1], x);
      b.intoArray(to[2], x);
      v.intoArray(to[3], x);
      sum.intoArray(to[4], x);
    }
    super.lend(from, taps, here, width, 0, left, to);
    super.lend(from, taps, here, width, x, width, to);
  }

  @Override
  void thirdLargest(float[] of, int width, int height, int y, float[] to) {
    if (y < 2 || y >= height - 2) {
      super.thirdLargest(of, width, height, y, to);
      return;
    }
    int left = Math.min(2, width), x = left;
    for (int last = width - 2 - S.length(); x <= last; x += S.length()) {
      // Floats of 0 and more are in the order of their bits; what is less counts as 0.
      IntVector first = IntVector.zero(BITS), second = first, third = first;
      for (int j = -2; j <= 2; j++) {
        for (int i = -2; i <= 2; i++) {
          if (i == 0 && j == 0) {
            continue;
          }
          IntVector v = FloatVector.fromArray(S, of, (y + j) * width + x + i).reinterpretAsInts();
          IntVector low = first.min(v);
          first = first.max(v);
          IntVector lower = second.min(low);
          second = second.max(low);
          third = third.max(lower);
        }
      }
      third.reinterpretAsFloats().intoArray(to, x);
    }
    thirdLargest(of, width, height, y, 0, left, to);
    thirdLargest(of, width, height, y, x, width, to);
  }

  private static FloatVector minus(float[] of, int a, int c) {
    return FloatVector.fromArray(S, of, a).sub(FloatVector.fromArray(S, of, c));
  }

  /** (1 − d/4)⁴, and 0 from 4 on: close to e⁻ᵈ. */
  private static FloatVector falling(FloatVector d) {
    FloatVector t = d.mul(-0.25f).add(1).max(0);
    t = t.mul(t);
    return t.mul(t);
  }

  private static void add(float[] to, int at, FloatVector v) {
    FloatVector.fromArray(S, to, at).add(v).intoArray(to, at);
  }
}
