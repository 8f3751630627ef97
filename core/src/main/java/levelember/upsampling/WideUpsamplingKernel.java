package levelember.upsampling;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.film.GBuffer;
import levelember.math.Lanes;

/** {@link UpsamplingKernel} with as many pixels at a time as the machine's vectors hold. */
final class WideUpsamplingKernel extends UpsamplingKernel {
  private static final VectorSpecies<Float> S = Lanes.species();

  @Override
  void weigh(
      CoarseSurfaces coarse, Run run, float[][] own, float near, float[] weights, float[][] sums) {
    float[][] v = coarse.values;
    int i = run.begin();
    for (int last = run.end() - S.length(); i <= last; i += S.length()) {
      int q = i + run.shift();
      FloatVector red = FloatVector.fromArray(S, v[0], q);
      FloatVector green = FloatVector.fromArray(S, v[1], q);
      FloatVector blue = FloatVector.fromArray(S, v[2], q);
      FloatVector colour =
          squared(red.sub(FloatVector.fromArray(S, own[0], i)))
              .add(squared(green.sub(FloatVector.fromArray(S, own[1], i))))
              .add(squared(blue.sub(FloatVector.fromArray(S, own[2], i))));
      FloatVector nx = FloatVector.fromArray(S, own[GBuffer.NORMAL], i);
      FloatVector ny = FloatVector.fromArray(S, own[GBuffer.NORMAL + 1], i);
      FloatVector nz = FloatVector.fromArray(S, own[GBuffer.NORMAL + 2], i);
      FloatVector normal =
          squared(FloatVector.fromArray(S, v[GBuffer.NORMAL], q).sub(nx))
              .add(squared(FloatVector.fromArray(S, v[GBuffer.NORMAL + 1], q).sub(ny)))
              .add(squared(FloatVector.fromArray(S, v[GBuffer.NORMAL + 2], q).sub(nz)));
      FloatVector nearness = FloatVector.fromArray(S, own[GBuffer.NEARNESS], i);
      FloatVector plane =
          nx.mul(minus(v[GBuffer.PLACE], q, own[GBuffer.PLACE], i))
              .add(ny.mul(minus(v[GBuffer.PLACE + 1], q, own[GBuffer.PLACE + 1], i)))
              .add(nz.mul(minus(v[GBuffer.PLACE + 2], q, own[GBuffer.PLACE + 2], i)))
              .mul(nearness.mul(CoarseSurfaces.BY_PLANE));
      FloatVector here = FloatVector.zero(S).blend(1, nearness.compare(VectorOperators.GT, 0));
      FloatVector surface = FloatVector.fromArray(S, coarse.surface, q);
      FloatVector open = FloatVector.fromArray(S, coarse.open, q);
      FloatVector other = here.mul(open).add(here.neg().add(1).mul(surface));
      FloatVector distance =
          colour
              .mul(CoarseSurfaces.BY_ALBEDO)
              .add(normal.mul(CoarseSurfaces.BY_NORMAL))
              .add(here.mul(surface).mul(squared(plane).min(CoarseSurfaces.MOST_BY_PLANE)))
              .add(other.mul(CoarseSurfaces.MOST_BY_PLANE))
              .add(surface.neg().add(1).sub(open).mul(CoarseSurfaces.BY_UNKNOWN));
      FloatVector w = edgeStop(distance).mul(near);
      w.intoArray(weights, i);
      add(sums[0], i, w);
      add(sums[1], i, w.mul(red));
      add(sums[2], i, w.mul(green));
      add(sums[3], i, w.mul(blue));
    }
    super.weigh(coarse, new Run(i, run.end(), run.shift()), own, near, weights, sums);
  }

  @Override
  void gather(float[] light, Run run, float[] weights, float[] to) {
    int i = run.begin();
    for (int last = run.end() - S.length(); i <= last; i += S.length()) {
      FloatVector w = FloatVector.fromArray(S, weights, i);
      add(to, i, w.mul(FloatVector.fromArray(S, light, i + run.shift())));
    }
    super.gather(light, new Run(i, run.end(), run.shift()), weights, to);
  }

  private static FloatVector minus(float[] a, int i, float[] b, int j) {
    return FloatVector.fromArray(S, a, i).sub(FloatVector.fromArray(S, b, j));
  }

  private static void add(float[] to, int i, FloatVector v) {
    FloatVector.fromArray(S, to, i).add(v).intoArray(to, i);
  }

  private static FloatVector squared(FloatVector v) {
    return v.mul(v);
  }

  private static FloatVector edgeStop(FloatVector t) {
    FloatVector f = t.mul(-1 / 16f).add(1).max(0);
    f = f.mul(f);
    f = f.mul(f);
    f = f.mul(f);
    return f.mul(f);
  }
}
