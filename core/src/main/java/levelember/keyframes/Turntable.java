package levelember.keyframes;

import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A piece that turns evenly about the vertical, and goes on doing so.
 *
 * @param of id of the piece
 * @param turns whole or not, −1000…1000; below 0 the other way round
 */
public record Turntable(String of, double turns) implements KeyMaker {
  public Turntable {
    KeyMaker.checked("turns", turns, -1000, 1000);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    Vec3 r = Entries.piece(shoot, of).rotationDegrees();
    return List.of(
        new Track(
            "pieces/" + of + "/rotationDegrees",
            Track.After.LOOP,
            List.of(
                Key.of(over.from(), Span.STRAIGHT, r.x(), r.y(), r.z()),
                Key.of(over.to(), Span.STRAIGHT, r.x(), r.y() + 360 * turns, r.z()))));
  }
}
