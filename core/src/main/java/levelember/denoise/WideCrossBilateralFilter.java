package levelember.denoise;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorMask;
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

  /** All taps at once, so that sums stay in registers; lanes beyond the borders are masked. */
  @Override
  void means(DenoiserPlane plane, Taps taps, int here, int width, float own) {
    int reach = 0;
    for (int t = 0; t < taps.count; t++) {
      reach = Math.max(reach, Math.abs(taps.shift[t]));
    }
    int n = S.length(), x = 0;
    for (; x < width && x < reach; x += n) {
      atBorder(plane, taps, here, x, width, own);
    }
    boolean stops = plane.stopsByLight();
    for (int last = width - reach - n; x <= last; x += n) {
      if (stops) {
        inside(plane, taps, here + x, x, own);
      } else {
        insideByGuides(plane, taps, here + x, x, own);
      }
    }
    for (; x < width; x += n) {
      atBorder(plane, taps, here, x, width, own);
    }
  }

  private static void inside(DenoiserPlane plane, Taps taps, int a, int x, float own) {
    float[] sr = plane.r, sg = plane.g, sb = plane.b, sv = plane.variance, light = plane.light;
    FloatVector lit = FloatVector.fromArray(S, light, a);
    FloatVector tolerance = FloatVector.fromArray(S, plane.tolerance, a);
    FloatVector r = FloatVector.fromArray(S, sr, a).mul(own);
    FloatVector g = FloatVector.fromArray(S, sg, a).mul(own);
    FloatVector b = FloatVector.fromArray(S, sb, a).mul(own);
    FloatVector v = FloatVector.fromArray(S, sv, a).mul(own * own);
    FloatVector sum = FloatVector.broadcast(S, own);
    for (int t = 0; t < taps.count; t++) {
      int c = taps.there[t] + x;
      FloatVector d = lit.sub(FloatVector.fromArray(S, light, c));
      FloatVector w =
          falling(d.lanewise(VectorOperators.ABS).mul(tolerance))
              .mul(FloatVector.fromArray(S, taps.alike[t], x));
      r = r.add(w.mul(FloatVector.fromArray(S, sr, c)));
      g = g.add(w.mul(FloatVector.fromArray(S, sg, c)));
      b = b.add(w.mul(FloatVector.fromArray(S, sb, c)));
      v = v.add(w.mul(w).mul(FloatVector.fromArray(S, sv, c)));
      sum = sum.add(w);
    }
    FloatVector k = FloatVector.broadcast(S, 1).div(sum);
    k.mul(r).intoArray(plane.nextR, a);
    k.mul(g).intoArray(plane.nextG, a);
    k.mul(b).intoArray(plane.nextB, a);
    k.mul(plane.stops.gain()).mul(k).mul(v).intoArray(plane.nextVariance, a);
  }

  /** The same by guides alone. */
  private static void insideByGuides(DenoiserPlane plane, Taps taps, int a, int x, float own) {
    float[] sr = plane.r, sg = plane.g, sb = plane.b, sv = plane.variance;
    FloatVector r = FloatVector.fromArray(S, sr, a).mul(own);
    FloatVector g = FloatVector.fromArray(S, sg, a).mul(own);
    FloatVector b = FloatVector.fromArray(S, sb, a).mul(own);
    FloatVector v = FloatVector.fromArray(S, sv, a).mul(own * own);
    FloatVector sum = FloatVector.broadcast(S, own);
    for (int t = 0; t < taps.count; t++) {
      int c = taps.there[t] + x;
      FloatVector w = FloatVector.fromArray(S, taps.alike[t], x);
      r = r.add(w.mul(FloatVector.fromArray(S, sr, c)));
      g = g.add(w.mul(FloatVector.fromArray(S, sg, c)));
      b = b.add(w.mul(FloatVector.fromArray(S, sb, c)));
      v = v.add(w.mul(w).mul(FloatVector.fromArray(S, sv, c)));
      sum = sum.add(w);
    }
    FloatVector k = FloatVector.broadcast(S, 1).div(sum);
    k.mul(r).intoArray(plane.nextR, a);
    k.mul(g).intoArray(plane.nextG, a);
    k.mul(b).intoArray(plane.nextB, a);
    k.mul(plane.stops.gain()).mul(k).mul(v).intoArray(plane.nextVariance, a);
  }

  private static void atBorder(
      DenoiserPlane plane, Taps taps, int here, int x, int width, float own) {
    boolean stops = plane.stopsByLight();
    int a = here + x;
    VectorMask<Float> within = S.indexInRange(x, width);
    FloatVector r = FloatVector.fromArray(S, plane.r, a, within).mul(own);
    FloatVector g = FloatVector.fromArray(S, plane.g, a, within).mul(own);
    FloatVector b = FloatVector.fromArray(S, plane.b, a, within).mul(own);
    FloatVector v = FloatVector.fromArray(S, plane.variance, a, within).mul(own * own);
    FloatVector sum = FloatVector.broadcast(S, own);
    for (int t = 0; t < taps.count; t++) {
      int begin = taps.begin(t), c = taps.there[t] + x;
      VectorMask<Float> has = S.indexInRange(x - begin, taps.end(t, width) - begin);
      FloatVector w = FloatVector.fromArray(S, taps.alike[t], x, has);
      if (stops) {
        FloatVector d =
            FloatVector.fromArray(S, plane.light, a, has)
                .sub(FloatVector.fromArray(S, plane.light, c, has))
                .lanewise(VectorOperators.ABS)
                .mul(FloatVector.fromArray(S, plane.tolerance, a, has));
        w = w.mul(falling(d));
      }
      r = r.add(w.mul(FloatVector.fromArray(S, plane.r, c, has)));
      g = g.add(w.mul(FloatVector.fromArray(S, plane.g, c, has)));
      b = b.add(w.mul(FloatVector.fromArray(S, plane.b, c, has)));
      v = v.add(w.mul(w).mul(FloatVector.fromArray(S, plane.variance, c, has)));
      sum = sum.add(w);
    }
    FloatVector k = FloatVector.broadcast(S, 1).div(sum);
    k.mul(r).intoArray(plane.nextR, a, within);
    k.mul(g).intoArray(plane.nextG, a, within);
    k.mul(b).intoArray(plane.nextB, a, within);
    k.mul(plane.stops.gain()).mul(k).mul(v).intoArray(plane.nextVariance, a, within);
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
}
