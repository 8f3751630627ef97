package levelember.formats;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Builds glTF files by hand, with every freedom that the format gives. */
public final class Glb {
  public static final int BYTE = 5120,
      UBYTE = 5121,
      SHORT = 5122,
      USHORT = 5123,
      UINT = 5125,
      FLOAT = 5126;

  private final ByteBuffer bin = ByteBuffer.allocate(1 << 20).order(ByteOrder.LITTLE_ENDIAN);
  public final ObjectNode json;

  public Glb() {
    json = object("{\"asset\": {\"version\": \"2.0\"}, \"scene\": 0}");
    json.putArray("scenes").addObject().putArray("nodes");
  }

  public static ObjectNode object(String text) {
    return (ObjectNode) JsonMapper.shared().readTree(text.replace('\'', '"'));
  }

  /** Adds an entry to a list at the top and gives its number. */
  public int add(String list, String text) {
    JsonNode there = json.get(list);
    ArrayNode array = there == null ? json.putArray(list) : (ArrayNode) there;
    array.add(object(text));
    return array.size() - 1;
  }

  /** Puts bytes of values into the buffer and gives where they begin. */
  public int put(int type, double... values) {
    while (bin.position() % 4 != 0) {
      bin.put((byte) 0);
    }
    int at = bin.position();
    for (double v : values) {
      switch (type) {
        case BYTE, UBYTE -> bin.put((byte) (int) v);
        case SHORT, USHORT -> bin.putShort((short) (int) v);
        case UINT -> bin.putInt((int) (long) v);
        default -> bin.putFloat((float) v);
      }
    }
    return at;
  }

  public int view(int offset, int length, int stride) {
    return add(
        "bufferViews",
        "{'buffer': 0, 'byteOffset': %d, 'byteLength': %d%s}"
            .formatted(offset, length, stride > 0 ? ", 'byteStride': " + stride : ""));
  }

  /** A tightly packed accessor of its own view. */
  public int accessor(int type, String shape, int count, double... values) {
    int at = put(type, values);
    int view = view(at, bin.position() - at, 0);
    return add(
        "accessors",
        "{'bufferView': %d, 'componentType': %d, 'count': %d, 'type': '%s'}"
            .formatted(view, type, count, shape));
  }

  /** A picture of its own view. */
  int image(byte[] bytes) {
    double[] values = new double[bytes.length];
    for (int i = 0; i < bytes.length; i++) {
      values[i] = bytes[i];
    }
    int view = view(put(BYTE, values), bytes.length, 0);
    return add("images", "{'bufferView': %d}".formatted(view));
  }

  /** A mesh of one part. */
  public int mesh(String attributes, String more) {
    return add("meshes", "{'primitives': [{'attributes': {%s}%s}]}".formatted(attributes, more));
  }

  /** A node at the top of the scene. */
  public int root(String text) {
    int node = add("nodes", text);
    ((ArrayNode) json.at("/scenes/0/nodes")).add(node);
    return node;
  }

  private byte[] text() {
    byte[] text = json.toString().getBytes(StandardCharsets.UTF_8);
    byte[] padded = java.util.Arrays.copyOf(text, (text.length + 3) / 4 * 4);
    java.util.Arrays.fill(padded, text.length, padded.length, (byte) ' ');
    return padded;
  }

  public byte[] bytes() {
    json.putArray("buffers").addObject().put("byteLength", bin.position());
    while (bin.position() % 4 != 0) {
      bin.put((byte) 0);
    }
    byte[] text = text();
    int length = 12 + 8 + text.length + 8 + bin.position();
    ByteBuffer to = ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
    to.putInt(0x46546C67).putInt(2).putInt(length);
    to.putInt(text.length).putInt(0x4E4F534A).put(text);
    to.putInt(bin.position()).putInt(0x004E4942).put(bin.array(), 0, bin.position());
    return to.array();
  }

  /** A square in the plane z = 0, corners counter-clockwise seen from +Z, as a mesh. */
  public static Glb square() {
    Glb glb = new Glb();
    int positions = glb.accessor(FLOAT, "VEC3", 4, -1, -1, 0, 1, -1, 0, 1, 1, 0, -1, 1, 0);
    int normals = glb.accessor(FLOAT, "VEC3", 4, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1);
    int indices = glb.accessor(USHORT, "SCALAR", 6, 0, 1, 2, 0, 2, 3);
    glb.mesh(
        "'POSITION': %d, 'NORMAL': %d".formatted(positions, normals), ", 'indices': " + indices);
    return glb;
  }
}
