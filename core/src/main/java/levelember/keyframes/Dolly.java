package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import levelember.document.ImpossibleValue;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A camera that goes towards what it looks at, or away from it; a focus of its own goes with it.
 *
 * @param of id of the shot
 * @param metres along the view, −10,000…10,000; above 0 forwards, and short of the aim
 */
public record Dolly(String of, double metres) implements KeyMaker {
  public Dolly {
    KeyMaker.checked("metres", metres, -10_000, 10_000);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    Shot shot = Entries.shot(shoot, of);
    Vec3 way = shot.aim().minus(shot.position());
    if (metres >= way.length()) {
      throw new ImpossibleValue("metres", metres, "less than to the aim, " + way.length() + " m");
    }
    Vec3 from = shot.position(), to = from.plus(way.unit().times(metres));
    List<Track> tracks = new ArrayList<>();
    tracks.add(
        Track.of(
            "shots/" + of + "/position",
            Key.of(over.from(), Span.EASED, from.x(), from.y(), from.z()),
            Key.of(over.to(), Span.EASED, to.x(), to.y(), to.z())));
    if (shot.focusDistance() > 0) {
      double near = Math.max(0.01, shot.focusDistance() - metres);
      tracks.add(
          Track.of(
              "shots/" + of + "/focusDistance",
              Key.of(over.from(), Span.EASED, shot.focusDistance()),
              Key.of(over.to(), Span.EASED, near)));
    }
    return tracks;
  }
}
