package levelember.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.util.Random;
import levelember.formats.basis.BasisTranscoder;
import levelember.formats.exchange.ModelFiles;
import levelember.formats.gltf.GltfImport;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PngFile;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * KTX 2.0 pictures that the reference encoder made of {@code a.png}, against the pixels that the
 * reference decoder made of them.
 */
class BasisPicturesTest {
  private static byte[] resource(String name) throws IOException {
    try (InputStream in = BasisPicturesTest.class.getResourceAsStream("/ktx2/" + name)) {
      return in.readAllBytes();
    }
  }

  @ParameterizedTest
  @CsvSource({"etc1s, 24", "uastc, 8"})
  void everyPixelIsAsTheReferenceHasIt(String name, int mean) throws IOException {
    BufferedImage image = new BasisTranscoder().decode(resource(name + ".ktx2"));
    assertThat(image.getWidth()).isEqualTo(32);
    assertThat(image.getHeight()).isEqualTo(20);
    byte[] wanted = resource(name + ".rgba");
    BufferedImage before = PngFile.image(resource("a.png"));
    double off = 0;
    for (int i = 0; i < 640; i++) {
      int x = i % 32, y = i / 32, argb = image.getRGB(x, y);
      for (int k = 0; k < 4; k++) {
        int shift = k == 3 ? 24 : 16 - 8 * k;
        assertThat((byte) (argb >> shift)).as("%d, %d", x, y).isEqualTo(wanted[4 * i + k]);
        off += Math.abs((argb >> shift & 0xFF) - (before.getRGB(x, y) >> shift & 0xFF)) / 2560.0;
      }
    }
    assertThat(off).as("mean distance from the picture before").isLessThan(mean);
  }

  @ParameterizedTest
  @ValueSource(strings = {"etc1s.ktx2", "uastc.ktx2"})
  void harmedPicturesAreRefusedOrRead(String name) throws IOException {
    byte[] file = resource(name);
    Random random = new Random(3);
    int refused = 0;
    for (int i = 0; i < 40; i++) {
      byte[] harmed = file.clone();
      for (int k = 0; k < 3; k++) {
        harmed[12 + random.nextInt(harmed.length - 12)] = (byte) random.nextInt();
      }
      try {
        new BasisTranscoder().decode(harmed);
      } catch (RefusedFile e) {
        refused++;
      }
    }
    assertThat(refused).isPositive();
    assertThatThrownBy(() -> new BasisTranscoder().decode(java.util.Arrays.copyOf(file, 100)))
        .isInstanceOf(RefusedFile.class);
  }

  @ParameterizedTest
  @CsvSource({
    "KHR_texture_basisu, /ktx2/uastc.ktx2, .png",
    "EXT_texture_webp, /pictures/ramp.webp, .webp"
  })
  void aModelWhosePicturesComeByAnExtensionOpens(String extension, String picture, String ending)
      throws IOException {
    Glb glb = new Glb();
    int image = glb.image(resource("../" + picture.substring(1)));
    glb.json.putArray("extensionsRequired").add(extension);
    glb.add("textures", "{'extensions': {'%s': {'source': %d}}}".formatted(extension, image));
    glb.add("materials", "{'pbrMetallicRoughness': {'baseColorTexture': {'index': 0}}}");
    int at = glb.accessor(Glb.FLOAT, "VEC3", 3, 0, 0, 0, 1, 0, 0, 0, 1, 0);
    glb.mesh("'POSITION': %d".formatted(at), ", 'material': 0");
    glb.root("{'mesh': 0}");
    byte[] model = ModelFiles.read("m.glb", glb.bytes()).bytes();
    GltfImport.Brought b = GltfImport.read("m.glb", model, Shoot.begun("Empty", false), 1);
    String name = b.materials().getFirst().maps().colour().picture();
    assertThat(name).endsWith(ending);
    assertThat(PictureFile.read(b.pictures().get(name)).width()).isGreaterThan(4);
  }

  @Test
  void otherBytesAreNoneOfIt() throws IOException {
    assertThat(BasisTranscoder.is(resource("etc1s.ktx2"))).isTrue();
    assertThat(BasisTranscoder.is(resource("a.png"))).isFalse();
  }
}
