package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import levelember.daylight.SunPosition;
import levelember.document.ImpossibleValue;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * The sun through hours of a day, of a sky by place and date or of a sun by itself.
 *
 * @param of id of a sky or a sun
 * @param fromHour by the clock at the place, 0…24
 * @param toHour after it, to 24
 * @param latitude degrees north; with the rest used where the sky has no place and date of its own
 * @param longitude degrees east
 * @param month 1…12
 * @param day of the month
 * @param zoneHours that the clock is ahead of universal time
 * @param northDegrees where north lies, clockwise from −Z seen from above
 */
public record SunPath(
    String of,
    double fromHour,
    double toHour,
    double latitude,
    double longitude,
    int month,
    int day,
    double zoneHours,
    double northDegrees)
    implements KeyMaker {
  private static final int YEAR = 2026;

  /** Between two keys of a sun's place. */
  private static final double STEP_HOURS = 0.25;

  public SunPath {
    KeyMaker.checked("fromHour", fromHour, 0, 24);
    KeyMaker.checked("toHour", toHour, fromHour, 24);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    Light light = Entries.light(shoot, of);
    return switch (light.emitter()) {
      case Emitter.Sky sky when sky.daylight().when() != null ->
          List.of(
              Track.of(
                  "lights/" + of + "/emitter/daylight/when/hour",
                  Key.of(over.from(), Span.STRAIGHT, fromHour),
                  Key.of(over.to(), Span.STRAIGHT, toHour)));
      case Emitter.Sky _ -> sky(over);
      case Emitter.Sun _ -> sun(light, over);
      default -> throw new ImpossibleValue("of", of, "a sky or a sun");
    };
  }

  private List<Track> sky(TimeRange over) {
    List<Key> headings = new ArrayList<>(), heights = new ArrayList<>();
    double last = Double.NaN;
    for (int i = 0; i <= steps(); i++) {
      double part = (double) i / steps();
      SunPosition at = position(part);
      double heading = at.headingDegrees() + northDegrees;
      // Whole turns are kept, so that it never runs back over north.
      double near = i == 0 ? heading : heading - 360 * Math.rint((heading - last) / 360);
      last = near;
      headings.add(Key.of(over.at(part), Span.STRAIGHT, near));
      heights.add(Key.of(over.at(part), Span.STRAIGHT, at.heightDegrees()));
    }
    String place = "lights/" + of + "/emitter/daylight/";
    return List.of(
        new Track(place + "headingDegrees", Track.After.HOLD, headings),
        new Track(place + "heightDegrees", Track.After.HOLD, heights));
  }

  /** A sun shines from its position towards its aim. */
  private List<Track> sun(Light light, TimeRange over) {
    double distance = light.position().minus(light.aim()).length();
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i <= steps(); i++) {
      double part = (double) i / steps();
      SunPosition at = position(part);
      Vec3 way =
          new SunPosition(at.headingDegrees() + northDegrees, at.heightDegrees()).direction();
      Vec3 to = light.aim().plus(way.times(distance));
      keys.add(Key.of(over.at(part), Span.STRAIGHT, to.x(), to.y(), to.z()));
    }
    return List.of(new Track("lights/" + of + "/position", Track.After.HOLD, keys));
  }

  private int steps() {
    return (int) Math.max(1, Math.ceil((toHour - fromHour) / STEP_HOURS));
  }

  private SunPosition position(double part) {
    double hour = fromHour + part * (toHour - fromHour);
    return SunPosition.of(
        new Daylight.When(latitude, longitude, YEAR, month, day, hour, zoneHours, 0));
  }
}
