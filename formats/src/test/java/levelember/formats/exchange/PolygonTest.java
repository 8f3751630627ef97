package levelember.formats.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import levelember.formats.gltf.GltfFile;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.picture.PngFile;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Faces of OBJ with many corners, and what stands beside them. */
class PolygonTest {
  /** Sum of the triangles' areas, each counted against the normal where it is turned over. */
  private static double[] areas(float[] corners, Vec3 normal) {
    double signed = 0, plain = 0;
    int[] t = new Polygon(corners).triangles();
    for (int i = 0; i < t.length; i += 3) {
      Vec3 a = corner(corners, t[i]), b = corner(corners, t[i + 1]), c = corner(corners, t[i + 2]);
      Vec3 cross = b.minus(a).cross(c.minus(a)).times(0.5);
      signed += cross.dot(normal);
      plain += cross.length();
    }
    return new double[] {signed, plain};
  }

  private static Vec3 corner(float[] corners, int i) {
    return new Vec3(corners[3 * i], corners[3 * i + 1], corners[3 * i + 2]);
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3, 4, 5})
  void aConcaveFaceIsFilledOnceFromWhicheverCornerItBegins(int first) {
    double[][] angle = {{0, 0}, {2, 0}, {2, 1}, {1, 1}, {1, 2}, {0, 2}};
    float[] upright = new float[18], lying = new float[18];
    for (int i = 0; i < 6; i++) {
      double[] c = angle[(first + i) % 6];
      upright[3 * i] = (float) c[0];
      upright[3 * i + 1] = (float) c[1];
      // The same turned to look along -X, and leaning.
      lying[3 * i] = (float) (-0.3 * c[1]);
      lying[3 * i + 1] = (float) c[1];
      lying[3 * i + 2] = (float) c[0];
    }
    double[] areas = areas(upright, new Vec3(0, 0, 1));
    assertThat(areas[0]).isCloseTo(3, within(1e-6));
    assertThat(areas[1]).isCloseTo(3, within(1e-6));
    double leaning = 3 * Math.sqrt(1 + 0.3 * 0.3);
    assertThat(areas(lying, new Vec3(-1, -0.3, 0).unit())[0]).isCloseTo(leaning, within(1e-5));
    assertThat(areas(lying, new Vec3(-1, -0.3, 0).unit())[1]).isCloseTo(leaning, within(1e-5));
  }

  @Test
  void anythingElseEndsToo() {
    Random random = new Random(5);
    for (int i = 0; i < 200; i++) {
      float[] corners = new float[3 * (3 + i % 20)];
      for (int k = 0; k < corners.length; k++) {
        corners[k] = i % 3 == 0 ? 0 : random.nextFloat();
      }
      assertThat(new Polygon(corners).triangles()).hasSize(corners.length - 6);
    }
  }

  @Test
  void coloursOfCornersComeAlong() {
    String obj =
        """
        v 0 0 0 1 0 0
        v 1 0 0 0 0.5 0
        v 0 1 0 0 0 1
        f 1 2 3
        """;
    byte[] glb = ModelFiles.read("dyed.obj", obj.getBytes()).bytes();
    float[] colours = new GltfMeshes(name -> glb).mesh("dyed.glb", 0, 0).colours();
    assertThat(colours[0]).isEqualTo(1);
    assertThat((double) colours[4]).isCloseTo(Colour.decodeSrgb(0.5), within(1e-6));
    assertThat(colours[8]).isEqualTo(1);
  }

  @Test
  void aPictureWhoseNameHasBlanksIsFoundBehindItsOptions() throws java.io.IOException {
    String mtl = "newmtl m\nmap_Kd -s 2 2 1 -clamp on my old paper.png\n";
    String obj = "mtllib my set.mtl\nv 0 0 0\nv 1 0 0\nv 0 1 0\nusemtl m\nf 1 2 3\n";
    java.io.ByteArrayOutputStream to = new java.io.ByteArrayOutputStream();
    try (var zip = new java.util.zip.ZipOutputStream(to)) {
      for (Object[] file :
          new Object[][] {
            {"thing.obj", obj.getBytes()},
            {"my set.mtl", mtl.getBytes()},
            {"my old paper.png", PngFile.codes(Picture.black(4, 4))}
          }) {
        zip.putNextEntry(new java.util.zip.ZipEntry((String) file[0]));
        zip.write((byte[]) file[1]);
      }
    }
    byte[] glb = ModelFiles.read("thing.zip", to.toByteArray()).bytes();
    assertThat(GltfFile.json(glb).at("/images/0/name").stringValue()).isEqualTo("my old paper.png");
  }
}
