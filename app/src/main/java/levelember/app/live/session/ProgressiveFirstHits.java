package levelember.app.live.session;

import java.util.function.BooleanSupplier;
import levelember.film.FirstHits;
import levelember.firsthit.FirstHitTracer;
import levelember.look.LookInputsMaker;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;

/**
 * First hits of camera rays, kept for the look for as long as they are true. The session's thread
 * changes them; others may read.
 */
final class ProgressiveFirstHits {
  private volatile FirstHits hits;

  /** Whether the lamps are still where they were seen, and in the same order. */
  private boolean lampsStand;

  /** What is known so far, or null. */
  FirstHits hits() {
    return hits;
  }

  void forget() {
    hits = null;
  }

  /**
   * Takes notice of a change of the shoot.
   *
   * @param lights how many there were before
   */
  void changed(EditCost cost, int lights) {
    if (cost.everything()) {
      hits = null;
    }
    lampsStand &= cost.keeps(lights);
  }

  private static boolean needsLamps(Look look) {
    return look.glows().stream()
        .anyMatch(g -> g.outsideFrame() || g.source().kind() == Glow.Source.Kind.EMISSION);
  }

  /**
   * Traces first hits once more, when the look needs to know more.
   *
   * @return true when there is more to be known
   */
  boolean sample(View view, Look look, int width, int height, BooleanSupplier stop) {
    if (!LookInputsMaker.needsHits(view.shoot(), look)) {
      return false;
    }
    int margin = LookInputsMaker.margin(look, height);
    FirstHits now = hits;
    boolean lampsNeeded = needsLamps(look);
    // The reach may come into the hand: what is noted must do for any.
    double reach = LookInputsMaker.obscuranceReach(look) > 0 ? ContactShade.MAX_REACH : 0;
    if (now == null
        || now.margin() < margin
        || now.reach() < reach
        || lampsNeeded && !(lampsStand && now.lights() == view.layers())) {
      now = new FirstHits(FirstHits.Band.whole(width, height), margin, view.layers(), reach);
      lampsStand = true;
    } else if (now.samples() >= now.enough()) {
      return false;
    } else if (now.lights() != view.layers()) {
      // Half traced with other lights: from the start.
      now = new FirstHits(FirstHits.Band.whole(width, height), margin, view.layers(), reach);
      lampsStand = true;
    }
    boolean whole = new FirstHitTracer(view).sample(now, stop);
    hits = whole ? now : null;
    return true;
  }

  /** Whether the look knows all that it needs to. */
  boolean knows(Shoot shoot, Look look) {
    FirstHits now = hits;
    return now != null
            && now.samples() >= now.enough()
            && now.reach() >= LookInputsMaker.obscuranceReach(look)
        || !LookInputsMaker.needsHits(shoot, look);
  }

  long bytes() {
    FirstHits now = hits;
    return now == null ? 0 : now.bytes();
  }
}
