package levelember.shoot.compile;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;

/**
 * What going from one state of a shoot to another costs; the one place that says so.
 *
 * <table>
 * <caption>The invalidation table</caption>
 * <tr><th>changed</th><th>cost</th></tr>
 * <tr><td>brightness, level, colour, mute, solo, banks, master, names, looks</td>
 *     <td>nothing</td></tr>
 * <tr><td>a light's place, aim, roll, dimensions, pictures, pattern, links, shadows, parts, shows to
 *     the camera; for a sun also its sky</td>
 *     <td>that light's layer</td></tr>
 * <tr><td>a light added</td><td>its own new layer</td></tr>
 * <tr><td>a light taken away, lights put in another order</td><td>nothing</td></tr>
 * <tr><td>a material</td><td>every layer; the hierarchy stays unless the surface is
 *     pushed otherwise</td></tr>
 * <tr><td>how light bounces</td><td>every layer; the hierarchy stays</td></tr>
 * <tr><td>the camera</td><td>every layer; the hierarchy stays</td></tr>
 * <tr><td>a piece</td><td>every layer and the hierarchy</td></tr>
 * </table>
 *
 * @param geometry the hierarchy must be built again
 * @param everything every layer must be traced again
 * @param from for every light of the new state the layer of the old one it keeps, or −1
 */
public record EditCost(boolean geometry, boolean everything, int[] from) {

  /** Compares two states, each seen through a shot. */
  public static EditCost between(Shoot before, Shot shotBefore, Shoot after, Shot shotAfter) {
    boolean geometry =
        !traced(before.pieces()).equals(traced(after.pieces()))
            || !pushed(before).equals(pushed(after))
            || !Origin.of(before).equals(Origin.of(after));
    boolean everything =
        geometry
            || !before.bounce().equals(after.bounce())
            || !named(before.materials()).equals(named(after.materials()))
            || !camera(shotBefore).equals(camera(shotAfter));
    Map<String, Integer> old = new HashMap<>();
    for (int i = 0; i < before.lights().size(); i++) {
      old.put(before.lights().get(i).id(), i);
    }
    int[] from = new int[after.lights().size()];
    for (int i = 0; i < from.length; i++) {
      Light light = after.lights().get(i);
      Integer was = old.get(light.id());
      boolean stays =
          !everything
              && was != null
              && TracedLight.of(before, before.lights().get(was))
                  .equals(TracedLight.of(after, light))
              && !emitsElsewhere(before, after, light);
      from[i] = stays ? was : -1;
    }
    return new EditCost(geometry, everything, from);
  }

  /** True when nothing has to be traced. */
  public boolean nothing() {
    if (geometry || everything) {
      return false;
    }
    for (int f : from) {
      if (f < 0) {
        return false;
      }
    }
    return true;
  }

  /** True when every layer stays what and where it was, out of so many before. */
  public boolean keeps(int before) {
    if (!nothing() || from.length != before) {
      return false;
    }
    for (int i = 0; i < from.length; i++) {
      if (from[i] != i) {
        return false;
      }
    }
    return true;
  }

  /** Two emissive lights of one material share its pieces; the first of the rig has them. */
  private static boolean emitsElsewhere(Shoot before, Shoot after, Light light) {
    return light.emitter() instanceof Emitter.Emissive e
        && owns(before, e, light.id()) != owns(after, e, light.id());
  }

  private static boolean owns(Shoot shoot, Emitter.Emissive e, String id) {
    return shoot.lights().stream()
        .filter(l -> l.emitter().equals(e))
        .findFirst()
        .map(l -> l.id().equals(id))
        .orElse(false);
  }

  private static List<Piece> traced(List<Piece> pieces) {
    return pieces.stream().map(p -> p.withName("traced")).toList();
  }

  /** What pushes the surface of each piece. */
  private static List<List<Object>> pushed(Shoot shoot) {
    Map<String, List<Object>> by = new HashMap<>();
    for (Material m : shoot.materials()) {
      if (m.maps().displacement() != null) {
        by.put(m.id(), List.of(m.maps().displacement(), m.maps().displacementMetres()));
      }
    }
    return shoot.pieces().stream().map(p -> by.getOrDefault(p.material(), List.of())).toList();
  }

  private static List<Material> named(List<Material> materials) {
    return materials.stream().map(m -> m.named(m.id(), "traced")).toList();
  }

  private static Shot camera(Shot s) {
    return s.with(c -> c.id("camera").name("camera").look("look").exposureStops(0).cropAspect(0));
  }
}
