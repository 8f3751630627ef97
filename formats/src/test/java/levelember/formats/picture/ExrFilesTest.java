package levelember.formats.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Random;
import levelember.formats.RefusedFile;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** OpenEXR files that other programs wrote; see the resources' README. */
class ExrFilesTest {
  private static byte[] file(String name) throws IOException {
    try (InputStream in = ExrFilesTest.class.getResourceAsStream("/exr/" + name + ".exr")) {
      return in.readAllBytes();
    }
  }

  private static void same(String name, String as, double tolerance) throws IOException {
    OpenExr.Channels one = OpenExr.read(file(name)), other = OpenExr.read(file(as));
    assertThat(one.width()).isEqualTo(43);
    assertThat(one.height()).isEqualTo(37);
    assertThat(one.channels().keySet()).isEqualTo(other.channels().keySet());
    other
        .channels()
        .forEach((channel, wanted) -> {
          float[] values = one.channels().get(channel);
          for (int i = 0; i < wanted.length; i++) {
            assertThat(values[i])
                .as(name + " " + channel + " at " + i % 43 + ", " + i / 43)
                .isCloseTo(
                    wanted[i],
                    org.assertj.core.api.Assertions.within(
                        (float) (tolerance * Math.abs(wanted[i]) + tolerance * 1e-3)));
          }
        });
  }

  @ParameterizedTest
  @CsvSource({
    "rle-half, none-half",
    "zips-half, none-half",
    "zip-half, none-half",
    "piz-half, none-half",
    "pxr24-half, none-half",
    "zip-float, none-float",
    "piz-float, none-float",
    "tiled, none-float",
    "tiled-levels, none-half",
    "parts, none-half"
  })
  void losslessFilesReadAsThoseWithoutCompression(String name, String as) throws IOException {
    same(name, as, 0);
  }

  @ParameterizedTest
  @ValueSource(strings = {"pxr24-float", "b44-half", "b44a-half"})
  void lossyFilesReadAsTheReferenceReadsThem(String name) throws IOException {
    same(name, name + "-read", 0);
  }

  @ParameterizedTest
  @ValueSource(strings = {"dwaa-half", "dwab-half", "dwaa-float"})
  void cosinesReadAsTheReferenceReadsThemButForRounding(String name) throws IOException {
    // The reference rounds in between; a step of a half is 0.1 %, and the scale is exponential.
    same(name, name + "-read", 0.01);
  }

  @Test
  void otherPrimariesAreTurnedToBt709() throws IOException {
    Picture wide = PictureFile.read(file("wide")), plain = PictureFile.read(file("none-float"));
    // BT.2020 to BT.709 as in ITU-R BT.2087, where nothing is out of gamut.
    float[] in = plain.rgb(), out = wide.rgb();
    int at = 3 * (18 * 43 + 20);
    double r = 1.6605 * in[at] - 0.5876 * in[at + 1] - 0.0728 * in[at + 2];
    assertThat((double) out[at])
        .isCloseTo(r, org.assertj.core.api.Assertions.withinPercentage(0.2));
  }

  /** A scan-line file without compression, written by the layout's words. */
  private static byte[] plain(int width, int height, String[] names, int[] steps, float[][] rows) {
    ByteBuffer to = ByteBuffer.allocate(1 << 16).order(ByteOrder.LITTLE_ENDIAN);
    to.putInt(20000630).putInt(2);
    ByteBuffer list = ByteBuffer.allocate(1024).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < names.length; i++) {
      list.put(names[i].getBytes()).put((byte) 0).putInt(2).putInt(0);
      list.putInt(steps[i]).putInt(steps[i]);
    }
    list.put((byte) 0).flip();
    entry(to, "channels", "chlist", list.remaining()).put(list);
    entry(to, "compression", "compression", 1).put((byte) 0);
    entry(to, "dataWindow", "box2i", 16).putInt(0).putInt(0).putInt(width - 1).putInt(height - 1);
    to.put((byte) 0);
    int at = to.position() + 8 * height;
    for (int y = 0; y < height; y++) {
      to.putLong(at);
      at += 8 + 4 * rows[y].length;
    }
    for (int y = 0; y < height; y++) {
      to.putInt(y).putInt(4 * rows[y].length);
      for (float v : rows[y]) {
        to.putFloat(v);
      }
    }
    return java.util.Arrays.copyOf(to.array(), to.position());
  }

  private static ByteBuffer entry(ByteBuffer to, String name, String type, int size) {
    to.put(name.getBytes()).put((byte) 0).put(type.getBytes()).put((byte) 0);
    return to.putInt(size);
  }

  @Test
  void luminanceWithChromaOfHalfTheSizeIsTurnedToColour() {
    // Y of 2 everywhere, red a quarter over it, blue half under it.
    float[] full = {-0.5f, 0.25f, 2, 2}, half = {2, 2};
    String[] names = {"BY", "RY", "Y"};
    byte[] file = plain(2, 2, names, new int[] {2, 2, 1}, new float[][] {full, half});
    Picture read = PictureFile.read(file);
    for (int i = 0; i < 4; i++) {
      assertThat(read.rgb()[3 * i]).isEqualTo(2.5f);
      assertThat(read.rgb()[3 * i + 2]).isEqualTo(1f);
      double y = 0.2126 * 2.5 + 0.7152 * read.rgb()[3 * i + 1] + 0.0722;
      assertThat(y).isCloseTo(2, org.assertj.core.api.Assertions.within(1e-3));
    }
  }

  @Test
  void pixelsThatAreNoNumberAreMendedAndSaid() {
    float inf = Float.POSITIVE_INFINITY, nan = Float.NaN;
    String[] names = {"B", "G", "R"};
    float[] first = {1, 1, inf, 1, 1, nan, 3, 4, 5}, second = {1, 1, 1, 1, 1, 1, -2, 8, 6};
    byte[] file = plain(3, 2, names, new int[] {1, 1, 1}, new float[][] {first, second});
    PictureFile.Mended read = PictureFile.mended(file);
    Picture p = read.picture();
    assertThat(p.get(2, 0, 2)).isEqualTo(1);
    assertThat(p.get(2, 0, 1)).isEqualTo(1);
    assertThat(p.get(0, 1, 0)).isZero();
    assertThat(read.notes()).hasSize(2);
    assertThat(read.notes().getFirst()).contains("1 pixel").contains("largest");
    assertThat(read.notes().getLast()).contains("below zero").contains("-2");
  }

  @Test
  void aSmallFileThatClaimsGigabytesIsRefusedBeforeAnythingIsTaken() {
    byte[] file =
        plain(2, 1, new String[] {"B", "G", "R"}, new int[] {1, 1, 1}, new float[][] {{1}});
    ByteBuffer bytes = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    int window =
        new String(file, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf("box2i") + 10;
    bytes.putInt(window + 8, 16_383).putInt(window + 12, 8_191);
    assertThatThrownBy(() -> OpenExr.read(file))
        .isInstanceOf(RefusedFile.class)
        .hasMessageMatching(".*(memory|more than its size).*");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"piz-half", "dwaa-half", "dwab-half", "b44-half", "pxr24-float", "tiled-levels"})
  void harmedFilesAreRefusedOrRead(String name) throws IOException {
    byte[] whole = file(name);
    Random random = new Random(name.hashCode());
    for (int i = 0; i < 300; i++) {
      byte[] harmed = whole.clone();
      for (int k = 0; k <= i % 4; k++) {
        harmed[random.nextInt(harmed.length)] = (byte) random.nextInt();
      }
      try {
        PictureFile.read(i % 5 == 0 ? java.util.Arrays.copyOf(harmed, i * 7) : harmed);
      } catch (RefusedFile e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }
}
