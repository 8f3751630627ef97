package levelember.light;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/**
 * {@link ImportanceBound} of all lanes at once, with the same bits, in one method whose values stay
 * in registers.
 */
final class WideImportanceBound extends ImportanceBound {
  private static final VectorSpecies<Float> S = FloatVector.SPECIES_256;

  /** False where the machine's vectors are shorter. */
  static boolean suits() {
    return Lanes.species().length() >= LANES;
  }

  @Override
  void of(
      float[] nodes,
      int at,
      float px,
      float py,
      float pz,
      float nx,
      float ny,
      float nz,
      float[] to) {
    FloatVector one = FloatVector.broadcast(S, 1);
    FloatVector x = FloatVector.fromArray(S, nodes, at).sub(px);
    FloatVector y = FloatVector.fromArray(S, nodes, at + LANES).sub(py);
    FloatVector z = FloatVector.fromArray(S, nodes, at + 2 * LANES).sub(pz);
    FloatVector r2 = FloatVector.fromArray(S, nodes, at + 3 * LANES);
    FloatVector d2 = x.mul(x).add(y.mul(y)).add(z.mul(z));
    FloatVector inverse2 = one.div(d2);
    FloatVector inverse = inverse2.sqrt();
    FloatVector ballSin2 = r2.mul(inverse2);
    FloatVector ballSin = ballSin2.sqrt(), ballCos = one.sub(ballSin2).sqrt();

    FloatVector incident = one;
    if (nx != 0 || ny != 0 || nz != 0) {
      FloatVector cos = x.mul(nx).add(y.mul(ny)).add(z.mul(nz)).mul(inverse);
      FloatVector sin = one.sub(cos.mul(cos)).max(0).sqrt();
      FloatVector nearest = cos.mul(ballCos).add(sin.mul(ballSin));
      incident = one.blend(nearest, cos.compare(VectorOperators.LT, ballCos));
    }

    FloatVector axisX = FloatVector.fromArray(S, nodes, at + 4 * LANES);
    FloatVector axisY = FloatVector.fromArray(S, nodes, at + 5 * LANES);
    FloatVector axisZ = FloatVector.fromArray(S, nodes, at + 6 * LANES);
    FloatVector coneCos = FloatVector.fromArray(S, nodes, at + 7 * LANES);
    FloatVector coneSin = FloatVector.fromArray(S, nodes, at + 8 * LANES);
    FloatVector cos = x.mul(axisX).add(y.mul(axisY)).add(z.mul(axisZ)).neg().mul(inverse);
    FloatVector sin = one.sub(cos.mul(cos)).max(0).sqrt();
    FloatVector off = cos.mul(coneCos).add(sin.mul(coneSin));
    FloatVector aside = sin.mul(coneCos).sub(cos.mul(coneSin)).mul(ballSin);
    VectorMask<Float> beyond =
        cos.compare(VectorOperators.LT, coneCos).and(off.compare(VectorOperators.LT, ballCos));
    FloatVector emitted = one.blend(off.mul(ballCos).add(aside), beyond);

    FloatVector power = FloatVector.fromArray(S, nodes, at + 9 * LANES);
    FloatVector inside = power.div(r2.max(LEAST));
    power
        .mul(incident.max(0))
        .mul(emitted.max(0))
        .mul(inverse2)
        .blend(inside, d2.compare(VectorOperators.LE, r2.mul(ABOUT)))
        .intoArray(to, 0);
  }
}
