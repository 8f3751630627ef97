package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A light whose level follows how loud a sound is: at its loudest the light has its own level.
 *
 * @param of id of the light
 * @param stops that it falls where the sound is silent, 0…10
 * @param loudness root mean square of the sound by frames, from the beginning of the stretch
 */
public record Loudness(String of, double stops, List<Double> loudness) implements KeyMaker {
  /** Decibels below the loudest that count as silent. */
  private static final double SILENT_DECIBELS = 40;

  /** A level that is nearer than this to a straight way between its neighbours needs no key. */
  private static final double NEAR_STOPS = 0.02;

  public Loudness {
    KeyMaker.checked("stops", stops, 0, 10);
    loudness = List.copyOf(loudness);
    if (loudness.isEmpty()) {
      throw new ImpossibleValue("loudness", "nothing", "a sound of a frame or more");
    }
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    double level = Entries.light(shoot, of).levelStops();
    double loudest = loudness.stream().mapToDouble(v -> v).max().orElseThrow();
    int frames =
        Math.min(loudness.size(), (int) Math.rint(over.length() * over.framesPerSecond()) + 1);
    double[] levels = new double[frames];
    for (int i = 0; i < frames; i++) {
      double part = loudest > 0 ? loudness.get(i) / loudest : 0;
      double decibels = part > 0 ? 20 * StrictMath.log10(part) : -SILENT_DECIBELS;
      double down = Math.clamp(-decibels / SILENT_DECIBELS, 0, 1);
      levels[i] = Math.max(-10, level - stops * down);
    }
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < frames; i++) {
      boolean needed =
          i == 0
              || i == frames - 1
              || Math.abs(levels[i] - (levels[i - 1] + levels[i + 1]) / 2) > NEAR_STOPS;
      if (needed) {
        keys.add(Key.of(over.from() + i / over.framesPerSecond(), Span.STRAIGHT, levels[i]));
      }
    }
    return List.of(new Track("lights/" + of + "/levelStops", Track.After.HOLD, keys));
  }
}
