package levelember.formats.picture;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;
import levelember.formats.RefusedFile;
import levelember.look.CutOut;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.math.Colour;
import levelember.texture.Picture;
import levelember.texture.Texels;

/**
 * Pictures of 8 or 16 bits a channel: read as {@link PictureCodes} has them, written as PNG and
 * JPEG through the JDK's own writers.
 */
public final class PngFile {
  /** Bytes that a comment segment of a JPEG holds. */
  private static final int JPEG_COMMENT = 65_533;

  static {
    ImageIO.setUseCache(false);
  }

  private PngFile() {}

  /** Writes a picture of cd/m² as a look shows it. */
  public static byte[] write(Picture picture, Development look, int bits) {
    return write(picture, LookInputs.NONE, look, bits);
  }

  /** Writes a picture of cd/m² as a look shows it that knows more of the picture. */
  public static byte[] write(Picture picture, LookInputs inputs, Development look, int bits) {
    return write(picture, inputs, look, bits, null, Map.of());
  }

  private static BufferedImage deep(short[] codes, int width, int height) {
    ComponentColorModel model =
        new ComponentColorModel(
            ColorSpace.getInstance(ColorSpace.CS_sRGB),
            false,
            false,
            Transparency.OPAQUE,
            DataBuffer.TYPE_USHORT);
    WritableRaster raster =
        Raster.createInterleavedRaster(
            new DataBufferUShort(codes, codes.length),
            width,
            height,
            3 * width,
            3,
            new int[] {0, 1, 2},
            null);
    return new BufferedImage(model, raster, false, null);
  }

  /**
   * Writes a picture of what is cut out, with an alpha that its colours are not multiplied by.
   *
   * @param alpha one a pixel, 0…1
   */
  public static byte[] write(
      Picture picture, LookInputs inputs, Development look, int bits, float[] alpha) {
    return write(picture, inputs, look, bits, alpha, Map.of());
  }

  /**
   * The same with text about it.
   *
   * @param alpha one a pixel, 0…1, or null
   * @param text by name, in plain letters
   */
  public static byte[] write(
      Picture picture,
      LookInputs inputs,
      Development look,
      int bits,
      float[] alpha,
      Map<String, String> text) {
    if (bits != 8 && bits != 16) {
      throw new IllegalArgumentException("a PNG has 8 or 16 bits a channel, not " + bits);
    }
    if (alpha == null) {
      BufferedImage image =
          bits == 8
              ? image(look.codes(picture, inputs), picture.width(), picture.height())
              : deep(look.codes16(picture, inputs), picture.width(), picture.height());
      return encode("png", image, -1, text);
    }
    float[] values = CutOut.straight(look.shown(picture, inputs), alpha);
    int type = bits == 8 ? DataBuffer.TYPE_BYTE : DataBuffer.TYPE_USHORT;
    ComponentColorModel model =
        new ComponentColorModel(
            ColorSpace.getInstance(ColorSpace.CS_sRGB),
            true,
            false,
            Transparency.TRANSLUCENT,
            type);
    WritableRaster raster =
        Raster.createInterleavedRaster(type, picture.width(), picture.height(), 4, null);
    int most = (1 << bits) - 1;
    int[] row = new int[4 * picture.width()];
    for (int y = 0; y < picture.height(); y++) {
      for (int i = 0; i < row.length; i++) {
        row[i] = (int) (most * values[y * row.length + i] + 0.5f);
      }
      raster.setPixels(0, y, picture.width(), 1, row);
    }
    return encode("png", new BufferedImage(model, raster, false, null), -1, text);
  }

  /** Writes a picture whose values are codes already, 0…1, with 8 bits a channel. */
  public static byte[] codes(Picture picture) {
    float[] from = picture.rgb();
    byte[] codes = new byte[from.length];
    for (int i = 0; i < from.length; i++) {
      codes[i] = (byte) Math.round(255 * Math.clamp(from[i], 0f, 1f));
    }
    return encode("png", image(codes, picture.width(), picture.height()), -1);
  }

  /** Encodes eight-bit codes, three bytes a pixel, as JPEG of a quality 0…1. */
  public static byte[] jpeg(byte[] codes, int width, int height, float quality) {
    return jpeg(codes, width, height, quality, Map.of());
  }

  /**
   * The same with text about it, a comment segment for each.
   *
   * @param text by name
   */
  public static byte[] jpeg(
      byte[] codes, int width, int height, float quality, Map<String, String> text) {
    return encode("jpeg", image(codes, width, height), quality, text);
  }

  private static BufferedImage image(byte[] rgb, int width, int height) {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
    byte[] to = ((java.awt.image.DataBufferByte) image.getRaster().getDataBuffer()).getData();
    for (int i = 0; i < to.length; i += 3) {
      to[i] = rgb[i + 2];
      to[i + 1] = rgb[i + 1];
      to[i + 2] = rgb[i];
    }
    return image;
  }

  private static byte[] encode(String format, BufferedImage image, float quality) {
    return encode(format, image, quality, Map.of());
  }

  private static byte[] encode(
      String format, BufferedImage image, float quality, Map<String, String> text) {
    ImageWriter writer =
        ImageIO.getImageWriters(ImageTypeSpecifier.createFromRenderedImage(image), format).next();
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (ImageOutputStream stream = ImageIO.createImageOutputStream(to)) {
      ImageWriteParam param = writer.getDefaultWriteParam();
      if (quality >= 0) {
        param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        param.setCompressionQuality(quality);
      }
      writer.setOutput(stream);
      IIOMetadata metadata = writer.getDefaultImageMetadata(new ImageTypeSpecifier(image), param);
      if (format.equals("png")) {
        describe(metadata, text);
      } else if (!text.isEmpty()) {
        comment(metadata, text);
      }
      writer.write(null, new IIOImage(image, null, metadata), param);
    } catch (IOException e) {
      throw new IllegalStateException("a picture could not be encoded", e);
    } finally {
      writer.dispose();
    }
    return to.toByteArray();
  }

  /** Says that codes are sRGB, and what else is to be said. */
  private static void describe(IIOMetadata metadata, Map<String, String> text) throws IOException {
    String format = metadata.getNativeMetadataFormatName();
    IIOMetadataNode root = new IIOMetadataNode(format);
    IIOMetadataNode srgb = new IIOMetadataNode("sRGB");
    srgb.setAttribute("renderingIntent", "Perceptual");
    root.appendChild(srgb);
    if (!text.isEmpty()) {
      IIOMetadataNode entries = new IIOMetadataNode("iTXt");
      text.forEach((name, value) -> {
        IIOMetadataNode entry = new IIOMetadataNode("iTXtEntry");
        entry.setAttribute("keyword", name);
        entry.setAttribute("compressionFlag", "FALSE");
        entry.setAttribute("compressionMethod", "0");
        entry.setAttribute("languageTag", "");
        entry.setAttribute("translatedKeyword", "");
        entry.setAttribute("text", value);
        entries.appendChild(entry);
      });
      root.appendChild(entries);
    }
    metadata.mergeTree(format, root);
  }

  /** Puts text into comment segments of a JPEG. */
  private static void comment(IIOMetadata metadata, Map<String, String> text) throws IOException {
    String format = metadata.getNativeMetadataFormatName();
    IIOMetadataNode root = (IIOMetadataNode) metadata.getAsTree(format);
    IIOMetadataNode markers = (IIOMetadataNode) root.getElementsByTagName("markerSequence").item(0);
    text.forEach((name, value) -> {
      IIOMetadataNode node = new IIOMetadataNode("com");
      byte[] bytes = (name + ": " + value).getBytes(StandardCharsets.UTF_8);
      node.setUserObject(Arrays.copyOf(bytes, Math.min(bytes.length, JPEG_COMMENT)));
      markers.appendChild(node);
    });
    metadata.setFromTree(format, root);
  }

  /**
   * Reads a PNG or JPEG and decodes its sRGB codes to linear light, 0…1.
   *
   * @throws RefusedFile when the file is no such picture, broken or too large
   */
  public static Picture read(byte[] file) {
    return values(PictureCodes.read(file, true), true);
  }

  /**
   * Reads a picture to look up in; 16 bits a channel are kept as floats.
   *
   * @param colour codes are sRGB colours; else they are plain numbers, 0…1
   * @throws RefusedFile when the file is no such picture, broken or too large
   */
  static Texels texels(byte[] file, boolean colour) {
    PictureCodes codes = PictureCodes.read(file, colour);
    int width = codes.width(), height = codes.height();
    if (codes.deep()) {
      return Texels.of(values(codes, colour));
    }
    if (3L * width * height > Integer.MAX_VALUE - 8) {
      throw new RefusedFile("the picture is too large to be laid on a surface");
    }
    float[] meaning = new float[256];
    for (int i = 0; i < 256; i++) {
      meaning[i] = (float) (colour ? Colour.decodeSrgb(i / 255.0) : i / 255.0);
    }
    byte[] to = new byte[3 * width * height];
    int[] row = new int[3 * width];
    for (int y = 0, at = 0; y < height; y++) {
      codes.row(y, row);
      for (int code : row) {
        to[at++] = (byte) (code >> 8);
      }
    }
    return Texels.of(width, height, to, meaning);
  }

  /** Codes as they are, three bytes a pixel, without a meaning of their colours. */
  public static byte[] plain(byte[] codes, int width, int height) {
    return png(image(codes, width, height));
  }

  public static byte[] png(BufferedImage image) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", bytes);
    } catch (IOException e) {
      throw new UncheckedIOException("a picture could not be written", e);
    }
    return bytes.toByteArray();
  }

  public static BufferedImage image(byte[] file) {
    return PictureCodes.decoded(file);
  }

  /** Codes as light, or as plain numbers. */
  private static Picture values(PictureCodes codes, boolean colour) {
    Picture to = Picture.black(codes.width(), codes.height());
    float[] meaning = new float[65536];
    for (int i = 0; i < meaning.length; i++) {
      meaning[i] = (float) (colour ? Colour.decodeSrgb(i / 65535.0) : i / 65535.0);
    }
    int[] row = new int[3 * codes.width()];
    for (int y = 0; y < codes.height(); y++) {
      codes.row(y, row);
      for (int i = 0; i < row.length; i++) {
        to.rgb()[y * row.length + i] = meaning[row[i]];
      }
    }
    return to;
  }
}
