package levelember.formats.picture;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;

/** Makes one picture with alpha of a picture of colour and one of coverage. */
public final class AlphaPicture {
  private AlphaPicture() {}

  /**
   * A PNG as large as the larger of both.
   *
   * @param colour a picture file, or null for white
   * @param coverage a picture file: black is a hole
   */
  public static byte[] png(byte[] colour, byte[] coverage) {
    BufferedImage cover = PngFile.image(coverage);
    BufferedImage under = colour == null ? cover : PngFile.image(colour);
    int w = Math.max(cover.getWidth(), under.getWidth());
    int h = Math.max(cover.getHeight(), under.getHeight());
    BufferedImage alpha = sized(cover, w, h), rgb = sized(under, w, h);
    BufferedImage to = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        int a = alpha.getRGB(x, y);
        int mean = ((a >> 16 & 0xFF) + (a >> 8 & 0xFF) + (a & 0xFF) + 1) / 3;
        int code = colour == null ? 0xFFFFFF : rgb.getRGB(x, y) & 0xFFFFFF;
        to.setRGB(x, y, mean << 24 | code);
      }
    }
    return PngFile.png(to);
  }

  private static BufferedImage sized(BufferedImage from, int w, int h) {
    BufferedImage to = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = to.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(from, 0, 0, w, h, null);
    g.dispose();
    return to;
  }
}
