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

class IesFileTest {
  /** A made-up reading lamp, round: 100 cd all over its lower half. */
  private static final String ROUND =
      """
      IESNA:LM-63-2002
      [TEST] none
      [LUMINAIRE] Saltmere reading lamp
      TILT=NONE
      1 800 1.0 3 1 1 2 0.1 0.1 0.1
      1.0 1.0 9
      0 45 90
      0
      100 100 100
      """;

  private static Profile read(String text) {
    return IesFile.read(text.getBytes(ISO_8859_1), "lamp.ies");
  }

  @Test
  void aRoundLampIntegratesToItsLumens() {
    Profile p = read(ROUND);
    assertThat(p.name()).isEqualTo("Saltmere reading lamp");
    // 100 cd over half the sphere: 200π lm, within 1 %.
    assertThat(p.lumens()).isCloseTo(200 * Math.PI, within(2 * Math.PI));
    assertThat(p.at(30, 123)).isEqualTo(100);
    assertThat(p.at(91, 0)).isZero();
  }

  @Test
  void factorsAndTiltOfTheLampAreTakenIn() {
    String tilted =
        ROUND
            .replace("TILT=NONE", "TILT=INCLUDE\n1\n2\n0 90\n1 0.9")
            .replace("1 800 1.0 3", "1 800 2.0 3")
            .replace("1.0 1.0 9", "0.5 0.9 9");
    assertThat(read(tilted).at(10, 0)).isCloseTo(90, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "0 45 90, 5 7 9, 135, 7", "0 45 90, 5 7 9, 180, 5", "0 45 90, 5 7 9, 270, 9",
    "0 90 180, 5 7 9, 270, 7", "0 90 180, 5 7 9, 360, 5", "90 180 270, 5 7 9, 0, 7",
    "0 180 360, 5 7 5, 90, 6"
  })
  void planesThatAreNotGivenAreMirrorImages(
      String planes, String values, double around, double wanted) {
    String[] v = values.split(" ");
    String text =
        "IESNA:LM-63-1995\nTILT=NONE\n1 800 1 2 3 1 2 0 0 0\n1 1 9\n0 90\n"
            + planes
            + "\n"
            + v[0]
            + " "
            + v[0]
            + "\n"
            + v[1]
            + " "
            + v[1]
            + "\n"
            + v[2]
            + " "
            + v[2]
            + "\n";
    assertThat(read(text).at(45, around)).isCloseTo(wanted, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"2, 0, 1", "3, 0, 1", "2, 90, 0", "3, 90, 0"})
  void lampsMeasuredAboutAnAxisAcrossTheirAimAreTurned(int type, double around, double at) {
    // Type B and A: light falls off with the horizontal angle alone, here from 100 to 0 at 40°.
    String text =
        "IESNA:LM-63-2002\nTILT=NONE\n1 800 1 2 3 "
            + type
            + " 2 0 0 0\n1 1 9\n-90 90\n-40 0 40\n"
            + "0 0\n100 100\n0 0\n";
    double wanted = at == 1 ? 50 : 100;
    assertThat(read(text).at(20, around)).isCloseTo(wanted, within(0.5));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "TILT=NONE|TILTED|no line that begins TILT=",
        "0 45 90|0 45 x|line 7: a vertical angle is wanted, not 'x'",
        "0 45 90|0 45 45|line 7: a vertical angle rises",
        "100 100 100|100 100|the file ends before",
        "1 800 1.0 3 1 1|1 800 1.0 3 1 7|line 5: the photometric type",
        "1 800 1.0 3|1 800 1.0 1e9|line 5: the number of vertical angles",
        "100 100 100|0 0 0|no sound profile"
      })
  void aBrokenFileIsRefusedWithItsLine(String was, String is, String says) {
    assertThatThrownBy(() -> read(ROUND.replace(was, is)))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining(says);
  }

  @Test
  void sixHundredHarmedFilesAreReadOrRefused() {
    Random random = new Random(5);
    int refused = 0;
    for (int i = 0; i < 600; i++) {
      byte[] file = ROUND.getBytes(ISO_8859_1);
      for (int k = 0; k < 1 + i % 6; k++) {
        file[random.nextInt(file.length)] = (byte) random.nextInt(256);
      }
      try {
        IesFile.read(file, "lamp");
      } catch (RefusedFile e) {
        refused++;
      }
    }
    assertThat(refused).isBetween(100, 599);
  }
}
