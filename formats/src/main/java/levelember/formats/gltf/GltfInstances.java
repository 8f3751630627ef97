package levelember.formats.gltf;

import levelember.formats.RefusedFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Makes nodes of their own of the instances of a mesh ({@code EXT_mesh_gpu_instancing}): children
 * of the node that has them, which hold one mesh together.
 */
final class GltfInstances {
  static final String NAME = "EXT_mesh_gpu_instancing";
  private static final int MOST = 100_000;

  private GltfInstances() {}

  /** Changes the nodes of a file; its accessors stay. */
  static void expand(GltfFile gltf, ObjectNode json) {
    if (!(json.get("nodes") instanceof ArrayNode nodes)) {
      return;
    }
    int before = nodes.size(), made = 0;
    for (int i = 0; i < before; i++) {
      if (!(nodes.get(i) instanceof ObjectNode node)
          || !node.path("extensions").has(NAME)
          || !node.has("mesh")) {
        continue;
      }
      JsonNode attributes = node.path("extensions").path(NAME).path("attributes");
      float[] move = values(gltf, attributes, "TRANSLATION", 3);
      float[] turn = values(gltf, attributes, "ROTATION", 4);
      float[] scale = values(gltf, attributes, "SCALE", 3);
      int count = count(move, 3, count(turn, 4, count(scale, 3, -1)));
      made += Math.max(0, count);
      if (made > MOST) {
        throw new RefusedFile("the model has more than " + MOST + " instances");
      }
      ArrayNode children =
          node.get("children") instanceof ArrayNode there ? there : node.putArray("children");
      for (int k = 0; k < count; k++) {
        ObjectNode one = nodes.addObject();
        one.set("mesh", node.get("mesh"));
        one.put("name", node.path("name").stringValue("Instance") + " " + (k + 1));
        put(one, "translation", move, 3, k);
        put(one, "rotation", turn, 4, k);
        put(one, "scale", scale, 3, k);
        children.add(nodes.size() - 1);
      }
      node.remove("mesh");
      ((ObjectNode) node.get("extensions")).remove(NAME);
    }
  }

  private static float[] values(GltfFile gltf, JsonNode attributes, String name, int each) {
    int accessor = GltfFile.reference(attributes, name);
    return accessor < 0 ? null : gltf.floats(accessor, each);
  }

  /** How many there are; as many as before where the attribute is left out. */
  private static int count(float[] values, int each, int before) {
    if (values == null) {
      return before;
    }
    int n = values.length / each;
    if (before >= 0 && before != n) {
      throw new RefusedFile("the instances of a mesh have attributes of several lengths");
    }
    return n;
  }

  private static void put(ObjectNode to, String name, float[] values, int each, int k) {
    if (values != null) {
      ArrayNode list = to.putArray(name);
      for (int i = 0; i < each; i++) {
        list.add(values[each * k + i]);
      }
    }
  }
}
