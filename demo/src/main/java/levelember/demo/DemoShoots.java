package levelember.demo;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import levelember.formats.exchange.ShootPackage;

/** The demo shoots by name, made when asked for. */
public final class DemoShoots {
  private static final Map<String, Supplier<ShootPackage>> ALL = new LinkedHashMap<>();

  /** Has deliberate mistakes. */
  private static final String MISTAKES = "snags";

  static {
    ALL.put("armillary", Armillary::shoot);
    ALL.put("tide-lens", TideLens::shoot);
    ALL.put("reading-room", ReadingRoom::shoot);
    ALL.put("night-terrace", NightTerrace::shoot);
    ALL.put("signal-lamp", SignalLamp::shoot);
    ALL.put(MISTAKES, Snags::shoot);
  }

  private DemoShoots() {}

  /** Short names in the order in which they are shown. */
  public static Set<String> names() {
    return ALL.keySet();
  }

  /** Those without deliberate mistakes, in the same order. */
  public static Set<String> withoutMistakes() {
    Set<String> to = new LinkedHashSet<>(ALL.keySet());
    to.remove(MISTAKES);
    return to;
  }

  /**
   * Makes a shoot.
   *
   * @throws IllegalArgumentException when there is none of that name
   */
  public static ShootPackage make(String name) {
    Supplier<ShootPackage> shoot = ALL.get(name);
    if (shoot == null) {
      throw new IllegalArgumentException(
          "no demo shoot is called '" + name + "'; there are " + ALL.keySet());
    }
    return shoot.get();
  }
}
