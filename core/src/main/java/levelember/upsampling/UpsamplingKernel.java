package levelember.upsampling;

import levelember.film.GBuffer;
import levelember.math.Lanes;

/**
 * The inner loops of {@link UpsamplingWeights}, for runs of fine pixels and the coarse ones that
 * they take from. This one is plain; {@link WideUpsamplingKernel} does the same with vectors.
 */
class UpsamplingKernel {
  /** Sums of a run: weights, and weighed albedo by channel. */
  static final int SUMS = 4;

  /** The fastest on this machine. */
  static UpsamplingKernel ofMachine() {
    return Lanes.vectors() ? new WideUpsamplingKernel() : new UpsamplingKernel();
  }

  /** Fine pixels from {@code begin} to {@code end}, and how far their coarse ones are shifted. */
  record Run(int begin, int end, int shift) {}

  /**
   * Weighs one coarse pixel for every fine one, and adds to their sums.
   *
   * @param own surfaces of the fine pixels, a row a value
   * @param near weight by distance
   */
  void weigh(
      CoarseSurfaces coarse, Run run, float[][] own, float near, float[] weights, float[][] sums) {
    float[] sample = new float[GBuffer.VALUES];
    for (int i = run.begin; i < run.end; i++) {
      int q = i + run.shift;
      for (int k = 0; k < sample.length; k++) {
        sample[k] = own[k][i];
      }
      float w = near * CoarseSurfaces.edgeStop(coarse.featureDistance(q, sample));
      weights[i] = w;
      sums[0][i] += w;
      for (int k = 0; k < 3; k++) {
        sums[1 + k][i] += w * coarse.values[k][q];
      }
    }
  }

  /** Adds weighed light of coarse pixels to fine ones. */
  void gather(float[] light, Run run, float[] weights, float[] to) {
    for (int i = run.begin; i < run.end; i++) {
      to[i] += weights[i] * light[i + run.shift];
    }
  }
}
