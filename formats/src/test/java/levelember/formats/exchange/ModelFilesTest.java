package levelember.formats.exchange;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import levelember.formats.RefusedFile;
import levelember.formats.document.WholeShoot;
import levelember.formats.gltf.GltfImport;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PngFile;
import levelember.geometry.Triangles;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.look.Look;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Patterns;
import levelember.texture.Texels;
import org.junit.jupiter.api.Test;

/** Models that come as OBJ, in zips, and shoots that go out as glTF. */
class ModelFilesTest {
  private static final String OBJ =
      """
      # a square of one quad, and a triangle of another material
      mtllib set.mtl
      o Card
      v -1 -1 0
      v 1 -1 0
      v 1 1 0
      v -1 1 0
      vt 0 0
      vt 1 0
      vt 1 1
      vt 0 1
      vn 0 0 1
      usemtl papered
      f 1/1/1 2/2/1 3/3/1 4/4/1
      o Tip
      usemtl lamp
      f -4 -3 -2
      """;
  private static final String MTL =
      """
      newmtl papered
      Kd 0.5 0.25 0.125
      Ns 200
      map_Kd pics/paper.png
      newmtl lamp
      Ke 20 10 0
      d 0.25
      Ni 1.4
      """;

  private static byte[] zip(Map<String, byte[]> files) throws IOException {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(to)) {
      for (Map.Entry<String, byte[]> e : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    return to.toByteArray();
  }

  private static Shoot empty() {
    return new Shoot(
        "Empty",
        List.of(),
        List.of(),
        List.of(),
        0,
        List.of(new Shot("s", "S", new Vec3(0, 0, 5), Vec3.ZERO, 50, 36, 0, 0, "k")),
        List.of(new Look("k", "K", 8, 0.5, 2)));
  }

  private static byte[] png() {
    return PngFile.codes(Patterns.picture("linen", 8));
  }

  private static GltfImport.Brought brought(String name, byte[] bytes) {
    ModelFiles.Model model = ModelFiles.read(name, bytes);
    return GltfImport.read(model.name(), model.bytes(), empty(), 1);
  }

  @Test
  void anObjWithItsMaterialsAndPicturesComesFromAZip() throws IOException {
    byte[] zip =
        zip(
            Map.of(
                "my set/set.obj", OBJ.getBytes(UTF_8),
                "my set/set.mtl", MTL.getBytes(UTF_8),
                "my set/pics/paper.png", png()));
    GltfImport.Brought b = brought("set.zip", zip);
    assertThat(b.pieces()).extracting(Piece::name).containsExactly("set", "Card", "Tip");
    assertThat(b.triangles()).isEqualTo(3);
    assertThat(b.left()).isEmpty();
    Material papered = b.materials().getFirst();
    assertThat(papered.colour()).isEqualTo(new Rgb(0.5, 0.25, 0.125));
    assertThat(papered.roughness()).isCloseTo(Math.pow(2 / 202.0, 0.25), within(1e-9));
    assertThat(papered.metalness()).isZero();
    assertThat(b.pictures()).containsOnlyKeys(papered.maps().colour().picture());
    Material lamp = b.materials().getLast();
    assertThat(lamp.glass().transmission()).isEqualTo(0.75);
    assertThat(lamp.ior()).isEqualTo(1.4);
    assertThat(b.lights().getFirst().brightness().value()).isEqualTo(20);
    assertThat(b.lights().getFirst().colour().filter()).isEqualTo(new Rgb(1, 0.5, 0));
    byte[] glb = ModelFiles.read("set.zip", zip).bytes();
    Triangles card = new GltfMeshes(f -> glb).mesh("set.glb", 0, 0);
    assertThat(card.places()).containsExactly(0, 1, 1, 1, 1, 0, 0, 0);
    assertThat(card.normal(0).z()).isEqualTo(1);
  }

  @Test
  void reliefAndHolesOfAnObjCome() throws IOException {
    String mtl =
        """
        newmtl papered
        map_Kd pics/paper.png
        map_d holes.png
        map_Bump -bm 2.5 pics/paper.png
        """;
    BufferedImage holes = new BufferedImage(2, 1, BufferedImage.TYPE_BYTE_GRAY);
    holes.getRaster().setSample(1, 0, 0, 255);
    ByteArrayOutputStream holed = new ByteArrayOutputStream();
    ImageIO.write(holes, "png", holed);
    byte[] zip =
        zip(
            Map.of(
                "set.obj", OBJ.getBytes(UTF_8),
                "set.mtl", mtl.getBytes(UTF_8),
                "pics/paper.png", png(),
                "holes.png", holed.toByteArray()));
    GltfImport.Brought b = brought("set.zip", zip);
    Maps maps = b.materials().getFirst().maps();
    assertThat(maps.bumpMetres()).isEqualTo(0.0025);
    assertThat(b.pictures().get(maps.bump().picture())).isEqualTo(png());
    assertThat(maps.colour()).isNotNull();
    float[] rgb = new float[3];
    Texels cut = PictureFile.texels(b.pictures().get(maps.opacity().picture()), false);
    cut.look(0.1f, 0.5f, Texels.CLAMP, rgb);
    assertThat(rgb[0]).isZero();
    cut.look(0.9f, 0.5f, Texels.CLAMP, rgb);
    assertThat(rgb[0]).isEqualTo(1);
    assertThat(b.left())
        .containsExactly("1 depth of relief, which has no unit: it is taken as a millimetre");
  }

  @Test
  void anObjAloneComesWithoutItsMaterials() {
    GltfImport.Brought b = brought("set.obj", OBJ.getBytes(UTF_8));
    assertThat(b.triangles()).isEqualTo(3);
    assertThat(b.materials()).hasSize(1);
  }

  @Test
  void aGltfWithItsFilesInAZipIsMadeOne() throws IOException {
    String gltf =
        """
        {"asset": {"version": "2.0"}, "scene": 0, "scenes": [{"nodes": [0]}],
         "nodes": [{"mesh": 0, "name": "Card"}],
         "buffers": [{"uri": "my%20data.bin", "byteLength": 36}],
         "bufferViews": [{"buffer": 0, "byteLength": 36}],
         "accessors": [{"bufferView": 0, "componentType": 5126, "count": 3, "type": "VEC3"}],
         "images": [{"uri": "p.png"}], "textures": [{"source": 0}],
         "materials": [{"pbrMetallicRoughness": {"baseColorTexture": {"index": 0}}}],
         "meshes": [{"primitives": [{"attributes": {"POSITION": 0}, "material": 0}]}]}
        """;
    java.nio.ByteBuffer bin =
        java.nio.ByteBuffer.allocate(36).order(java.nio.ByteOrder.LITTLE_ENDIAN);
    for (float f : new float[] {0, 0, 0, 1, 0, 0, 0, 1, 0}) {
      bin.putFloat(f);
    }
    Map<String, byte[]> files = new TreeMap<>();
    files.put("a/scene.gltf", gltf.getBytes(UTF_8));
    files.put("a/my data.bin", bin.array());
    files.put("a/p.png", png());
    GltfImport.Brought b = brought("a.zip", zip(files));
    assertThat(b.triangles()).isEqualTo(1);
    assertThat(b.pictures().values()).containsExactly(png());
    files.remove("a/p.png");
    byte[] lacking = zip(files);
    assertThatThrownBy(() -> brought("a.zip", lacking))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("'p.png', which is not with it");
    files.put("a/scene.gltf", gltf.replace("my%20data.bin", "../../etc/passwd").getBytes(UTF_8));
    byte[] outside = zip(files);
    assertThatThrownBy(() -> brought("a.zip", outside)).isInstanceOf(RefusedFile.class);
  }

  @Test
  void brokenLinesAreRefusedWithTheirNumber() {
    for (String harm : List.of("f 1 2 9", "f 1 2 0", "v 1 2 x", "v 1 NaN 2", "f 1", "vt")) {
      String text = OBJ + harm + "\n";
      assertThatThrownBy(() -> brought("set.obj", text.getBytes(UTF_8)))
          .as(harm)
          .isInstanceOf(RefusedFile.class)
          .hasMessageContaining("line 18");
    }
    assertThatThrownBy(() -> brought("set.obj", "v 1 2 3\n".getBytes(UTF_8)))
        .hasMessageContaining("no faces");
  }

  @Test
  void harmedObjFilesAreReadOrRefusedAndNothingElse() {
    Random random = new Random(7);
    for (int i = 0; i < 600; i++) {
      byte[] bytes = OBJ.getBytes(UTF_8);
      for (int k = 0; k <= i % 7; k++) {
        bytes[random.nextInt(bytes.length)] = (byte) (random.nextInt(96) + 32);
      }
      try {
        assertThat(brought("set.obj", bytes).triangles()).isNotNegative();
      } catch (RefusedFile e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }

  @Test
  void aZipBombIsRefused() throws IOException {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(to)) {
      zip.setLevel(1);
      zip.putNextEntry(new ZipEntry("a.obj"));
      byte[] zeros = new byte[1 << 24];
      for (int i = 0; i < 66; i++) {
        zip.write(zeros);
      }
    }
    assertThatThrownBy(() -> ModelFiles.read("a.zip", to.toByteArray()))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("more than is allowed");
  }

  private static ShootPackage dressed() {
    Material papered =
        Material.glossy("m", "Papered", new Rgb(0.9, 0.8, 0.7), 0.3, 1.4)
            .with(new Material.Coat(0.5, 0.2, 1.5))
            .with(
                Maps.colour(
                    new Texture(
                        "p.png",
                        Texture.Mapping.FIRST,
                        0.1,
                        0.2,
                        2,
                        3,
                        30,
                        Texture.Edge.CLAMP,
                        Texture.Edge.MIRROR)));
    Piece group =
        new Piece(
            "g",
            "Group",
            null,
            new Vec3(1, 0, 0),
            new Vec3(0, 90, 0),
            Vec3.ONE,
            null,
            null,
            null,
            true);
    Piece box =
        new Piece(
            "b",
            "Box",
            "g",
            new Vec3(0, 0.5, 0),
            new Vec3(10, 20, 30),
            new Vec3(-1, 2, 1),
            new Shape.Box(0.2, 0.3, 0.4, 0),
            "m",
            new Piece.Copies(3, new Vec3(0.5, 0, 0), Vec3.ZERO),
            true);
    Shoot shoot =
        new Shoot(
            "Dressed",
            List.of(group, box),
            List.of(papered, Material.glass("n", "Glass", 1.6, new Rgb(0.5, 0.8, 0.7), 0.05)),
            List.of(
                WholeShoot.light(
                        0, new Emitter.Point(), levelember.shoot.lighting.Brightness.Unit.CANDELA)
                    .withControls(levelember.shoot.lighting.LightControls.WHOLE.fading(4)),
                WholeShoot.light(
                        1, new Emitter.Emissive("m"), levelember.shoot.lighting.Brightness.Unit.NIT)
                    .withControls(levelember.shoot.lighting.LightControls.WHOLE)
                    .standing(Vec3.UP, Vec3.ZERO)),
            0.5,
            List.of(new Shot("s", "S", new Vec3(0, 1, 5), new Vec3(0, 0.5, 0), 50, 36, 4, 0, "k")),
            List.of(new Look("k", "K", 8, 0.5, 2)));
    TreeMap<String, byte[]> assets = new TreeMap<>();
    assets.put("p.png", png());
    return new ShootPackage(shoot, assets);
  }

  @Test
  void aShootComesBackFromItsGltfWithoutLoss() {
    ShootPackage pack = dressed();
    ShootPackage back = ShootPackage.read(GltfExport.write(pack));
    assertThat(back.shoot()).isEqualTo(pack.shoot());
    assertThat(back.assets()).containsOnlyKeys("p.png");
    assertThat(back.assets().get("p.png")).isEqualTo(png());
  }

  @Test
  void itsGltfIsOneThatAnyReaderTakes() {
    byte[] glb = GltfExport.write(dressed());
    GltfImport.Brought b = GltfImport.read("out.glb", glb, empty(), 1);
    assertThat(b.pieces()).extracting(Piece::name).contains("Group", "Box");
    assertThat(b.triangles()).isEqualTo(36);
    Material m = b.materials().getFirst();
    assertThat(m.colour()).isEqualTo(new Rgb(0.9, 0.8, 0.7));
    assertThat(m.ior()).isEqualTo(1.4);
    assertThat(m.coat().amount()).isEqualTo(0.5);
    assertThat(m.maps().colour().repeatsV()).isEqualTo(3);
    assertThat(m.maps().colour().rotationDegrees()).isCloseTo(30, within(1e-9));
    assertThat(b.shots().getFirst().focalLengthMm()).isCloseTo(50, within(1e-6));
    assertThat(b.lights()).hasSize(2);
    // The copies stand where they stood.
    Triangles world =
        levelember.geometry.SetGeometry.of(b.pieces(), new GltfMeshes(f -> glb)).flattened();
    Triangles wanted = levelember.geometry.SetGeometry.of(dressed().shoot().pieces()).flattened();
    double[] a = box(world), w = box(wanted);
    for (int i = 0; i < 6; i++) {
      assertThat(a[i]).isCloseTo(w[i], within(1e-5));
    }
  }

  private static double[] box(Triangles t) {
    double[] to = {9, 9, 9, -9, -9, -9};
    for (int i = 0; i < t.count() * 3; i++) {
      Vec3 p = t.position(t.indices()[i]);
      double[] c = {p.x(), p.y(), p.z()};
      for (int k = 0; k < 3; k++) {
        to[k] = Math.min(to[k], c[k]);
        to[3 + k] = Math.max(to[3 + k], c[k]);
      }
    }
    return to;
  }
}
