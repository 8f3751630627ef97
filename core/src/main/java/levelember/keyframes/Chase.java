package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Light;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * Light that runs over the lights of a bank, one after the other in the desk's order.
 *
 * @param of id of the bank
 * @param everySeconds from one light to the next, 0.02…3600
 * @param stays whether a light stays on once the chase has come by; else it goes off again
 */
public record Chase(String of, double everySeconds, boolean stays) implements KeyMaker {
  public Chase {
    KeyMaker.checked("everySeconds", everySeconds, 0.02, 3600);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    String bank = Entries.bank(shoot, of).id();
    List<Light> lights =
        shoot.lights().stream().filter(light -> bank.equals(light.bank())).toList();
    if (lights.isEmpty()) {
      throw new ImpossibleValue("of", of, "a bank with lights in it");
    }
    List<Track> tracks = new ArrayList<>();
    double begin = over.from(), end = begin + everySeconds * lights.size();
    for (int i = 0; i < lights.size(); i++) {
      double on = begin + i * everySeconds, off = on + everySeconds;
      List<Key> keys = new ArrayList<>();
      if (i > 0) {
        keys.add(Key.of(begin, Span.HOLD, 1.0));
      }
      keys.add(Key.of(on, Span.HOLD, 0.0));
      if (!stays) {
        keys.add(Key.of(off, Span.HOLD, 1.0));
        if (off < end) {
          keys.add(Key.of(end, Span.HOLD, 1.0));
        }
      }
      Track.After after = stays ? Track.After.HOLD : Track.After.LOOP;
      tracks.add(new Track("lights/" + lights.get(i).id() + "/muted", after, keys));
    }
    return tracks;
  }
}
