package levelember.formats.picture;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import levelember.formats.RefusedFile;
import levelember.formats.exchange.ModelFiles;
import levelember.formats.gltf.GltfFile;
import levelember.formats.grade.CubeFile;
import levelember.formats.photometric.IesFile;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a file holds and is not taken from it is said; what can be read is read. */
class LeftOutTest {
  private static final String TRIANGLE = "v 0 0 0\nv 1 0 0\nv 0 1 0\nusemtl red\nf 1 2 3\n";

  private static byte[] zip(Map<String, byte[]> files) throws IOException {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(to)) {
      for (Map.Entry<String, byte[]> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
      }
    }
    return to.toByteArray();
  }

  @Test
  void anObjSaysWhichLibraryIsMissingAndWhatHasNoSurface() {
    String obj = "mtllib gone.mtl\n" + TRIANGLE + "l 1 2\nl 2 3\np 1\ncurv 0 1 1 2\n";
    ModelFiles.Model model = ModelFiles.read("a.obj", obj.getBytes(UTF_8));
    assertThat(model.left())
        .containsExactlyInAnyOrder(
            "The materials of 'gone.mtl', which is not with the model",
            "2 lines of the OBJ: without a surface",
            "1 point of the OBJ: without a surface",
            "1 curve of the OBJ: without a surface");
  }

  @Test
  void anObjSaysWhichPicturesAreMissingOrBroken() throws IOException {
    String mtl = "newmtl red\nKd 1 0 0\nmap_Kd gone.png\nnorm broken.png\n";
    byte[] zip =
        zip(
            Map.of(
                "a.obj", ("mtllib a.mtl\n" + TRIANGLE).getBytes(UTF_8),
                "a.mtl", mtl.getBytes(UTF_8),
                "broken.png", "no picture".getBytes(UTF_8)));
    assertThat(ModelFiles.read("a.zip", zip).left())
        .hasSize(2)
        .anyMatch(l -> l.contains("gone.png") && l.contains("not with the model"))
        .anyMatch(l -> l.startsWith("The picture 'broken.png': "));
  }

  @Test
  void twoLibrariesInOneLineAreBothRead() throws IOException {
    byte[] zip =
        zip(
            Map.of(
                "a.obj", ("mtllib first.mtl second.mtl\n" + TRIANGLE).getBytes(UTF_8),
                "first.mtl", "newmtl other\nKd 0 1 0\n".getBytes(UTF_8),
                "second.mtl", "newmtl red\nKd 1 0 0\n".getBytes(UTF_8)));
    ModelFiles.Model model = ModelFiles.read("a.zip", zip);
    assertThat(model.left()).isEmpty();
    assertThat(new String(model.bytes(), UTF_8)).contains("\"name\":\"red\"").contains("other");
  }

  @Test
  void aModelWhoseOffsetsOverflowIsRefused() {
    String json =
        "{\"asset\":{\"version\":\"2.0\"},\"buffers\":[{\"byteLength\":4}],\"bufferViews\":[{\"buffer\":0,"
            + "\"byteOffset\":9223372036854775806,\"byteLength\":4}],\"images\":[{\"bufferView\":0,"
            + "\"mimeType\":\"image/png\"}],\"accessors\":[{\"bufferView\":0,\"componentType\":5126,"
            + "\"count\":1,\"type\":\"SCALAR\"}]}";
    byte[] text = Arrays.copyOf(json.getBytes(UTF_8), (json.length() + 3) / 4 * 4);
    Arrays.fill(text, json.length(), text.length, (byte) ' ');
    ByteBuffer glb = ByteBuffer.allocate(12 + 8 + text.length + 8 + 4);
    glb.order(java.nio.ByteOrder.LITTLE_ENDIAN);
    glb.putInt(0x46546C67).putInt(2).putInt(glb.capacity());
    glb.putInt(text.length).putInt(0x4E4F534A).put(text);
    glb.putInt(4).putInt(0x004E4942).putInt(0);
    assertThatThrownBy(
            () -> {
              byte[] model = ModelFiles.read("a.glb", glb.array()).bytes();
              GltfFile.read(model).view(0);
            })
        .isInstanceOf(RefusedFile.class);
  }

  /** Ward's files may name primaries: red of these is no red of BT.709. */
  @Test
  void primariesOfARadiancePictureAreFollowed() {
    Picture red = Picture.black(8, 1);
    for (int x = 0; x < 8; x++) {
      red.set(x, 0, 1, 0, 0);
    }
    String plain = new String(RadianceHdr.write(red), java.nio.charset.StandardCharsets.ISO_8859_1);
    String wide =
        plain.replaceFirst(
            "FORMAT=", "PRIMARIES= 0.708 0.292 0.170 0.797 0.131 0.046 0.3127 0.3290\nFORMAT=");
    Picture read = RadianceHdr.read(wide.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1));
    // ITU-R BT.2087: red of BT.2020 in BT.709.
    assertThat(read.get(3, 0, 0)).isCloseTo(1.6605f, within(0.02f));
    assertThat(read.get(3, 0, 1)).isCloseTo(-0.1246f, within(0.01f));
    assertThat(
            RadianceHdr.read(plain.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1))
                .get(3, 0, 1))
        .isCloseTo(0, within(0.01f));
    String broken = wide.replace("0.708 0.292", "0.708");
    assertThatThrownBy(
            () -> RadianceHdr.read(broken.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1)))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("primaries");
  }

  private static byte[] withChunk(byte[] png, String kind, int... values) {
    ByteBuffer chunk = ByteBuffer.allocate(12 + 4 * values.length);
    chunk.putInt(4 * values.length).put(kind.getBytes(US_ASCII));
    for (int v : values) {
      chunk.putInt(v);
    }
    CRC32 crc = new CRC32();
    crc.update(chunk.array(), 4, 4 + 4 * values.length);
    chunk.putInt((int) crc.getValue());
    // After the header: 8 bytes of signature and 25 of IHDR.
    ByteBuffer to = ByteBuffer.allocate(png.length + chunk.capacity());
    return to.put(png, 0, 33).put(chunk.array()).put(png, 33, png.length - 33).array();
  }

  @Test
  void aPngSaysWhichColoursItDoesNotHave() {
    byte[] png = PngFile.plain(new byte[3 * 4 * 4], 4, 4);
    assertThat(PictureFile.mended(png).notes()).isEmpty();
    assertThat(PictureFile.mended(withChunk(png, "gAMA", 45455)).notes()).isEmpty();
    assertThat(PictureFile.mended(withChunk(png, "gAMA", 100000)).notes())
        .singleElement()
        .asString()
        .contains("gAMA")
        .contains("1/1.00");
    assertThat(
            PictureFile.mended(
                    withChunk(png, "cHRM", 31270, 32900, 68000, 32000, 26500, 69000, 15000, 6000))
                .notes())
        .singleElement()
        .asString()
        .contains("cHRM");
    assertThat(PictureFile.mended(withChunk(png, "cICP", 9 << 24 | 16 << 16 | 1)).notes())
        .singleElement()
        .asString()
        .contains("primaries 9 and transfer 16");
  }

  @ParameterizedTest
  @ValueSource(strings = {"1.5D3", "1.5d+3", "15.E2", "1500"})
  void anExponentOfFortranIsRead(String number) {
    String ies =
        "IESNA:LM-63-1995\nTILT=NONE\n1 1000 1 2 1 1 2 0 0 0\n1 1 10\n0 90\n0\n" + number + " 0\n";
    assertThat(IesFile.read(ies.getBytes(US_ASCII), "a.ies").peak()).isCloseTo(1500, within(1e-6));
  }

  @ParameterizedTest
  @ValueSource(strings = {"\r", "\r\n", "\n"})
  void aLutOfAnyLineEndsAndWithAMarkOfByteOrderIsRead(String end) {
    StringBuilder cube = new StringBuilder("\uFEFFLUT_1D_SIZE 2" + end);
    cube.append("0 0 0").append(end).append("1 0.5 0.25").append(end);
    assertThat(CubeFile.read(cube.toString().getBytes(UTF_8)).size()).isEqualTo(2);
  }

  @Test
  void anExrOfTilesOfOnePixelIsRefusedBeforeAnythingIsListed() {
    byte[] file = OpenExr.write(Picture.black(64, 64));
    ByteArrayOutputStream tiled = new ByteArrayOutputStream();
    String header = new String(file, java.nio.charset.StandardCharsets.ISO_8859_1);
    int window = header.indexOf("dataWindow");
    assertThat(window).isPositive();
    tiled.writeBytes(Arrays.copyOf(file, window));
    ByteBuffer tiles = ByteBuffer.allocate(6 + 9 + 4 + 9).order(java.nio.ByteOrder.LITTLE_ENDIAN);
    tiles.put("tiles\0".getBytes(US_ASCII)).put("tiledesc\0".getBytes(US_ASCII)).putInt(9);
    tiles.putInt(1).putInt(1).put((byte) 0);
    tiled.writeBytes(tiles.array());
    tiled.writeBytes(Arrays.copyOfRange(file, window, file.length));
    byte[] made = Arrays.copyOf(tiled.toByteArray(), 7000);
    // The flag of tiles, and a window of 512 by 1024 pixels.
    made[5] |= 2;
    String name = "dataWindow\0box2i\0";
    int at = new String(made, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf(name);
    ByteBuffer box = ByteBuffer.wrap(made).order(java.nio.ByteOrder.LITTLE_ENDIAN);
    box.putInt(at + name.length() + 4 + 8, 511).putInt(at + name.length() + 4 + 12, 1023);
    assertThatThrownBy(() -> OpenExr.read(made))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("more than its size can hold");
  }
}
