package levelember.formats.photometric;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.shoot.lighting.Profile;

/**
 * Reads photometric files of ANSI/IES LM-63 (1986 to 2019 alike in what is read): types A, B and C,
 * round, mirrored and full ones, with the lamps' tilt left as measured. Type C is kept at its own
 * angles; types A and B are turned into type C about the lamp's aim.
 */
public final class IesFile {
  /** An exponent as FORTRAN writes it. */
  private static final Pattern EXPONENT = Pattern.compile("(?<=[0-9.])[dD](?=[-+]?[0-9])");

  private static final int MOST_BYTES = 4_000_000;

  private final String[] words;
  private final int[] lines;
  private int at;

  private IesFile(String[] words, int[] lines) {
    this.words = words;
    this.lines = lines;
  }

  /**
   * Reads a file.
   *
   * @param name for the profile, where the file names no lamp
   * @throws RefusedFile when it is no such file, or broken; says the line
   */
  public static Profile read(byte[] file, String name) {
    if (file.length > MOST_BYTES) {
      throw new RefusedFile("a photometric file has at most " + MOST_BYTES + " bytes");
    }
    String text = new String(file, StandardCharsets.ISO_8859_1);
    List<String> words = new ArrayList<>();
    List<Integer> lines = new ArrayList<>();
    String lamp = name;
    boolean tilted = false;
    String[] rows = text.split("\r\n|\r|\n", -1);
    int row = 0;
    for (; row < rows.length && !tilted; row++) {
      String line = rows[row].strip();
      if (line.startsWith("[LUMINAIRE]") && line.length() > 12) {
        lamp = line.substring(11).strip();
      }
      if (line.startsWith("TILT=")) {
        tilted = true;
        if (line.substring(5).strip().equals("INCLUDE")) {
          words.add("INCLUDE");
          lines.add(row + 1);
        }
      }
    }
    if (!tilted) {
      throw new RefusedFile("the file is no photometric file: it has no line that begins TILT=");
    }
    for (; row < rows.length; row++) {
      for (String word : rows[row].strip().split("[\\s,]+")) {
        if (!word.isEmpty()) {
          words.add(word);
          lines.add(row + 1);
        }
      }
    }
    return new IesFile(
            words.toArray(String[]::new), lines.stream().mapToInt(Integer::intValue).toArray())
        .profile(lamp.substring(0, Math.min(200, lamp.length())));
  }

  private double number(String what) {
    if (at >= words.length) {
      throw new RefusedFile("the file ends before " + what);
    }
    try {
      double v = Double.parseDouble(EXPONENT.matcher(words[at]).replaceFirst("E"));
      if (!(Math.abs(v) < 1e12)) {
        throw new NumberFormatException(words[at]);
      }
      at++;
      return v;
    } catch (NumberFormatException e) {
      throw new RefusedFile(
          "line " + lines[at] + ": " + what + " is wanted, not '" + words[at] + "'", e);
    }
  }

  private int count(String what, int most) {
    double v = number(what);
    if (v != Math.rint(v) || v < 1 || v > most) {
      throw new RefusedFile(
          "line "
              + lines[at - 1]
              + ": "
              + what
              + " is a whole number from 1 to "
              + most
              + ", not "
              + words[at - 1]);
    }
    return (int) v;
  }

  private Profile profile(String name) {
    if (words.length > 0 && words[0].equals("INCLUDE")) {
      at = 1;
      number("the lamp's position");
      int pairs = count("the number of tilt angles", 1000);
      for (int i = 0; i < 2 * pairs; i++) {
        number("a tilt angle or factor");
      }
    }
    count("the number of lamps", 10_000);
    number("lumens a lamp");
    double times = number("the multiplier of the candela");
    int vertical = count("the number of vertical angles", 2000);
    int horizontal = count("the number of horizontal angles", 2000);
    int type = count("the photometric type", 3);
    count("the unit of length", 2);
    for (String what : List.of("the width", "the length", "the height")) {
      number(what);
    }
    times *= number("the ballast factor");
    times *= number("the factor of ballast and lamp");
    number("the watts");
    if ((long) vertical * horizontal > Profile.MOST) {
      throw new RefusedFile(
          "the file has "
              + vertical
              + " times "
              + horizontal
              + " values, at most "
              + Profile.MOST
              + " are read");
    }
    double[] v = rising(vertical, "a vertical angle");
    double[] h = rising(horizontal, "a horizontal angle");
    double[][] candela = new double[horizontal][vertical];
    for (double[] plane : candela) {
      for (int i = 0; i < vertical; i++) {
        plane[i] = Math.max(0, times * number("a value in candela"));
      }
    }
    try {
      return type == 1 ? round(name, v, h, candela) : turned(name, type, v, h, candela);
    } catch (ImpossibleValue e) {
      throw new RefusedFile("the file holds no sound profile: " + e.getMessage(), e);
    }
  }

  private double[] rising(int n, String what) {
    double[] to = new double[n];
    for (int i = 0; i < n; i++) {
      to[i] = number(what);
      if (i > 0 && to[i] <= to[i - 1]) {
        throw new RefusedFile(
            "line "
                + lines[at - 1]
                + ": "
                + what
                + " rises from one to the next, not from "
                + to[i - 1]
                + " to "
                + to[i]);
      }
    }
    return to;
  }

  /** Type C: planes about the pole, of which the rest are mirror images. */
  private static Profile round(String name, double[] v, double[] h, double[][] candela) {
    double first = h[0], last = h[h.length - 1];
    if (v[0] < 0 || v[v.length - 1] > 180 || first < 0 || last > 360) {
      throw new RefusedFile("angles of type C lie from 0 to 180 and from 0 to 360 degrees");
    }
    PhotometricWeb.Symmetry symmetry =
        h.length == 1
            ? PhotometricWeb.Symmetry.ROUND
            : first == 0 && last == 90
                ? PhotometricWeb.Symmetry.BOTH
                : first == 0 && last == 180
                    ? PhotometricWeb.Symmetry.ALONG
                    : first == 90 && last == 270
                        ? PhotometricWeb.Symmetry.ACROSS
                        : PhotometricWeb.Symmetry.NONE;
    return PhotometricWeb.whole(name, v, h, candela, symmetry);
  }

  private static double[] plane(double[] h, double[][] candela, double at) {
    int low = 0;
    while (low < h.length - 2 && h[low + 1] <= at) {
      low++;
    }
    double part = Math.clamp((at - h[low]) / (h[low + 1] - h[low]), 0.0, 1.0);
    double[] to = new double[candela[0].length];
    for (int i = 0; i < to.length; i++) {
      to[i] = candela[low][i] + part * (candela[low + 1][i] - candela[low][i]);
    }
    return to;
  }

  /** Types B (2) and A (3): planes about an axis across the aim, sampled anew about the aim. */
  private static Profile turned(String name, int type, double[] v, double[] h, double[][] candela) {
    List<Double> polar = new ArrayList<>(), around = new ArrayList<>(), values = new ArrayList<>();
    double most = Math.max(Math.max(-v[0], v[v.length - 1]), Math.max(-h[0], h[h.length - 1]));
    for (double p = 0; p <= Math.min(most, 90) + 1e-9; p += 2.5) {
      polar.add(p);
    }
    for (double a = 0; a < 360; a += 5) {
      around.add(a);
      for (double p : polar) {
        double out = StrictMath.cos(Math.toRadians(p)), flat = StrictMath.sin(Math.toRadians(p));
        double right = flat * StrictMath.cos(Math.toRadians(a)),
            up = flat * StrictMath.sin(Math.toRadians(a));
        double vertical, side;
        if (type == 2) {
          side = Math.toDegrees(StrictMath.asin(Math.clamp(right, -1.0, 1.0)));
          vertical = Math.toDegrees(StrictMath.atan2(up, out));
        } else {
          vertical = Math.toDegrees(StrictMath.asin(Math.clamp(up, -1.0, 1.0)));
          side = Math.toDegrees(StrictMath.atan2(right, out));
        }
        values.add(at(v, h, candela, mirrored(v, vertical), mirrored(h, side)));
      }
    }
    return new Profile(name, polar, around, values);
  }

  /** Angles given from 0 stand for both sides. */
  private static double mirrored(double[] given, double angle) {
    return given[0] >= 0 ? Math.abs(angle) : angle;
  }

  private static double at(
      double[] v, double[] h, double[][] candela, double vertical, double side) {
    if (vertical < v[0] - 1e-6
        || vertical > v[v.length - 1] + 1e-6
        || h.length > 1 && (side < h[0] - 1e-6 || side > h[h.length - 1] + 1e-6)) {
      return 0;
    }
    double[] plane = h.length == 1 ? candela[0] : plane(h, candela, side);
    if (v.length == 1) {
      return plane[0];
    }
    int low = 0;
    while (low < v.length - 2 && v[low + 1] <= vertical) {
      low++;
    }
    double part = Math.clamp((vertical - v[low]) / (v[low + 1] - v[low]), 0.0, 1.0);
    return plane[low] + part * (plane[low + 1] - plane[low]);
  }
}
