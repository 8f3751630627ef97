package levelember.demo;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import levelember.formats.ShootPackage;

/** The demo shoots by name, made when asked for. */
public final class DemoShoots {
  private static final Map<String, Supplier<ShootPackage>> ALL = new LinkedHashMap<>();

  static {
    ALL.put("armillary", Armillary::shoot);
    ALL.put("tide-lens", TideLens::shoot);
    ALL.put("reading-room", ReadingRoom::shoot);
    ALL.put("night-terrace", NightTerrace::shoot);
    ALL.put("signal-lamp", SignalLamp::shoot);
  }

  private DemoShoots() {}

  /** Short names in the order in which they are shown. */
  public static java.util.Set<String> names() {
    return ALL.keySet();
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
