package levelember.keyframes;

import java.util.List;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A light that is on for a while, then off, and so on.
 *
 * @param of id of the light
 * @param onSeconds 0.02…3600
 * @param offSeconds 0.02…3600
 */
public record OnOff(String of, double onSeconds, double offSeconds) implements KeyMaker {
  public OnOff {
    KeyMaker.checked("onSeconds", onSeconds, 0.02, 3600);
    KeyMaker.checked("offSeconds", offSeconds, 0.02, 3600);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    Entries.light(shoot, of);
    double off = over.from() + onSeconds, again = off + offSeconds;
    return List.of(
        new Track(
            "lights/" + of + "/muted",
            Track.After.LOOP,
            List.of(
                Key.of(over.from(), Span.HOLD, 0.0),
                Key.of(off, Span.HOLD, 1.0),
                Key.of(again, Span.HOLD, 0.0))));
  }
}
