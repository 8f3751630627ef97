package levelember.app.shoot;

import java.time.OffsetDateTime;
import levelember.shoot.Shoot;
import tools.jackson.databind.JsonNode;

/**
 * A shoot as it is kept.
 *
 * @param changed when it was kept; with the revision it tells one state of a shoot from any other
 * @param document of the shoot with every field said; never changed
 * @param changes since the whole document was written, by this process; {@link #UNKNOWN} when
 *     another wrote it
 * @param characters of these changes
 * @param whole characters of the document as it was written whole
 */
record StoredShoot(
    String id,
    long revision,
    OffsetDateTime changed,
    Shoot shoot,
    JsonNode document,
    int changes,
    long characters,
    long whole) {
  /** The whole document is written with the next change. */
  static final int UNKNOWN = Integer.MAX_VALUE;

  /** Whether it is the state that the head of a row tells of. */
  boolean is(ShootMapper.Head head) {
    return revision == head.revision() && changed.isEqual(head.changed());
  }
}
