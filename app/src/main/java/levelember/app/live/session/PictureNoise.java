package levelember.app.live.session;

import levelember.app.live.view.DesiredFrame;
import levelember.film.Film;
import levelember.look.DisplayCurve;
import levelember.noise.Convergence;
import levelember.noise.Noise;
import levelember.photometry.LayerWeights;
import org.jspecify.annotations.Nullable;

/**
 * How noisy a session's picture is, as traced and as denoised, and how long it takes until it is
 * clean. For the session's thread, but for the wanted noise, which any may set, and the seconds of
 * tracing.
 */
final class PictureNoise {
  private final Convergence convergence = new Convergence();
  private final CleanPicture clean = new CleanPicture();
  private volatile double wanted = 0.02;
  private volatile long tracedNanos;

  /** Of the film as it is now, or null. */
  private Noise noise;

  /** The last that was known of the picture as it is set up now, NaN before there is one. */
  private double last = Double.NaN;

  /** The picture is mixed anew. */
  void mixedAnew() {
    noise = null;
    convergence.restart();
  }

  /** Some of the picture is traced anew. */
  void tracedAnew() {
    mixedAnew();
    tracedNanos = 0;
    clean.restart();
  }

  /** All of the picture is traced anew: nothing is known of it. */
  void forget() {
    tracedAnew();
    last = Double.NaN;
  }

  /** More samples are in. */
  void traced(long nanos) {
    tracedNanos = tracedNanos + nanos;
    noise = null;
  }

  /** Noise of the film as it is now. */
  Noise of(DesiredFrame shown, Film film) {
    if (noise == null) {
      noise = Noise.of(film, LayerWeights.of(shown.shoot()), fullScale(shown));
      last = Double.isFinite(noise.whole()) ? noise.whole() : Double.NaN;
    }
    return noise;
  }

  private static double fullScale(DesiredFrame shown) {
    return DisplayCurve.fullScale(shown.shoot().lookOf(shown.shot()).ev());
  }

  /** Notes the film's noise, by which the time that is left is told. */
  void note(DesiredFrame shown, Film film) {
    convergence.note(tracedSeconds(), of(shown, film).whole());
  }

  /** Measures the denoised picture, if it is another than at the last time. */
  CleanPicture denoised(DesiredFrame shown, Film traced, Film denoised) {
    float[] weights = LayerWeights.of(shown.shoot());
    clean.measure(traced, denoised, weights, fullScale(shown), tracedSeconds());
    return clean;
  }

  /** The last noise known, 1 for 100 percent, or NaN. */
  double last() {
    return last;
  }

  /** Whether the film is known to be as clean as is wanted. */
  boolean reached() {
    return noise != null && noise.whole() <= wanted;
  }

  /** Whether the noise of the film as it is now is known. */
  boolean known() {
    return noise != null;
  }

  /** Sets the noise at which tracing ends, 1 for 100 percent. */
  void wanted(double share) {
    wanted = share;
  }

  /** The noise at which tracing ends, 1 for 100 percent. */
  double wanted() {
    return wanted;
  }

  /** Seconds that were spent on tracing. */
  double tracedSeconds() {
    return tracedNanos / 1e9;
  }

  /** In percent, null where it is not known. */
  @Nullable Double percent() {
    return noise != null && Double.isFinite(noise.whole()) ? 100 * noise.whole() : null;
  }

  /** Seconds of tracing until the wanted noise, null where that cannot be told. */
  @Nullable Double secondsLeft() {
    double left = convergence.secondsTo(wanted);
    return Double.isFinite(left) ? left : null;
  }
}
