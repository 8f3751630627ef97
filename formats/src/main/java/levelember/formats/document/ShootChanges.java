package levelember.formats.document;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** What leads from one state of a shoot to another, as JSON Patch (RFC 6902). */
public final class ShootChanges {
  private ShootChanges() {}

  /**
   * Changed and added pieces, materials, lights, banks, shots and looks, the master fader, and how
   * light bounces.
   *
   * @param after has all that the state before has, in the same order, and more behind it
   */
  public static ArrayNode operations(Shoot before, Shoot after) {
    ArrayNode to = JsonNodeFactory.instance.arrayNode();
    list(to, "pieces", before.pieces(), after.pieces(), Piece::id);
    list(to, "materials", before.materials(), after.materials(), Material::id);
    list(to, "lights", before.lights(), after.lights(), Light::id);
    list(to, "banks", before.banks(), after.banks(), Bank::id);
    list(to, "looks", before.looks(), after.looks(), Look::id);
    list(to, "shots", before.shots(), after.shots(), Shot::id);
    if (before.masterStops() != after.masterStops()) {
      put(to, "replace", "/masterStops", JsonNodeFactory.instance.numberNode(after.masterStops()));
    }
    if (!before.bounce().equals(after.bounce())) {
      put(to, "replace", "/bounce", ShootDocument.tree(after.bounce()));
    }
    return to;
  }

  private static <T extends Record> void list(
      ArrayNode to, String name, List<T> before, List<T> after, Function<T, String> id) {
    Map<String, Integer> places = new HashMap<>();
    for (int i = 0; i < before.size(); i++) {
      places.put(id.apply(before.get(i)), i);
    }
    for (T item : after) {
      Integer at = places.get(id.apply(item));
      if (at == null) {
        put(to, "add", "/" + name + "/-", ShootDocument.tree(item));
      } else if (!before.get(at).equals(item)) {
        put(to, "replace", "/" + name + "/" + at, ShootDocument.tree(item));
      }
    }
  }

  private static void put(ArrayNode to, String op, String path, JsonNode value) {
    to.addObject().put("op", op).put("path", path).set("value", value);
  }
}
