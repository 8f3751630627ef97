package levelember.light;

import java.util.List;

/** Portals through which points of some region see the surroundings. */
public interface PortalSet {
  /** The portals; those that face away from a point have no importance there. */
  List<Portal> portals();

  /** Whether a point lies in the region. */
  boolean serves(ReferencePoint p);
}
