package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;

/** Writes keys of one move over a stretch of time; they are changed by hand like any others. */
public sealed interface KeyMaker
    permits Turntable,
        Orbit,
        Dolly,
        SunPath,
        Flicker,
        Pulse,
        Fade,
        OnOff,
        Chase,
        WaterTime,
        Loudness {

  /**
   * The tracks of the move.
   *
   * @param over the seconds that it takes
   * @throws ImpossibleValue when what it is made for is not there
   */
  List<Track> tracks(Shoot shoot, TimeRange over);

  /** A shoot's motion with the tracks of a move in place of what its places had before. */
  static Motion with(Shoot shoot, KeyMaker maker, TimeRange over) {
    List<Track> made = maker.tracks(shoot, over);
    Set<String> places = made.stream().map(Track::place).collect(Collectors.toSet());
    List<Track> all = new ArrayList<>(shoot.motion().tracks());
    all.removeIf(track -> places.contains(track.place()));
    all.addAll(made);
    return shoot.motion().with(all);
  }

  /** A number in its range. */
  static double checked(String field, double value, double least, double most) {
    if (!(value >= least && value <= most)) {
      throw new ImpossibleValue(field, value, least + " to " + most);
    }
    return value;
  }
}
