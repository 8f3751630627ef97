package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import levelember.Sets;
import levelember.math.Vec3;
import levelember.measure.FlickerFinder.FrameLight;
import levelember.measure.FlickerFinder.Reason;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

class FlickerFinderTest {
  private static final int REGIONS = RegionLuminance.COLUMNS * RegionLuminance.ROWS;
  private static final Shoot SHOOT =
      Sets.white(0.5)
          .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
          .light(Sets.light("a", new Emitter.Sphere(0.1), Vec3.UP, Vec3.ZERO, 10, Unit.NIT))
          .light(Sets.light("b", new Emitter.Sphere(0.1), Vec3.UP, Vec3.ZERO, 10, Unit.NIT))
          .shoot()
          .with(new Motion(24, 1, 8, List.of()));

  /** Eight frames evenly lit by two lights. */
  private static List<FrameLight> even() {
    List<FrameLight> to = new ArrayList<>();
    for (int f = 1; f <= 8; f++) {
      float[][] own = new float[2][REGIONS];
      float[][] shown = new float[2][REGIONS];
      for (int r = 0; r < REGIONS; r++) {
        own[0][r] = shown[0][r] = 1 + 0.05f * f;
        own[1][r] = shown[1][r] = 0.5f;
      }
      to.add(new FrameLight(f, own, shown, new float[] {1, 1}));
    }
    return to;
  }

  @Test
  void whatMovesEvenlyIsNoFlicker() {
    assertThat(FlickerFinder.find(SHOOT, even())).isEmpty();
    assertThat(FlickerFinder.noise(even(), true)).isLessThan(1e-6);
  }

  @Test
  void aRegionThatJumpsIsFoundWithItsLightItsFrameAndItsPlace() {
    List<FrameLight> frames = even();
    int region = 2 * RegionLuminance.COLUMNS + 5;
    frames.get(3).perFrame()[1][region] *= 1.4f;
    frames.get(3).filtered()[1][region] *= 1.1f;
    var found = FlickerFinder.find(SHOOT, frames);
    assertThat(found).hasSize(1);
    assertThat(found.getFirst().light()).isEqualTo("b");
    assertThat(found.getFirst().worst()).isEqualTo(4);
    assertThat(found.getFirst().frames()).contains(4);
    assertThat(found.getFirst().x()).isEqualTo(5.5 / 16);
    assertThat(found.getFirst().y()).isEqualTo(2.5 / 9);
    assertThat(found.getFirst().perFrame()).isBetween(0.1, 0.15);
    assertThat(found.getFirst().filtered()).isBetween(0.02, 0.04);
    assertThat(found.getFirst().reason()).isEqualTo(Reason.FEW_SAMPLES);
    assertThat(FlickerFinder.noise(frames, false))
        .isGreaterThan(2 * FlickerFinder.noise(frames, true));
  }

  @Test
  void aJumpThatIsBarelyNotSeenIsNotFound() {
    List<FrameLight> frames = even();
    frames.get(3).filtered()[0][7] += 0.018f * 1.7f;
    assertThat(FlickerFinder.find(SHOOT, frames)).isEmpty();
    frames.get(3).filtered()[0][7] += 0.006f * 1.7f;
    assertThat(FlickerFinder.find(SHOOT, frames)).hasSize(1);
  }

  @Test
  void whatTheTemporalFilterHasTakenOutIsNotFound() {
    List<FrameLight> frames = even();
    frames.get(3).perFrame()[1][5] *= 1.4f;
    assertThat(FlickerFinder.find(SHOOT, frames)).isEmpty();
  }

  @Test
  void whatAKeyMakesIsNone() {
    List<FrameLight> frames = even();
    frames.get(3).filtered()[1][5] *= 1.4f;
    Track moves =
        Track.of(
            "lights/b/position",
            Key.of(4 / 24.0, Span.HOLD, 0.0, 1.0, 0.0),
            Key.of(9, Span.HOLD, 0.0, 2.0, 0.0));
    Shoot keyed = SHOOT.with(SHOOT.motion().with(List.of(moves)));
    assertThat(FlickerFinder.find(keyed, frames)).isEmpty();
    Track level = Track.of("lights/b/levelStops", Key.of(4 / 24.0, Span.HOLD, 1.0));
    Shoot fading = SHOOT.with(SHOOT.motion().with(List.of(level)));
    assertThat(FlickerFinder.find(fading, frames)).hasSize(1);
  }

  @Test
  void aLightThatFadesIsSaidToFade() {
    List<FrameLight> frames = even();
    frames.get(3).filtered()[1][5] *= 1.4f;
    frames.set(
        2,
        new FrameLight(
            3, frames.get(2).perFrame(), frames.get(2).filtered(), new float[] {1, 1.5f}));
    assertThat(FlickerFinder.find(SHOOT, frames).getFirst().reason()).isEqualTo(Reason.FADING);
  }

  @Test
  void framesWithoutNeighboursAreNotLookedAt() {
    List<FrameLight> frames = even();
    frames.get(3).filtered()[1][5] *= 1.4f;
    frames.remove(4);
    frames.remove(2);
    assertThat(FlickerFinder.find(SHOOT, frames)).isEmpty();
  }
}
