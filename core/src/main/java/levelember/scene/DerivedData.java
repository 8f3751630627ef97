package levelember.scene;

import java.util.HashMap;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * What is computed from a scene at its first use and kept with it, one object a type: photons of
 * caustics, patches lit by lights. The scene that is made from it by an edit hands the objects on,
 * so that they can be reused where the edit does not touch them. Safe for several threads.
 */
public final class DerivedData {
  private final Map<Class<?>, Object> computed = new HashMap<>();

  /** By type what a scene before this one had, as long as this one has not computed its own. */
  private final Map<Class<?>, Object> earlier = new HashMap<>();

  /**
   * The object of a type, computed at the first call while other callers wait.
   *
   * @param compute makes it from that of the scene before, which is null where there was none
   */
  public synchronized <T> T get(Class<T> type, UnaryOperator<T> compute) {
    Object known = computed.get(type);
    if (known == null) {
      known = compute.apply(type.cast(earlier.remove(type)));
      computed.put(type, known);
    }
    return type.cast(known);
  }

  /** For a scene that an edit makes from this one. */
  synchronized DerivedData next() {
    DerivedData to = new DerivedData();
    to.earlier.putAll(earlier);
    to.earlier.putAll(computed);
    // Otherwise every scene would keep all those before it alive.
    earlier.clear();
    return to;
  }
}
