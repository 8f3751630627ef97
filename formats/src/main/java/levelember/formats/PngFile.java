package levelember.formats;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferUShort;
import java.awt.image.IndexColorModel;
import java.awt.image.PixelInterleavedSampleModel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import levelember.look.Aids;
import levelember.look.CutOut;
import levelember.look.Development;
import levelember.math.Colour;
import levelember.texture.Picture;
import levelember.texture.Texels;

/** PNG with 8 or 16 bits a channel, and JPEG, through the JDK's own readers and writers. */
public final class PngFile {
  static {
    ImageIO.setUseCache(false);
  }

  private PngFile() {}

  /** Writes a picture of cd/m² as a look shows it. */
  public static byte[] write(Picture picture, Development look, int bits) {
    return write(picture, Aids.NONE, look, bits);
  }

  /** Writes a picture of cd/m² as a look shows it that knows more of the picture. */
  public static byte[] write(Picture picture, Aids aids, Development look, int bits) {
    if (bits != 8 && bits != 16) {
      throw new IllegalArgumentException("a PNG has 8 or 16 bits a channel, not " + bits);
    }
    if (bits == 8) {
      byte[] codes = look.codes(picture, aids);
      return encode("png", image(codes, picture.width(), picture.height()), -1);
    }
    short[] codes = look.codes16(picture, aids);
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
            picture.width(),
            picture.height(),
            3 * picture.width(),
            3,
            new int[] {0, 1, 2},
            null);
    return encode("png", new BufferedImage(model, raster, false, null), -1);
  }

  /**
   * Writes a picture of what is cut out, with an alpha that its colours are not multiplied by.
   *
   * @param alpha one a pixel, 0…1
   */
  public static byte[] write(
      Picture picture, Aids aids, Development look, int bits, float[] alpha) {
    if (alpha == null) {
      return write(picture, aids, look, bits);
    }
    float[] values = CutOut.straight(look.shown(picture, aids), alpha);
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
    return encode("png", new BufferedImage(model, raster, false, null), -1);
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
    return encode("jpeg", image(codes, width, height), quality);
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
      writer.write(null, new IIOImage(image, null, null), param);
    } catch (IOException e) {
      throw new IllegalStateException("a picture could not be encoded", e);
    } finally {
      writer.dispose();
    }
    return to.toByteArray();
  }

  /**
   * Reads a PNG or JPEG and decodes its sRGB codes to linear light, 0…1.
   *
   * @throws RefusedFile when the file is no such picture, broken or too large
   */
  public static Picture read(byte[] file) {
    return linear(image(file));
  }

  /**
   * Reads a PNG or JPEG to look up in; 16 bits a channel are kept as floats.
   *
   * @param colour codes are sRGB colours; else they are plain numbers, 0…1
   * @throws RefusedFile when the file is no such picture, broken or too large
   */
  static Texels texels(byte[] file, boolean colour) {
    BufferedImage image = image(file);
    int width = image.getWidth(), height = image.getHeight();
    if (image.getRaster().getTransferType() == DataBuffer.TYPE_USHORT) {
      return Texels.of(colour ? linear(image) : plain(image));
    }
    if (3L * width * height > Integer.MAX_VALUE - 8) {
      throw new RefusedFile("the picture is too large to be laid on a surface");
    }
    float[] meaning = new float[256];
    for (int i = 0; i < 256; i++) {
      meaning[i] = (float) (colour ? Colour.decodeSrgb(i / 255.0) : i / 255.0);
    }
    byte[] codes = new byte[3 * width * height];
    if (!copied(image, codes)) {
      int[] row = new int[width];
      for (int y = 0, at = 0; y < height; y++) {
        image.getRGB(0, y, width, 1, row, 0, width);
        for (int x = 0; x < width; x++) {
          codes[at++] = (byte) (row[x] >> 16);
          codes[at++] = (byte) (row[x] >> 8);
          codes[at++] = (byte) row[x];
        }
      }
    }
    return Texels.of(width, height, codes, meaning);
  }

  /**
   * Copies the bytes of a picture that is stored by whole bytes a channel, grey or in colour, as
   * they are: asked for colours, Java would take long and bend the codes of a grey one.
   */
  private static boolean copied(BufferedImage image, byte[] to) {
    int bands = image.getRaster().getNumBands();
    if (!(image.getRaster().getDataBuffer() instanceof DataBufferByte buffer)
        || !(image.getSampleModel() instanceof PixelInterleavedSampleModel model)
        || image.getColorModel() instanceof IndexColorModel
        || buffer.getNumBanks() != 1
        || bands > 4) {
      return false;
    }
    byte[] from = buffer.getData();
    int[] offset = model.getBandOffsets();
    int g = bands >= 3 ? 1 : 0, b = bands >= 3 ? 2 : 0;
    int each = model.getPixelStride(), line = model.getScanlineStride();
    for (int y = 0, at = 0; y < image.getHeight(); y++) {
      int p = buffer.getOffset() + y * line;
      for (int x = 0; x < image.getWidth(); x++, p += each) {
        to[at++] = from[p + offset[0]];
        to[at++] = from[p + offset[g]];
        to[at++] = from[p + offset[b]];
      }
    }
    return true;
  }

  /** Sixteen bits a channel as plain numbers. */
  private static Picture plain(BufferedImage image) {
    Picture to = Picture.black(image.getWidth(), image.getHeight());
    int bands = image.getRaster().getNumBands();
    int[] pixel = new int[bands];
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        image.getRaster().getPixel(x, y, pixel);
        int g = bands >= 3 ? 1 : 0, b = bands >= 3 ? 2 : 0;
        to.set(x, y, pixel[0] / 65535.0, pixel[g] / 65535.0, pixel[b] / 65535.0);
      }
    }
    return to;
  }

  /** Decodes a picture as it is. */
  static BufferedImage image(byte[] file) {
    try (ImageInputStream stream = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(stream);
      if (!readers.hasNext()) {
        throw new RefusedFile("the file is no picture that can be read");
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(stream);
        Limits.picture("the picture", reader.getWidth(0), reader.getHeight(0));
        return reader.read(0);
      } finally {
        reader.dispose();
      }
    } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
      throw new RefusedFile("the picture is broken or cut short", e);
    }
  }

  private static Picture linear(BufferedImage image) {
    Picture to = Picture.black(image.getWidth(), image.getHeight());
    float[] decoded = new float[65536];
    for (int i = 0; i < decoded.length; i++) {
      decoded[i] = (float) Colour.decodeSrgb(i / 65535.0);
    }
    Object pixel = null;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        int r, g, b;
        if (image.getRaster().getTransferType() == DataBuffer.TYPE_USHORT
            && image.getRaster().getNumBands() >= 3) {
          pixel = image.getRaster().getDataElements(x, y, pixel);
          short[] s = (short[]) pixel;
          r = s[0] & 0xFFFF;
          g = s[1] & 0xFFFF;
          b = s[2] & 0xFFFF;
        } else {
          int rgb = image.getRGB(x, y);
          r = (rgb >> 16 & 0xFF) * 257;
          g = (rgb >> 8 & 0xFF) * 257;
          b = (rgb & 0xFF) * 257;
        }
        to.set(x, y, decoded[r], decoded[g], decoded[b]);
      }
    }
    return to;
  }
}
