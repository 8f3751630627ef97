package levelember.printing.sheet;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import levelember.formats.type.ShippedTypeface;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;

/**
 * A PDF of A4 pages lying on their side, written on from the top left; lengths in points, down from
 * the top.
 */
final class Sheet implements AutoCloseable {
  static final float WIDTH = PDRectangle.A4.getHeight(), HEIGHT = PDRectangle.A4.getWidth();
  static final float MARGIN = 36;
  private static final float GREY = 0.45f;

  private final PDDocument document = new PDDocument();
  private final PDType0Font font;
  private final String title;
  private PDPageContentStream page;

  Sheet(String title) throws IOException {
    this.title = title;
    try (InputStream in = ShippedTypeface.file()) {
      font = PDType0Font.load(document, in);
    }
    document.getDocumentInformation().setTitle(title);
    document.getDocumentInformation().setCreator("Level Ember");
  }

  /** Begins a page with the title on it. */
  void page() throws IOException {
    if (page != null) {
      page.close();
    }
    PDPage next = new PDPage(new PDRectangle(WIDTH, HEIGHT));
    document.addPage(next);
    page = new PDPageContentStream(document, next);
    text(MARGIN, 30, 13, title);
    grey(WIDTH - MARGIN - 40, 30, 8, "page " + document.getNumberOfPages());
  }

  void text(float x, float y, float size, String text) throws IOException {
    write(x, y, size, text, 0);
  }

  void grey(float x, float y, float size, String text) throws IOException {
    write(x, y, size, text, GREY);
  }

  private void write(float x, float y, float size, String text, float grey) throws IOException {
    page.beginText();
    page.setNonStrokingColor(grey);
    page.setFont(font, size);
    page.newLineAtOffset(x, HEIGHT - y);
    page.showText(known(text));
    page.endText();
  }

  /** What the typeface has no letter for becomes a question mark. */
  private String known(String text) {
    StringBuilder to = new StringBuilder();
    text.codePoints()
        .forEach(c -> {
          String one = Character.toString(c);
          try {
            font.encode(one);
            to.append(one);
          } catch (IOException | IllegalArgumentException e) {
            to.append('?');
          }
        });
    return to.toString();
  }

  float width(String text, float size) throws IOException {
    return font.getStringWidth(known(text)) / 1000 * size;
  }

  /** As much of a text as fits into a width. */
  String cut(String text, float size, float most) throws IOException {
    String to = text;
    while (width(to, size) > most && to.length() > 1) {
      to = to.substring(0, to.length() - 2).stripTrailing() + "…";
    }
    return to;
  }

  void line(float x0, float y0, float x1, float y1, float width, float grey) throws IOException {
    page.setStrokingColor(grey);
    page.setLineWidth(width);
    page.moveTo(x0, HEIGHT - y0);
    page.lineTo(x1, HEIGHT - y1);
    page.stroke();
  }

  /** A closed line through corners, x and y by turns. */
  void outline(List<float[]> corners, float width, float grey) throws IOException {
    if (corners.size() < 2) {
      return;
    }
    page.setStrokingColor(grey);
    page.setLineWidth(width);
    page.moveTo(corners.getFirst()[0], HEIGHT - corners.getFirst()[1]);
    for (float[] corner : corners.subList(1, corners.size())) {
      page.lineTo(corner[0], HEIGHT - corner[1]);
    }
    page.closeAndStroke();
  }

  /** A filled disc. */
  void dot(float x, float y, float radius, float grey) throws IOException {
    float k = 0.5523f * radius, cy = HEIGHT - y;
    page.setNonStrokingColor(grey);
    page.moveTo(x - radius, cy);
    page.curveTo(x - radius, cy + k, x - k, cy + radius, x, cy + radius);
    page.curveTo(x + k, cy + radius, x + radius, cy + k, x + radius, cy);
    page.curveTo(x + radius, cy - k, x + k, cy - radius, x, cy - radius);
    page.curveTo(x - k, cy - radius, x - radius, cy - k, x - radius, cy);
    page.fill();
  }

  void image(BufferedImage image, float x, float y, float width, float height) throws IOException {
    page.drawImage(
        LosslessFactory.createFromImage(document, image), x, HEIGHT - y - height, width, height);
  }

  /** The whole file. */
  byte[] bytes() throws IOException {
    page.close();
    page = null;
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    document.save(to);
    return to.toByteArray();
  }

  @Override
  public void close() throws IOException {
    if (page != null) {
      page.close();
    }
    document.close();
  }
}
