package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A camera that goes round what it looks at, on an upright axis and at its own height.
 *
 * @param of id of the shot
 * @param degrees of the way round, −3600…3600; above 0 to the camera's right
 */
public record Orbit(String of, double degrees) implements KeyMaker {
  /** Between two keys; the cubic between them leaves the circle by less than 1e-4 of its radius. */
  private static final double STEP_DEGREES = 30;

  public Orbit {
    KeyMaker.checked("degrees", degrees, -3600, 3600);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    Shot shot = Entries.shot(shoot, of);
    Vec3 centre = shot.aim(), arm = shot.position().minus(centre);
    int spans = Math.max(1, (int) Math.ceil(Math.abs(degrees) / STEP_DEGREES));
    double turn = Math.toRadians(degrees), rate = turn / over.length();
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i <= spans; i++) {
      double part = (double) i / spans;
      double cos = StrictMath.cos(part * turn), sin = StrictMath.sin(part * turn);
      double x = arm.x() * cos + arm.z() * sin, z = arm.z() * cos - arm.x() * sin;
      List<Double> slope = List.of(rate * z, 0.0, -rate * x);
      keys.add(
          new Key(
              over.at(part),
              List.of(centre.x() + x, centre.y() + arm.y(), centre.z() + z),
              null,
              Span.FREE,
              slope,
              slope));
    }
    boolean round = Math.abs(degrees) % 360 == 0;
    Track.After after = round ? Track.After.LOOP : Track.After.HOLD;
    return List.of(new Track("shots/" + of + "/position", after, keys));
  }
}
