package levelember.path;

import levelember.scene.Scene;
import levelember.surface.LayeredSurface;
import levelember.trace.Hierarchy;

/**
 * The bodies of glass that a path is inside of. Where bodies overlap, the one of the highest
 * priority fills the overlap, of equal ones the one that was entered last; surfaces of others are
 * not there inside of it (Schmidt and Budge 2002, "Simple Nested Dielectrics in Ray Traced
 * Images"). One a thread.
 */
public final class MediumStack {
  /** Bodies that are kept apart; more than these are passed over. */
  private static final int MOST = 16;

  /** Difference of indices below which a surface between two bodies neither bends nor reflects. */
  private static final float SAME_INDEX = 1e-4f;

  private final Scene scene;
  private final Hierarchy hierarchy;
  private final int[] instances = new int[MOST];
  private int count;

  public MediumStack(Scene scene) {
    this.scene = scene;
    hierarchy = scene.hierarchy;
  }

  /** Takes over another. */
  public void copy(MediumStack other) {
    count = other.count;
    System.arraycopy(other.instances, 0, instances, 0, count);
  }

  /** Comes out of everything. */
  public void clear() {
    count = 0;
  }

  private LayeredSurface body(int instance) {
    return scene.surfaces[hierarchy.piece(instance)];
  }

  private int find(int instance) {
    for (int i = 0; i < count; i++) {
      if (instances[i] == instance) {
        return i;
      }
    }
    return -1;
  }

  /** The body that fills the place the path is at, leaving one out of account; null for air. */
  private LayeredSurface filling(int except) {
    LayeredSurface most = null;
    for (int i = 0; i < count; i++) {
      LayeredSurface body = instances[i] == except ? null : body(instances[i]);
      if (body != null && (most == null || body.priority() >= most.priority())) {
        most = body;
      }
    }
    return most;
  }

  /** The body that the path is in, or null for air. */
  public LayeredSurface medium() {
    return count == 0 ? null : filling(-1);
  }

  /** The body behind a surface that has been hit, or null for air. */
  public LayeredSurface behind(int instance, boolean outside) {
    LayeredSurface own = body(instance);
    if (own == null || !own.body()) {
      return medium();
    }
    return outside ? own : filling(instance);
  }

  /**
   * Says that the surface of a body has been hit from inside, so that the path is in it even where
   * it was not seen to enter, as where the camera is inside.
   */
  public void hitFromInside(int instance) {
    if (find(instance) < 0 && count < MOST) {
      // Below what was entered since.
      System.arraycopy(instances, 0, instances, 1, count++);
      instances[0] = instance;
    }
  }

  /**
   * The index of what is on the side of a body's surface that is not the body.
   *
   * @param wavelength the path's
   */
  public float outerIndex(int instance, float wavelength) {
    LayeredSurface outer = filling(instance);
    return outer == null ? 1 : outer.index(wavelength);
  }

  /** Whether a body's surface is there: it parts what is filled by it from something else. */
  public boolean isThere(int instance, float wavelength) {
    if (count == 0 || count == 1 && instances[0] == instance) {
      return true;
    }
    LayeredSurface own = body(instance), outer = filling(instance);
    if (outer == null) {
      return true;
    }
    boolean later = count > 0 && find(instance) > lastOf(outer, instance) || find(instance) < 0;
    boolean fills =
        own.priority() > outer.priority() || own.priority() == outer.priority() && later;
    return fills && Math.abs(own.index(wavelength) - outer.index(wavelength)) > SAME_INDEX;
  }

  private int lastOf(LayeredSurface body, int except) {
    int last = -1;
    for (int i = 0; i < count; i++) {
      if (instances[i] != except && body(instances[i]) == body) {
        last = i;
      }
    }
    return last;
  }

  /** Goes through a body's surface: in from outside, or out. */
  public void cross(int instance, boolean inwards) {
    int at = find(instance);
    if (inwards) {
      if (at < 0 && count < MOST) {
        instances[count++] = instance;
      }
    } else if (at >= 0) {
      System.arraycopy(instances, at + 1, instances, at, --count - at);
    }
  }
}
