package levelember.formats.gltf;

import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import levelember.formats.RefusedFile;
import levelember.formats.basis.BasisTranscoder;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PngFile;
import levelember.shoot.material.Texture;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/** The textures of a glTF file as pictures among a shoot's assets, collected as they are used. */
final class GltfTextures {
  static final String BASIS = "KHR_texture_basisu", WEBP = "EXT_texture_webp";
  private static final int HELD = 33071, MIRRORED = 33648;

  private final GltfFile gltf;
  private final String file;
  private final Map<Integer, String> names = new TreeMap<>();
  private final Map<String, byte[]> pictures = new TreeMap<>();

  /**
   * Textures of a file.
   *
   * @param file name of the asset, which the names of its pictures begin with
   */
  GltfTextures(GltfFile gltf, String file) {
    this.gltf = gltf;
    this.file = file;
  }

  /**
   * Decodes all pictures used so far, to see that they can be.
   *
   * @throws RefusedFile when one cannot
   */
  void check() {
    // Decoding takes long, and each picture is on its own.
    pictures.entrySet().parallelStream()
        .forEach(e -> {
          try {
            PictureFile.texels(e.getValue(), true);
          } catch (RefusedFile broken) {
            throw new RefusedFile(
                "the model's '" + e.getKey() + "': " + broken.getMessage(), broken);
          }
        });
  }

  /** Bytes of the pictures used so far, by the names that the shoot knows them by. */
  Map<String, byte[]> pictures() {
    return pictures;
  }

  /**
   * A texture as a material refers to it, or null where there is none that can be read.
   *
   * @throws RefusedFile when it refers to what the file does not have
   */
  Texture texture(JsonNode info) {
    int number = GltfFile.reference(info, "index");
    if (number < 0) {
      return null;
    }
    JsonNode texture = gltf.entry("textures", number);
    int image = image(texture);
    if (image < 0) {
      return null;
    }
    int sampler = GltfFile.reference(texture, "sampler");
    JsonNode wrap = sampler < 0 ? MissingNode.getInstance() : gltf.entry("samplers", sampler);
    JsonNode map = info.path("extensions").path("KHR_texture_transform");
    double[] offset = GltfFrame.numbers(map.path("offset"), 2, "a texture", 0, 0);
    double[] scale = GltfFrame.numbers(map.path("scale"), 2, "a texture", 1, 1);
    double turn = map.path("rotation").asDouble(0);
    int set = map.path("texCoord").asInt(info.path("texCoord").asInt(0));
    return new Texture(
        names.computeIfAbsent(image, this::picture),
        set == 0 ? Texture.Mapping.FIRST : Texture.Mapping.SECOND,
        Math.clamp(offset[0], -1000, 1000),
        Math.clamp(offset[1], -1000, 1000),
        apart(scale[0]),
        apart(scale[1]),
        Double.isFinite(turn) ? Math.clamp(Math.toDegrees(turn), -36_000, 36_000) : 0,
        edge(wrap.path("wrapS").asInt(0)),
        edge(wrap.path("wrapT").asInt(0)));
  }

  /** The image of a texture; those of extensions come first, or −1. */
  private static int image(JsonNode texture) {
    for (String extension : List.of(BASIS, WEBP)) {
      int image = GltfFile.reference(texture.path("extensions").path(extension), "source");
      if (image >= 0) {
        return image;
      }
    }
    return GltfFile.reference(texture, "source");
  }

  private static Texture.Edge edge(int wrap) {
    return switch (wrap) {
      case HELD -> Texture.Edge.CLAMP;
      case MIRRORED -> Texture.Edge.MIRROR;
      default -> Texture.Edge.REPEAT;
    };
  }

  /**
   * What a material's alpha lets be, as a picture of its own, or null where it is whole.
   *
   * @param info the colour texture, which need not be there
   * @param alpha times that texture's
   * @param cutoff below which there is nothing and above which all, or −1 for as much as it says
   */
  Texture cutOut(JsonNode info, double alpha, double cutoff) {
    Texture colour = texture(info);
    BufferedImage from = new BufferedImage(1, 1, BufferedImage.TYPE_INT_ARGB);
    from.setRGB(0, 0, 0xFFFFFFFF);
    if (colour != null) {
      from = PngFile.image(pictures.get(colour.picture()));
    }
    BufferedImage to =
        new BufferedImage(from.getWidth(), from.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
    boolean whole = true;
    for (int y = 0; y < from.getHeight(); y++) {
      for (int x = 0; x < from.getWidth(); x++) {
        double part = alpha * (from.getRGB(x, y) >>> 24) / 255;
        part = cutoff < 0 ? part : part >= cutoff ? 1 : 0;
        to.getRaster().setSample(x, y, 0, (int) Math.round(255 * Math.clamp(part, 0, 1)));
        whole &= part >= 1;
      }
    }
    if (whole) {
      return null;
    }
    String name =
        (colour == null ? file + " see-through" : colour.picture().replaceAll("\\.\\w+$", ""))
            + String.format(Locale.ROOT, " %.3f %.3f.png", alpha, cutoff);
    pictures.put(name, PngFile.png(to));
    return colour == null
        ? Texture.once(name)
        : new Texture(
            name,
            colour.mapping(),
            colour.offsetU(),
            colour.offsetV(),
            colour.repeatsU(),
            colour.repeatsV(),
            colour.rotationDegrees(),
            colour.edge(),
            colour.edgeV());
  }

  private static double apart(double scale) {
    double s = Math.clamp(scale, -100_000, 100_000);
    return Math.abs(s) < 1e-6 ? 1e-6 : s;
  }

  private String picture(int image) {
    byte[] bytes = gltf.image(image);
    if (BasisTranscoder.is(bytes)) {
      bytes = PngFile.png(new BasisTranscoder().decode(bytes));
    }
    String name = file + " picture " + (image + 1) + ending(bytes);
    pictures.put(name, bytes);
    return name;
  }

  private static String ending(byte[] bytes) {
    if (bytes.length > 3 && (bytes[0] & 0xFF) == 0x89 && bytes[1] == 'P') {
      return ".png";
    }
    return bytes.length > 3 && bytes[0] == 'R' && bytes[1] == 'I' ? ".webp" : ".jpg";
  }
}
