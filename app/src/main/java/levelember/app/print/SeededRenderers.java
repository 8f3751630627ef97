package levelember.app.print;

import levelember.app.live.schedule.Background;
import levelember.integrator.Renderer;

/** Renderers by their seeds: that of the usual seed stays, of all others the last. */
final class SeededRenderers implements AutoCloseable {
  private static final int USUAL_SEED = 1;

  private final Renderer usual = made(USUAL_SEED);
  private Renderer other;
  private int seed;

  Renderer of(int wanted) {
    if (wanted == USUAL_SEED) {
      return usual;
    }
    if (other == null || seed != wanted) {
      closeOther();
      other = made(wanted);
      seed = wanted;
    }
    return other;
  }

  private static Renderer made(int seed) {
    return new Renderer(
        Runtime.getRuntime().availableProcessors(),
        Renderer.USUAL_BOUNCES,
        seed,
        task -> Background.thread(task, "ember-print-trace"));
  }

  private void closeOther() {
    if (other != null) {
      other.close();
      other = null;
    }
  }

  @Override
  public void close() {
    closeOther();
    usual.close();
  }
}
