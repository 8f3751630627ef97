package levelember.formats.gltf;

import java.lang.ref.SoftReference;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import levelember.formats.RefusedFile;
import levelember.geometry.Meshes;
import levelember.geometry.Triangles;
import tools.jackson.databind.JsonNode;

/** The meshes of glTF files among a shoot's assets. */
public final class GltfMeshes implements Meshes {
  private static final int TRIANGLES = 4, STRIP = 5, FAN = 6;

  private final Function<String, byte[]> files;
  private final Map<String, SoftReference<GltfFile>> read = new ConcurrentHashMap<>();

  /**
   * Meshes of files.
   *
   * @param files bytes by name, null where there are none
   */
  public GltfMeshes(Function<String, byte[]> files) {
    this.files = files;
  }

  @Override
  public Triangles mesh(String file, int mesh, int part) {
    SoftReference<GltfFile> known = read.get(file);
    GltfFile gltf = known == null ? null : known.get();
    if (gltf == null) {
      byte[] bytes = files.apply(file);
      if (bytes == null) {
        throw new MissingMesh(file, mesh, part);
      }
      gltf = GltfFile.read(bytes);
      read.put(file, new SoftReference<>(gltf));
    }
    if (mesh >= GltfFile.list(gltf.json(), "meshes").size()
        || part >= GltfFile.list(gltf.entry("meshes", mesh), "primitives").size()) {
      throw new MissingMesh(file, mesh, part);
    }
    return triangles(gltf, mesh, part);
  }

  /** Whether a part is made of triangles, and not of points or lines. */
  static boolean solid(JsonNode primitive) {
    int mode = primitive.path("mode").asInt(TRIANGLES);
    return mode == TRIANGLES || mode == STRIP || mode == FAN;
  }

  /**
   * The triangles of a part of a mesh.
   *
   * @throws RefusedFile when its data are broken
   */
  static Triangles triangles(GltfFile gltf, int mesh, int part) {
    JsonNode primitive = GltfFile.list(gltf.entry("meshes", mesh), "primitives").get(part);
    if (primitive.path("extensions").has("KHR_draco_mesh_compression")
        && GltfFile.reference(primitive.path("attributes"), "POSITION") < 0) {
      throw new RefusedFile("the model cannot be read: its meshes are packed by Draco");
    }
    int at = GltfFile.reference(primitive.path("attributes"), "POSITION");
    if (at < 0 || !solid(primitive)) {
      throw new RefusedFile("part " + part + " of the model's mesh " + mesh + " is no surface");
    }
    float[] positions = gltf.floats(at, 3);
    int corners = positions.length / 3;
    int order = GltfFile.reference(primitive, "indices");
    int[] indices = order < 0 ? counted(corners) : gltf.wholes(order, corners - 1);
    indices = listed(indices, primitive.path("mode").asInt(TRIANGLES));
    indices = withArea(positions, indices);
    JsonNode attributes = primitive.path("attributes");
    float[] first = more(gltf, attributes, "TEXCOORD_0", 2, corners);
    float[] second = more(gltf, attributes, "TEXCOORD_1", 2, corners);
    float[] colours = more(gltf, attributes, "COLOR_0", 3, corners);
    int bent = GltfFile.reference(attributes, "NORMAL");
    if (bent < 0) {
      return flat(positions, indices)
          .with(apart(first, indices, 2), apart(second, indices, 2), apart(colours, indices, 3));
    }
    float[] normals = gltf.floats(bent, 3);
    if (normals.length != positions.length) {
      throw new RefusedFile("the model's mesh " + mesh + " has not one normal a corner");
    }
    for (int i = 0; i < normals.length; i += 3) {
      float l = length(normals[i], normals[i + 1], normals[i + 2]);
      for (int k = 0; k < 3; k++) {
        normals[i + k] = l > 0 ? normals[i + k] / l : 0;
      }
    }
    return Triangles.over(positions, normals, indices).with(first, second, colours);
  }

  /** An attribute that a part may have, or null. */
  private static float[] more(
      GltfFile gltf, JsonNode attributes, String name, int wanted, int corners) {
    int at = GltfFile.reference(attributes, name);
    if (at < 0) {
      return null;
    }
    float[] values = gltf.floats(at, wanted);
    if (values.length != wanted * corners) {
      throw new RefusedFile("a part of the model has not one " + name + " a corner");
    }
    return values;
  }

  /** The values of corners for triangles that each have corners of their own. */
  private static float[] apart(float[] values, int[] indices, int n) {
    if (values == null) {
      return null;
    }
    float[] to = new float[n * indices.length];
    for (int i = 0; i < indices.length; i++) {
      System.arraycopy(values, n * indices[i], to, n * i, n);
    }
    return to;
  }

  private static float length(double x, double y, double z) {
    return (float) Math.sqrt(x * x + y * y + z * z);
  }

  private static int[] counted(int n) {
    int[] to = new int[n];
    for (int i = 0; i < n; i++) {
      to[i] = i;
    }
    return to;
  }

  /** Strips and fans as a list of triangles. */
  private static int[] listed(int[] from, int mode) {
    if (mode == TRIANGLES) {
      return from.length % 3 == 0 ? from : java.util.Arrays.copyOf(from, from.length / 3 * 3);
    }
    int n = Math.max(0, from.length - 2);
    int[] to = new int[3 * n];
    for (int i = 0; i < n; i++) {
      boolean odd = mode == STRIP && i % 2 == 1;
      to[3 * i] = mode == FAN ? from[0] : from[odd ? i + 1 : i];
      to[3 * i + 1] = mode == FAN ? from[i + 1] : from[odd ? i : i + 1];
      to[3 * i + 2] = from[i + 2];
    }
    return to;
  }

  /** Leaves triangles without area out. */
  private static int[] withArea(float[] p, int[] from) {
    int[] to = new int[from.length];
    double[] n3 = new double[3];
    int n = 0;
    for (int i = 0; i < from.length; i += 3) {
      if (twiceArea(p, from, i, n3) > 0) {
        System.arraycopy(from, i, to, n, 3);
        n += 3;
      }
    }
    return n == from.length ? to : java.util.Arrays.copyOf(to, n);
  }

  /** Every triangle with corners of its own and its face's normal, as glTF wants it. */
  private static Triangles flat(float[] p, int[] from) {
    float[] positions = new float[3 * from.length];
    float[] normals = new float[3 * from.length];
    double[] n3 = new double[3];
    for (int i = 0; i < from.length; i += 3) {
      double l = twiceArea(p, from, i, n3);
      for (int k = 0; k < 3; k++) {
        System.arraycopy(p, 3 * from[i + k], positions, 3 * (i + k), 3);
        normals[3 * (i + k)] = (float) (n3[0] / l);
        normals[3 * (i + k) + 1] = (float) (n3[1] / l);
        normals[3 * (i + k) + 2] = (float) (n3[2] / l);
      }
    }
    return Triangles.over(positions, normals, counted(from.length));
  }

  /** The cross product of two edges of a triangle, and its length. */
  private static double twiceArea(float[] p, int[] from, int i, double[] to) {
    int a = 3 * from[i], b = 3 * from[i + 1], c = 3 * from[i + 2];
    double x1 = (double) p[b] - p[a], y1 = (double) p[b + 1] - p[a + 1];
    double z1 = (double) p[b + 2] - p[a + 2], x2 = (double) p[c] - p[a];
    double y2 = (double) p[c + 1] - p[a + 1], z2 = (double) p[c + 2] - p[a + 2];
    to[0] = y1 * z2 - z1 * y2;
    to[1] = z1 * x2 - x1 * z2;
    to[2] = x1 * y2 - y1 * x2;
    return Math.sqrt(to[0] * to[0] + to[1] * to[1] + to[2] * to[2]);
  }
}
