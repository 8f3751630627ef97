package levelember.formats.exchange;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import levelember.formats.document.ShootDocument;
import levelember.formats.gltf.GltfFile;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.grade.CubeFile;
import levelember.formats.grade.LutFiles;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PictureFiles;
import levelember.scene.SceneAssets;
import levelember.shoot.Shoot;
import levelember.texture.Pictures;

/**
 * A shoot with its assets: the {@code .ember} file, a zip of {@code shoot.json} and {@code
 * assets/NAME}.
 *
 * @param shoot the description
 * @param assets file contents by name
 */
public record ShootPackage(Shoot shoot, SortedMap<String, byte[]> assets) {
  private static final String DOCUMENT = "shoot.json";
  private static final String FOLDER = "assets/";

  /** Whether the bytes begin as a zip does. */
  public static boolean is(byte[] file) {
    return file.length > 4 && file[0] == 'P' && file[1] == 'K' && file[2] == 3 && file[3] == 4;
  }

  /**
   * Reads a package, or a bare document without assets.
   *
   * @throws RefusedFile when it is neither, broken, too large, or an asset is missing or unreadable
   * @throws levelember.document.ImpossibleValue when the document is refused
   */
  public static ShootPackage read(byte[] file) {
    ShootPackage read =
        is(file)
            ? unzipped(file)
            : GltfExport.is(file)
                ? GltfExport.read(file)
                : new ShootPackage(ShootDocument.read(file), new TreeMap<>());
    for (String name : read.shoot.assets()) {
      if (!read.assets.containsKey(name)) {
        throw new RefusedFile("the shoot names the asset '" + name + "', which is not in the file");
      }
    }
    // Decoding takes long, and each file is on its own.
    read.shoot.assets().parallelStream().forEach(read::check);
    return read;
  }

  private void check(String name) {
    try {
      if (shoot.models().contains(name)) {
        GltfFile.read(assets.get(name));
      } else if (shoot.luts().contains(name)) {
        CubeFile.read(assets.get(name));
      } else {
        PictureFile.texels(assets.get(name), true);
      }
    } catch (RefusedFile e) {
      throw new RefusedFile("the asset '" + name + "': " + e.getMessage(), e);
    }
  }

  private static ShootPackage unzipped(byte[] file) {
    byte[] document = null;
    SortedMap<String, byte[]> assets = new TreeMap<>();
    long left = Limits.MOST_PACKAGE;
    int entries = 0;
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        if (++entries > Limits.MOST_ENTRIES) {
          throw new RefusedFile("the package has more than " + Limits.MOST_ENTRIES + " entries");
        }
        if (e.isDirectory()) {
          continue;
        }
        String name = e.getName();
        long most = name.equals(DOCUMENT) ? Limits.MOST_DOCUMENT : left;
        byte[] bytes = zip.readNBytes((int) Math.min(most + 1, Integer.MAX_VALUE - 8));
        if (bytes.length > most) {
          throw new RefusedFile("the package unpacks to more than is allowed, at '" + name + "'");
        }
        left -= bytes.length;
        if (name.equals(DOCUMENT)) {
          document = bytes;
        } else if (name.startsWith(FOLDER) && name.length() > FOLDER.length()) {
          assets.put(name.substring(FOLDER.length()), bytes);
        } else {
          throw new RefusedFile(
              "the package holds '" + name + "'; only shoot.json and assets/ belong there");
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new RefusedFile("the package is a broken zip", e);
    }
    if (document == null) {
      throw new RefusedFile("the package holds no shoot.json (or is cut short)");
    }
    return new ShootPackage(ShootDocument.read(document), assets);
  }

  /** Writes the package; the same content gives the same bytes. */
  public byte[] write() {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(to, StandardCharsets.UTF_8)) {
      put(zip, DOCUMENT, ShootDocument.write(shoot));
      for (Map.Entry<String, byte[]> asset : assets.entrySet()) {
        put(zip, FOLDER + asset.getKey(), asset.getValue());
      }
    } catch (IOException e) {
      throw new IllegalStateException("a package could not be written", e);
    }
    return to.toByteArray();
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    entry.setLastModifiedTime(FileTime.fromMillis(0));
    zip.putNextEntry(entry);
    zip.write(bytes);
    zip.closeEntry();
  }

  /** The assets as pictures and models. */
  public SceneAssets files() {
    return new SceneAssets(pictures(), new GltfMeshes(assets::get), new LutFiles(assets::get));
  }

  /** The assets as pictures, decoded when asked for. */
  public Pictures pictures() {
    return new PictureFiles(assets::get);
  }
}
