package levelember.printing.sheet;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;

/** Pictures of shots on pages, six on each, with what they were taken with. */
public final class ContactSheet {
  private static final int ACROSS = 3, DOWN = 2;
  private static final float GAP = 14, TEXT = 26;

  private ContactSheet() {}

  /**
   * A picture on the sheet.
   *
   * @param name of the shot
   * @param about it in a line
   */
  public record Frame(BufferedImage picture, String name, String about) {}

  /** The sheet as PDF. */
  public static byte[] write(String title, List<Frame> frames) throws IOException {
    try (Sheet sheet = new Sheet(title)) {
      float cell = (Sheet.WIDTH - 2 * Sheet.MARGIN - (ACROSS - 1) * GAP) / ACROSS;
      float rows = (Sheet.HEIGHT - 50 - Sheet.MARGIN) / DOWN;
      for (int i = 0; i < frames.size(); i++) {
        int at = i % (ACROSS * DOWN);
        if (at == 0) {
          sheet.page();
        }
        Frame frame = frames.get(i);
        float x = Sheet.MARGIN + at % ACROSS * (cell + GAP), y = 50 + at / ACROSS * rows;
        float room = rows - TEXT - GAP;
        double aspect = (double) frame.picture().getWidth() / frame.picture().getHeight();
        float w = (float) Math.min(cell, room * aspect), h = (float) (w / aspect);
        sheet.image(frame.picture(), x, y, w, h);
        sheet.text(x, y + h + 12, 9, sheet.cut(frame.name(), 9, cell));
        sheet.grey(x, y + h + 23, 7.5f, sheet.cut(frame.about(), 7.5f, cell));
      }
      return sheet.bytes();
    }
  }
}
