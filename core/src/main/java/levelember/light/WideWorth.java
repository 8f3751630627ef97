package levelember.light;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/** {@link Worth} of all lanes at once. */
final class WideWorth extends Worth {
  private static final VectorSpecies<Float> S = FloatVector.SPECIES_256;

  /** False where the machine's vectors are shorter. */
  static boolean suits() {
    return FloatVector.SPECIES_PREFERRED.length() >= LANES;
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
    FloatVector x = number(nodes, at, 0).sub(px);
    FloatVector y = number(nodes, at, 1).sub(py);
    FloatVector z = number(nodes, at, 2).sub(pz);
    FloatVector d2 = x.mul(x).add(y.mul(y)).add(z.mul(z));
    FloatVector r2 = number(nodes, at, 3);
    FloatVector power = number(nodes, at, 9);
    VectorMask<Float> within = d2.compare(VectorOperators.LE, r2.mul(ABOUT));
    FloatVector inside = power.div(r2.max(LEAST));
    FloatVector d1 = d2.sqrt();
    FloatVector ballSin2 = r2.div(d2);
    FloatVector ballSin = ballSin2.sqrt();
    FloatVector one = FloatVector.broadcast(S, 1);
    FloatVector ballCos = one.sub(ballSin2).sqrt();
    FloatVector lit = one;
    if (nx != 0 || ny != 0 || nz != 0) {
      FloatVector cos = x.mul(nx).add(y.mul(ny)).add(z.mul(nz)).div(d1);
      FloatVector c = cos.mul(ballCos).add(sine(cos).mul(ballSin));
      lit = one.blend(c, cos.compare(VectorOperators.LT, ballCos));
    }
    FloatVector cos =
        x.mul(number(nodes, at, 4))
            .add(y.mul(number(nodes, at, 5)))
            .add(z.mul(number(nodes, at, 6)))
            .neg()
            .div(d1);
    FloatVector coneCos = number(nodes, at, 7), coneSin = number(nodes, at, 8);
    FloatVector sin = sine(cos);
    FloatVector off = cos.mul(coneCos).add(sin.mul(coneSin));
    FloatVector c = off.mul(ballCos).add(sin.mul(coneCos).sub(cos.mul(coneSin)).mul(ballSin));
    VectorMask<Float> beyond =
        cos.compare(VectorOperators.LT, coneCos).and(off.compare(VectorOperators.LT, ballCos));
    FloatVector shines = one.blend(c, beyond);
    power.mul(lit.max(0)).mul(shines.max(0)).div(d2).blend(inside, within).intoArray(to, 0);
  }

  private static FloatVector number(float[] nodes, int at, int number) {
    return FloatVector.fromArray(S, nodes, at + number * LANES);
  }

  private static FloatVector sine(FloatVector cos) {
    return FloatVector.broadcast(S, 1).sub(cos.mul(cos)).max(0).sqrt();
  }
}
