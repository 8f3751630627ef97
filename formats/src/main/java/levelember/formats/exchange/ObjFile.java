package levelember.formats.exchange;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import levelember.formats.RefusedFile;
import levelember.formats.gltf.GlbBuilder;
import levelember.formats.gltf.GltfMaterial;
import levelember.formats.picture.AlphaPicture;
import levelember.formats.picture.PictureFile;
import levelember.math.Colour;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Wavefront OBJ with MTL, turned into glTF: a node for every object and material. */
final class ObjFile {
  private static final int MOST_CORNERS = 30_000_000, MOST_OF_FACE = 1000;

  /** Corners and triangles of one object in one material. */
  private static final class Part {
    final Map<List<Integer>, Integer> known = new HashMap<>();
    final Floats positions = new Floats(), normals = new Floats(), places = new Floats();
    final Floats colours = new Floats();
    int[] order = new int[96];
    int count;
    boolean bent = true, laid = true;
  }

  private static final class Floats {
    float[] values = new float[96];
    int count;

    void add(float v) {
      if (count == values.length) {
        values = Arrays.copyOf(values, 2 * count);
      }
      values[count++] = v;
    }
  }

  private record Key(String object, String material) {}

  private final String name;
  private final Map<String, byte[]> files;
  private final Floats v = new Floats(), vn = new Floats(), vt = new Floats();

  /** Colours of corners, which some programs write after their places. */
  private final Floats vc = new Floats();

  private boolean coloured;
  private final Map<Key, Part> parts = new LinkedHashMap<>();
  private final GlbBuilder glb = new GlbBuilder();
  private final Map<String, Integer> materials = new HashMap<>();
  private final Map<String, Integer> textures = new HashMap<>();
  private long corners;

  /** What is named and cannot be taken, each once, and elements that have no surface, counted. */
  private final Set<String> left = new LinkedHashSet<>();

  private final Map<String, Integer> withoutSurface = new TreeMap<>();

  private ObjFile(String name, Map<String, byte[]> files) {
    this.name = name;
    this.files = files;
  }

  /**
   * The glTF file of an OBJ.
   *
   * @param files by name, the OBJ among them
   * @param left takes a line for everything that is left out
   * @throws RefusedFile when it is broken, with the line
   */
  static byte[] glb(String name, Map<String, byte[]> files, List<String> left) {
    ObjFile obj = new ObjFile(name, files);
    byte[] glb = obj.made();
    left.addAll(obj.left);
    obj.withoutSurface.forEach((what, n) ->
        left.add(n + " " + what + (n == 1 ? "" : "s") + " of the OBJ: without a surface"));
    return glb;
  }

  private byte[] made() {
    String object = "", material = "";
    int number = 0;
    for (String line : lines(files.get(name))) {
      number++;
      String[] w = line.strip().split("\\s+");
      try {
        switch (w[0]) {
          case "v" -> {
            three(w, v, 1);
            boolean dyed = w.length >= 7;
            coloured |= dyed;
            for (int k = 0; k < 3; k++) {
              vc.add(dyed ? (float) Colour.decodeSrgb(Math.clamp(value(w[4 + k]), 0, 1)) : 1);
            }
          }
          case "vn" -> three(w, vn, 1);
          case "vt" -> {
            vt.add(value(w[1]));
            vt.add(1 - (w.length > 2 ? value(w[2]) : 0));
          }
          case "o", "g" -> object = rest(line);
          case "usemtl" -> material = rest(line);
          case "mtllib" -> libraries(rest(line));
          case "f" -> face(parts.computeIfAbsent(new Key(object, material), k -> new Part()), w);
          case "l" -> withoutSurface.merge("line", 1, Integer::sum);
          case "p" -> withoutSurface.merge("point", 1, Integer::sum);
          case "curv", "curv2" -> withoutSurface.merge("curve", 1, Integer::sum);
          case "surf" -> withoutSurface.merge("free-form surface", 1, Integer::sum);
          default -> {
            // Smoothing groups and comments bring nothing.
          }
        }
      } catch (NumberFormatException | IndexOutOfBoundsException e) {
        throw new RefusedFile("line " + number + " of the OBJ cannot be read: " + shown(line), e);
      }
    }
    if (parts.isEmpty()) {
      throw new RefusedFile("the OBJ holds no faces");
    }
    ArrayNode roots = glb.roots(name);
    parts.forEach((key, part) -> roots.add(node(key, part)));
    return glb.bytes();
  }

  private static List<String> lines(byte[] file) {
    String text = new String(file, StandardCharsets.UTF_8);
    // A backslash at a line's end carries it on.
    return text.replace("\\\r\n", " ").replace("\\\n", " ").lines().toList();
  }

  private static String shown(String line) {
    return line.length() > 60 ? line.substring(0, 60) + "…" : line;
  }

  private static String rest(String line) {
    String[] two = line.strip().split("\\s+", 2);
    return two.length < 2 ? "" : two[1].strip();
  }

  private static float value(String word) {
    float f = Float.parseFloat(word);
    if (!(Math.abs(f) < 1e12f)) {
      throw new NumberFormatException(word);
    }
    return f;
  }

  private static void three(String[] w, Floats to, int from) {
    for (int k = 0; k < 3; k++) {
      to.add(value(w[from + k]));
    }
  }

  private void face(Part part, String[] w) {
    int n = w.length - 1;
    if (n < 3 || n > MOST_OF_FACE) {
      throw new IndexOutOfBoundsException("a face has 3 to " + MOST_OF_FACE + " corners");
    }
    int[] corner = new int[n];
    float[] at = new float[3 * n];
    for (int i = 0; i < n; i++) {
      corner[i] = corner(part, w[i + 1]);
      System.arraycopy(part.positions.values, 3 * corner[i], at, 3 * i, 3);
    }
    int[] triangles = n == 3 ? new int[] {0, 1, 2} : new Polygon(at).triangles();
    if (part.count + triangles.length > part.order.length) {
      part.order = Arrays.copyOf(part.order, 2 * part.order.length + triangles.length);
    }
    for (int i : triangles) {
      part.order[part.count++] = corner[i];
    }
  }

  private int corner(Part part, String word) {
    String[] w = word.split("/", -1);
    int p = index(w[0], v.count / 3);
    int t = w.length > 1 && !w[1].isEmpty() ? index(w[1], vt.count / 2) : -1;
    int n = w.length > 2 && !w[2].isEmpty() ? index(w[2], vn.count / 3) : -1;
    return part.known.computeIfAbsent(
        List.of(p, t, n),
        k -> {
          if (++corners > MOST_CORNERS) {
            throw new RefusedFile("the OBJ has more than " + MOST_CORNERS + " corners");
          }
          part.laid &= t >= 0;
          part.bent &= n >= 0;
          for (int i = 0; i < 3; i++) {
            part.positions.add(v.values[3 * p + i]);
            part.colours.add(vc.values[3 * p + i]);
            part.normals.add(n < 0 ? 0 : vn.values[3 * n + i]);
          }
          part.places.add(t < 0 ? 0 : vt.values[2 * t]);
          part.places.add(t < 0 ? 0 : vt.values[2 * t + 1]);
          return part.known.size();
        });
  }

  private static int index(String word, int count) {
    int i = Integer.parseInt(word);
    int at = i > 0 ? i - 1 : count + i;
    if (at < 0 || at >= count) {
      throw new IndexOutOfBoundsException(i);
    }
    return at;
  }

  private int node(Key key, Part part) {
    ObjectNode primitive = JsonNodeFactory.instance.objectNode();
    ObjectNode attributes = primitive.putObject("attributes");
    int n = part.positions.count / 3;
    attributes.put("POSITION", glb.floats(part.positions.values, n, 3, true));
    if (part.bent) {
      attributes.put("NORMAL", glb.floats(part.normals.values, n, 3, false));
    }
    if (part.laid) {
      attributes.put("TEXCOORD_0", glb.floats(part.places.values, n, 2, false));
    }
    if (coloured) {
      attributes.put("COLOR_0", glb.floats(part.colours.values, n, 3, false));
    }
    primitive.put("indices", glb.wholes(part.order, part.count));
    Integer material = materials.get(key.material);
    if (material != null) {
      primitive.put("material", material);
    }
    String said = key.object.isEmpty() ? key.material : key.object;
    glb.add("meshes").putArray("primitives").add(primitive);
    glb.add("nodes").put("mesh", glb.last("meshes"));
    if (!said.isEmpty()) {
      ((ObjectNode) glb.list("nodes").get(glb.last("nodes"))).put("name", said);
    }
    return glb.last("nodes");
  }

  /** One library whose name may hold blanks, or several. */
  private void libraries(String names) {
    if (has(names)) {
      library(names);
      return;
    }
    for (String one : names.split("\\s+")) {
      if (has(one)) {
        library(one);
      } else {
        left.add("The materials of '" + shown(one) + "', which is not with the model");
      }
    }
  }

  private boolean has(String file) {
    try {
      ModelFiles.named(name, file, files);
      return true;
    } catch (RefusedFile e) {
      return false;
    }
  }

  private void library(String file) {
    byte[] bytes = ModelFiles.named(name, file, files);
    Map<String, String[]> fields = new HashMap<>();
    String current = null;
    for (String line : lines(bytes)) {
      String[] w = line.strip().split("\\s+");
      if (w[0].equals("newmtl")) {
        material(current, fields);
        current = rest(line);
        fields.clear();
      } else {
        fields.put(w[0].toLowerCase(Locale.ROOT), w);
      }
    }
    material(current, fields);
  }

  /** A material of MTL: its highlight's exponent becomes a roughness (Walter et al. 2007, 5.3). */
  private void material(String id, Map<String, String[]> f) {
    if (id == null) {
      return;
    }
    ObjectNode to = glb.add("materials").put("name", id.isEmpty() ? "Material" : id);
    materials.put(id, glb.last("materials"));
    ObjectNode pbr = to.putObject("pbrMetallicRoughness");
    double[] kd = colour(f.get("kd"), 0.8);
    double shininess = one(f.get("ns"), 0);
    double rough = Math.sqrt(Math.sqrt(2 / (Math.max(0, shininess) + 2)));
    pbr.set("baseColorFactor", GlbBuilder.numbers(kd[0], kd[1], kd[2], 1));
    pbr.put("metallicFactor", unit(one(f.get("pm"), 0)));
    pbr.put("roughnessFactor", unit(one(f.get("pr"), rough)));
    cover(to, pbr, f.get("map_kd"), f.get("map_d"));
    texture(to, "normalTexture", f.get("norm"));
    relief(to, f.getOrDefault("map_bump", f.get("bump")));
    ObjectNode ext = JsonNodeFactory.instance.objectNode();
    double clear =
        to.has("alphaMode") ? 0 : f.containsKey("d") ? 1 - one(f.get("d"), 1) : one(f.get("tr"), 0);
    if (clear > 0) {
      ext.putObject("KHR_materials_transmission").put("transmissionFactor", unit(clear));
    }
    double ior = one(f.get("ni"), 1.5);
    if (ior != 1.5) {
      ext.putObject("KHR_materials_ior").put("ior", Math.clamp(ior, 1, 3));
    }
    double[] ke = colour(f.get("ke"), 0);
    double most = Math.max(ke[0], Math.max(ke[1], ke[2]));
    if (most > 0) {
      to.set("emissiveFactor", GlbBuilder.numbers(ke[0] / most, ke[1] / most, ke[2] / most));
      ext.putObject("KHR_materials_emissive_strength").put("emissiveStrength", most);
    }
    if (!ext.isEmpty()) {
      to.set("extensions", ext);
    }
  }

  private void texture(ObjectNode to, String field, String[] w) {
    if (w == null || w.length < 2) {
      return;
    }
    String file = fileName(w);
    Integer texture = textures.computeIfAbsent(file, k -> texture(file, picture(file)));
    if (texture != null) {
      to.putObject(field).put("index", texture);
    }
  }

  /** A picture that is with the model and can be read, or null. */
  private byte[] picture(String file) {
    if (!has(file)) {
      left.add("The picture '" + shown(file) + "', which is not with the model");
      return null;
    }
    try {
      byte[] bytes = ModelFiles.named(name, file, files);
      PictureFile.texels(bytes, true);
      return bytes;
    } catch (RefusedFile e) {
      left.add("The picture '" + shown(file) + "': " + e.getMessage());
      return null;
    }
  }

  private Integer texture(String named, byte[] bytes) {
    if (bytes == null) {
      return null;
    }
    glb.add("images").put("name", named).put("bufferView", glb.view(bytes, 0));
    glb.add("textures").put("source", glb.last("images"));
    return glb.last("textures");
  }

  /** The picture of colour, with the one of how much is there as its alpha. */
  private void cover(ObjectNode to, ObjectNode pbr, String[] colour, String[] there) {
    byte[] alpha = there == null || there.length < 2 ? null : picture(fileName(there));
    if (alpha == null) {
      texture(pbr, "baseColorTexture", colour);
      return;
    }
    byte[] under = colour == null || colour.length < 2 ? null : picture(fileName(colour));
    String both = String.join(" ", there) + (under == null ? "" : " " + String.join(" ", colour));
    Integer texture =
        textures.computeIfAbsent(both, k -> texture(both, AlphaPicture.png(under, alpha)));
    pbr.putObject("baseColorTexture").put("index", texture);
    to.put("alphaMode", "BLEND");
  }

  /**
   * Heights have no unit in MTL; they are taken as a millimetre times the multiplier {@code -bm}.
   * glTF knows normals alone, so {@link GltfMaterial} is told aside.
   */
  private void relief(ObjectNode to, String[] w) {
    if (w == null) {
      return;
    }
    ObjectNode extras = JsonNodeFactory.instance.objectNode();
    texture(extras, GltfMaterial.RELIEF, w);
    if (extras.isEmpty()) {
      return;
    }
    int bm = Arrays.asList(w).indexOf("-bm");
    double times = bm < 0 ? 1 : one(new String[] {w[bm + 1]}, 1);
    extras.put(GltfMaterial.RELIEF_METRES, Math.clamp(0.001 * times, -1, 1));
    to.set("extras", extras);
  }

  /** What follows the options of a map: a name that may hold blanks. */
  private static String fileName(String[] w) {
    int from = 1;
    while (from < w.length - 1 && w[from].startsWith("-")) {
      from++;
      while (from < w.length - 1 && w[from].matches("-?[0-9.]+([eE][-+]?[0-9]+)?|on|off")) {
        from++;
      }
    }
    return String.join(" ", Arrays.copyOfRange(w, from, w.length));
  }

  private static double unit(double v) {
    return Math.clamp(v, 0, 1);
  }

  private static double one(String[] w, double usual) {
    try {
      double v = w == null ? usual : Double.parseDouble(w[w.length - 1]);
      return Double.isFinite(v) ? v : usual;
    } catch (NumberFormatException e) {
      return usual;
    }
  }

  private static double[] colour(String[] w, double usual) {
    double[] to = {usual, usual, usual};
    try {
      for (int k = 0; w != null && k < 3; k++) {
        double v = Double.parseDouble(w[Math.min(1 + k, w.length - 1)]);
        to[k] = Double.isFinite(v) ? Math.max(0, v) : usual;
      }
    } catch (NumberFormatException e) {
      return new double[] {usual, usual, usual};
    }
    return to;
  }
}
