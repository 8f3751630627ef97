package levelember.look;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import levelember.texture.Picture;

/**
 * What glows have drawn of a picture, kept for as long as neither the picture nor what it is drawn
 * by changes: while one number of one glow is in the hand, the rest stays. Pictures are known by
 * being the same object, so they must not be changed. For one thread.
 */
public final class GlowCache {
  private final Slot shaded = new Slot();
  private Slot[] gated = new Slot[0];
  private List<Map<Class<?>, Slot>> drawn = List.of();

  /** One result and what it was made of. */
  private static final class Slot {
    private List<Object> of;
    private Object made;

    /** The result; the first of what it is made of is compared by being the same object. */
    @SuppressWarnings("unchecked")
    <T> T get(Supplier<T> making, Object same, Object... equal) {
      boolean fits = of != null && of.getFirst() == same && of.size() == equal.length + 1;
      for (int i = 0; fits && i < equal.length; i++) {
        fits = of.get(i + 1) == equal[i] || equal[i].equals(of.get(i + 1));
      }
      if (!fits) {
        made = making.get();
        Object[] all = new Object[equal.length + 1];
        all[0] = same;
        System.arraycopy(equal, 0, all, 1, equal.length);
        of = List.of(all);
      }
      return (T) made;
    }
  }

  /** What of a glow's source is over its threshold, and the rows that give something. */
  record Gated(Picture source, boolean[] rows, boolean any) {}

  void glows(int count) {
    if (gated.length != count) {
      gated = new Slot[count];
      drawn = new ArrayList<>();
      for (int i = 0; i < count; i++) {
        gated[i] = new Slot();
        drawn.add(new HashMap<>());
      }
    }
  }

  Picture shaded(Picture picture, LookInputs inputs, Supplier<Picture> making) {
    return shaded.get(making, picture, inputs);
  }

  Gated gated(int glow, Supplier<Gated> making, Picture from, Object... by) {
    return gated[glow].get(making, from, by);
  }

  /** What one spread of a glow draws. */
  Picture drawn(int glow, Class<?> kind, Supplier<Picture> making, Picture source, Object... by) {
    return drawn.get(glow).computeIfAbsent(kind, k -> new Slot()).get(making, source, by);
  }
}
