package levelember.transport;

/**
 * Rays walked.
 *
 * @param primary from the camera
 * @param bounced from surfaces
 * @param shadow between surfaces and lights
 */
public record RayCount(long primary, long bounced, long shadow) {
  public static final RayCount NONE = new RayCount(0, 0, 0);

  public long all() {
    return primary + bounced + shadow;
  }

  public RayCount plus(RayCount o) {
    return new RayCount(primary + o.primary, bounced + o.bounced, shadow + o.shadow);
  }

  /** A count that a single thread keeps. */
  static final class Tally {
    long primary, bounced, shadow;

    RayCount take() {
      RayCount count = new RayCount(primary, bounced, shadow);
      primary = bounced = shadow = 0;
      return count;
    }
  }
}
