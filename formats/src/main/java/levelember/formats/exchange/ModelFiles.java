package levelember.formats.exchange;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import levelember.formats.gltf.GlbBuilder;
import levelember.formats.gltf.GltfFile;
import levelember.formats.gltf.GltfUnpacked;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Makes one self-contained glTF file of what models come in: glTF with its files in a zip, OBJ
 * alone, or OBJ with MTL and pictures in a zip. Compressed meshes are unpacked; what is a plain
 * file already stays as it is.
 */
public final class ModelFiles {
  private ModelFiles() {}

  /**
   * A model file under a name.
   *
   * @param name ends in .glb or .gltf
   * @param left what of the files it came in is not in it, a line each
   */
  public record Model(String name, byte[] bytes, List<String> left) {
    private Model(String name, byte[] bytes) {
      this(name, bytes, List.of());
    }
  }

  /**
   * Makes a model one file.
   *
   * @param name of the file, whose ending tells an OBJ
   * @throws RefusedFile when it is no model, is broken, or names files that are not with it
   */
  public static Model read(String name, byte[] bytes) {
    try {
      Model one = single(name, bytes);
      return new Model(one.name(), GltfUnpacked.of(one.bytes()), one.left());
    } catch (RefusedFile e) {
      throw e;
    } catch (RuntimeException e) {
      throw new RefusedFile("the model is broken: what it says of itself does not fit", e);
    }
  }

  private static Model single(String name, byte[] bytes) {
    if (ShootPackage.is(bytes)) {
      Map<String, byte[]> files = unzipped(bytes);
      String gltf = only(files, ".gltf"), glb = only(files, ".glb"), obj = only(files, ".obj");
      if (glb != null) {
        return new Model(stem(name) + ".glb", files.get(glb));
      }
      if (gltf != null) {
        return new Model(stem(name) + ".glb", packed(gltf, files));
      }
      if (obj != null) {
        return obj(name, obj, files);
      }
      throw new RefusedFile("the zip holds no .gltf, .glb or .obj");
    }
    if (name.toLowerCase(Locale.ROOT).endsWith(".obj")) {
      return obj(name, name, Map.of(name, bytes));
    }
    return new Model(name, bytes);
  }

  private static Model obj(String name, String obj, Map<String, byte[]> files) {
    List<String> left = new ArrayList<>();
    byte[] glb = ObjFile.glb(obj, files, left);
    return new Model(stem(name) + ".glb", glb, left);
  }

  private static String stem(String name) {
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  private static String only(Map<String, byte[]> files, String ending) {
    String found = null;
    for (String name : files.keySet()) {
      if (name.toLowerCase(Locale.ROOT).endsWith(ending)) {
        if (found != null) {
          throw new RefusedFile(
              "the zip holds more than one model: '" + found + "' and '" + name + "'");
        }
        found = name;
      }
    }
    return found;
  }

  private static Map<String, byte[]> unzipped(byte[] file) {
    Map<String, byte[]> files = new TreeMap<>();
    long left = Limits.MOST_PACKAGE;
    int entries = 0;
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        if (++entries > Limits.MOST_ENTRIES) {
          throw new RefusedFile("the zip has more than " + Limits.MOST_ENTRIES + " entries");
        }
        String name = e.getName().replace('\\', '/');
        if (e.isDirectory() || name.startsWith("__MACOSX/")) {
          continue;
        }
        byte[] bytes = zip.readNBytes((int) Math.min(left + 1, Integer.MAX_VALUE - 8));
        if (bytes.length > left) {
          throw new RefusedFile("the zip unpacks to more than is allowed, at '" + name + "'");
        }
        left -= bytes.length;
        files.put(name, bytes);
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new RefusedFile("the zip is broken or cut short", e);
    }
    return files;
  }

  /**
   * A file that another one names.
   *
   * @param from name of the file that names it
   * @throws RefusedFile when it is not among the files
   */
  static byte[] named(String from, String uri, Map<String, byte[]> files) {
    int slash = from.lastIndexOf('/');
    String path = decoded(uri.replace('\\', '/'));
    while (path.startsWith("./")) {
      path = path.substring(2);
    }
    String beside = slash < 0 ? path : from.substring(0, slash + 1) + path;
    byte[] bytes = files.get(beside);
    if (bytes == null) {
      throw new RefusedFile(
          "the model names the file '"
              + (uri.length() > 60 ? uri.substring(0, 60) + "…" : uri)
              + "', which is not with it");
    }
    return bytes;
  }

  /** A relative address with its percent signs resolved (RFC 3986); other text as it is. */
  private static String decoded(String uri) {
    byte[] from = uri.getBytes(StandardCharsets.UTF_8);
    byte[] to = new byte[from.length];
    int n = 0;
    for (int i = 0; i < from.length; i++) {
      int high = i + 2 < from.length ? Character.digit(from[i + 1], 16) : -1;
      int low = i + 2 < from.length ? Character.digit(from[i + 2], 16) : -1;
      if (from[i] == '%' && high >= 0 && low >= 0) {
        to[n++] = (byte) (16 * high + low);
        i += 2;
      } else {
        to[n++] = from[i];
      }
    }
    return new String(to, 0, n, StandardCharsets.UTF_8);
  }

  /** A glTF with all its files taken in. */
  private static byte[] packed(String name, Map<String, byte[]> files) {
    ObjectNode json = GltfFile.parsed(files.get(name));
    GlbBuilder glb = new GlbBuilder();
    int[] begins = new int[GltfFile.list(json, "buffers").size()];
    for (int i = 0; i < begins.length; i++) {
      String uri = GltfFile.list(json, "buffers").get(i).path("uri").stringValue("");
      byte[] bytes =
          uri.startsWith("data:") ? GltfFile.data(uri, "buffer " + i) : named(name, uri, files);
      begins[i] = glb.append(bytes);
    }
    for (JsonNode view : GltfFile.list(json, "bufferViews")) {
      int buffer = GltfFile.reference(view, "buffer");
      if (buffer < 0 || buffer >= begins.length) {
        throw new RefusedFile("a buffer view of the model has no buffer");
      }
      long offset = view.path("byteOffset").asLong(0);
      ((ObjectNode) view).put("buffer", 0).put("byteOffset", begins[buffer] + offset);
    }
    glb.over(json);
    for (JsonNode image : GltfFile.list(json, "images")) {
      String uri = image.path("uri").stringValue("");
      if (image.has("uri") && !uri.startsWith("data:")) {
        int view = glb.view(named(name, uri, files), 0);
        ((ObjectNode) image).put("bufferView", view).remove("uri");
      }
    }
    return glb.bytes();
  }
}
