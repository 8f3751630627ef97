package levelember.keyframes;

import java.util.List;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A light that comes up from nothing, or goes down to it.
 *
 * @param of id of the light
 * @param out whether it goes down
 */
public record Fade(String of, boolean out) implements KeyMaker {
  private static final double DARK_STOPS = -10;

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    double level = Entries.light(shoot, of).levelStops();
    double dark = out ? over.to() : over.from();
    Key up = Key.of(out ? over.from() : over.to(), Span.EASED, level);
    Key down = Key.of(dark, Span.EASED, DARK_STOPS);
    // At its lowest level it still gives a thousandth: before or after that it is off.
    double beside = out ? over.from() : over.from() - 1 / over.framesPerSecond();
    return List.of(
        out
            ? Track.of("lights/" + of + "/levelStops", up, down)
            : Track.of("lights/" + of + "/levelStops", down, up),
        Track.of(
            "lights/" + of + "/muted",
            Key.of(beside, Span.HOLD, out ? 0.0 : 1.0),
            Key.of(dark, Span.HOLD, out ? 1.0 : 0.0)));
  }
}
