package levelember.scene;

import java.util.List;
import levelember.light.Portal;
import levelember.light.PortalSet;
import levelember.light.ReferencePoint;
import levelember.math.Affine;
import levelember.math.Vec3;

/**
 * A room and the openings in its walls.
 *
 * @param toRoom from the scene into the room's own frame, its floor at height 0 about the origin
 * @param halfWidth inside, along the room's X, metres
 * @param height inside, metres
 * @param halfDepth inside, along the room's Z, metres
 * @param portals openings
 */
public record RoomPortals(
    Affine toRoom, double halfWidth, double height, double halfDepth, List<Portal> portals)
    implements PortalSet {
  /** How far outside of its walls a point may seem to lie by rounding, metres. */
  private static final double SLACK = 1e-3;

  public RoomPortals {
    portals = List.copyOf(portals);
  }

  @Override
  public boolean serves(ReferencePoint p) {
    Vec3 at = toRoom.point(new Vec3(p.x, p.y, p.z));
    return Math.abs(at.x()) <= halfWidth + SLACK
        && Math.abs(at.z()) <= halfDepth + SLACK
        && at.y() >= -SLACK
        && at.y() <= height + SLACK;
  }
}
