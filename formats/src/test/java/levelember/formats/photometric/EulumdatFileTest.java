package levelember.formats.photometric;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import levelember.formats.RefusedFile;
import levelember.shoot.lighting.Profile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files written by the format's own description. */
class EulumdatFileTest {
  /** A file whose intensity in candela a thousand lumens is 100 times the half plane's number. */
  private static String file(int symmetry, int planes, int stored, String lumens) {
    StringBuilder to = new StringBuilder("Saltmere\n1\n" + symmetry + "\n" + planes + "\n");
    to.append(360.0 / planes).append("\n3\n45\nreport\nMarsh lamp\nnumber\nfile\ndate\n");
    to.append("600\n600\n80\n600\n600\n0\n0\n0\n0\n100\n80\n2\n0\n");
    to.append("1\n1\nLED\n").append(lumens).append("\n3000\n90\n40\n");
    to.append("0.5\n".repeat(10));
    for (int i = 0; i < planes; i++) {
      to.append(360.0 / planes * i).append("\n");
    }
    to.append("0\n45\n90\n");
    for (int i = 0; i < stored; i++) {
      to.append("100\n").append(100 + 100 * i).append("\n10\n");
    }
    return to.toString();
  }

  private static Profile read(String text) {
    return EulumdatFile.read(text.getBytes(ISO_8859_1), "lamp.ldt");
  }

  /** What the half plane of an angle reads at 45°, in hundreds a thousand lumens. */
  @ParameterizedTest
  @CsvSource({
    "0, 8, 8, 0, 1", "0, 8, 8, 225, 6", "1, 8, 1, 225, 1", "2, 8, 5, 90, 3", "2, 8, 5, 270, 3",
    "3, 8, 5, 90, 1", "3, 8, 5, 180, 3", "3, 8, 5, 0, 3", "3, 8, 5, 45, 2", "4, 8, 3, 90, 3",
    "4, 8, 3, 135, 2", "4, 8, 3, 180, 1", "4, 8, 3, 315, 2"
  })
  void halfPlanesThatSymmetryLeavesOutAreMirrored(
      int symmetry, int planes, int stored, double around, double hundreds) {
    // A thousand lumens, and a factor of 2 in the file.
    Profile p = read(file(symmetry, planes, stored, "1000"));
    assertThat(p.at(45, around)).isCloseTo(200 * hundreds, within(1e-6));
    assertThat(p.at(0, around)).isCloseTo(200, within(1e-6));
    assertThat(p.name()).isEqualTo("Marsh lamp");
  }

  @Test
  void intensitiesGoWithTheLumensOfTheLamps() {
    assertThat(read(file(1, 1, 1, "2500")).at(0, 0)).isCloseTo(500, within(1e-9));
    assertThat(read(file(1, 1, 1, "2500,0")).at(0, 0)).isCloseTo(500, within(1e-9));
  }

  @Test
  void brokenFilesAreRefusedWithTheLine() {
    String whole = file(4, 8, 3, "1000");
    assertThatThrownBy(() -> read(whole.replace("\n45\n90\n100\n", "\n45\n90\nmuch\n")))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("line ")
        .hasMessageContaining("much");
    assertThatThrownBy(() -> read(whole.substring(0, whole.length() - 20)))
        .hasMessageContaining("ends before");
    Random random = new Random(3);
    for (int i = 0; i < 300; i++) {
      byte[] harmed = whole.getBytes(ISO_8859_1);
      harmed[random.nextInt(harmed.length)] = (byte) random.nextInt();
      try {
        EulumdatFile.read(harmed, "x.ldt");
      } catch (RefusedFile e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }
}
