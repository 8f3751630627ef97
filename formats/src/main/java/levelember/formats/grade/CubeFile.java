package levelember.formats.grade;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import levelember.formats.RefusedFile;
import levelember.texture.Lut;

/**
 * LUTs as text in the open .cube form: a line LUT_1D_SIZE or LUT_3D_SIZE, perhaps TITLE, DOMAIN_MIN
 * and DOMAIN_MAX, and then a line of three numbers an entry, red running fastest.
 */
public final class CubeFile {
  /** Bytes of a file. */
  private static final int MOST_BYTES = 128 << 20;

  private static final int SHOWN = 40;

  private CubeFile() {}

  /** Whether a name says that the file is a LUT. */
  public static boolean named(String name) {
    return name.toLowerCase(Locale.ROOT).endsWith(".cube");
  }

  /**
   * Reads a file.
   *
   * @throws RefusedFile when it is broken, too large or no LUT; names the line
   */
  public static Lut read(byte[] file) {
    if (file.length > MOST_BYTES) {
      throw new RefusedFile("the LUT is larger than " + MOST_BYTES + " bytes");
    }
    return new Reading().read(plain(new String(file, StandardCharsets.UTF_8)));
  }

  /** The text without a mark of its byte order, its lines ended as all are here. */
  private static String plain(String text) {
    String bare = text.startsWith("\uFEFF") ? text.substring(1) : text;
    return bare.indexOf('\r') < 0 ? bare : bare.replace("\r\n", "\n").replace('\r', '\n');
  }

  /** Writes a LUT, the title in its first line. */
  public static byte[] write(Lut lut, String title) {
    StringBuilder to = new StringBuilder();
    String plain = title.replaceAll("[\"\\p{Cntrl}]", " ");
    to.append("TITLE \"").append(plain).append("\"\n");
    to.append(lut.cube() ? "LUT_3D_SIZE " : "LUT_1D_SIZE ").append(lut.size()).append('\n');
    three(to.append("DOMAIN_MIN "), lut.least(), 0);
    three(to.append("DOMAIN_MAX "), lut.most(), 0);
    float[] values = lut.values();
    for (int i = 0; i < values.length; i += 3) {
      three(to, values, i);
    }
    return to.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void three(StringBuilder to, float[] v, int at) {
    to.append(String.format(Locale.ROOT, "%.7g %.7g %.7g\n", v[at], v[at + 1], v[at + 2]));
  }

  /** What has been read so far. */
  private static final class Reading {
    private boolean cube;
    private int size;
    private final float[] least = {0, 0, 0};
    private final float[] most = {1, 1, 1};
    private float[] values;
    private int filled;
    private int line;

    Lut read(String text) {
      int at = 0;
      while (at < text.length()) {
        int end = text.indexOf('\n', at);
        end = end < 0 ? text.length() : end;
        line++;
        line(text.substring(at, end).strip());
        at = end + 1;
      }
      if (values == null) {
        throw new RefusedFile("the LUT says no size (LUT_1D_SIZE or LUT_3D_SIZE)");
      }
      if (filled < values.length) {
        throw new RefusedFile(
            "the LUT ends after "
                + filled / 3
                + " of "
                + values.length / 3
                + " entries, in line "
                + line);
      }
      try {
        return new Lut(cube, size, least, most, values);
      } catch (IllegalArgumentException e) {
        throw new RefusedFile("the LUT cannot be used: " + e.getMessage(), e);
      }
    }

    private void line(String said) {
      if (said.isEmpty() || said.startsWith("#")) {
        return;
      }
      String[] words = said.split("\\s+");
      switch (words[0]) {
        case "TITLE" -> {
          // Only for people.
        }
        case "LUT_1D_SIZE" -> sized(words, false, Lut.MOST_CURVE);
        case "LUT_3D_SIZE" -> sized(words, true, Lut.MOST_EDGE);
        case "DOMAIN_MIN" -> numbers(words, 1, least, 0);
        case "DOMAIN_MAX" -> numbers(words, 1, most, 0);
        case "LUT_1D_INPUT_RANGE", "LUT_3D_INPUT_RANGE" -> {
          float[] range = new float[3];
          if (words.length != 3) {
            throw wrong("two numbers", said);
          }
          range[0] = number(words[1]);
          range[1] = number(words[2]);
          for (int k = 0; k < 3; k++) {
            least[k] = range[0];
            most[k] = range[1];
          }
        }
        default -> entry(words, said);
      }
    }

    private void sized(String[] words, boolean three, int largest) {
      if (values != null) {
        throw new RefusedFile("the LUT says its size twice, in line " + line);
      }
      int n;
      try {
        n = words.length == 2 ? Integer.parseInt(words[1]) : 0;
      } catch (NumberFormatException e) {
        n = 0;
      }
      if (n < 2 || n > largest) {
        throw wrong("a size of 2 to " + largest, String.join(" ", words));
      }
      cube = three;
      size = n;
      values = new float[3 * (three ? n * n * n : n)];
    }

    private void entry(String[] words, String said) {
      char c = words[0].charAt(0);
      if (Character.isLetter(c)) {
        throw wrong("a size, a domain or three numbers", said);
      }
      if (values == null) {
        throw new RefusedFile("the LUT has entries before it says its size, in line " + line);
      }
      if (filled == values.length) {
        throw new RefusedFile(
            "the LUT has more than " + values.length / 3 + " entries, in line " + line);
      }
      numbers(words, 0, values, filled);
      filled += 3;
    }

    private void numbers(String[] words, int from, float[] to, int at) {
      if (words.length != from + 3) {
        throw wrong("three numbers", String.join(" ", words));
      }
      for (int k = 0; k < 3; k++) {
        to[at + k] = number(words[from + k]);
      }
    }

    private float number(String word) {
      float value;
      try {
        value = Float.parseFloat(word);
      } catch (NumberFormatException e) {
        value = Float.NaN;
      }
      if (!(Math.abs(value) <= 1e6f)) {
        throw wrong("numbers up to a million", word);
      }
      return value;
    }

    private RefusedFile wrong(String wanted, String said) {
      String shown = said.length() > SHOWN ? said.substring(0, SHOWN) + "…" : said;
      return new RefusedFile(
          "the LUT has '" + shown + "' in line " + line + ", where " + wanted + " belong");
    }
  }
}
