package levelember.scene;

import java.util.List;
import levelember.light.Portal;
import levelember.light.PortalSet;
import levelember.light.ReferencePoint;

/**
 * Portals that an artist has marked. What they open into is not known, so that they serve points
 * everywhere, on either side.
 *
 * @param portals each opening twice, once facing either way
 */
public record MarkedPortals(List<Portal> portals) implements PortalSet {
  public MarkedPortals {
    portals = List.copyOf(portals);
  }

  @Override
  public boolean serves(ReferencePoint p) {
    return true;
  }
}
