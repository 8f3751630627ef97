package levelember.geometry;

import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;

/**
 * An opening in a room's wall, on the wall's inner face and in the room's own frame.
 *
 * @param corner its lower left corner, seen from inside
 * @param right unit vector to its right, seen from inside; up is up
 * @param out unit vector out of the room
 * @param width metres
 * @param height metres
 */
public record RoomOpening(Vec3 corner, Vec3 right, Vec3 out, double width, double height) {
  /** The openings of a room, those of no size left out. */
  public static List<RoomOpening> of(Shape.Room room) {
    return Rooms.openings(room);
  }
}
