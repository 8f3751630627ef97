package levelember.formats.gltf;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A glTF 2.0 file (ISO/IEC 12113), as {@code .glb} or as {@code .gltf} that holds its own data.
 * Sizes are checked before anything is allocated for them, and every number of an entry before it
 * is followed.
 */
public final class GltfFile {
  private static final int MAGIC = 0x46546C67, JSON_CHUNK = 0x4E4F534A, BINARY_CHUNK = 0x004E4942;
  private static final int MOST_JSON = 256 << 20;
  private static final int MOST_NODES = 1_000_000;
  private static final long MOST_VALUES = 600_000_000;

  private static final Set<String> UNDERSTOOD =
      Set.of(
          "KHR_materials_emissive_strength",
          "KHR_materials_ior",
          "KHR_materials_transmission",
          "KHR_materials_volume",
          "KHR_materials_dispersion",
          "KHR_materials_clearcoat",
          "KHR_materials_sheen",
          "KHR_materials_specular",
          "KHR_materials_anisotropy",
          "KHR_materials_iridescence",
          "KHR_materials_unlit",
          SpecularGlossiness.NAME,
          GltfInstances.NAME,
          GltfTextures.BASIS,
          GltfTextures.WEBP,
          "KHR_texture_transform",
          "KHR_lights_punctual",
          "KHR_mesh_quantization");

  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(64)
                          .maxNumberLength(64)
                          .maxStringLength((int) Limits.MOST_PACKAGE)
                          .build())
                  .build())
          .build();

  static final String MESHOPT = "EXT_meshopt_compression";

  private final JsonNode json;
  private final byte[][] buffers;
  private long decoded;

  private GltfFile(JsonNode json, byte[][] buffers) {
    this.json = json;
    this.buffers = buffers;
  }

  /** Whether the bytes begin as a {@code .glb} or as a JSON object. */
  public static boolean is(byte[] file) {
    return isBinary(file) || file.length > 1 && first(file) == '{';
  }

  public static boolean isBinary(byte[] file) {
    return file.length >= 12
        && ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt(0) == MAGIC;
  }

  private static int first(byte[] file) {
    for (byte b : file) {
      if (b != ' ' && b != '\n' && b != '\r' && b != '\t') {
        return b;
      }
    }
    return -1;
  }

  /**
   * Reads a file.
   *
   * @throws RefusedFile when it is no glTF 2.0, is broken, needs what is not understood, names
   *     files outside itself, or is too large
   */
  public static GltfFile read(byte[] file) {
    tools.jackson.databind.node.ObjectNode json = json(file);
    for (JsonNode name : list(json, "extensionsRequired")) {
      required(name.stringValue(""));
    }
    GltfFile gltf = new GltfFile(json, buffersOf(file, json));
    gltf.checkNodes();
    return gltf;
  }

  /** The JSON of a file. */
  public static tools.jackson.databind.node.ObjectNode json(byte[] file) {
    return parsed(isBinary(file) ? jsonChunk(file) : file);
  }

  /** The contents of the buffers of a file. */
  static byte[][] buffersOf(byte[] file, JsonNode json) {
    if (!isBinary(file)) {
      return buffers(json, null);
    }
    ByteBuffer b = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    int next = 20 + jsonChunk(file).length;
    return buffers(json, next + 8 <= file.length ? chunk(b, next, BINARY_CHUNK) : null);
  }

  private static byte[] jsonChunk(byte[] file) {
    ByteBuffer b = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    if (b.getInt(4) != 2) {
      throw new RefusedFile("the model is glTF of version " + b.getInt(4) + "; 2 can be read");
    }
    byte[] text = chunk(b, 12, JSON_CHUNK);
    if (text == null) {
      throw new RefusedFile("the model's first part is not its JSON, or is cut short");
    }
    return text;
  }

  /** The JSON of a glTF 2.0 file. */
  public static tools.jackson.databind.node.ObjectNode parsed(byte[] text) {
    if (text.length > MOST_JSON) {
      throw new RefusedFile("the model's JSON is larger than " + MOST_JSON + " bytes");
    }
    JsonNode json;
    try {
      json = JSON.readTree(text);
    } catch (JacksonException e) {
      throw new RefusedFile("the model's JSON cannot be read: " + e.getOriginalMessage(), e);
    }
    if (!json.isObject() || !json.at("/asset/version").stringValue("").startsWith("2.")) {
      throw new RefusedFile("the file is no glTF 2.0: it has no asset version 2");
    }
    return (tools.jackson.databind.node.ObjectNode) json;
  }

  private static void required(String extension) {
    if (UNDERSTOOD.contains(extension)) {
      return;
    }
    String how =
        switch (extension) {
          case "KHR_draco_mesh_compression" -> "its meshes are packed by Draco";
          case "KHR_meshopt_compression" -> "its meshes are packed by meshopt's second version";
          default -> "it needs the extension " + extension;
        };
    throw new RefusedFile(
        "the model cannot be read: " + how + ". Save it without that where it comes from.");
  }

  private static byte[] chunk(ByteBuffer b, int at, int type) {
    if (at + 8 > b.capacity() || b.getInt(at + 4) != type) {
      return null;
    }
    long length = b.getInt(at) & 0xFFFFFFFFL;
    if (at + 8 + length > b.capacity()) {
      throw new RefusedFile("the model is cut short");
    }
    byte[] to = new byte[(int) length];
    b.get(at + 8, to);
    return to;
  }

  private static byte[][] buffers(JsonNode json, byte[] binary) {
    JsonNode list = list(json, "buffers");
    byte[][] to = new byte[list.size()][];
    long all = 0;
    for (int i = 0; i < to.length; i++) {
      JsonNode uri = list.get(i).path("uri");
      if (uri.isString()) {
        to[i] = data(uri.stringValue(), "buffer " + i);
      } else if (i == 0 && binary != null) {
        to[i] = binary;
      } else if (list.get(i).path("extensions").has(MESHOPT)) {
        // Only readers that cannot decompress would look for it.
        to[i] = new byte[0];
        continue;
      } else {
        throw new RefusedFile("the model's buffer " + i + " is not in the file");
      }
      long length = list.get(i).path("byteLength").asLong(0);
      if (length < 0 || length > to[i].length) {
        throw new RefusedFile("the model's buffer " + i + " is cut short");
      }
      all += to[i].length;
      if (all > Limits.MOST_PACKAGE) {
        throw new RefusedFile("the model's buffers are larger than " + Limits.MOST_PACKAGE);
      }
    }
    return to;
  }

  public static byte[] data(String uri, String what) {
    int comma = uri.indexOf(',');
    if (!uri.startsWith("data:") || comma < 0 || !uri.substring(0, comma).endsWith(";base64")) {
      String shown = uri.length() > 60 ? uri.substring(0, 60) + "…" : uri;
      throw new RefusedFile(
          "the model's "
              + what
              + " lies outside the file, in '"
              + shown
              + "'. Save the model as .glb, or with its data in it.");
    }
    try {
      return Base64.getDecoder().decode(uri.substring(comma + 1));
    } catch (IllegalArgumentException e) {
      throw new RefusedFile("the model's " + what + " is no base64", e);
    }
  }

  /** An object without any field. */
  static final JsonNode EMPTY = tools.jackson.databind.node.JsonNodeFactory.instance.objectNode();

  /** A number as a list of one, or of the usual one. */
  static JsonNode asList(JsonNode number, double usual) {
    return tools.jackson.databind.node.JsonNodeFactory.instance
        .arrayNode()
        .add(number.isNumber() ? number.doubleValue() : usual);
  }

  public static JsonNode list(JsonNode of, String name) {
    JsonNode list = of.path(name);
    if (!list.isMissingNode() && !list.isArray()) {
      throw new RefusedFile("the model's " + name + " are no list");
    }
    return list;
  }

  /** An entry of one of the lists at the top. */
  JsonNode entry(String list, int i) {
    JsonNode entry = list(json, list).path(i);
    if (i < 0 || !entry.isObject()) {
      throw new RefusedFile(
          "the model names entry " + i + " of its " + list + ", which is not there");
    }
    return entry;
  }

  public JsonNode json() {
    return json;
  }

  /** The number of an entry that a field names, or −1. */
  public static int reference(JsonNode of, String field) {
    JsonNode n = of.path(field);
    if (n.isMissingNode()) {
      return -1;
    }
    if (!n.isIntegralNumber() || !n.canConvertToInt() || n.intValue() < 0) {
      throw new RefusedFile("the model's " + field + " is no number of an entry: " + n);
    }
    return n.intValue();
  }

  /** Every node has one parent at most, and none is below itself. */
  private void checkNodes() {
    int n = list(json, "nodes").size();
    if (n > MOST_NODES) {
      throw new RefusedFile(
          "the model has " + n + " nodes; at most " + MOST_NODES + " can be read");
    }
    int[] parent = new int[n];
    Arrays.fill(parent, -1);
    for (int i = 0; i < n; i++) {
      for (JsonNode child : list(entry("nodes", i), "children")) {
        int c = child.isInt() ? child.intValue() : -1;
        if (c < 0 || c >= n || parent[c] >= 0) {
          throw new RefusedFile("the model's nodes are no tree, at node " + i);
        }
        parent[c] = i;
      }
    }
    int[] walk = new int[n];
    for (int i = 0; i < n; i++) {
      int at = i;
      while (at >= 0 && walk[at] == 0) {
        walk[at] = i + 1;
        at = parent[at];
      }
      if (at >= 0 && walk[at] == i + 1) {
        throw new RefusedFile("the model's nodes go round in a circle, at node " + i);
      }
    }
  }

  /** Numbers of the nodes that nothing is above, in the scene that is shown. */
  List<Integer> roots() {
    List<Integer> to = new ArrayList<>();
    if (list(json, "scenes").isEmpty()) {
      Set<Integer> below = new TreeSet<>();
      for (JsonNode node : list(json, "nodes")) {
        node.path("children").forEach(c -> below.add(c.intValue()));
      }
      for (int i = 0; i < list(json, "nodes").size(); i++) {
        if (!below.contains(i)) {
          to.add(i);
        }
      }
    } else {
      int scene = Math.max(0, reference(json, "scene"));
      for (JsonNode node : list(entry("scenes", scene), "nodes")) {
        to.add(node.isInt() ? node.intValue() : -1);
      }
    }
    to.forEach(i -> entry("nodes", i));
    return to;
  }

  /** Where the values of an accessor lie. */
  private record Run(byte[] bytes, int offset, int stride) {}

  private Run run(int view, long offset, int count, int size) {
    JsonNode v = entry("bufferViews", view);
    if (v.path("extensions").has("EXT_meshopt_compression")) {
      required("EXT_meshopt_compression");
    }
    int buffer = reference(v, "buffer");
    if (buffer < 0 || buffer >= buffers.length) {
      throw new RefusedFile("the model's buffer view " + view + " has no buffer");
    }
    long begin = v.path("byteOffset").asLong(0), length = v.path("byteLength").asLong(0);
    long stride = v.path("byteStride").asLong(0);
    if (stride == 0) {
      stride = size;
    }
    boolean inside = begin >= 0 && length >= 0 && begin <= buffers[buffer].length - length;
    long needed = count == 0 ? 0 : (count - 1) * stride + size;
    if (!inside || offset < 0 || stride < size || stride > 1 << 20 || needed > length - offset) {
      throw new RefusedFile("the model's buffer view " + view + " ends outside its buffer");
    }
    return new Run(buffers[buffer], (int) (begin + offset), (int) stride);
  }

  /**
   * The bytes of an image, as PNG or JPEG.
   *
   * @throws RefusedFile when the file does not hold them
   */
  byte[] image(int number) {
    JsonNode image = entry("images", number);
    JsonNode uri = image.path("uri");
    if (uri.isString()) {
      return data(uri.stringValue(), "image " + number);
    }
    int view = reference(image, "bufferView");
    if (view < 0) {
      throw new RefusedFile("the model's image " + number + " has no data");
    }
    return view(view);
  }

  /** The bytes of a buffer view. */
  public byte[] view(int view) {
    long length = entry("bufferViews", view).path("byteLength").asLong(0);
    if (length < 1 || length > Integer.MAX_VALUE - 8) {
      throw new RefusedFile("the model's buffer view " + view + " holds nothing");
    }
    Run run = run(view, 0, (int) length, 1);
    return java.util.Arrays.copyOfRange(run.bytes, run.offset, run.offset + (int) length);
  }

  private static int bytes(int componentType) {
    return switch (componentType) {
      case 5120, 5121 -> 1;
      case 5122, 5123 -> 2;
      case 5125, 5126 -> 4;
      default -> throw new RefusedFile("the model has values of unknown type " + componentType);
    };
  }

  static int components(String type) {
    return switch (type) {
      case "SCALAR" -> 1;
      case "VEC2" -> 2;
      case "VEC3" -> 3;
      case "VEC4" -> 4;
      default ->
          throw new RefusedFile("the model has values of shape '" + type + "' where none fit");
    };
  }

  /** How many elements an accessor has. */
  int count(int accessor) {
    JsonNode count = entry("accessors", accessor).path("count");
    if (!count.isInt() || count.intValue() < 0) {
      throw new RefusedFile("the model's accessor " + accessor + " has no count");
    }
    return count.intValue();
  }

  /**
   * The values of an accessor as floats, normalised integers as 0…1 or −1…1.
   *
   * @param wanted components of an element; an accessor of more is cut, one of fewer refused
   */
  float[] floats(int accessor, int wanted) {
    JsonNode a = entry("accessors", accessor);
    int n = count(accessor);
    int own = components(a.path("type").stringValue(""));
    int type = a.path("componentType").asInt(0), size = bytes(type);
    boolean normalised = a.path("normalized").asBoolean(false);
    if (own < wanted) {
      throw new RefusedFile("the model's accessor " + accessor + " has " + own + " values each");
    }
    take((long) n * wanted, accessor);
    float[] to = new float[n * wanted];
    int view = reference(a, "bufferView");
    if (view >= 0) {
      Run run = run(view, a.path("byteOffset").asLong(0), n, own * size);
      ByteBuffer b = ByteBuffer.wrap(run.bytes).order(ByteOrder.LITTLE_ENDIAN);
      for (int i = 0; i < n; i++) {
        for (int k = 0; k < wanted; k++) {
          to[i * wanted + k] = value(b, run.offset + i * run.stride + k * size, type, normalised);
        }
      }
    }
    JsonNode sparse = a.path("sparse");
    if (sparse.isObject()) {
      int m = sparse.path("count").asInt(-1);
      if (m < 0 || m > n) {
        throw new RefusedFile("the model's accessor " + accessor + " is sparse beyond its count");
      }
      int indexType = sparse.at("/indices/componentType").asInt(0);
      Run at =
          run(
              reference(sparse.path("indices"), "bufferView"),
              sparse.at("/indices/byteOffset").asLong(0),
              m,
              bytes(indexType));
      Run values =
          run(
              reference(sparse.path("values"), "bufferView"),
              sparse.at("/values/byteOffset").asLong(0),
              m,
              own * size);
      ByteBuffer ib = ByteBuffer.wrap(at.bytes).order(ByteOrder.LITTLE_ENDIAN);
      ByteBuffer vb = ByteBuffer.wrap(values.bytes).order(ByteOrder.LITTLE_ENDIAN);
      for (int i = 0; i < m; i++) {
        long index = whole(ib, at.offset + i * at.stride, indexType);
        if (index >= n) {
          throw new RefusedFile("the model's accessor " + accessor + " is sparse beyond its count");
        }
        for (int k = 0; k < wanted; k++) {
          to[(int) index * wanted + k] =
              value(vb, values.offset + i * values.stride + k * size, type, normalised);
        }
      }
    }
    for (float v : to) {
      if (!(Math.abs(v) < 1e12f)) {
        throw new RefusedFile("the model's accessor " + accessor + " holds " + v);
      }
    }
    return to;
  }

  /** The values of an accessor of whole numbers, each at most {@code most}. */
  int[] wholes(int accessor, int most) {
    JsonNode a = entry("accessors", accessor);
    int n = count(accessor);
    int type = a.path("componentType").asInt(0), size = bytes(type);
    int view = reference(a, "bufferView");
    if (view < 0 || components(a.path("type").stringValue("")) != 1) {
      throw new RefusedFile("the model's accessor " + accessor + " holds no corner numbers");
    }
    take(n, accessor);
    Run run = run(view, a.path("byteOffset").asLong(0), n, size);
    ByteBuffer b = ByteBuffer.wrap(run.bytes).order(ByteOrder.LITTLE_ENDIAN);
    int[] to = new int[n];
    for (int i = 0; i < n; i++) {
      long v = whole(b, run.offset + i * run.stride, type);
      if (v > most) {
        throw new RefusedFile(
            "the model's accessor " + accessor + " names corner " + v + " of " + (most + 1L));
      }
      to[i] = (int) v;
    }
    return to;
  }

  private void take(long values, int accessor) {
    decoded += values;
    if (values > MOST_VALUES || decoded > 4 * MOST_VALUES) {
      throw new RefusedFile("the model is too large, at accessor " + accessor);
    }
  }

  private static float value(ByteBuffer b, int at, int type, boolean normalised) {
    return switch (type) {
      case 5120 -> normalised ? Math.max(-1, b.get(at) / 127f) : b.get(at);
      case 5121 -> normalised ? (b.get(at) & 0xFF) / 255f : b.get(at) & 0xFF;
      case 5122 -> normalised ? Math.max(-1, b.getShort(at) / 32767f) : b.getShort(at);
      case 5123 -> normalised ? (b.getShort(at) & 0xFFFF) / 65535f : b.getShort(at) & 0xFFFF;
      case 5125 -> b.getInt(at) & 0xFFFFFFFFL;
      default -> b.getFloat(at);
    };
  }

  private static long whole(ByteBuffer b, int at, int type) {
    return switch (type) {
      case 5121 -> b.get(at) & 0xFF;
      case 5123 -> b.getShort(at) & 0xFFFF;
      case 5125 -> b.getInt(at) & 0xFFFFFFFFL;
      default -> throw new RefusedFile("the model numbers corners by values of type " + type);
    };
  }
}
