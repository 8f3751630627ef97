package levelember.formats.movie;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;

/** Animated GIF, each frame with a palette of its own, shown for ever. */
final class GifMovie implements Movie {
  private static final String FORM = "javax_imageio_gif_image_1.0";

  private final ImageWriter writer = ImageIO.getImageWritersByFormatName("gif").next();
  private final ImageOutputStream out;
  private final double framesPerSecond;
  private int frames;
  private long shownCentis;

  GifMovie(Path file, double framesPerSecond) throws IOException {
    this.framesPerSecond = framesPerSecond;
    java.nio.file.Files.deleteIfExists(file);
    out = ImageIO.createImageOutputStream(file.toFile());
    writer.setOutput(out);
    writer.prepareWriteSequence(null);
  }

  @Override
  public void add(BufferedImage frame) throws IOException {
    BufferedImage plain = frame;
    if (frame.getType() != BufferedImage.TYPE_INT_RGB) {
      plain = new BufferedImage(frame.getWidth(), frame.getHeight(), BufferedImage.TYPE_INT_RGB);
      plain.createGraphics().drawImage(frame, 0, 0, null);
    }
    // Hundredths of a second are all that there are: what is rounded off is made up for later.
    long until = Math.round(100 * ++frames / framesPerSecond);
    long delay = Math.max(2, until - shownCentis);
    shownCentis += delay;
    IIOMetadata about =
        writer.getDefaultImageMetadata(
            ImageTypeSpecifier.createFromRenderedImage(plain), writer.getDefaultWriteParam());
    IIOMetadataNode root = (IIOMetadataNode) about.getAsTree(FORM);
    IIOMetadataNode control = child(root, "GraphicControlExtension");
    control.setAttribute("disposalMethod", "none");
    control.setAttribute("userInputFlag", "FALSE");
    control.setAttribute("transparentColorFlag", "FALSE");
    control.setAttribute("transparentColorIndex", "0");
    control.setAttribute("delayTime", Long.toString(delay));
    IIOMetadataNode extensions = child(root, "ApplicationExtensions");
    IIOMetadataNode again = new IIOMetadataNode("ApplicationExtension");
    again.setAttribute("applicationID", "NETSCAPE");
    again.setAttribute("authenticationCode", "2.0");
    again.setUserObject(new byte[] {1, 0, 0});
    extensions.appendChild(again);
    about.setFromTree(FORM, root);
    writer.writeToSequence(new IIOImage(plain, null, about), null);
  }

  private static IIOMetadataNode child(IIOMetadataNode root, String name) {
    for (int i = 0; i < root.getLength(); i++) {
      if (root.item(i).getNodeName().equals(name)) {
        return (IIOMetadataNode) root.item(i);
      }
    }
    IIOMetadataNode made = new IIOMetadataNode(name);
    root.appendChild(made);
    return made;
  }

  @Override
  public void close() throws IOException {
    try (out) {
      writer.endWriteSequence();
      writer.dispose();
    }
  }
}
