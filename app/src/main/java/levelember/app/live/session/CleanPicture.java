package levelember.app.live.session;

import java.util.Arrays;
import levelember.denoise.DenoisedError;
import levelember.film.Film;
import levelember.noise.Convergence;
import org.jspecify.annotations.Nullable;

/**
 * Whether what is shown is clean enough to be judged, and when it will be: by the estimated error
 * of the denoised picture. For the session's thread.
 */
final class CleanPicture {
  /** Error, of display values, up to which a picture can be judged. */
  private static final double CLEAN = 0.03;

  /** Slope of the logarithm of the error over that of time, measured on the demo shoots. */
  private static final double SLOPE = -1 / 3.0;

  private final Convergence convergence = new Convergence(SLOPE);
  private Film measured;
  private float[] weights;
  private double fullScale;
  private double error = Double.NaN;

  /** The picture has changed. */
  void restart() {
    convergence.restart();
    measured = null;
    error = Double.NaN;
  }

  /**
   * Measures the denoised picture, if it is another than at the last time.
   *
   * @param denoised of the full size, empty before there is one
   * @param seconds that were spent on tracing
   */
  void measure(Film traced, Film denoised, float[] byLayer, double scale, double seconds) {
    if (denoised == measured && scale == fullScale && Arrays.equals(byLayer, weights)) {
      return;
    }
    if (denoised == measured) {
      convergence.restart();
    }
    measured = denoised;
    weights = byLayer;
    fullScale = scale;
    error = DenoisedError.of(traced, denoised, byLayer, scale);
    convergence.note(seconds, error);
  }

  /** The error in percent of display values; null before it can be told. */
  @Nullable Double errorPercent() {
    return Double.isFinite(error) ? 100 * error : null;
  }

  /** Seconds of tracing until the picture is clean; 0 when it is, null before it can be told. */
  @Nullable Double secondsLeft() {
    double left = convergence.secondsTo(CLEAN);
    return Double.isFinite(error) && Double.isFinite(left) ? left : null;
  }
}
