package levelember.keyframes;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Track;

/**
 * A light whose level is restless.
 *
 * @param of id of the light
 * @param kind what it behaves like
 * @param stops that it falls at most, 0…10
 * @param seed another one flickers another way
 */
public record Flicker(String of, Kind kind, double stops, long seed) implements KeyMaker {
  /** What flickers. */
  public enum Kind {
    /** Mostly steady, with soft dips when the flame is drawn. */
    CANDLE,
    /** Steady, then stutters off and on in bursts. */
    FAILING_TUBE,
    /** Never at rest: several rhythms on one another. */
    FIRE
  }

  private static final double LEAST_STOPS = -10, MOST_STOPS = 10;

  public Flicker {
    if (kind == null) {
      throw new ImpossibleValue("kind", null, "one of candle, failing_tube, fire");
    }
    KeyMaker.checked("stops", stops, 0, 10);
  }

  @Override
  public List<Track> tracks(Shoot shoot, TimeRange over) {
    double level = Entries.light(shoot, of).levelStops();
    SplittableRandom random = new SplittableRandom(seed);
    Keys keys = new Keys(over, level);
    switch (kind) {
      case CANDLE -> candle(keys, random);
      case FAILING_TUBE -> tube(keys, random);
      case FIRE -> fire(keys, random);
    }
    return List.of(new Track("lights/" + of + "/levelStops", Track.After.LOOP, keys.done()));
  }

  private void candle(Keys keys, SplittableRandom random) {
    while (keys.wait(0.4 + 1.4 * random.nextDouble())) {
      double depth = stops * Math.pow(random.nextDouble(), 1.5);
      keys.eased(-0.1 * stops * random.nextDouble());
      if (keys.wait(0.06 + 0.08 * random.nextDouble())) {
        keys.eased(-depth);
      }
      if (keys.wait(0.12 + 0.2 * random.nextDouble())) {
        keys.eased(-0.4 * depth * random.nextDouble());
      }
    }
  }

  private void tube(Keys keys, SplittableRandom random) {
    while (keys.wait(0.5 + 1.5 * random.nextDouble())) {
      int strikes = 2 + random.nextInt(4);
      for (int i = 0; i < strikes; i++) {
        keys.held(-stops * (0.7 + 0.3 * random.nextDouble()));
        keys.wait(0.04 + 0.1 * random.nextDouble());
        keys.held(-0.2 * stops * random.nextDouble());
        keys.wait(0.04 + 0.06 * random.nextDouble());
      }
      keys.held(0);
    }
  }

  private void fire(Keys keys, SplittableRandom random) {
    double slow = 0;
    while (keys.wait(0.08 + 0.1 * random.nextDouble())) {
      slow += 0.35 * (random.nextDouble() - slow);
      double fast = random.nextDouble();
      keys.eased(-stops * Math.clamp(0.6 * slow + 0.4 * fast * fast, 0, 1));
    }
  }

  /** Keys of a level as time goes on, each on a frame of its own. */
  private static final class Keys {
    private final TimeRange over;
    private final double level;
    private final List<Key> keys = new ArrayList<>();
    private double now;

    Keys(TimeRange over, double level) {
      this.over = over;
      this.level = level;
      now = over.from();
      put(0, Span.EASED);
    }

    /** Lets time pass; false when the stretch is over. */
    boolean wait(double seconds) {
      now += Math.max(seconds, 1 / over.framesPerSecond());
      return now < over.to();
    }

    void eased(double stops) {
      put(stops, Span.EASED);
    }

    void held(double stops) {
      put(stops, Span.HOLD);
    }

    private void put(double stops, Span span) {
      double at = keys.isEmpty() ? now : over.onFrame(now);
      if (at < over.to() && (keys.isEmpty() || at > keys.getLast().seconds())) {
        keys.add(Key.of(at, span, Math.clamp(level + stops, LEAST_STOPS, MOST_STOPS)));
      }
    }

    /** Ends as it began, so that it can go on for ever. */
    List<Key> done() {
      keys.add(Key.of(over.to(), Span.EASED, level));
      return keys;
    }
  }
}
