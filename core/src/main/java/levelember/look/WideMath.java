package levelember.look;

import static levelember.look.RowMath.*;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;

/** Elementary functions of vectors of pixels; the same bits as those of {@link RowMath}. */
final class WideMath {
  private WideMath() {}

  static FloatVector all(float v) {
    return FloatVector.broadcast(WideRows.LANES, v);
  }

  // Compared and chosen, which is quicker than the least of two that may be no numbers.

  static FloatVector lesser(FloatVector a, FloatVector b) {
    return a.blend(b, b.compare(VectorOperators.LT, a));
  }

  static FloatVector greater(FloatVector a, FloatVector b) {
    return a.blend(b, b.compare(VectorOperators.GT, a));
  }

  static FloatVector atLeast(FloatVector x, float least) {
    return x.blend(all(least), x.compare(VectorOperators.LT, least));
  }

  static FloatVector atMost(FloatVector x, float most) {
    return x.blend(all(most), x.compare(VectorOperators.GT, most));
  }

  static FloatVector unit(FloatVector x) {
    return atMost(atLeast(x, 0), 1);
  }

  static FloatVector ranged(FloatVector x) {
    return atMost(atLeast(x, DARKEST), BRIGHTEST);
  }

  static FloatVector log2(FloatVector x) {
    IntVector bits = x.reinterpretAsInts();
    IntVector e = bits.sub(ROOT_HALF).lanewise(VectorOperators.ASHR, MANTISSA);
    FloatVector t =
        bits.sub(e.lanewise(VectorOperators.LSHL, MANTISSA)).reinterpretAsFloats().sub(1);
    FloatVector p =
        all(L9)
            .fma(t, all(L8))
            .fma(t, all(L7))
            .fma(t, all(L6))
            .fma(t, all(L5))
            .fma(t, all(L4))
            .fma(t, all(L3))
            .fma(t, all(L2))
            .fma(t, all(L1));
    return p.fma(t, e.add(WHOLE_BITS).reinterpretAsFloats().sub(WHOLE));
  }

  static FloatVector exp2(FloatVector y) {
    FloatVector shifted = y.add(WHOLE);
    FloatVector f = y.sub(shifted.sub(WHOLE));
    FloatVector p =
        all(E7)
            .fma(f, all(E6))
            .fma(f, all(E5))
            .fma(f, all(E4))
            .fma(f, all(E3))
            .fma(f, all(E2))
            .fma(f, all(E1))
            .fma(f, all(1));
    return p.mul(
        shifted
            .reinterpretAsInts()
            .lanewise(VectorOperators.LSHL, MANTISSA)
            .add(ONE)
            .reinterpretAsFloats());
  }
}
