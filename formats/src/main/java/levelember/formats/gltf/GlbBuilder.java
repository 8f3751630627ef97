package levelember.formats.gltf;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Puts a binary glTF file together: its JSON, and one buffer. */
public final class GlbBuilder {
  private static final int ARRAY = 34_962, ELEMENTS = 34_963;

  public final ObjectNode json = JsonNodeFactory.instance.objectNode();
  private final ByteArrayOutputStream bin = new ByteArrayOutputStream();

  public GlbBuilder() {
    json.putObject("asset").put("version", "2.0").put("generator", "Level Ember");
  }

  /** The list of the nodes at the top of the only scene. */
  public ArrayNode roots(String name) {
    json.put("scene", 0);
    return json.putArray("scenes").addObject().put("name", name).putArray("nodes");
  }

  /** Takes over another file's JSON. */
  public void over(ObjectNode other) {
    json.removeAll();
    json.setAll(other);
  }

  /** The file, with the extensions that it uses named. */
  public byte[] bytes() {
    ArrayNode used = JsonNodeFactory.instance.arrayNode();
    json.findValues("extensions").stream()
        .flatMap(e -> e.propertyNames().stream())
        .distinct()
        .sorted()
        .forEach(used::add);
    if (!used.isEmpty()) {
      json.set("extensionsUsed", used);
    }
    if (bin.size() > 0) {
      json.putArray("buffers").addObject().put("byteLength", bin.size());
    }
    return glb();
  }

  private byte[] glb() {
    byte[] text = JsonMapper.shared().writeValueAsString(json).getBytes(StandardCharsets.UTF_8);
    int padded = (text.length + 3) / 4 * 4, data = (bin.size() + 3) / 4 * 4;
    ByteBuffer to = ByteBuffer.allocate(28 + padded + data).order(ByteOrder.LITTLE_ENDIAN);
    to.putInt(0x46546C67).putInt(2).putInt(to.capacity()).putInt(padded).putInt(0x4E4F534A);
    to.put(text);
    while (to.position() < 20 + padded) {
      to.put((byte) ' ');
    }
    to.putInt(data).putInt(0x004E4942).put(bin.toByteArray());
    return to.array();
  }

  public ObjectNode add(String list) {
    return list(list).addObject();
  }

  public ArrayNode list(String name) {
    JsonNode there = json.get(name);
    return there == null ? json.putArray(name) : (ArrayNode) there;
  }

  public int last(String list) {
    return list(list).size() - 1;
  }

  public static ArrayNode numbers(double... values) {
    ArrayNode to = JsonNodeFactory.instance.arrayNode();
    for (double v : values) {
      to.add(v);
    }
    return to;
  }

  public int floats(float[] from, int count, int each, boolean bounds) {
    return floats(from, count, each, bounds, ARRAY);
  }

  /** An accessor of numbers that are no corners: of keys. */
  int keys(float[] from, int each, boolean bounds) {
    return floats(from, from.length / each, each, bounds, 0);
  }

  private int floats(float[] from, int count, int each, boolean bounds, int target) {
    ByteBuffer b = ByteBuffer.allocate(4 * each * count).order(ByteOrder.LITTLE_ENDIAN);
    double[] least = new double[each], most = new double[each];
    java.util.Arrays.fill(least, Double.MAX_VALUE);
    java.util.Arrays.fill(most, -Double.MAX_VALUE);
    for (int i = 0; i < each * count; i++) {
      b.putFloat(from[i]);
      least[i % each] = Math.min(least[i % each], from[i]);
      most[i % each] = Math.max(most[i % each], from[i]);
    }
    int view = view(b.array(), target);
    ObjectNode a =
        add("accessors")
            .put("bufferView", view)
            .put("componentType", 5126)
            .put("count", count)
            .put("type", each == 1 ? "SCALAR" : "VEC" + each);
    if (bounds) {
      a.set("min", numbers(least));
      a.set("max", numbers(most));
    }
    return last("accessors");
  }

  /** An accessor of whole numbers. */
  public int wholes(int[] from, int count) {
    ByteBuffer b = ByteBuffer.allocate(4 * count).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < count; i++) {
      b.putInt(from[i]);
    }
    int view = view(b.array(), ELEMENTS);
    add("accessors")
        .put("bufferView", view)
        .put("componentType", 5125)
        .put("count", count)
        .put("type", "SCALAR");
    return last("accessors");
  }

  /** Puts bytes into the buffer and gives where they begin. */
  public int append(byte[] bytes) {
    while (bin.size() % 4 != 0) {
      bin.write(0);
    }
    int at = bin.size();
    bin.writeBytes(bytes);
    return at;
  }

  public int view(byte[] bytes, int target) {
    int begin = append(bytes);
    ObjectNode view =
        add("bufferViews")
            .put("buffer", 0)
            .put("byteOffset", begin)
            .put("byteLength", bytes.length);
    if (target > 0) {
      view.put("target", target);
    }
    return last("bufferViews");
  }
}
