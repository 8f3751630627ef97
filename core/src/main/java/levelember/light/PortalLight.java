package levelember.light;

import java.util.List;

/**
 * Surroundings that are drawn through the openings of a room for points inside, combined with the
 * surroundings' own way by a mixture of the densities (after Bitterli, Novák and Jarosz 2015,
 * "Portal-Masked Environment Map Sampling", with openings drawn uniformly by solid angle). The
 * light that it gives is that of the surroundings.
 */
public final class PortalLight extends LightSource {
  /** Share of directions that are drawn through openings. */
  private static final float SHARE = 0.75f;

  private final LightSource surroundings;
  private final List<PortalSet> groups;

  /**
   * Surroundings seen from groups.
   *
   * @param id of the light
   * @param surroundings a light that has no place
   * @param groups of openings, of which the first that serves a point is drawn from
   */
  public PortalLight(String id, LightSource surroundings, List<PortalSet> groups) {
    super(id, surroundings.seenDirectly());
    this.surroundings = surroundings;
    this.groups = List.copyOf(groups);
  }

  /** The light without its openings. */
  public LightSource surroundings() {
    return surroundings;
  }

  @Override
  public long bytes() {
    return surroundings.bytes();
  }

  private PortalSet at(ReferencePoint from) {
    for (PortalSet group : groups) {
      if (group.serves(from)) {
        return group;
      }
    }
    return null;
  }

  private static double importance(PortalSet group, ReferencePoint from) {
    double sum = 0;
    for (int i = 0; group != null && i < group.portals().size(); i++) {
      sum += group.portals().get(i).importance(from);
    }
    return sum;
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    PortalSet group = at(from);
    double sum = importance(group, from);
    if (!(sum > 0)) {
      return surroundings.sample(from, u, v, to);
    }
    if (u >= SHARE) {
      if (!surroundings.sample(from, (u - SHARE) / (1 - SHARE), v, to)) {
        return false;
      }
    } else {
      draw(group, from, u / SHARE * sum, v, to);
      surroundings.hit(from, to.x, to.y, to.z, Float.POSITIVE_INFINITY, to);
    }
    to.pdf = mixed(group, sum, from, to.x, to.y, to.z, to.pdf);
    return to.pdf > 0;
  }

  /** Draws a direction through an opening that is chosen by importance. */
  private static void draw(
      PortalSet group, ReferencePoint from, double at, float v, LightSample to) {
    double rest = at;
    Portal chosen = null;
    double own = 0;
    for (int i = 0; i < group.portals().size(); i++) {
      double w = group.portals().get(i).importance(from);
      if (w > 0) {
        rest -= chosen == null ? 0 : own;
        chosen = group.portals().get(i);
        own = w;
        if (rest < w) {
          break;
        }
      }
    }
    float u = (float) Math.clamp(rest / own, 0, 0.9999999);
    chosen.sample(from, u, v, to);
  }

  private static float mixed(
      PortalSet group,
      double sum,
      ReferencePoint from,
      float dx,
      float dy,
      float dz,
      float ofSurroundings) {
    double through = 0;
    for (int i = 0; i < group.portals().size(); i++) {
      Portal portal = group.portals().get(i);
      double w = portal.importance(from);
      if (w > 0) {
        through += w / sum * portal.density(from, dx, dy, dz);
      }
    }
    return (float) (SHARE * through + (1 - SHARE) * ofSurroundings);
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    if (!surroundings.hit(from, dx, dy, dz, far, to)) {
      return false;
    }
    PortalSet group = at(from);
    double sum = importance(group, from);
    if (sum > 0) {
      to.pdf = mixed(group, sum, from, dx, dy, dz, to.pdf);
    }
    return true;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    return surroundings.emit(aim, u, v, s, t, to);
  }

  @Override
  public float importance(float px, float py, float pz) {
    return surroundings.importance(px, py, pz);
  }
}
