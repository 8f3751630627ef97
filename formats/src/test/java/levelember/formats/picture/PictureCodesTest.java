package levelember.formats.picture;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.ImageIO;
import levelember.formats.RefusedFile;
import levelember.math.Colour;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pictures of codes mean what their formats say: sRGB, a profile, turned by a note. */
class PictureCodesTest {
  private static byte[] encoded(BufferedImage image, String format) throws IOException {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    ImageIO.write(image, format, to);
    return to.toByteArray();
  }

  private static BufferedImage filled(int type, int... pixel) {
    BufferedImage image = new BufferedImage(16, 8, type);
    for (int y = 0; y < 8; y++) {
      for (int x = 0; x < 16; x++) {
        image.getRaster().setPixel(x, y, pixel);
      }
    }
    return image;
  }

  @ParameterizedTest
  @CsvSource({"png", "jpeg"})
  void aGreyCodeMeansTheSameAsThatCodeInColour(String format) throws IOException {
    Picture grey = PictureFile.read(encoded(filled(BufferedImage.TYPE_BYTE_GRAY, 128), format));
    double wanted = Colour.decodeSrgb(128 / 255.0);
    assertThat((double) grey.get(3, 3, 0)).isCloseTo(wanted, within(wanted * 0.01));
    assertThat(grey.get(3, 3, 2)).isEqualTo(grey.get(3, 3, 0));
  }

  @Test
  void sixteenBitsOfGreyAreKept() throws IOException {
    Picture grey = PictureFile.read(encoded(filled(BufferedImage.TYPE_USHORT_GRAY, 32_700), "png"));
    assertThat((double) grey.get(0, 0, 1))
        .isCloseTo(Colour.decodeSrgb(32_700 / 65535.0), within(1e-6));
  }

  /** A PNG with one chunk more after its head. */
  private static byte[] with(byte[] png, String type, byte[] content) {
    byte[] name = type.getBytes(ISO_8859_1);
    CRC32 crc = new CRC32();
    crc.update(name);
    crc.update(content);
    ByteBuffer to = ByteBuffer.allocate(png.length + 12 + content.length);
    to.put(png, 0, 33).putInt(content.length).put(name).put(content).putInt((int) crc.getValue());
    return to.put(png, 33, png.length - 33).array();
  }

  @Test
  void theProfileOfAPngIsFollowed() throws IOException {
    byte[] profile = ICC_Profile.getInstance(ColorSpace.CS_LINEAR_RGB).getData();
    Deflater deflater = new Deflater();
    deflater.setInput(profile);
    deflater.finish();
    byte[] packed = new byte[profile.length + 100];
    int n = deflater.deflate(packed);
    ByteArrayOutputStream content = new ByteArrayOutputStream();
    content.writeBytes("linear\0\0".getBytes(ISO_8859_1));
    content.write(packed, 0, n);
    byte[] png = encoded(filled(BufferedImage.TYPE_3BYTE_BGR, 128, 64, 32), "png");
    Picture plain = PictureFile.read(png);
    Picture read = PictureFile.read(with(png, "iCCP", content.toByteArray()));
    assertThat((double) plain.get(0, 0, 0)).isCloseTo(0.2159, within(1e-3));
    // Linear codes are shares of light as they stand.
    assertThat((double) read.get(0, 0, 0)).isCloseTo(128 / 255.0, within(0.01));
    assertThat((double) read.get(0, 0, 1)).isCloseTo(64 / 255.0, within(0.01));
    // Numbers that are no colours stay.
    byte[] coded = with(png, "iCCP", content.toByteArray());
    assertThat((double) PictureFile.texels(coded, false).width()).isEqualTo(16);
  }

  /** A JPEG that notes how it is to be turned. */
  private static byte[] turned(byte[] jpeg, int orientation) {
    ByteBuffer note = ByteBuffer.allocate(36);
    note.putShort((short) 0xFFE1).putShort((short) 34).put("Exif\0\0".getBytes(ISO_8859_1));
    note.put("MM".getBytes(ISO_8859_1)).putShort((short) 42).putInt(8).putShort((short) 1);
    note.putShort((short) 0x112).putShort((short) 3).putInt(1).putShort((short) orientation);
    note.putShort((short) 0).putInt(0);
    ByteBuffer to = ByteBuffer.allocate(jpeg.length + note.position());
    return to.put(jpeg, 0, 2).put(note.flip()).put(jpeg, 2, jpeg.length - 2).array();
  }

  /** Where the corner that is white as stored is to be seen: right, and below. */
  @ParameterizedTest
  @CsvSource({
    "1, 0, 0", "2, 1, 0", "3, 1, 1", "4, 0, 1", "5, 0, 0", "6, 1, 0", "7, 1, 1", "8, 0, 1"
  })
  void aPictureIsTurnedAsItsNoteSays(int orientation, int right, int below) throws IOException {
    BufferedImage image = new BufferedImage(64, 32, BufferedImage.TYPE_3BYTE_BGR);
    for (int y = 0; y < 16; y++) {
      for (int x = 0; x < 32; x++) {
        image.setRGB(x, y, 0xFFFFFF);
      }
    }
    Picture read = PictureFile.read(turned(encoded(image, "jpeg"), orientation));
    boolean upright = orientation <= 4;
    assertThat(read.width()).isEqualTo(upright ? 64 : 32);
    for (int i = 0; i < 4; i++) {
      int x = i % 2, y = i / 2;
      float value = read.get(read.width() * (1 + 2 * x) / 4, read.height() * (1 + 2 * y) / 4, 1);
      assertThat(value > 0.5).as(x + ", " + y).isEqualTo(x == right && y == below);
    }
  }

  private static byte[] file(String name) throws IOException {
    try (InputStream in = PictureCodesTest.class.getResourceAsStream("/pictures/" + name)) {
      return in.readAllBytes();
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"ramp.png", "ramp.webp", "ramp16.tif"})
  void webpAndTiffReadAsPngDoes(String name) throws IOException {
    Picture read = PictureFile.read(file(name));
    for (int y = 0; y < 8; y++) {
      for (int x = 0; x < 16; x++) {
        assertThat((double) read.get(x, y, 0))
            .isCloseTo(Colour.decodeSrgb(x * 16 / 255.0), within(1e-3));
        assertThat((double) read.get(x, y, 1))
            .isCloseTo(Colour.decodeSrgb(y * 32 / 255.0), within(1e-3));
      }
    }
  }

  @Test
  void aJpegOfPrintersInksIsRead() throws IOException {
    Picture read = PictureFile.read(file("ramp-cmyk.jpg"));
    assertThat(read.width()).isEqualTo(32);
    assertThat(read.get(28, 2, 0)).isGreaterThan(read.get(4, 2, 0));
    assertThat(read.get(4, 14, 1)).isGreaterThan(read.get(4, 2, 1));
  }

  @ParameterizedTest
  @ValueSource(strings = {"ramp.webp", "ramp16.tif", "ramp-cmyk.jpg"})
  void cutFilesAreRefused(String name) throws IOException {
    byte[] whole = file(name);
    for (int n : new int[] {4, 20, 40}) {
      assertThatThrownBy(() -> PictureFile.read(java.util.Arrays.copyOf(whole, n)))
          .isInstanceOf(RefusedFile.class);
    }
  }

  /** A Radiance picture of two by two pixels: red, green; blue, white, as stored. */
  private static Picture radiance(String format, String size) {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    to.writeBytes(("#?RADIANCE\nFORMAT=" + format + "\n\n" + size + "\n").getBytes(ISO_8859_1));
    int[][] pixels = {{128, 0, 0}, {0, 128, 0}, {0, 0, 128}, {128, 128, 128}};
    for (int[] p : pixels) {
      to.writeBytes(new byte[] {(byte) p[0], (byte) p[1], (byte) p[2], (byte) 129});
    }
    return RadianceHdr.read(to.toByteArray());
  }

  /** Where the first and the second pixel of the file are to be seen. */
  @ParameterizedTest
  @CsvSource({
    "-Y 2 +X 2, 0, 0, 1, 0",
    "-Y 2 -X 2, 1, 0, 0, 0",
    "+Y 2 +X 2, 0, 1, 1, 1",
    "+Y 2 -X 2, 1, 1, 0, 1",
    "+X 2 -Y 2, 0, 0, 0, 1",
    "-X 2 -Y 2, 1, 0, 1, 1",
    "+X 2 +Y 2, 0, 1, 0, 0",
    "-X 2 +Y 2, 1, 1, 1, 0"
  })
  void radiancePicturesStandInEveryDirection(String size, int x0, int y0, int x1, int y1) {
    Picture p = radiance("32-bit_rle_rgbe", size);
    assertThat(p.get(x0, y0, 0)).isGreaterThan(0.9f);
    assertThat(p.get(x0, y0, 1)).isLessThan(0.1f);
    assertThat(p.get(x1, y1, 1)).isGreaterThan(0.9f);
    assertThat(p.get(x1, y1, 0)).isLessThan(0.1f);
  }

  @Test
  void radiancePicturesOfXyzAreTurnedToColour() {
    Picture p = radiance("32-bit_rle_xyze", "-Y 2 +X 2");
    // Y alone is green beyond what a screen shows, X alone red: by the matrix of IEC 61966-2-1.
    assertThat((double) p.get(0, 0, 0)).isCloseTo(3.2406, within(0.05));
    assertThat((double) p.get(1, 0, 1)).isCloseTo(1.8758, within(0.05));
    assertThat(p.get(1, 0, 0)).isZero();
  }

  @Test
  void oldRunsOfRadianceRepeatTheLastPixel() {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    String head = "#?RADIANCE\nFORMAT=32-bit_rle_rgbe\n\n-Y 1 +X 300\n";
    to.writeBytes(head.getBytes(ISO_8859_1));
    to.writeBytes(new byte[] {(byte) 128, 64, 32, (byte) 129});
    // 43 more, then 256 more: the second count weighs 256 times as much.
    to.writeBytes(new byte[] {1, 1, 1, 43, 1, 1, 1, 1});
    Picture p = RadianceHdr.read(to.toByteArray());
    for (int x = 0; x < 300; x++) {
      assertThat(p.get(x, 0, 0)).isEqualTo(p.get(0, 0, 0)).isGreaterThan(0.9f);
    }
  }
}
