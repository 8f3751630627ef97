package levelember.printing.frame;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.stream.IntStream;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.measure.FlickerFinder.FrameLight;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SequenceFilterTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [{"id": "floor", "shape": {"kind": "floor", "width": 6, "depth": 6}, "material": "m"},
                  {"id": "ball", "position": [0, 0.5, 0], "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
       "materials": [{"id": "m", "roughness": 0.6}],
       "lights": [{"id": "key", "emitter": {"kind": "rectangle", "width": 3, "height": 3},
                   "position": [2, 2, 2], "brightness": {"value": 3000, "unit": "lm"}}],
       "shots": [{"id": "wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"}],
       "looks": [{"id": "k", "ev": 7}],
       "motion": {"framesPerSecond": 10, "tracks": [
         {"place": "shots/wide/position", "keys": [
           {"seconds": 0, "value": [0, 1, 4], "span": "straight"},
           {"seconds": 1, "value": [0.4, 1, 4], "span": "straight"}]}]}}
      """;

  @TempDir private Path folder;
  private final ShootPackage pack = ShootPackage.read(SHOOT.getBytes(UTF_8));

  private record Frame(Film shown, FrameLight light) {}

  /** A frame, mixed with those that the filter has. */
  private Frame frame(SequenceFilter frames, int number, boolean filtered) {
    return frame(pack, frames, number, filtered);
  }

  private static Frame frame(
      ShootPackage pack, SequenceFilter frames, int number, boolean filtered) {
    Shoot shoot = ShootAtTime.of(pack.shoot(), pack.shoot().motion().seconds(number));
    View view = View.of(shoot, shoot.shots().getFirst(), pack.files());
    Film traced = new Film(64, 48, 1);
    try (Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, number)) {
      renderer.trace(view, traced, 4, () -> false);
    }
    Film shown = Denoiser.denoised(traced);
    FrameLight light = frames.take(number, view, traced, shown, LayerWeights.of(shoot), filtered);
    return new Frame(shown, light);
  }

  @Test
  void framesThatWereKeptOnTheDiskGoOnWithTheSameBits() throws Exception {
    SequenceFilter whole = new SequenceFilter(pack.shoot(), "wide");
    frame(whole, 1, true);
    frame(whole, 2, true);
    whole.keep(folder.resolve("before"));
    Film third = frame(whole, 3, true).shown();
    SequenceFilter resumed = new SequenceFilter(pack.shoot(), "wide");
    resumed.resume(folder.resolve("before"), 3);
    assertThat(frame(resumed, 3, true).shown().sums(0)).isEqualTo(third.sums(0));
    SequenceFilter other = new SequenceFilter(pack.shoot(), "wide");
    other.resume(folder.resolve("before"), 7);
    Film alone = frame(other, 3, true).shown();
    assertThat(alone.sums(0)).as("what is kept is of another frame").isNotEqualTo(third.sums(0));
  }

  @Test
  void frameAfterFrameOfAMovingCameraDiffersLessWhenFiltered() {
    SequenceFilter filter = new SequenceFilter(pack.shoot(), "wide");
    double own = 0, mixed = 0;
    FrameLight before = null;
    for (int f = 1; f <= 6; f++) {
      FrameLight light = frame(filter, f, true).light();
      if (f > 3) {
        for (int r = 0; r < light.perFrame()[0].length; r++) {
          own += Math.pow(light.perFrame()[0][r] - before.perFrame()[0][r], 2);
          mixed += Math.pow(light.filtered()[0][r] - before.filtered()[0][r], 2);
        }
      }
      before = light;
    }
    assertThat(mixed).isLessThan(0.7 * own);
  }

  /** Share of values of a frame that the filter changes, where all is of metal, or nothing. */
  private double changed(double metalness) {
    float[] own = third(metalness, false), mixed = third(metalness, true);
    long others = IntStream.range(0, own.length).filter(i -> own[i] != mixed[i]).count();
    return (double) others / own.length;
  }

  private float[] third(double metalness, boolean filtered) {
    ShootPackage of =
        ShootPackage.read(
            SHOOT
                .replace("\"roughness\": 0.6", "\"roughness\": 0.3, \"metalness\": " + metalness)
                .getBytes(UTF_8));
    SequenceFilter frames = new SequenceFilter(of.shoot(), "wide");
    frame(of, frames, 1, filtered);
    frame(of, frames, 2, filtered);
    return frame(of, frames, 3, filtered).shown().sums(0);
  }

  @Test
  void whatMovingMetalMirrorsIsNotTakenFromTheFrameBefore() {
    // But about the place that the camera is aimed at, which stays in the picture.
    assertThat(changed(1)).isLessThan(0.1);
    assertThat(changed(0)).isGreaterThan(0.5);
  }

  @Test
  void framesThatAreNotFilteredAreOnlyMeasured() {
    SequenceFilter frames = new SequenceFilter(pack.shoot(), "wide");
    FrameLight light = frame(frames, 1, false).light();
    assertThat(light.filtered()).isSameAs(light.perFrame());
    assertThat(light.weights()).hasSize(1);
    assertThat(light.frame()).isEqualTo(1);
  }
}
