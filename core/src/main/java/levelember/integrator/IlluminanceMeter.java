package levelember.integrator;

import java.util.Arrays;
import levelember.film.Film;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.path.ReceiverSurface;
import levelember.path.Sampling;
import levelember.scene.View;

/**
 * Measures the light that arrives at a place by tracing paths from it, all bounces included. With a
 * flat receiver it reads the illuminance of the surface; with a white half-sphere what a
 * photographer's incident meter reads, calibrated so that light from straight ahead reads as on the
 * flat one. The receiver itself shades and lights nothing.
 */
public final class IlluminanceMeter {
  /** The receiver. */
  public enum Receiver {
    FLAT,
    HALF_SPHERE
  }

  /** What a half-sphere seen from ahead shows of light from ahead, of what a flat surface shows. */
  private static final double HALF_SPHERE_SHARE = 2 / 3.0;

  /** Radius of the half-sphere, metres. */
  private static final double RADIUS = 0.004;

  /** How far above its surface a flat receiver lies, metres. */
  private static final double LIFT = 1e-4;

  private static final int BLOCK = 64, MOST_SAMPLES = 32_768;

  /** Relative standard error at which a measurement ends. */
  private static final double ERROR = 0.01;

  private final View view;

  /** A meter in the scene of a view. */
  public IlluminanceMeter(View view) {
    this.view = view;
  }

  /** Measures at a place, with as many samples as it takes for one percent; at most 32768. */
  public Illuminance at(MeterPoint place, Receiver receiver, float[] weights) {
    Film film = new Film(1, 1, view.layers());
    PathTracer tracer = new PathTracer(view, film, Renderer.USUAL_BOUNCES, 0x1CE, Sampling.USUAL);
    boolean[] wanted = new boolean[view.layers()];
    Arrays.fill(wanted, true);
    double before = 0, sum = 0, squares = 0;
    int samples = 0, blocks = 0;
    while (samples < MOST_SAMPLES && !(blocks > 7 && error(sum, squares, blocks) <= ERROR)) {
      for (int i = 0; i < BLOCK; i++, samples++) {
        tracer.begin(samples, wanted, () -> false);
        tracer.receive(film, receiver(place, receiver), samples, wanted);
      }
      double all = total(film, weights), block = all - before;
      before = all;
      sum += block;
      squares += block * block;
      blocks++;
    }
    double[] unit = new double[3 * view.layers()];
    double scale = Math.PI / samples / (receiver == Receiver.FLAT ? 1 : HALF_SPHERE_SHARE);
    for (int i = 0; i < unit.length; i++) {
      unit[i] = film.sums(i / 3)[i % 3] * scale;
    }
    return new Illuminance(unit, samples, error(sum, squares, blocks));
  }

  /** Relative standard error of a sum of blocks; 0 where nothing arrives. */
  private static double error(double sum, double squares, int blocks) {
    double variance = Math.max(0, squares - sum * sum / blocks) / (blocks - 1);
    return sum > 0 ? Math.sqrt(variance * blocks) / sum : 0;
  }

  private static double total(Film film, float[] w) {
    double sum = 0;
    for (int k = 0; k < film.layers(); k++) {
      float[] s = film.sums(k);
      sum += Colour.luminance(w[3 * k] * s[0], w[3 * k + 1] * s[1], w[3 * k + 2] * s[2]);
    }
    return sum;
  }

  /** The receiver in the frame that is traced in. */
  private ReceiverSurface receiver(MeterPoint place, Receiver receiver) {
    Vec3 at = place.position().minus(view.origin()).plus(place.normal().times(LIFT));
    boolean flat = receiver == Receiver.FLAT;
    return new ReceiverSurface(at, place.normal(), flat ? 0 : RADIUS, place.piece());
  }
}
