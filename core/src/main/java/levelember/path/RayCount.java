package levelember.path;

/**
 * Rays walked.
 *
 * @param primary from the camera
 * @param bounced from surfaces
 * @param shadow between surfaces and lights
 * @param dropped contributions that were no finite number and were left out
 */
public record RayCount(long primary, long bounced, long shadow, long dropped) {
  public static final RayCount NONE = new RayCount(0, 0, 0, 0);

  public long all() {
    return primary + bounced + shadow;
  }

  public RayCount plus(RayCount o) {
    return new RayCount(
        primary + o.primary, bounced + o.bounced, shadow + o.shadow, dropped + o.dropped);
  }

  /** A count that a single thread keeps. */
  public static final class Tally {
    public long primary, bounced, shadow, dropped;

    public void add(RayCount o) {
      primary += o.primary;
      bounced += o.bounced;
      shadow += o.shadow;
      dropped += o.dropped;
    }

    public RayCount take() {
      RayCount count = new RayCount(primary, bounced, shadow, dropped);
      primary = bounced = shadow = dropped = 0;
      return count;
    }
  }
}
