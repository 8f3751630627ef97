package levelember.formats.picture;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.color.CMMException;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageInputStream;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import org.w3c.dom.NodeList;

/**
 * Codes of a PNG, JPEG, TIFF or WebP picture, 0…65535 a channel: grey ones as they are, colours of
 * another profile turned to sRGB, rows in the order in which the picture is to be seen.
 */
final class PictureCodes {
  private final BufferedImage image;
  private final int orientation;

  static {
    ImageIO.setUseCache(false);
    ImageIO.scanForPlugins();
  }

  private PictureCodes(BufferedImage image, int orientation) {
    this.image = image;
    this.orientation = orientation;
  }

  /**
   * Decodes a picture.
   *
   * @param colour whether codes are colours; else a profile means nothing
   * @throws RefusedFile when the bytes are no such picture, broken or too large
   */
  static PictureCodes read(byte[] file, boolean colour) {
    Decoded decoded = decode(file);
    BufferedImage image = decoded.image();
    if (colour) {
      image = toSrgb(image, decoded.profile());
    }
    return new PictureCodes(image, orientation(file));
  }

  /** The picture as it is stored. */
  static BufferedImage decoded(byte[] file) {
    return decode(file).image();
  }

  private record Decoded(BufferedImage image, ICC_Profile profile) {}

  private static Decoded decode(byte[] file) {
    try (ImageInputStream stream = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(stream);
      if (!readers.hasNext()) {
        throw new RefusedFile("the file is no picture that can be read");
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(stream);
        long width = reader.getWidth(0), height = reader.getHeight(0);
        Limits.picture("the picture", width, height);
        Limits.memory("the picture", 16 * width * height);
        return new Decoded(reader.read(0), profile(reader));
      } finally {
        reader.dispose();
      }
    } catch (RefusedFile e) {
      throw e;
    } catch (IOException | RuntimeException e) {
      throw new RefusedFile("the picture is broken or cut short", e);
    }
  }

  /** The profile that a PNG carries, which the JDK does not apply by itself; null without one. */
  private static ICC_Profile profile(ImageReader reader) throws IOException {
    if (!reader.getFormatName().equalsIgnoreCase("png")) {
      return null;
    }
    IIOMetadata metadata = reader.getImageMetadata(0);
    IIOMetadataNode root =
        (IIOMetadataNode) metadata.getAsTree(metadata.getNativeMetadataFormatName());
    NodeList nodes = root.getElementsByTagName("iCCP");
    if (nodes.getLength() == 0) {
      return null;
    }
    byte[] packed = (byte[]) ((IIOMetadataNode) nodes.item(0)).getUserObject();
    try (var in = new java.util.zip.InflaterInputStream(new ByteArrayInputStream(packed))) {
      return ICC_Profile.getInstance(in.readNBytes(MOST_PROFILE));
    } catch (IllegalArgumentException e) {
      throw new RefusedFile("the picture's colour profile is broken", e);
    }
  }

  private static final int MOST_PROFILE = 16 << 20;

  private static BufferedImage toSrgb(BufferedImage image, ICC_Profile profile) {
    ColorModel model = image.getColorModel();
    ColorSpace space =
        profile != null && profile.getColorSpaceType() == ColorSpace.TYPE_RGB
            ? new ICC_ColorSpace(profile)
            : model.getColorSpace();
    boolean grey = space.getType() == ColorSpace.TYPE_GRAY;
    if (space.isCS_sRGB() || grey || model instanceof IndexColorModel) {
      return image;
    }
    boolean deep = image.getRaster().getTransferType() == DataBuffer.TYPE_USHORT;
    int type = deep ? DataBuffer.TYPE_USHORT : DataBuffer.TYPE_BYTE;
    WritableRaster to =
        Raster.createInterleavedRaster(type, image.getWidth(), image.getHeight(), 3, null);
    try {
      Raster from = colours(image.getRaster(), space.getNumComponents());
      new ColorConvertOp(space, ColorSpace.getInstance(ColorSpace.CS_sRGB), null).filter(from, to);
    } catch (CMMException | IllegalArgumentException e) {
      throw new RefusedFile("the picture's colour profile cannot be followed", e);
    }
    ColorModel srgb =
        new ComponentColorModel(
            ColorSpace.getInstance(ColorSpace.CS_sRGB), false, false, ColorModel.OPAQUE, type);
    return new BufferedImage(srgb, to, false, null);
  }

  /** The bands that are colours, without alpha. */
  private static Raster colours(Raster from, int bands) {
    if (from.getNumBands() == bands) {
      return from;
    }
    int[] which = java.util.stream.IntStream.range(0, bands).toArray();
    return from.createChild(
        from.getMinX(), from.getMinY(), from.getWidth(), from.getHeight(), 0, 0, which);
  }

  /** How the picture is to be turned, 1…8 as Exif has it. */
  private static int orientation(byte[] file) {
    try {
      Metadata metadata = ImageMetadataReader.readMetadata(new ByteArrayInputStream(file));
      ExifIFD0Directory exif = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
      if (exif != null && exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)) {
        int said = exif.getInt(ExifIFD0Directory.TAG_ORIENTATION);
        return said >= 1 && said <= 8 ? said : 1;
      }
    } catch (ImageProcessingException | MetadataException | IOException e) {
      // A picture whose notes cannot be read stands as it is stored.
      return 1;
    }
    return 1;
  }

  private boolean turned() {
    return orientation > 4;
  }

  int width() {
    return turned() ? image.getHeight() : image.getWidth();
  }

  int height() {
    return turned() ? image.getWidth() : image.getHeight();
  }

  /** Whether codes have more than eight bits. */
  boolean deep() {
    return image.getRaster().getTransferType() == DataBuffer.TYPE_USHORT
        && !(image.getColorModel() instanceof IndexColorModel);
  }

  /** Red, green and blue of a row, 0…65535, three a pixel. */
  void row(int y, int[] to) {
    int n = width(), w = image.getWidth(), h = image.getHeight();
    if (orientation == 1) {
      stored(0, y, n, to);
      return;
    }
    int[] one = new int[3];
    for (int x = 0; x < n; x++) {
      int u = turned() ? y : x, v = turned() ? x : y;
      boolean mirrorU =
          orientation == 2 || orientation == 3 || orientation == 7 || orientation == 8;
      boolean mirrorV =
          orientation == 3 || orientation == 4 || orientation == 6 || orientation == 7;
      stored(mirrorU ? w - 1 - u : u, mirrorV ? h - 1 - v : v, 1, one);
      System.arraycopy(one, 0, to, 3 * x, 3);
    }
  }

  private void stored(int x, int y, int n, int[] to) {
    ColorModel model = image.getColorModel();
    if (!(model instanceof ComponentColorModel) || model instanceof IndexColorModel) {
      for (int i = 0; i < n; i++) {
        int rgb = image.getRGB(x + i, y);
        to[3 * i] = (rgb >> 16 & 255) * 257;
        to[3 * i + 1] = (rgb >> 8 & 255) * 257;
        to[3 * i + 2] = (rgb & 255) * 257;
      }
      return;
    }
    Raster raster = image.getRaster();
    int bands = raster.getNumBands(), g = bands >= 3 ? 1 : 0, b = bands >= 3 ? 2 : 0;
    int most = (1 << model.getComponentSize(0)) - 1;
    int[] pixels = raster.getPixels(x, y, n, 1, (int[]) null);
    for (int i = 0; i < n; i++) {
      to[3 * i] = code(pixels[i * bands], most);
      to[3 * i + 1] = code(pixels[i * bands + g], most);
      to[3 * i + 2] = code(pixels[i * bands + b], most);
    }
  }

  private static int code(int value, int most) {
    return most == 65535 ? value : most == 255 ? value * 257 : value * 65535 / most;
  }
}
