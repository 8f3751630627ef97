package levelember.app.live.view;

import com.fasterxml.jackson.annotation.JsonProperty;

/** When the live picture is shown denoised. */
public enum Denoising {
  /** Never: what is shown is what was traced. */
  @JsonProperty("never")
  NEVER,

  /** Until the picture's own noise is below {@link #NOISY}. */
  @JsonProperty("noisy")
  WHILE_NOISY,

  @JsonProperty("always")
  ALWAYS;

  /** Noise, 1 for 100 percent, up to which a picture needs no denoising to be judged. */
  static final double NOISY = 0.05;

  /** True when a picture of such noise is shown denoised; NaN stands for unknown. */
  public boolean at(double noise) {
    return this == ALWAYS || this == WHILE_NOISY && !(noise <= NOISY);
  }
}
