package levelember.formats.picture;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import levelember.texture.Picture;

/**
 * Radiance pictures (.hdr): four bytes a pixel with a shared exponent, run-length coded.
 *
 * <p>Source: Ward 1991, "Real Pixels", and the run-length scheme of the Radiance file format.
 * Values are taken as they stand; header lines such as EXPOSURE are divided out.
 */
public final class RadianceHdr {
  private static final String WHAT = "the Radiance picture";

  private RadianceHdr() {}

  /** Whether the bytes begin as a Radiance picture does. */
  public static boolean is(byte[] file) {
    return file.length > 2 && file[0] == '#' && file[1] == '?';
  }

  /**
   * Reads a picture of RGBE or XYZE, stored in any direction, with runs of either kind.
   *
   * @throws RefusedFile when the file is no such picture, is cut short, or is too large
   */
  public static Picture read(byte[] file) {
    if (!is(file)) {
      throw new RefusedFile(WHAT + " does not begin with #?");
    }
    Lines lines = new Lines(file);
    double exposure = 1;
    boolean format = false, xyz = false;
    float[] primaries = null;
    for (String line = lines.next(); !line.isEmpty(); line = lines.next()) {
      if (line.startsWith("FORMAT=")) {
        xyz = line.trim().equals("FORMAT=32-bit_rle_xyze");
        if (!xyz && !line.trim().equals("FORMAT=32-bit_rle_rgbe")) {
          throw new RefusedFile(
              WHAT + " has " + line + "; 32-bit_rle_rgbe and 32-bit_rle_xyze can be read");
        }
        format = true;
      } else if (line.startsWith("EXPOSURE=")) {
        exposure *= number(line.substring(9).trim());
      } else if (line.startsWith("PRIMARIES=")) {
        primaries = primaries(line.substring(10).trim());
      }
    }
    if (!format) {
      throw new RefusedFile(WHAT + " has no FORMAT line");
    }
    Layout layout = Layout.of(lines.next());
    Limits.picture(WHAT, layout.width(), layout.height());
    Limits.memory(WHAT, 12L * layout.width() * layout.height());
    // The densest runs of old files hold 255 pixels in 4 bytes, three times over.
    if ((long) layout.width() * layout.height() > 100_000L * (file.length - lines.at)) {
      throw new RefusedFile(WHAT + " is cut short");
    }
    Picture picture = pixels(file, lines.at, layout, (float) (1 / exposure));
    if (xyz) {
      fromXyz(picture);
    } else if (primaries != null) {
      Chromaticities.toBt709(picture, primaries, WHAT);
    }
    return picture;
  }

  /** Red, green, blue and white, x and y each. */
  private static float[] primaries(String text) {
    String[] words = text.split("\\s+");
    float[] to = new float[8];
    try {
      for (int i = 0; i < to.length; i++) {
        to[i] = Float.parseFloat(words[i]);
      }
    } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
      throw new RefusedFile(WHAT + " has primaries of '" + text + "'; eight numbers are wanted", e);
    }
    return to;
  }

  /**
   * How rows are stored.
   *
   * @param rows of the file
   * @param columns of the file
   * @param byColumns rows of the file are columns of the picture
   * @param upward rows of the file run from the foot of the picture, or from its right
   * @param backward columns of the file run from the right, or from the foot
   */
  private record Layout(
      int rows, int columns, boolean byColumns, boolean upward, boolean backward) {
    static Layout of(String line) {
      String[] size = line.trim().split(" +");
      if (size.length != 4
          || !size[0].matches("[-+][XY]")
          || !size[2].matches("[-+][XY]")
          || size[0].charAt(1) == size[2].charAt(1)) {
        throw new RefusedFile(WHAT + " has no line of its size, such as -Y height +X width");
      }
      boolean byColumns = size[0].endsWith("X");
      boolean first = size[0].startsWith("+"), second = size[2].startsWith("+");
      // Down and to the right is as it should be: −Y and +X.
      return new Layout(
          whole(size[1]), whole(size[3]), byColumns, byColumns != first, byColumns == second);
    }

    int width() {
      return byColumns ? rows : columns;
    }

    int height() {
      return byColumns ? columns : rows;
    }

    int x(int row, int column) {
      return byColumns ? (upward ? rows - 1 - row : row) : backward ? columns - 1 - column : column;
    }

    int y(int row, int column) {
      return byColumns ? (backward ? columns - 1 - column : column) : upward ? rows - 1 - row : row;
    }
  }

  /** CIE XYZ to BT.709, equal energy to white as Radiance has it. */
  private static void fromXyz(Picture picture) {
    float[] v = picture.rgb();
    for (int i = 0; i < v.length; i += 3) {
      float x = v[i], y = v[i + 1], z = v[i + 2];
      v[i] = Math.max(0, 3.2406f * x - 1.5372f * y - 0.4986f * z);
      v[i + 1] = Math.max(0, -0.9689f * x + 1.8758f * y + 0.0415f * z);
      v[i + 2] = Math.max(0, 0.0557f * x - 0.2040f * y + 1.0570f * z);
    }
  }

  private static Picture pixels(byte[] file, int at, Layout layout, float scale) {
    Picture picture = Picture.black(layout.width(), layout.height());
    int n = layout.columns();
    byte[] row = new byte[4 * n];
    try {
      for (int j = 0; j < layout.rows(); j++) {
        boolean coded =
            n >= 8
                && n < 32_768
                && file[at] == 2
                && file[at + 1] == 2
                && ((file[at + 2] & 0xFF) << 8 | file[at + 3] & 0xFF) == n;
        at = coded ? codedRow(file, at + 4, n, row) : oldRow(file, at, n, row);
        for (int i = 0; i < n; i++) {
          int e = row[3 * n + i] & 0xFF;
          if (e > 0) {
            float f = (float) Math.scalb(1.0, e - 136) * scale;
            picture.set(
                layout.x(j, i),
                layout.y(j, i),
                ((row[i] & 0xFF) + 0.5f) * f,
                ((row[n + i] & 0xFF) + 0.5f) * f,
                ((row[2 * n + i] & 0xFF) + 0.5f) * f);
          }
        }
      }
    } catch (ArrayIndexOutOfBoundsException e) {
      throw new RefusedFile(WHAT + " is cut short", e);
    }
    return picture;
  }

  /** Pixels one by one; one of three ones repeats the last, more often after another such. */
  private static int oldRow(byte[] file, int at, int n, byte[] row) {
    int shift = 0;
    for (int i = 0; i < n; at += 4) {
      if (file[at] == 1 && file[at + 1] == 1 && file[at + 2] == 1) {
        int times = (file[at + 3] & 0xFF) << shift;
        if (i == 0 || shift > 16 || times > n - i) {
          throw new RefusedFile(WHAT + " has a run that leaves its row");
        }
        for (; times > 0; times--, i++) {
          for (int k = 0; k < 4; k++) {
            row[k * n + i] = row[k * n + i - 1];
          }
        }
        shift += 8;
      } else {
        for (int k = 0; k < 4; k++) {
          row[k * n + i] = file[at + k];
        }
        i++;
        shift = 0;
      }
    }
    return at;
  }

  private static int codedRow(byte[] file, int at, int width, byte[] row) {
    for (int k = 0; k < 4; k++) {
      int x = k * width, end = x + width;
      while (x < end) {
        int count = file[at++] & 0xFF;
        boolean run = count > 128;
        int n = run ? count - 128 : count;
        if (n == 0 || x + n > end) {
          throw new RefusedFile(WHAT + " has a run that leaves its row");
        }
        for (int i = 0; i < n; i++) {
          row[x++] = file[at];
          if (!run) {
            at++;
          }
        }
        if (run) {
          at++;
        }
      }
    }
    return at;
  }

  private static double number(String text) {
    try {
      double value = Double.parseDouble(text);
      if (value > 0 && value < 1e30) {
        return value;
      }
    } catch (NumberFormatException e) {
      throw new RefusedFile(WHAT + " has an exposure of '" + text + "'", e);
    }
    throw new RefusedFile(WHAT + " has an exposure of '" + text + "'");
  }

  private static int whole(String text) {
    try {
      return Integer.parseInt(text.trim());
    } catch (NumberFormatException e) {
      throw new RefusedFile(WHAT + " has a size of '" + text + "'", e);
    }
  }

  private static final class Lines {
    final byte[] file;
    int at;

    Lines(byte[] file) {
      this.file = file;
    }

    String next() {
      int end = at;
      while (end < file.length && file[end] != '\n') {
        if (++end - at > 4096) {
          throw new RefusedFile(WHAT + " has a header line without end");
        }
      }
      if (end >= file.length) {
        throw new RefusedFile(WHAT + " is cut short");
      }
      String line = new String(file, at, end - at, StandardCharsets.ISO_8859_1);
      at = end + 1;
      return line;
    }
  }

  /** Writes a picture; channels below 0 become 0, values are kept to about 1 %. */
  public static byte[] write(Picture picture) {
    return write(picture, Map.of());
  }

  /**
   * The same with text about it, a comment line of the header for each.
   *
   * @param text by name
   */
  public static byte[] write(Picture picture, Map<String, String> text) {
    int width = picture.width();
    ByteArrayOutputStream to = new ByteArrayOutputStream(width * picture.height() * 3);
    StringBuilder head = new StringBuilder("#?RADIANCE\n");
    text.forEach((name, value) ->
        head.append("# ").append((name + ": " + value).replaceAll("\\s", " ")).append('\n'));
    head.append("FORMAT=32-bit_rle_rgbe\n\n-Y ")
        .append(picture.height())
        .append(" +X ")
        .append(width)
        .append('\n');
    to.writeBytes(head.toString().getBytes(StandardCharsets.UTF_8));
    byte[] row = new byte[4 * width];
    for (int y = 0; y < picture.height(); y++) {
      for (int x = 0; x < width; x++) {
        encode(picture.get(x, y, 0), picture.get(x, y, 1), picture.get(x, y, 2), row, x, width);
      }
      if (width < 8 || width >= 32_768) {
        for (int x = 0; x < width; x++) {
          for (int k = 0; k < 4; k++) {
            to.write(row[k * width + x]);
          }
        }
        continue;
      }
      to.write(2);
      to.write(2);
      to.write(width >> 8);
      to.write(width);
      for (int k = 0; k < 4; k++) {
        writeRuns(row, k * width, (k + 1) * width, to);
      }
    }
    return to.toByteArray();
  }

  private static void encode(float r, float g, float b, byte[] row, int x, int width) {
    float most = Math.max(r, Math.max(g, b));
    if (!(most > 1e-32f)) {
      row[x] = row[width + x] = row[2 * width + x] = row[3 * width + x] = 0;
      return;
    }
    int e = Math.min(Math.getExponent(most) + 1, 127);
    double f = Math.scalb(256.0, -e);
    row[x] = (byte) Math.clamp((int) (r * f), 0, 255);
    row[width + x] = (byte) Math.clamp((int) (g * f), 0, 255);
    row[2 * width + x] = (byte) Math.clamp((int) (b * f), 0, 255);
    row[3 * width + x] = (byte) (e + 128);
  }

  private static void writeRuns(byte[] row, int from, int end, ByteArrayOutputStream to) {
    int x = from;
    while (x < end) {
      int run = 1;
      while (x + run < end && run < 127 && row[x + run] == row[x]) {
        run++;
      }
      if (run >= 4) {
        to.write(128 + run);
        to.write(row[x]);
        x += run;
        continue;
      }
      int start = x;
      int same = 0;
      while (x < end && x - start < 128) {
        same = x > start && row[x] == row[x - 1] ? same + 1 : 1;
        x++;
        if (same == 4) {
          x -= 4;
          break;
        }
      }
      to.write(x - start);
      to.write(row, start, x - start);
    }
  }
}
