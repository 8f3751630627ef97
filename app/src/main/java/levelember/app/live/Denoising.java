package levelember.app.live;

import levelember.shoot.ImpossibleValue;

/** When the live picture is shown denoised. */
enum Denoising {
  /** Never: what is shown is what was traced. */
  NEVER("never"),

  /** Until the picture's own noise is below {@link #NOISY}. */
  WHILE_NOISY("noisy"),

  ALWAYS("always");

  /** Noise, 1 for 100 percent, up to which a picture needs no denoising to be judged. */
  static final double NOISY = 0.05;

  private final String word;

  Denoising(String word) {
    this.word = word;
  }

  static Denoising of(String word) {
    for (Denoising d : values()) {
      if (d.word.equals(word)) {
        return d;
      }
    }
    throw new ImpossibleValue("when", word, "never, noisy or always");
  }

  /** True when a picture of such noise is shown denoised; NaN stands for unknown. */
  boolean at(double noise) {
    return this == ALWAYS || this == WHILE_NOISY && !(noise <= NOISY);
  }
}
