package levelember.formats.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;
import levelember.formats.RefusedFile;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PictureFormatsTest {
  private static Picture noise(int width, int height, long seed) {
    Random random = new Random(seed);
    Picture p = Picture.black(width, height);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = (float) Math.exp(random.nextGaussian() * 4);
    }
    // Even stretches, so that run-length coding has something to do.
    Arrays.fill(p.rgb(), 0, p.rgb().length / 3, 0.25f);
    return p;
  }

  @ParameterizedTest
  @CsvSource({"1,1", "7,3", "8,2", "300,5", "129,17"})
  void radianceKeepsLightToAPercentOfThePixelsBrightestChannel(int width, int height) {
    Picture p = noise(width, height, 5);
    Picture read = RadianceHdr.read(RadianceHdr.write(p));
    assertThat(read.width()).isEqualTo(width);
    for (int i = 0; i < p.rgb().length; i++) {
      int at = i / 3 * 3;
      float most = Math.max(p.rgb()[at], Math.max(p.rgb()[at + 1], p.rgb()[at + 2]));
      assertThat(read.rgb()[i]).isCloseTo(p.rgb()[i], within(most / 128));
    }
  }

  @ParameterizedTest
  @CsvSource({"1,1", "17,16", "33,50", "200,3"})
  void openExrKeepsEveryBitAndEveryLayer(int width, int height) {
    Picture whole = noise(width, height, 1), key = noise(width, height, 2);
    Picture fill = noise(width, height, 3);
    byte[] file =
        OpenExr.write(whole, Map.of("Key light, left of the camera and above", key, "F.1", fill));
    OpenExr.Channels read = OpenExr.read(file);
    assertThat(read.layer("").rgb()).containsExactly(whole.rgb());
    assertThat(read.layer("Key light, left of the camera and above").rgb())
        .containsExactly(key.rgb());
    assertThat(read.layer("F-1").rgb()).containsExactly(fill.rgb());
  }

  @Test
  void alphaIsWrittenBesideTheColours() throws Exception {
    Picture half = Picture.black(2, 1);
    half.set(0, 0, 0.5, 0.5, 0.5);
    float[] alpha = {0.5f, 0.25f};
    OpenExr.Channels exr = OpenExr.read(OpenExr.write(half, Map.of("Key", half), alpha));
    assertThat(exr.channels().get("A")).containsExactly(alpha);
    assertThat(exr.layer("").rgb()).containsExactly(half.rgb());
    assertThat(exr.layer("Key").rgb()).containsExactly(half.rgb());
    Development plain = new Development(new Look("k", "K", Math.log(1 / 1.2) / Math.log(2), 1, 0));
    for (int bits : new int[] {8, 16}) {
      byte[] png = PngFile.write(half, LookInputs.NONE, plain, bits, alpha);
      BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
      assertThat(image.getColorModel().hasAlpha()).isTrue();
      assertThat(image.isAlphaPremultiplied()).isFalse();
      // Half of a white that is half there.
      assertThat(image.getRGB(0, 0)).isEqualTo(0x80FFFFFF);
      assertThat(image.getRGB(1, 0)).isEqualTo(0x40000000);
    }
  }

  /** A file laid out by hand after the published layout: 2×2, half floats, no compression. */
  @Test
  void openExrReadsHalfFloatsWithoutCompression() {
    ByteBuffer b = ByteBuffer.allocate(4096).order(ByteOrder.LITTLE_ENDIAN);
    b.putInt(20000630).putInt(2);
    put(b, "channels", "chlist", 3 * 18 + 1);
    for (String c : new String[] {"B", "G", "R"}) {
      b.put(c.getBytes(StandardCharsets.US_ASCII)).put((byte) 0);
      b.putInt(1).putInt(0).putInt(1).putInt(1);
    }
    b.put((byte) 0);
    put(b, "compression", "compression", 1);
    b.put((byte) 0);
    put(b, "dataWindow", "box2i", 16);
    b.putInt(3).putInt(4).putInt(4).putInt(5);
    b.put((byte) 0);
    int table = b.position();
    b.putLong(0).putLong(0);
    float[] values = {0.5f, 2, 8, 16, 0.25f, 1024};
    for (int y = 0; y < 2; y++) {
      b.putLong(table + 8 * y, b.position());
      b.putInt(4 + y).putInt(12);
      for (float v : values) {
        b.putShort(Float.floatToFloat16(v * (1 + y)));
      }
    }
    Picture p = OpenExr.read(Arrays.copyOf(b.array(), b.position())).layer("");
    assertThat(p.get(0, 0, 2)).isEqualTo(0.5f);
    assertThat(p.get(1, 0, 1)).isEqualTo(16f);
    assertThat(p.get(1, 1, 0)).isEqualTo(2048f);
  }

  private static void put(ByteBuffer b, String name, String type, int size) {
    b.put(name.getBytes(StandardCharsets.US_ASCII)).put((byte) 0);
    b.put(type.getBytes(StandardCharsets.US_ASCII)).put((byte) 0).putInt(size);
  }

  @ParameterizedTest
  @ValueSource(ints = {8, 16})
  void pngEqualsTheDocumentedCurveWithinHalfACode(int bits) {
    Look look = new Look("l", "L", 3, 0.5, 3);
    Development curve = new Development(look);
    Picture p = Picture.black(256, 4);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = i / 3 / 13f;
    }
    Picture read = PngFile.read(PngFile.write(p, curve, bits));
    double most = Math.pow(2, bits) - 1;
    for (int i = 0; i < p.rgb().length; i++) {
      double code = levelember.math.Colour.encodeSrgb(read.rgb()[i]) * most;
      // The curve as documented, said again by hand.
      double x = p.rgb()[i] / (1.2 * 8);
      double t = (x - 0.5) / 0.5, w = 7.5 / 0.5;
      double shown = x <= 0.5 ? x : x >= 8 ? 1 : 0.5 + 0.5 * t * (1 + t / (w * w)) / (1 + t);
      double wanted =
          most * (shown <= 0.0031308 ? 12.92 * shown : 1.055 * Math.pow(shown, 1 / 2.4) - 0.055);
      assertThat(code).isCloseTo(wanted, within(0.51));
    }
  }

  private static byte[] valid(String kind) {
    Picture p = noise(24, 18, 9);
    return switch (kind) {
      case "hdr" -> RadianceHdr.write(p);
      case "exr" -> OpenExr.write(p, Map.of("Key", p));
      case "jpg" -> PngFile.jpeg(new byte[24 * 18 * 3], 24, 18, 0.8f);
      default -> PngFile.write(p, new Development(new Look("l", "L", 0, 0.5, 3)), 8);
    };
  }

  @ParameterizedTest
  @ValueSource(strings = {"hdr", "exr", "png", "jpg"})
  void aFileCutShortAnywhereIsRefusedOrReadButNeverMore(String kind) {
    byte[] file = valid(kind);
    for (int n = 0; n < file.length; n += Math.max(1, file.length / 150)) {
      readOrRefuse(Arrays.copyOf(file, n));
    }
    assertThatThrownBy(() -> PictureFile.read(Arrays.copyOf(file, file.length / 3)))
        .isInstanceOf(RefusedFile.class);
  }

  @ParameterizedTest
  @ValueSource(strings = {"hdr", "exr", "png", "jpg"})
  void aFileWithWrongBytesIsRefusedOrReadButNeverMore(String kind) {
    byte[] file = valid(kind);
    Random random = new Random(kind.hashCode());
    for (int i = 0; i < 300; i++) {
      byte[] broken = file.clone();
      for (int k = random.nextInt(6); k >= 0; k--) {
        broken[random.nextInt(i < 150 ? Math.min(400, file.length) : file.length)] =
            (byte) random.nextInt();
      }
      readOrRefuse(broken);
    }
  }

  private static void readOrRefuse(byte[] file) {
    try {
      assertThat(PictureFile.read(file).rgb()).isNotEmpty();
    } catch (RefusedFile e) {
      assertThat(e.getMessage()).isNotBlank();
    }
  }

  @Test
  void hugeSizesAreRefusedBeforeAnythingIsAllocated() {
    String hdr = "#?RADIANCE\nFORMAT=32-bit_rle_rgbe\n\n-Y 2000000000 +X 2000000000\n";
    assertThatThrownBy(() -> PictureFile.read(hdr.getBytes(StandardCharsets.US_ASCII)))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("2000000000");
    String long16k = "#?RADIANCE\nFORMAT=32-bit_rle_rgbe\n\n-Y 8192 +X 16384\n";
    assertThatThrownBy(() -> PictureFile.read(long16k.getBytes(StandardCharsets.US_ASCII)))
        .isInstanceOf(RefusedFile.class)
        .hasMessageMatching(".*(cut short|memory).*");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "hello", "GIF89a not really", "#?RADIANCE", "PK\u0003\u0004"})
  void whatIsNoPictureIsRefused(String text) {
    assertThatThrownBy(() -> PictureFile.read(text.getBytes(StandardCharsets.ISO_8859_1)))
        .isInstanceOf(RefusedFile.class);
  }

  @Test
  void lightThatIsNoNumberIsMendedFromItsNeighbours() {
    Picture p = noise(8, 8, 1);
    p.rgb()[5] = Float.NaN;
    float mended = PictureFile.read(OpenExr.write(p)).rgb()[5];
    assertThat(mended).isFinite().isPositive();
  }
}
