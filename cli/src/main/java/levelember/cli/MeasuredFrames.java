package levelember.cli;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import levelember.measure.FlickerFinder;
import levelember.measure.FlickerFinder.FrameLight;
import levelember.printing.frame.FramePrinter;
import levelember.printing.frame.SequenceFilter;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/** Frames of shots, measured for flicker as they are rendered, and steadied where wanted. */
final class MeasuredFrames {
  private final Shoot shoot;
  private final boolean temporalFilter;
  private final Map<String, SequenceFilter> shots = new HashMap<>();
  private final Map<String, List<FrameLight>> lights = new LinkedHashMap<>();

  /**
   * Frames of a shoot.
   *
   * @param shoot as it moves
   * @param temporalFilter whether every frame is mixed with those before it
   */
  MeasuredFrames(Shoot shoot, boolean temporalFilter) {
    this.shoot = shoot;
    this.temporalFilter = temporalFilter;
  }

  /** Has the frames of a shot measured when their files are written. */
  void measure(Shot shot, FramePrinter printer) {
    printer.measureWith(
        shots.computeIfAbsent(shot.name(), s -> new SequenceFilter(shoot, shot.id())),
        temporalFilter);
  }

  /** Takes what was measured of a frame whose files are written. */
  void take(Shot shot, FramePrinter.PrintedFrame printed) {
    if (printed.light() != null) {
      lights.computeIfAbsent(shot.name(), s -> new ArrayList<>()).add(printed.light());
    }
  }

  /** What was found, a line each. */
  List<String> lines() {
    List<String> to = new ArrayList<>();
    lights.forEach((shot, frames) -> {
      if (frames.size() < 3) {
        return;
      }
      to.add(
          String.format(
              Locale.ROOT,
              "%s: frames are %.2f %% off their neighbours by themselves, %.2f %% as shown",
              shot,
              100 * FlickerFinder.noise(frames, false),
              100 * FlickerFinder.noise(frames, true)));
      for (FlickerFinder.Flicker f : FlickerFinder.find(shoot, frames)) {
        to.add(
            String.format(
                Locale.ROOT,
                "  %s flickers in %s: most in frame %d, %.1f %% by itself, %.1f %% as shown; %s",
                shoot.light(f.light()).orElseThrow().name(),
                f.frames().stream().map(String::valueOf).collect(Collectors.joining(", ")),
                f.worst(),
                100 * f.perFrame(),
                100 * f.filtered(),
                reason(f.reason())));
      }
    });
    return to;
  }

  private static String reason(FlickerFinder.Reason reason) {
    return switch (reason) {
      case FEW_SAMPLES -> "it has too few samples";
      case CAUSTIC -> "its caustics have too few photons";
      case FADING -> "it fades";
    };
  }
}
