package levelember.formats.photometric;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.formats.photometric.PhotometricWeb.Symmetry;
import levelember.shoot.lighting.Profile;

/**
 * Reads photometric files of EULUMDAT ({@code .ldt}): lines of fixed meaning, intensities in
 * candela a thousand lumens of the lamps.
 *
 * <p>Source: Stockmar 1990, "EULUMDAT: a data format for luminaires".
 */
public final class EulumdatFile {
  private static final int MOST_BYTES = 4_000_000;
  private static final int MOST_PLANES = 721, MOST_ANGLES = 361, MOST_LAMPS = 20;
  private static final int FACTOR_LINE = 24, DIRECT_RATIOS = 10;

  private final String[] lines;
  private int at;

  private EulumdatFile(String[] lines) {
    this.lines = lines;
  }

  /** Whether a file of that name is one. */
  public static boolean named(String name) {
    return name.toLowerCase(Locale.ROOT).endsWith(".ldt");
  }

  /**
   * Reads a file.
   *
   * @param name for the profile, where the file names no luminaire
   * @throws RefusedFile when it is no such file, or broken; says the line
   */
  public static Profile read(byte[] file, String name) {
    if (file.length > MOST_BYTES) {
      throw new RefusedFile("a photometric file has at most " + MOST_BYTES + " bytes");
    }
    String text = new String(file, StandardCharsets.ISO_8859_1);
    try {
      return new EulumdatFile(text.split("\r\n|\r|\n", -1)).profile(name);
    } catch (ImpossibleValue e) {
      throw new RefusedFile("the file holds no sound profile: " + e.getMessage(), e);
    }
  }

  private String line(String what) {
    if (at >= lines.length) {
      throw new RefusedFile("the file ends before " + what);
    }
    return lines[at++].strip();
  }

  private double number(String what) {
    String text = line(what).replace(',', '.');
    try {
      double v = Double.parseDouble(text);
      if (Math.abs(v) < 1e12) {
        return v;
      }
    } catch (NumberFormatException e) {
      throw new RefusedFile("line " + at + ": " + what + " is wanted, not '" + text + "'", e);
    }
    throw new RefusedFile("line " + at + ": " + what + " is wanted, not '" + text + "'");
  }

  private int count(String what, int least, int most) {
    double v = number(what);
    if (v != Math.rint(v) || v < least || v > most) {
      throw new RefusedFile(
          "line " + at + ": " + what + " is a whole number from " + least + " to " + most);
    }
    return (int) v;
  }

  private Profile profile(String given) {
    line("the company");
    number("the type of light source");
    Symmetry symmetry = Symmetry.values()[count("the symmetry", 0, 4)];
    int planes = count("the number of half planes", 1, MOST_PLANES);
    number("the angle between half planes");
    int angles = count("the number of intensities in a half plane", 2, MOST_ANGLES);
    number("the angle between intensities");
    line("the number of the report");
    String luminaire = line("the name of the luminaire");
    while (at < FACTOR_LINE - 1) {
      line("the luminaire's size");
    }
    double times = number("the factor of the intensities");
    number("the tilt");
    int sets = count("the number of sets of lamps", 1, MOST_LAMPS);
    double lumens = 0;
    for (int i = 0; i < sets; i++) {
      line("the number of lamps");
      line("the type of lamps");
      double flux = number("the luminous flux");
      // Several sets are ways to equip the luminaire; the first is what was measured.
      lumens = i == 0 ? flux : lumens;
      line("the colour of the light");
      line("the colour rendering");
      line("the watts");
    }
    for (int i = 0; i < DIRECT_RATIOS; i++) {
      line("a direct ratio");
    }
    double[] around = angles(planes, "an angle of a half plane");
    double[] polar = angles(angles, "an angle of an intensity");
    int first = symmetry == Symmetry.ACROSS ? planes / 4 : 0;
    int stored =
        switch (symmetry) {
          case NONE -> planes;
          case ROUND -> 1;
          case ALONG, ACROSS -> planes / 2 + 1;
          case BOTH -> planes / 4 + 1;
        };
    double factor = times * lumens / 1000;
    double[] own = new double[stored];
    double[][] candela = new double[stored][angles];
    for (int i = 0; i < stored; i++) {
      own[i] = around[(first + i) % planes];
      for (int k = 0; k < angles; k++) {
        candela[i][k] = Math.max(0, factor * number("an intensity"));
      }
    }
    String name = luminaire.isBlank() ? given : luminaire;
    return PhotometricWeb.whole(
        name.substring(0, Math.min(200, name.length())), polar, own, candela, symmetry);
  }

  private double[] angles(int n, String what) {
    double[] to = new double[n];
    for (int i = 0; i < n; i++) {
      to[i] = number(what);
    }
    return to;
  }
}
