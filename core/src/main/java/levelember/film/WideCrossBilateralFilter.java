package levelember.film;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/** {@link CrossBilateralFilter} with as many pixels at a time as the machine's vectors hold. */
final class WideCrossBilateralFilter extends CrossBilateralFilter {
  private static final VectorSpecies<Float> S = Lanes.species();

  @Override
  void agree(
      float[][] guide,
      float[] slope,
      int here,
      int there,
      int begin,
      int end,
      float kernel,
      float far,
      float[] to) {
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
      FloatVector colour = r.mul(r).add(g.mul(g)).add(b.mul(b)).mul(BY_COLOUR);
      FloatVector normal = i.mul(i).add(j.mul(j)).add(k.mul(k)).mul(BY_NORMAL);
      falling(colour.add(normal).add(away.div(may))).mul(kernel).intoArray(to, x);
    }
    super.agree(guide, slope, here, there, x, end, kernel, far, to);
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
