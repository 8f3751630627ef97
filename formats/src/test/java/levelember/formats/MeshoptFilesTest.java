package levelember.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import levelember.formats.exchange.ModelFiles;
import levelember.formats.exchange.RealFilesTest;
import levelember.formats.gltf.GltfImport;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.meshopt.MeshoptDecoder;
import levelember.formats.meshopt.MeshoptDecoder.Packed;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Meshes compressed by a program that nobody here wrote: npm's {@code gltfpack}. */
class MeshoptFilesTest {
  private static final Path NPM = Path.of("src/test/npm");
  @TempDir static Path folder;

  /** A real model without compression. */
  private static byte[] plain() throws IOException {
    byte[] file = RealFilesTest.file(NPM.resolve("node_modules/@pmndrs/assets/models/suzi.glb.js"));
    return ModelFiles.read("suzi.glb", file).bytes();
  }

  private static byte[] packed(String... options) throws IOException, InterruptedException {
    Path from = Files.write(folder.resolve("plain.glb"), plain());
    Path to = folder.resolve("packed.glb");
    Files.deleteIfExists(to);
    List<String> command =
        new ArrayList<>(
            List.of("node", "node_modules/gltfpack/cli.js", "-i", "" + from, "-o", "" + to));
    command.addAll(List.of(options));
    Process process =
        new ProcessBuilder(command).directory(NPM.toFile()).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes());
    assertThat(process.waitFor()).as(said).isZero();
    return Files.readAllBytes(to);
  }

  private static GltfImport.Brought brought(byte[] glb) {
    ModelFiles.Model model = ModelFiles.read("suzi.glb", glb);
    return GltfImport.read("suzi.glb", model.bytes(), Shoot.begun("Empty", false), 1);
  }

  @ParameterizedTest
  @ValueSource(strings = {"-c", "-cc", "-c -vpf -vtf -vnf", "-c -vn 12"})
  void aRealModelPackedInEveryWayIsAsItWas(String options) throws Exception {
    byte[] glb = packed(options.split(" "));
    assertThat(new String(glb, 0, 600)).contains("EXT_meshopt_compression");
    GltfImport.Brought one = brought(plain()), other = brought(glb);
    assertThat(other.triangles()).isEqualTo(one.triangles());
    assertThat(other.sizeMetres().minus(one.sizeMetres()).length())
        .isLessThan(1e-3 * one.sizeMetres().length());
  }

  @Test
  void cornersAndNormalsAreThoseOfThePlainFile() throws Exception {
    byte[] plain = plain(), glb = ModelFiles.read("s.glb", packed("-c", "-vpf")).bytes();
    Triangles one = new GltfMeshes(name -> plain).mesh("s.glb", 0, 0);
    Triangles other = new GltfMeshes(name -> glb).mesh("s.glb", 0, 0);
    assertThat(other.count()).isEqualTo(one.count());
    for (int i = 0; i < other.corners(); i += 7) {
      Vec3 at = other.position(i);
      double aligned = -1;
      for (int k = 0; k < one.corners(); k++) {
        if (one.position(k).minus(at).length() < 2e-4) {
          aligned = Math.max(aligned, one.normal(k).dot(other.normal(i)));
        }
      }
      assertThat(aligned).as("corner %d", i).isGreaterThan(0.999);
    }
  }

  @Test
  void harmedStreamsAreRefusedOrRead() throws Exception {
    byte[] glb = packed("-c");
    Random random = new Random(5);
    int refused = 0;
    for (int i = 0; i < 60; i++) {
      byte[] harmed = glb.clone();
      for (int k = 0; k < 3; k++) {
        harmed[3000 + random.nextInt(harmed.length - 3000)] = (byte) random.nextInt();
      }
      try {
        ModelFiles.read("s.glb", harmed);
      } catch (RefusedFile e) {
        refused++;
      }
    }
    assertThat(refused).isPositive();
  }

  /** The examples of the extension's text, by hand. */
  @Test
  void exponentsAndSequencesMeanWhatTheExtensionSays() {
    // One element of four bytes: 2 bits a byte of which none changes, then the tail with it.
    byte[] stream = new byte[1 + 4 + 32];
    stream[0] = (byte) 0xA0;
    ByteBuffer.wrap(stream).order(ByteOrder.LITTLE_ENDIAN).putInt(33, -2 << 24 | 5);
    byte[] one = MeshoptDecoder.decode(stream, new Packed("ATTRIBUTES", "EXPONENTIAL", 1, 4));
    assertThat(ByteBuffer.wrap(one).order(ByteOrder.LITTLE_ENDIAN).getFloat()).isEqualTo(1.25f);
    // Distances +2, +1 from the first base, −1 from the second: 2, 3, then −1.
    byte[] sequence = {(byte) 0xD1, 4 << 1, 2 << 1, 1 << 1 | 1, 0, 0, 0, 0};
    byte[] three = MeshoptDecoder.decode(sequence, new Packed("INDICES", "NONE", 3, 4));
    ByteBuffer b = ByteBuffer.wrap(three).order(ByteOrder.LITTLE_ENDIAN);
    assertThat(List.of(b.getInt(0), b.getInt(4), b.getInt(8))).containsExactly(2, 3, -1);
  }

  @Test
  void whatClaimsMoreThanItHoldsIsRefused() {
    byte[] stream = new byte[64];
    stream[0] = (byte) 0xA0;
    for (Packed claim :
        List.of(
            new Packed("ATTRIBUTES", "NONE", 1 << 27, 8),
            new Packed("ATTRIBUTES", "NONE", 2000, 8),
            new Packed("ATTRIBUTES", "NONE", 4, 6),
            new Packed("ATTRIBUTES", "SINCE", 1, 4),
            new Packed("TRIANGLES", "NONE", 3, 4),
            new Packed("", "NONE", 3, 4),
            new Packed("INDICES", "NONE", -1, 4))) {
      assertThatThrownBy(() -> MeshoptDecoder.decode(stream, claim))
          .as("%s", claim)
          .isInstanceOf(RefusedFile.class);
    }
    assertThatThrownBy(() ->
            MeshoptDecoder.decode(Arrays.copyOf(stream, 3), new Packed("ATTRIBUTES", "NONE", 1, 4)))
        .isInstanceOf(RefusedFile.class);
  }
}
