package levelember.integrator;

import levelember.path.MediumStack;
import levelember.path.PathState;
import levelember.scene.Scene;

/**
 * Branches that camera paths leave behind where they are split: at smooth glass the path goes on
 * through it, and what is reflected goes on by itself, so that lamps mirrored in glass do not wait
 * for the few samples that chance sends there (path splitting after Arvo and Kirk 1990, "Particle
 * Transport and Image Synthesis"). Emission over mirrors and clear glass is seen by every branch;
 * other light is left to as few of them as chance would have sent, which count for the others. One
 * a thread.
 */
final class SplitPaths {
  /** Branches of a path at most; glass met after them is left to chance. */
  private static final int MOST = 4;

  private final PathState[] paths = new PathState[MOST];
  private final MediumStack[] media = new MediumStack[MOST];
  private final PathState kept = new PathState();
  private int count;
  private int made;

  SplitPaths(Scene scene) {
    for (int i = 0; i < MOST; i++) {
      paths[i] = new PathState();
      media[i] = new MediumStack(scene);
    }
  }

  /** Begins with a path of the camera. */
  void begin() {
    count = made = 0;
  }

  /** Whether the path may be split once more. */
  boolean canSplit() {
    return made < MOST;
  }

  /** Keeps the path as it is before it becomes its branch. */
  void keep(PathState path) {
    kept.copy(path);
  }

  /**
   * Takes over what the path has become as a branch, and makes it what it was.
   *
   * @param goesOn whether there is anything of the branch to follow
   */
  void take(PathState path, MediumStack medium, boolean goesOn) {
    made++;
    if (goesOn) {
      paths[count].copy(path);
      media[count++].copy(medium);
    }
    path.copy(kept);
  }

  /** Makes a path the next branch that waits; false when none does. */
  boolean next(PathState path, MediumStack medium) {
    if (count == 0) {
      return false;
    }
    path.copy(paths[--count]);
    medium.copy(media[count]);
    return true;
  }
}
