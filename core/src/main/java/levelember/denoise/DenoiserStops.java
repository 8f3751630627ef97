package levelember.denoise;

/**
 * How far the denoiser lets pixels differ that lend each other light, by the samples that there
 * are: what is noisy is blurred more.
 *
 * @param byLight standard errors of luminance that count as one unit of difference
 * @param gain of the variance at every level of the filter
 * @param byColour units of difference by squared difference of colour
 * @param byNormal units of difference by squared difference of unit normals
 */
record DenoiserStops(float byLight, float gain, float byColour, float byNormal) {
  private static final float[] SAMPLES = {6, 8, 16, 32};
  private static final DenoiserStops[] AT = {
    new DenoiserStops(4, 1.15f, 25, 9),
    new DenoiserStops(2, 1.15f, 25, 9),
    new DenoiserStops(2, 1.1f, 40, 14),
    new DenoiserStops(2, 1, 60, 20),
  };

  /** For a number of samples of a pixel. */
  static DenoiserStops of(double samples) {
    if (samples <= SAMPLES[0]) {
      return AT[0];
    }
    for (int i = 1; i < SAMPLES.length; i++) {
      if (samples < SAMPLES[i]) {
        float t = (float) (samples - SAMPLES[i - 1]) / (SAMPLES[i] - SAMPLES[i - 1]);
        return AT[i - 1].towards(AT[i], t);
      }
    }
    return AT[AT.length - 1];
  }

  private DenoiserStops towards(DenoiserStops other, float t) {
    return new DenoiserStops(
        byLight + t * (other.byLight - byLight),
        gain + t * (other.gain - gain),
        byColour + t * (other.byColour - byColour),
        byNormal + t * (other.byNormal - byNormal));
  }
}
