package levelember.formats.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import levelember.formats.Glb;
import levelember.formats.RefusedFile;
import levelember.formats.exchange.ModelFiles;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.piece.Piece;
import org.junit.jupiter.api.Test;

/** A mesh that stands in many places by one node. */
class GltfInstancesTest {
  private static Glb tiles(int scales) {
    Glb glb = Glb.square();
    int places = glb.accessor(Glb.FLOAT, "VEC3", 3, 0, 0, 0, 3, 0, 0, 0, 5, 0);
    double[] sizes = new double[3 * scales];
    java.util.Arrays.fill(sizes, 2);
    int scale = glb.accessor(Glb.FLOAT, "VEC3", scales, sizes);
    glb.json.putArray("extensionsUsed").add(GltfInstances.NAME);
    glb.json.putArray("extensionsRequired").add(GltfInstances.NAME);
    glb.root(
        "{'mesh': 0, 'name': 'Tile', 'extensions': {'EXT_mesh_gpu_instancing': {'attributes':"
            + " {'TRANSLATION': %d, 'SCALE': %d}}}}".formatted(places, scale));
    return glb;
  }

  @Test
  void everyInstanceBecomesAPiece() {
    byte[] model = ModelFiles.read("tiles.glb", tiles(3).bytes()).bytes();
    GltfImport.Brought b = GltfImport.read("tiles.glb", model, Shoot.begun("Empty", false), 1);
    assertThat(b.pieces()).extracting(Piece::name).contains("Tile 1", "Tile 2", "Tile 3");
    // Squares of four metres whose middles lie 3 and 5 apart.
    assertThat(b.sizeMetres()).isEqualTo(new Vec3(7, 9, 0));
    assertThat(b.triangles()).isEqualTo(6);
  }

  @Test
  void attributesOfSeveralLengthsAreRefused() {
    byte[] glb = tiles(2).bytes();
    assertThatThrownBy(() -> ModelFiles.read("tiles.glb", glb))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("several lengths");
  }
}
