package levelember.formats.grade;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.formats.document.ShootDocument;
import levelember.math.Rgb;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Exposure;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.PlateTreatment;
import levelember.shoot.look.Tone;
import levelember.shoot.look.WhiteBalance;
import levelember.texture.Lut;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Looks, LUTs and colour decision lists as files. */
class LookFilesTest {
  private static Look whole() {
    Glow.Halo halo = new Glow.Halo(new Rgb(0.2, 0.7, 0.9), 0.6);
    return new Look(
        "dusk",
        "Dusk",
        new Exposure(0, new Exposure.Camera(4, 0.02, 400)),
        new WhiteBalance(4300, -3),
        new Tone(Tone.Curve.SLIDE, 0.4, 3.5, 0.6, 0.002, 1.1, 0.9),
        List.of(
            new Glow(
                "g",
                "Lamps",
                false,
                new Glow.Source(Glow.Source.Kind.LIGHTS, List.of("a", "b")),
                1.5,
                0.5,
                true,
                new Glow.Bloom(true, 0.2, 3, halo),
                new Glow.StarRays(true, 0.1, 5, 30, 25, Glow.Halo.OWN),
                new Glow.LensFlare(false, 0.03, 3, 0.8, halo))),
        Optics.NONE.with(o ->
            o.vignette(0.8)
                .distortion(-0.05)
                .fringing(0.1)
                .sharpening(0.4)
                .sharpeningSize(0.2)
                .grain(0.02)
                .grainSize(0.3)),
        new ContactShade(0.5, 0.3),
        new PlateTreatment(-1, 2),
        new Grade(
            false,
            0.7,
            new Grade.Wheels(
                new Rgb(0.01, 0, -0.01), new Rgb(1.1, 1, 0.9), Rgb.WHITE, Rgb.grey(0.02), 1.2),
            new Grade.Curves(
                List.of(new Grade.Point(0, 0.1), new Grade.Point(1, 0.9)),
                List.of(),
                List.of(),
                List.of(new Grade.Point(0, 0), new Grade.Point(0.5, 0.6), new Grade.Point(1, 1))),
            "print.cube",
            0.4));
  }

  @Test
  void aLookReadsBackAsItWasWritten() {
    assertThat(ShootDocument.read(ShootDocument.tree(whole()), Look.class)).isEqualTo(whole());
    Look plain = new Look("k", "K", 7, 0.5, 3);
    assertThat(ShootDocument.read(ShootDocument.tree(plain), Look.class)).isEqualTo(plain);
    String old = "{\"id\": \"k\", \"name\": \"K\", \"ev\": 7}";
    assertThat(ShootDocument.read(ShootDocument.parse(old.getBytes(UTF_8)), Look.class))
        .isEqualTo(plain);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{\"id\":\"k\",\"contrast\":9}|contrast",
        "{\"id\":\"k\",\"curve\":\"steep\"}|curve",
        "{\"id\":\"k\",\"camera\":{\"fNumber\":8,\"shutterSeconds\":0,\"iso\":100}}|camera.shutter",
        "{\"id\":\"k\",\"glows\":[{\"id\":\"g\",\"bloom\":{\"size\":0}}]}|glows[0].bloom.size",
        "{\"id\":\"k\",\"glows\":[{\"id\":\"g\",\"bloom\":{\"colour\":[0,0,0]}}]}|bloom.colour",
        "{\"id\":\"k\",\"grade\":{\"lut\":\"x.png\"}}|grade.lut",
        "{\"id\":\"k\",\"grade\":{\"curves\":{\"red\":[{\"x\":0,\"y\":0}]}}}|grade.curves.red",
        "{\"id\":\"k\",\"optics\":{\"grain\":-1}}|optics.grain",
        "{\"id\":\"k\",\"shine\":1}|shine"
      })
  void impossibleNumbersAreRefusedWithTheirPath(String look, String path) {
    assertThatThrownBy(
            () -> ShootDocument.read(ShootDocument.parse(look.getBytes(UTF_8)), Look.class))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining(path);
  }

  private static Lut cube() {
    float[] values = new float[81];
    for (int i = 0; i < values.length; i++) {
      values[i] = i / 80f;
    }
    return new Lut(true, 3, new float[] {0, 0, -0.5f}, new float[] {1, 1, 1.5f}, values);
  }

  @Test
  void aCubeReadsBackAsItWasWritten() {
    Lut back = CubeFile.read(CubeFile.write(cube(), "A \"title\"\nof two lines"));
    assertThat(back.cube()).isTrue();
    assertThat(back.size()).isEqualTo(3);
    assertThat(back.values()).containsExactly(cube().values(), within(1e-6f));
    assertThat(back.least()).containsExactly(cube().least(), within(1e-6f));
    assertThat(back.most()).containsExactly(cube().most(), within(1e-6f));
  }

  @Test
  void curvesWithCommentsRangesAndOddSpacesAreRead() {
    String text =
        "# made by hand\r\nTITLE \"x\"\r\n\r\nLUT_1D_SIZE 2\r\nLUT_1D_INPUT_RANGE 0.0 2.0\r\n"
            + "  0 0   0\r\n1.0\t0.5 2e-1\r\n";
    Lut lut = CubeFile.read(text.getBytes(UTF_8));
    float[] v = {1, 1, 1};
    lut.look(v);
    assertThat(v).containsExactly(new float[] {0.5f, 0.25f, 0.1f}, within(1e-6f));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0 0 0|line 1",
        "LUT_3D_SIZE 1|line 1",
        "LUT_3D_SIZE 500|2 to 129",
        "LUT_1D_SIZE 2;0 0 0|1 of 2",
        "LUT_1D_SIZE 2;0 0 0;1 x 1|line 3",
        "LUT_1D_SIZE 2;0 0 0;1 1|line 3",
        "LUT_1D_SIZE 2;0 0 0;1 1 1;2 2 2|line 4",
        "LUT_1D_SIZE 2;LUT_3D_SIZE 2|line 2",
        "LUT_1D_SIZE 2;0 0 NaN;1 1 1|line 2",
        "LUT_1D_SIZE 2;DOMAIN_MIN 1 1 1;0 0 0;1 1 1|domain",
        "HELLO 3|line 1",
        "TITLE \"x\"|no size"
      })
  void aBrokenLutIsRefusedWithItsLine(String lines, String said) {
    assertThatThrownBy(() -> CubeFile.read(lines.replace(';', '\n').getBytes(UTF_8)))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining(said);
  }

  @ParameterizedTest
  @ValueSource(strings = {"cube", "cdl"})
  void harmedFilesAreReadOrRefusedAndNothingElse(String kind) {
    byte[] file =
        kind.equals("cube")
            ? CubeFile.write(cube(), "T")
            : CdlFile.write(whole().grade().wheels(), "dusk");
    Random random = new Random(11);
    int refused = 0;
    for (int i = 0; i < 600; i++) {
      byte[] harmed = file.clone();
      for (int j = 0; j <= i % 4; j++) {
        harmed[random.nextInt(harmed.length)] = (byte) random.nextInt(256);
      }
      int length = i % 3 == 0 ? random.nextInt(harmed.length) : harmed.length;
      byte[] cut = java.util.Arrays.copyOf(harmed, length);
      try {
        if (kind.equals("cube")) {
          CubeFile.read(cut);
        } else {
          CdlFile.read(cut);
        }
      } catch (RefusedFile e) {
        assertThat(e.getMessage()).isNotBlank();
        refused++;
      }
    }
    assertThat(refused).isGreaterThan(100);
  }

  @Test
  void aCdlReadsBackAsTheSameSlopeOffsetAndPower() {
    Grade.Wheels wheels = whole().grade().wheels();
    Grade.Wheels back = CdlFile.read(CdlFile.write(wheels, "dusk"));
    assertThat(back.slope().r()).isCloseTo(wheels.slope().r(), within(1e-5));
    assertThat(back.cdlOffset().b()).isCloseTo(wheels.cdlOffset().b(), within(1e-5));
    assertThat(back.power().g()).isCloseTo(wheels.power().g(), within(1e-5));
    assertThat(back.saturation()).isCloseTo(1.2, within(1e-5));
  }

  @Test
  void aCdlThatPullsInOtherFilesIsRefused() {
    String text =
        "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY f SYSTEM \"file:///etc/hostname\">]>"
            + "<a><Slope>&f;</Slope></a>";
    assertThatThrownBy(() -> CdlFile.read(text.getBytes(UTF_8)))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("no XML that can be read");
  }
}
