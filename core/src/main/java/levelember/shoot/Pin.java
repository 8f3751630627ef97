package levelember.shoot;

import levelember.math.Vec3;

/**
 * A place whose light is measured. It stays on its piece while camera and piece move; one whose
 * piece is gone reads nothing.
 *
 * @param id unique among pins
 * @param name as the artist reads it
 * @param piece whose frame the place is in, or null for the world's
 * @param position metres
 * @param normal of the surface there, of any length above 0
 * @param radius of the area that is read, 0…100 m; 0 is a spot
 */
public record Pin(String id, String name, String piece, Vec3 position, Vec3 normal, double radius) {
  public Pin {
    Checks.id(id);
    Checks.name("name", name);
    Checks.given("position", position);
    Checks.given("normal", normal);
    Checks.place("position", position);
    Checks.vector("normal", normal, -1e6, 1e6);
    if (!(normal.length() > 1e-9)) {
      throw new ImpossibleValue("normal", normal, "a direction");
    }
    Checks.range("radius", radius, 0, 100);
  }
}
