package levelember.shoot.motion;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** How a shoot moves: its frames, and the tracks of what is keyed. */
public record Motion(
    @Field(meaning = "frames a second", defaultValue = "24", min = 1, max = 240)
        double framesPerSecond,
    @Field(
            meaning = "first frame of the range that is made",
            defaultValue = "1",
            min = -1_000_000,
            max = 1_000_000)
        int firstFrame,
    @Field(
            meaning = "last frame of it; 100,000 frames at most",
            defaultValue = "72",
            min = -1_000_000,
            max = 1_099_999)
        int lastFrame,
    @Field(
            meaning =
                "part of a frame for which the shutter is open; 0 makes frames of single times",
            defaultValue = "0",
            min = 0,
            max = 360,
            unit = "°")
        double shutterDegrees,
    @Field(
            meaning = "what is keyed: each value in one track",
            defaultValue = "[]",
            maxEntries = 10_000)
        List<Track> tracks,
    @Field(
            meaning =
                "values that follow others: each once, and none that a track moves or "
                    + "that another link follows",
            defaultValue = "[]",
            maxEntries = 10_000)
        List<Link> links) {
  private static final int MOST_FRAMES = 100_000, MOST_KEYS = 1_000_000;

  /** Nothing moves. */
  public static final Motion NONE = new Motion(24, 1, 72, List.of());

  /** Without links and without a shutter. */
  public Motion(double framesPerSecond, int firstFrame, int lastFrame, List<Track> tracks) {
    this(framesPerSecond, firstFrame, lastFrame, 0, tracks, List.of());
  }

  public Motion {
    RecordFields.check(
        Motion.class, framesPerSecond, firstFrame, lastFrame, shutterDegrees, tracks, links);
    Checks.range("lastFrame", lastFrame, firstFrame, firstFrame + MOST_FRAMES - 1);
    tracks = List.copyOf(tracks);
    Set<String> places = new HashSet<>();
    long keys = 0;
    for (int i = 0; i < tracks.size(); i++) {
      keys += tracks.get(i).keys().size();
      if (!places.add(tracks.get(i).place())) {
        throw new ImpossibleValue(
            "tracks[" + i + "].place", tracks.get(i).place(), "a place that no other track moves");
      }
    }
    Checks.range("keys in all", keys, 0, MOST_KEYS);
    links = List.copyOf(links);
    Set<String> followed = new HashSet<>();
    links.forEach(link -> followed.add(link.from()));
    for (int i = 0; i < links.size(); i++) {
      String place = links.get(i).place();
      if (!places.add(place)) {
        throw new ImpossibleValue(
            "links[" + i + "].place", place, "a place that no track and no other link moves");
      }
      if (followed.contains(place)) {
        throw new ImpossibleValue(
            "links[" + i + "].place", place, "a place that no other link follows");
      }
    }
  }

  /** The time of a frame, seconds. */
  public double seconds(int frame) {
    return frame / framesPerSecond;
  }

  /**
   * Times within the shutter about a time, evenly and in order; none without a shutter.
   *
   * @param seconds the middle
   * @param count of times
   */
  public double[] shutterTimes(double seconds, int count) {
    double open = shutterDegrees / 360 / framesPerSecond;
    double[] to = new double[open > 0 ? count : 0];
    for (int i = 0; i < to.length; i++) {
      to[i] = seconds + open * ((i + 0.5) / count - 0.5);
    }
    return to;
  }

  /** The same with a shutter of another angle. */
  public Motion withShutter(double degrees) {
    return new Motion(framesPerSecond, firstFrame, lastFrame, degrees, tracks, links);
  }

  /** The same with other tracks. */
  public Motion with(List<Track> others) {
    return new Motion(framesPerSecond, firstFrame, lastFrame, shutterDegrees, others, links);
  }

  /** The same with other links. */
  public Motion linked(List<Link> others) {
    return new Motion(framesPerSecond, firstFrame, lastFrame, shutterDegrees, tracks, others);
  }
}
