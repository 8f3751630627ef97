package levelember.keyframes;

import java.util.List;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/**
 * Water that runs with time.
 *
 * @param of id of a piece of water
 * @param speed of its time, −100…100; 1 as in life
 */
public record WaterTime(String of, double speed) implements KeyMaker {
  public WaterTime {
    KeyMaker.checked("speed", speed, -100, 100);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    Piece piece = Entries.piece(shoot, of);
    if (!(piece.shape() instanceof Shape.Water water)) {
      throw new ImpossibleValue("of", of, "a piece of water");
    }
    double from = water.seconds();
    return List.of(
        Track.of(
            "pieces/" + of + "/shape/seconds",
            Key.of(over.from(), Span.STRAIGHT, from),
            Key.of(over.to(), Span.STRAIGHT, from + speed * over.length())));
  }
}
