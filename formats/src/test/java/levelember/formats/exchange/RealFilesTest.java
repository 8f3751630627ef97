package levelember.formats.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import levelember.formats.RefusedFile;
import levelember.formats.gltf.GltfImport;
import levelember.formats.picture.PictureFile;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Environments and models in the public domain that nobody here made, from the npm package {@code
 * @pmndrs/assets}: a script each, whose default export is the file in base 64.
 */
public class RealFilesTest {
  private static final Path PACKAGE = Path.of("src/test/npm/node_modules/@pmndrs/assets");

  public static byte[] file(Path script) throws IOException {
    String text = Files.readString(script);
    int from = text.indexOf("base64,") + 7, to = from;
    while (Character.isLetterOrDigit(text.charAt(to)) || "+/=".indexOf(text.charAt(to)) >= 0) {
      to++;
    }
    return Base64.getDecoder().decode(text.substring(from, to));
  }

  static Stream<Path> environments() throws IOException {
    try (Stream<Path> all = Files.list(PACKAGE.resolve("hdri"))) {
      List<Path> found = all.filter(p -> p.toString().endsWith(".exr.js")).sorted().toList();
      return found.stream();
    }
  }

  @Test
  void thereAreEighteenEnvironments() throws IOException {
    assertThat(environments()).hasSize(18);
  }

  @ParameterizedTest
  @MethodSource("environments")
  void aRealEnvironmentOpensAndHoldsLight(Path script) throws IOException {
    PictureFile.Mended read = PictureFile.mended(file(script));
    assertThat(read.picture().width()).isEqualTo(2 * read.picture().height());
    float most = 0;
    double sum = 0;
    for (float v : read.picture().rgb()) {
      assertThat(v).isBetween(0f, 65504f);
      most = Math.max(most, v);
      sum += v;
    }
    assertThat(sum / read.picture().rgb().length).isBetween(0.01, 50.0);
    assertThat(most).as("the brightest lies above the mean").isGreaterThan(1f);
    assertThat(read.notes()).as("values below zero are said").hasSize(1);
  }

  @ParameterizedTest
  @CsvSource({"bunny, 1000", "suzi, 900", "pmndrs, 1500"})
  void aRealModelCompressedByDracoOpens(String name, int leastTriangles) throws IOException {
    byte[] glb = file(PACKAGE.resolve("models").resolve(name + ".glb.js"));
    ModelFiles.Model model = ModelFiles.read(name + ".glb", glb);
    GltfImport.Brought brought =
        GltfImport.read(name + ".glb", model.bytes(), Shoot.begun("Empty", false), 1);
    int triangles =
        Integer.parseInt(
            brought
                .came()
                .getFirst()
                .replaceAll(".*of ([0-9,]+) triangles.*", "$1")
                .replace(",", ""));
    assertThat(triangles).isGreaterThan(leastTriangles);
    assertThat(brought.sizeMetres().x()).isBetween(0.01, 100.0);
    assertThat(brought.left()).isEmpty();
  }

  @Test
  void harmedCompressedMeshesAreRefusedOrRead() throws IOException {
    byte[] glb = file(PACKAGE.resolve("models/bunny.glb.js"));
    Random random = new Random(11);
    int refused = 0;
    for (int i = 0; i < 30; i++) {
      byte[] harmed = glb.clone();
      for (int k = 0; k < 3; k++) {
        harmed[2000 + random.nextInt(harmed.length - 2000)] = (byte) random.nextInt();
      }
      try {
        ModelFiles.read("bunny.glb", harmed);
      } catch (RefusedFile e) {
        refused++;
      }
    }
    assertThat(refused).isPositive();
    assertThatThrownBy(() -> ModelFiles.read("b.glb", Arrays.copyOf(glb, glb.length / 2)))
        .isInstanceOf(RefusedFile.class);
  }
}
