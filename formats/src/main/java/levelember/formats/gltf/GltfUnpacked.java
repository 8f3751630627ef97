package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.formats.RefusedFile;
import levelember.formats.draco.DracoDecoder;
import levelember.formats.meshopt.MeshoptDecoder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Makes a plain glTF file of one whose meshes are compressed ({@code KHR_draco_mesh_compression},
 * {@code EXT_meshopt_compression}), so that there is one reader after that.
 */
public final class GltfUnpacked {
  private static final String DRACO = "KHR_draco_mesh_compression";
  private static final String MESHOPT = GltfFile.MESHOPT;
  private static final Set<String> EXPANDED = Set.of(DRACO, MESHOPT, GltfInstances.NAME);
  private static final int ARRAY = 34_962, UINT = 5125;

  private final ObjectNode json;
  private final byte[][] buffers;
  private final GlbBuilder glb = new GlbBuilder();

  private GltfUnpacked(ObjectNode json, byte[][] buffers) {
    this.json = json;
    this.buffers = buffers;
  }

  /**
   * The file itself when nothing in it is compressed.
   *
   * @throws RefusedFile when a compressed mesh is broken
   */
  public static byte[] of(byte[] file) {
    if (!GltfFile.is(file)) {
      return file;
    }
    ObjectNode json = GltfFile.json(file);
    byte[] plain =
        uses(json, DRACO) || uses(json, MESHOPT)
            ? new GltfUnpacked(json, GltfFile.buffersOf(file, json)).unpacked()
            : file;
    return uses(json, GltfInstances.NAME) ? instanced(plain) : plain;
  }

  private static boolean uses(JsonNode json, String extension) {
    for (JsonNode name : GltfFile.list(json, "extensionsUsed")) {
      if (name.stringValue("").equals(extension)) {
        return true;
      }
    }
    return false;
  }

  private static byte[] instanced(byte[] file) {
    ObjectNode json = GltfFile.json(file);
    GltfInstances.expand(GltfFile.read(file), json);
    GltfUnpacked to = new GltfUnpacked(json, GltfFile.buffersOf(file, json));
    to.begin();
    drop(to.glb.json);
    return to.glb.bytes();
  }

  private byte[] unpacked() {
    List<byte[]> packed = begin();
    for (JsonNode mesh : GltfFile.list(json, "meshes")) {
      for (JsonNode primitive : GltfFile.list(mesh, "primitives")) {
        unpack((ObjectNode) primitive, packed);
      }
    }
    drop(glb.json);
    return glb.bytes();
  }

  /** Takes all buffers over into one; gives the bytes of every view. */
  private List<byte[]> begin() {
    int[] begins = new int[buffers.length];
    for (int i = 0; i < begins.length; i++) {
      begins[i] = glb.append(buffers[i]);
    }
    List<byte[]> views = new ArrayList<>();
    for (JsonNode node : GltfFile.list(json, "bufferViews")) {
      ObjectNode view = (ObjectNode) node;
      JsonNode meshopt = view.path("extensions").path(MESHOPT);
      if (meshopt.isObject()) {
        byte[] decoded = MeshoptDecoder.decode(bytes(meshopt), packed(meshopt));
        views.add(decoded);
        view.put("byteOffset", glb.append(decoded)).put("byteLength", decoded.length);
        without(view, MESHOPT);
      } else {
        views.add(bytes(view));
        int buffer = GltfFile.reference(view, "buffer");
        view.put("byteOffset", begins[buffer] + view.path("byteOffset").asLong(0));
      }
      view.put("buffer", 0);
    }
    glb.over(json);
    return views;
  }

  private static MeshoptDecoder.Packed packed(JsonNode meshopt) {
    return new MeshoptDecoder.Packed(
        meshopt.path("mode").stringValue(""),
        meshopt.path("filter").stringValue("NONE"),
        meshopt.path("count").asInt(-1),
        meshopt.path("byteStride").asInt(-1));
  }

  private static void without(ObjectNode node, String extension) {
    ObjectNode extensions = (ObjectNode) node.get("extensions");
    extensions.remove(extension);
    if (extensions.isEmpty()) {
      node.remove("extensions");
    }
  }

  private byte[] bytes(JsonNode view) {
    int buffer = GltfFile.reference(view, "buffer");
    long offset = view.path("byteOffset").asLong(0), length = view.path("byteLength").asLong(-1);
    if (buffer < 0
        || buffer >= buffers.length
        || offset < 0
        || length < 0
        || offset > buffers[buffer].length - length) {
      throw new RefusedFile("a buffer view of the model lies outside of its buffer");
    }
    return java.util.Arrays.copyOfRange(buffers[buffer], (int) offset, (int) (offset + length));
  }

  private void unpack(ObjectNode primitive, List<byte[]> packed) {
    JsonNode draco = primitive.path("extensions").path(DRACO);
    if (draco.isMissingNode()) {
      return;
    }
    int view = GltfFile.reference(draco, "bufferView");
    if (view < 0 || view >= packed.size()) {
      throw new RefusedFile("a compressed mesh of the model has no bytes");
    }
    List<ObjectNode> accessors = new ArrayList<>();
    List<DracoDecoder.Wanted> wanted = new ArrayList<>();
    for (Map.Entry<String, JsonNode> attribute : draco.path("attributes").properties()) {
      ObjectNode accessor = accessor(primitive.path("attributes"), attribute.getKey());
      accessors.add(accessor);
      wanted.add(
          new DracoDecoder.Wanted(
              attribute.getValue().asInt(-1),
              accessor.path("componentType").asInt(0),
              GltfFile.components(accessor.path("type").stringValue(""))));
    }
    DracoDecoder.Mesh mesh = new DracoDecoder().decode(packed.get(view), wanted);
    for (int i = 0; i < accessors.size(); i++) {
      place(accessors.get(i), glb.view(mesh.attributes().get(i), ARRAY), mesh.points());
    }
    if (primitive.has("indices")) {
      ObjectNode accessor = accessor(primitive, "indices");
      int indices = glb.wholes(mesh.indices(), mesh.indices().length);
      ObjectNode made = (ObjectNode) glb.list("accessors").get(indices);
      place(accessor, made.get("bufferView").asInt(), mesh.indices().length);
      accessor.put("componentType", UINT);
      ((ArrayNode) glb.list("accessors")).remove(indices);
    }
    without(primitive, DRACO);
  }

  private ObjectNode accessor(JsonNode of, String field) {
    int number = GltfFile.reference(of, field);
    JsonNode accessor = GltfFile.list(json, "accessors").get(number);
    if (!(accessor instanceof ObjectNode object)) {
      throw new RefusedFile("a compressed mesh of the model has no accessor for " + field);
    }
    return object;
  }

  private static void place(ObjectNode accessor, int view, int count) {
    accessor.put("bufferView", view).put("count", count).remove("byteOffset");
    accessor.remove("sparse");
  }

  /** The extensions are needed no more. */
  private static void drop(ObjectNode json) {
    json.remove("extensionsUsed");
    if (json.get("extensionsRequired") instanceof ArrayNode required) {
      required.removeIf(name -> EXPANDED.contains(name.stringValue("")));
      if (required.isEmpty()) {
        json.remove("extensionsRequired");
      }
    }
  }
}
