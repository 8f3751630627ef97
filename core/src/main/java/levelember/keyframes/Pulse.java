package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A light that swells and falls evenly.
 *
 * @param of id of the light
 * @param everySeconds from one height to the next, 0.05…3600
 * @param stops that it falls below its level, 0…10
 */
public record Pulse(String of, double everySeconds, double stops) implements KeyMaker {
  public Pulse {
    KeyMaker.checked("everySeconds", everySeconds, 0.05, 3600);
    KeyMaker.checked("stops", stops, 0, 10);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    double level = Entries.light(shoot, of).levelStops();
    double low = Math.max(-10, level - stops);
    List<Key> keys = new ArrayList<>();
    keys.add(Key.of(over.from(), Span.EASED, level));
    keys.add(Key.of(over.from() + everySeconds / 2, Span.EASED, low));
    keys.add(Key.of(over.from() + everySeconds, Span.EASED, level));
    return List.of(new Track("lights/" + of + "/levelStops", Track.After.LOOP, keys));
  }
}
