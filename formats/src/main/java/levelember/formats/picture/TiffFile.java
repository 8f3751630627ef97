package levelember.formats.picture;

import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Map;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.plugins.tiff.BaselineTIFFTagSet;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.plugins.tiff.TIFFField;
import javax.imageio.stream.ImageOutputStream;

/** Pictures of 16 bits a channel as TIFF, through the JDK's own writer. */
public final class TiffFile {
  private TiffFile() {}

  /**
   * Writes sRGB codes.
   *
   * @param codes three a pixel, 0…65535
   * @param text about the picture, by name
   */
  public static byte[] write(short[] codes, int width, int height, Map<String, String> text) {
    ComponentColorModel model =
        new ComponentColorModel(
            ColorSpace.getInstance(ColorSpace.CS_sRGB),
            false,
            false,
            Transparency.OPAQUE,
            DataBuffer.TYPE_USHORT);
    BufferedImage image =
        new BufferedImage(
            model,
            Raster.createInterleavedRaster(
                new DataBufferUShort(codes, codes.length),
                width,
                height,
                3 * width,
                3,
                new int[] {0, 1, 2},
                null),
            false,
            null);
    ImageWriter writer = null;
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (ImageOutputStream stream = ImageIO.createImageOutputStream(to)) {
      for (var all = ImageIO.getImageWritersByFormatName("tiff"); all.hasNext(); ) {
        ImageWriter one = all.next();
        writer = one.getClass().getName().startsWith("com.sun.") ? one : writer;
      }
      ImageWriteParam param = writer.getDefaultWriteParam();
      param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
      param.setCompressionType("Deflate");
      IIOMetadata metadata = writer.getDefaultImageMetadata(new ImageTypeSpecifier(image), param);
      TIFFDirectory directory = TIFFDirectory.createFromMetadata(metadata);
      StringBuilder about = new StringBuilder();
      text.forEach((name, value) -> about.append(name).append(": ").append(value).append("; "));
      var tag = BaselineTIFFTagSet.getInstance().getTag(BaselineTIFFTagSet.TAG_IMAGE_DESCRIPTION);
      String ascii = about.toString().replaceAll("[^\\x20-\\x7E]", "?");
      directory.addTIFFField(new TIFFField(tag, tag.TIFF_ASCII, 1, new String[] {ascii}));
      writer.setOutput(stream);
      writer.write(null, new IIOImage(image, null, directory.getAsMetadata()), param);
    } catch (IOException e) {
      throw new IllegalStateException("a picture could not be encoded", e);
    } finally {
      if (writer != null) {
        writer.dispose();
      }
    }
    return to.toByteArray();
  }
}
