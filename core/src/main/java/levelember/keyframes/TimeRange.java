package levelember.keyframes;

import levelember.document.ImpossibleValue;
import levelember.shoot.motion.Motion;

/**
 * A stretch of time.
 *
 * @param from seconds
 * @param to seconds, after {@code from}
 * @param framesPerSecond of the shoot
 */
public record TimeRange(double from, double to, double framesPerSecond) {
  public TimeRange {
    if (!(to > from)) {
      throw new ImpossibleValue("lastFrame", to, "after the first");
    }
  }

  /** From one frame of a motion to another. */
  public static TimeRange frames(Motion motion, int first, int last) {
    return new TimeRange(motion.seconds(first), motion.seconds(last), motion.framesPerSecond());
  }

  double length() {
    return to - from;
  }

  /** A time in it, 0 its beginning and 1 its end. */
  double at(double part) {
    return from + part * length();
  }

  /** The time of the frame nearest to a time, so that keys lie on frames. */
  double onFrame(double seconds) {
    return Math.rint(seconds * framesPerSecond) / framesPerSecond;
  }
}
