package levelember.light;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/**
 * {@link ImportanceBound} of all lanes at once, in steps so short that the compiler keeps vectors
 * in registers; each is called through a table, as all in one would be too much for it.
 */
final class WideImportanceBound extends ImportanceBound {
  private static final VectorSpecies<Float> S = FloatVector.SPECIES_256;

  // What is between, by number: to the middle of the ball, its squared length and length; sine and
  // cosine of half the ball; how well it is lit; how well it shines.
  private static final int X = 1, Y = 2, Z = 3, D2 = 4, D1 = 5;
  private static final int BALL_SIN = 6, BALL_COS = 7, LIT = 8, SHINES = 9;

  /** One step for a place and its normal. */
  private interface Step {
    void go(float[] nodes, int at, float[] m, float x, float y, float z);
  }

  private static final Step[] PLACE = {WideImportanceBound::away, WideImportanceBound::ball};
  private static final Step[] SIDED = {WideImportanceBound::facing, WideImportanceBound::lit};
  private static final Step[] REST = {
    WideImportanceBound::turned, WideImportanceBound::shining, WideImportanceBound::worth
  };

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
    for (Step step : PLACE) {
      step.go(nodes, at, to, px, py, pz);
    }
    if (nx != 0 || ny != 0 || nz != 0) {
      for (Step step : SIDED) {
        step.go(nodes, at, to, nx, ny, nz);
      }
    } else {
      FloatVector.broadcast(S, 1).intoArray(to, LIT * LANES);
    }
    for (Step step : REST) {
      step.go(nodes, at, to, 0, 0, 0);
    }
  }

  private static void away(float[] nodes, int at, float[] m, float px, float py, float pz) {
    FloatVector x = number(nodes, at, 0).sub(px);
    FloatVector y = number(nodes, at, 1).sub(py);
    FloatVector z = number(nodes, at, 2).sub(pz);
    x.intoArray(m, X * LANES);
    y.intoArray(m, Y * LANES);
    z.intoArray(m, Z * LANES);
    x.mul(x).add(y.mul(y)).add(z.mul(z)).intoArray(m, D2 * LANES);
  }

  private static void ball(float[] nodes, int at, float[] m, float px, float py, float pz) {
    FloatVector d2 = between(m, D2);
    d2.sqrt().intoArray(m, D1 * LANES);
    FloatVector sin2 = number(nodes, at, 3).div(d2);
    sin2.sqrt().intoArray(m, BALL_SIN * LANES);
    FloatVector.broadcast(S, 1).sub(sin2).sqrt().intoArray(m, BALL_COS * LANES);
  }

  /** The cosine at the place, for now. */
  private static void facing(float[] nodes, int at, float[] m, float nx, float ny, float nz) {
    FloatVector sum = between(m, X).mul(nx).add(between(m, Y).mul(ny)).add(between(m, Z).mul(nz));
    sum.div(between(m, D1)).intoArray(m, LIT * LANES);
  }

  private static void lit(float[] nodes, int at, float[] m, float nx, float ny, float nz) {
    FloatVector cos = between(m, LIT), ballCos = between(m, BALL_COS);
    FloatVector c = cos.mul(ballCos).add(sine(cos).mul(between(m, BALL_SIN)));
    FloatVector.broadcast(S, 1)
        .blend(c, cos.compare(VectorOperators.LT, ballCos))
        .intoArray(m, LIT * LANES);
  }

  /** The cosine at the ball, for now. */
  private static void turned(float[] nodes, int at, float[] m, float x, float y, float z) {
    between(m, X)
        .mul(number(nodes, at, 4))
        .add(between(m, Y).mul(number(nodes, at, 5)))
        .add(between(m, Z).mul(number(nodes, at, 6)))
        .neg()
        .div(between(m, D1))
        .intoArray(m, SHINES * LANES);
  }

  private static void shining(float[] nodes, int at, float[] m, float x, float y, float z) {
    FloatVector cos = between(m, SHINES), sin = sine(cos), ballCos = between(m, BALL_COS);
    FloatVector coneCos = number(nodes, at, 7), coneSin = number(nodes, at, 8);
    FloatVector off = cos.mul(coneCos).add(sin.mul(coneSin));
    FloatVector aside = sin.mul(coneCos).sub(cos.mul(coneSin)).mul(between(m, BALL_SIN));
    VectorMask<Float> beyond =
        cos.compare(VectorOperators.LT, coneCos).and(off.compare(VectorOperators.LT, ballCos));
    FloatVector.broadcast(S, 1)
        .blend(off.mul(ballCos).add(aside), beyond)
        .intoArray(m, SHINES * LANES);
  }

  private static void worth(float[] nodes, int at, float[] m, float x, float y, float z) {
    FloatVector d2 = between(m, D2), r2 = number(nodes, at, 3), power = number(nodes, at, 9);
    VectorMask<Float> within = d2.compare(VectorOperators.LE, r2.mul(ABOUT));
    FloatVector inside = power.div(r2.max(LEAST));
    power
        .mul(between(m, LIT).max(0))
        .mul(between(m, SHINES).max(0))
        .div(d2)
        .blend(inside, within)
        .intoArray(m, 0);
  }

  private static FloatVector number(float[] nodes, int at, int number) {
    return FloatVector.fromArray(S, nodes, at + number * LANES);
  }

  private static FloatVector between(float[] m, int number) {
    return FloatVector.fromArray(S, m, number * LANES);
  }

  private static FloatVector sine(FloatVector cos) {
    return FloatVector.broadcast(S, 1).sub(cos.mul(cos)).max(0).sqrt();
  }
}
