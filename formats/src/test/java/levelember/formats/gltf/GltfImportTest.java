package levelember.formats.gltf;

import static levelember.formats.Glb.FLOAT;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import levelember.document.ImpossibleValue;
import levelember.formats.Glb;
import levelember.formats.RefusedFile;
import levelember.formats.document.ShootDocument;
import levelember.formats.picture.PictureFile;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GltfImportTest {
  private static final Shoot EMPTY =
      ShootDocument.read(
          """
          {"format": "level-ember-shoot", "version": 2, "name": "Empty",
           "pieces": [], "materials": [], "lights": [],
           "shots": [{"id": "s", "position": [0, 0, 4], "look": "k"}], "looks": [{"id": "k"}]}
          """
              .getBytes(StandardCharsets.UTF_8));

  private static GltfImport.Brought brought(byte[] file) {
    return GltfImport.read("thing.glb", file, EMPTY, 1);
  }

  private static GltfImport.Brought brought(Glb glb) {
    return brought(glb.bytes());
  }

  /** All triangles that a file brings, in the world. */
  private static Triangles world(byte[] file) {
    GltfImport.Brought b = brought(file);
    Shoot shoot = ModelEdit.applied(EMPTY, b);
    return SetGeometry.of(shoot.pieces(), new GltfMeshes(name -> file)).flattened();
  }

  private static void sameSquare(Triangles t) {
    assertThat(t.count()).isEqualTo(2);
    double area = 0;
    for (int i = 0; i < 2; i++) {
      Vec3 a = t.position(t.index(i, 0)),
          b = t.position(t.index(i, 1)),
          c = t.position(t.index(i, 2));
      Vec3 n = b.minus(a).cross(c.minus(a)).times(0.5);
      area += n.length();
      assertThat(n.unit().z()).as("outside is towards +Z").isCloseTo(1, within(1e-6));
      assertThat(t.normal(t.index(i, 1)).z()).isCloseTo(1, within(1e-6));
    }
    assertThat(area).isCloseTo(4, within(1e-4));
  }

  @Test
  void aPlainMeshComesAsItIs() {
    Glb glb = Glb.square();
    glb.root("{'mesh': 0, 'name': 'Card'}");
    GltfImport.Brought b = brought(glb);
    assertThat(b.pieces()).extracting(Piece::name).containsExactly("thing", "Card");
    assertThat(b.pieces().get(1).parent()).isEqualTo(b.pieces().get(0).id());
    assertThat(b.pieces().get(1).shape()).isEqualTo(new Shape.Model("thing.glb", 0, 0));
    assertThat(b.triangles()).isEqualTo(2);
    assertThat(b.sizeMetres()).isEqualTo(new Vec3(2, 2, 0));
    assertThat(b.came()).containsExactly("1 piece of 2 triangles", "1 material");
    assertThat(b.left()).isEmpty();
    sameSquare(world(glb.bytes()));
  }

  @Test
  void cornersOfBytesInterleavedWithoutNormalsAndNumberedByBytesAreRead() {
    Glb glb = new Glb();
    // x, y, z as normalised signed bytes, a byte of padding; then two floats of no interest.
    double[][] corners = {{-127, -127, 0}, {127, -127, 0}, {127, 127, 0}, {-127, 127, 0}};
    int at = glb.put(Glb.BYTE);
    for (double[] c : corners) {
      glb.put(Glb.BYTE, c[0], c[1], c[2], 99);
      glb.put(FLOAT, 7, 8);
    }
    int view = glb.view(at, 4 * 12, 12);
    int positions =
        glb.add(
            "accessors",
            "{'bufferView': %d, 'componentType': 5120, 'normalized': true, 'count': 4, 'type': 'VEC3'}"
                .formatted(view));
    int indices = glb.accessor(Glb.UBYTE, "SCALAR", 6, 0, 1, 2, 0, 2, 3);
    glb.json.putArray("extensionsRequired").add("KHR_mesh_quantization");
    glb.mesh("'POSITION': " + positions, ", 'indices': " + indices);
    glb.root("{'mesh': 0}");
    sameSquare(world(glb.bytes()));
  }

  @Test
  void sparseCornersStandInForOthers() {
    Glb glb = new Glb();
    int positions = glb.accessor(FLOAT, "VEC3", 4, -1, -1, 0, 1, -1, 0, 0, 0, 9, 0, 0, 9);
    int index = glb.put(Glb.USHORT, 2, 3);
    int values = glb.put(FLOAT, 1, 1, 0, -1, 1, 0);
    ((tools.jackson.databind.node.ObjectNode) glb.json.at("/accessors/" + positions))
        .set(
            "sparse",
            Glb.object(
                "{'count': 2, 'indices': {'bufferView': %d, 'componentType': 5123}, 'values': {'bufferView': %d}}"
                    .formatted(glb.view(index, 4, 0), glb.view(values, 24, 0))));
    int indices = glb.accessor(Glb.UINT, "SCALAR", 6, 0, 1, 2, 0, 2, 3);
    glb.mesh("'POSITION': " + positions, ", 'indices': " + indices);
    glb.root("{'mesh': 0}");
    sameSquare(world(glb.bytes()));
  }

  @ParameterizedTest
  @ValueSource(strings = {"4: 0 1 2 0 2 3", "5: 0 1 3 2", "6: 0 1 2 3"})
  void listsStripsAndFansAreTriangles(String modeAndOrder) {
    String[] parts = modeAndOrder.split(": ");
    double[] order =
        java.util.Arrays.stream(parts[1].split(" ")).mapToDouble(Double::parseDouble).toArray();
    Glb glb = Glb.square();
    int indices = glb.accessor(Glb.UBYTE, "SCALAR", order.length, order);
    glb.mesh("'POSITION': 0", ", 'mode': %s, 'indices': %d".formatted(parts[0], indices));
    glb.root("{'mesh': 1}");
    sameSquare(world(glb.bytes()));
  }

  @Test
  void withoutNumbersOfCornersTheyAreTakenInTurn() {
    Glb glb = new Glb();
    int positions =
        glb.accessor(FLOAT, "VEC3", 6, -1, -1, 0, 1, -1, 0, 1, 1, 0, -1, -1, 0, 1, 1, 0, -1, 1, 0);
    glb.mesh("'POSITION': " + positions, "");
    glb.root("{'mesh': 0}");
    sameSquare(world(glb.bytes()));
  }

  @Test
  void nodesNestAndMirrorsKeepOutsidesOutside() {
    Glb glb = Glb.square();
    // A mirrored child, turned by 90° about Y, in a parent moved and given as a matrix.
    double h = Math.sqrt(0.5);
    int child =
        glb.add(
            "nodes",
            "{'mesh': 0, 'scale': [-2, 1, 3], 'rotation': [0, %s, 0, %s], 'translation': [0, 0, 5]}"
                .formatted(h, h));
    glb.root(
        "{'children': [%d], 'matrix': [0,2,0,0, -2,0,0,0, 0,0,2,0, 1,2,3,1]}".formatted(child));
    Triangles t = world(glb.bytes());
    assertThat(t.count()).isEqualTo(2);
    for (int i = 0; i < 6; i++) {
      // Corner (x, y, 0): size (−2x, y, 0); turn: X to −Z: (0, y, 2x); moved: (0, y, 2x + 5);
      // matrix: X to Y, Y to −X, twice as large: (−2y, 0, 4x + 10) + (1, 2, 3).
      Vec3 p = t.position(t.index(i / 3, i % 3));
      assertThat(p.y()).isCloseTo(2, within(1e-5));
      assertThat(Math.abs(p.x() - 1)).isCloseTo(2, within(1e-5));
      assertThat(Math.abs(p.z() - 13)).isCloseTo(4, within(1e-5));
    }
    Vec3 a = t.position(t.index(0, 0)),
        b = t.position(t.index(0, 1)),
        c = t.position(t.index(0, 2));
    Vec3 face = b.minus(a).cross(c.minus(a)).unit();
    // The normal (0, 0, 1) turns to (1, 0, 0) and then to (0, 1, 0).
    assertThat(face.y()).isCloseTo(1, within(1e-6));
    assertThat(t.normal(t.index(0, 0)).y()).isCloseTo(1, within(1e-6));
  }

  @Test
  void turnsComeBackFromEveryQuaternion() {
    Random random = new Random(3);
    for (int i = 0; i < 200; i++) {
      double[] q = {
        random.nextGaussian(), random.nextGaussian(), random.nextGaussian(), random.nextGaussian()
      };
      if (i < 4) {
        // Straight up and down, where turns about X and Z are the same.
        q = new double[] {i == 0 ? 0.3 : 0, i < 2 ? 1 : -1, i == 3 ? 0.3 : 0, 1};
      }
      double l = Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
      Glb glb = Glb.square();
      glb.root(
          "{'mesh': 0, 'rotation': [%s, %s, %s, %s]}"
              .formatted(q[0] / l, q[1] / l, q[2] / l, q[3] / l));
      Triangles t = world(glb.bytes());
      Vec3 p = t.position(t.index(0, 1)), was = new Vec3(1, -1, 0);
      Vec3 u = new Vec3(q[0] / l, q[1] / l, q[2] / l);
      double w = q[3] / l;
      Vec3 turned = was.plus(u.cross(u.cross(was).plus(was.times(w))).times(2));
      assertThat(p.minus(turned).length()).isLessThan(1e-5);
    }
  }

  @Test
  void camerasAndPointsComeWhereTheyStand() {
    // The mesh comes after the camera, which aims at its depth all the same.
    Glb glb = Glb.square();
    glb.add(
        "cameras",
        "{'type': 'perspective', 'perspective': {'yfov': 0.4, 'znear': 0.1, 'aspectRatio': 1.5}}");
    int eye = glb.add("nodes", "{'camera': 0, 'name': 'Eye', 'translation': [0, 1, 6]}");
    int lamp =
        glb.add(
            "nodes",
            "{'extensions': {'KHR_lights_punctual': {'light': 0}}, 'translation': [0, 3, 0]}");
    glb.root("{'children': [%d, %d], 'translation': [2, 0, 0]}".formatted(eye, lamp));
    glb.root("{'mesh': 0}");
    glb.json.set(
        "extensions",
        Glb.object(
            "{'KHR_lights_punctual': {'lights': [{'type': 'point', 'name': 'Lamp', 'intensity': 40, 'color': [1, 0.5, 0.25]}, {'type': 'spot', 'intensity': 9, 'range': 7, 'spot': {'outerConeAngle': 0.5, 'innerConeAngle': 0.4}}, {'type': 'directional', 'intensity': 1000}, {'type': 'area'}]}}"));
    glb.root("{'extensions': {'KHR_lights_punctual': {'light': 1}}}");
    glb.root("{'extensions': {'KHR_lights_punctual': {'light': 2}}, 'translation': [0, 9, 0]}");
    glb.root("{'extensions': {'KHR_lights_punctual': {'light': 3}}}");
    GltfImport.Brought b = brought(glb);
    Shot shot = b.shots().getFirst();
    assertThat(shot.name()).isEqualTo("Eye");
    assertThat(shot.position()).isEqualTo(new Vec3(2, 1, 6));
    assertThat(shot.aim().minus(new Vec3(2, 1, 0)).length()).isLessThan(1e-6);
    double height = shot.sensorWidthMm() / 1.5;
    assertThat(2 * Math.atan(height / 2 / shot.focalLengthMm())).isCloseTo(0.4, within(1e-9));
    Light lampLight = b.lights().getFirst();
    assertThat(lampLight.position()).isEqualTo(new Vec3(2, 3, 0));
    assertThat(lampLight.brightness()).isEqualTo(new Brightness(40, Brightness.Unit.CANDELA));
    assertThat(lampLight.colour().filter().g()).isEqualTo(0.5);
    Emitter.Spot spot = (Emitter.Spot) b.lights().get(1).emitter();
    assertThat(spot.coneDegrees()).isCloseTo(Math.toDegrees(1), within(1e-9));
    assertThat(spot.feather()).isCloseTo(0.2, within(1e-9));
    assertThat(b.lights().get(1).controls().fadesAtMetres()).isEqualTo(7);
    Light sun = b.lights().get(2);
    assertThat(sun.brightness()).isEqualTo(new Brightness(1000, Brightness.Unit.LUX));
    assertThat(sun.position().minus(sun.aim())).isEqualTo(new Vec3(0, 0, 1));
    assertThat(b.left()).containsExactly("1 lights of kind 'area'");
  }

  @Test
  void whatIsCutOutOrTakesNoLightComesSo() throws IOException {
    Glb glb = Glb.square();
    java.awt.image.BufferedImage image =
        new java.awt.image.BufferedImage(2, 1, java.awt.image.BufferedImage.TYPE_INT_ARGB);
    image.setRGB(0, 0, 0xFF804020);
    image.setRGB(1, 0, 0x20804020);
    java.io.ByteArrayOutputStream png = new java.io.ByteArrayOutputStream();
    javax.imageio.ImageIO.write(image, "png", png);
    double[] bytes = new double[png.size()];
    for (int i = 0; i < bytes.length; i++) {
      bytes[i] = png.toByteArray()[i];
    }
    int view = glb.view(glb.put(Glb.BYTE, bytes), bytes.length, 0);
    glb.add("images", "{'bufferView': %d, 'mimeType': 'image/png'}".formatted(view));
    glb.add("textures", "{'source': 0}");
    String colour = "'pbrMetallicRoughness': {'baseColorTexture': {'index': 0}}";
    glb.add("materials", "{'name': 'Cut', 'alphaMode': 'MASK', %s}".formatted(colour));
    glb.add(
        "materials",
        "{'name': 'Sign', 'extensions': {'KHR_materials_unlit': {}}, %s}".formatted(colour));
    glb.add(
        "materials",
        "{'name': 'Veil', 'alphaMode': 'BLEND', 'pbrMetallicRoughness': {'baseColorFactor': [1, 1, 1, 0.25]}}");
    for (int m = 0; m < 3; m++) {
      glb.mesh("'POSITION': 0", ", 'material': %d".formatted(m));
      glb.root("{'mesh': %d}".formatted(m + 1));
    }
    GltfImport.Brought b = brought(glb);
    Texture holes = b.materials().get(0).maps().opacity();
    levelember.texture.Texels cut = PictureFile.texels(b.pictures().get(holes.picture()), false);
    float[] rgb = new float[3];
    cut.look(0.25f, 0.5f, levelember.texture.Texels.CLAMP, rgb);
    assertThat(rgb[0]).isEqualTo(1);
    cut.look(0.75f, 0.5f, levelember.texture.Texels.CLAMP, rgb);
    assertThat(rgb[0]).isEqualTo(0);
    Light sign = b.lights().getFirst();
    assertThat(sign.name()).isEqualTo("Sign");
    assertThat(((Emitter.Emissive) sign.emitter()).picture()).isEqualTo("thing.glb picture 1.png");
    assertThat(sign.brightness().value()).isEqualTo(100);
    Texture veil = b.materials().get(2).maps().opacity();
    PictureFile.texels(b.pictures().get(veil.picture()), false)
        .look(0.5f, 0.5f, levelember.texture.Texels.CLAMP, rgb);
    assertThat(rgb[0]).isCloseTo(0.25f, within(0.003f));
    assertThat(b.left()).isEmpty();
  }

  @Test
  void materialsComeWithTheirExtensionsAndThoseThatShineAsLights() {
    Glb glb = Glb.square();
    glb.add(
        "materials",
        """
        {'name': 'Coated', 'pbrMetallicRoughness': {'baseColorFactor': [0.8, 0.4, 0.2, 1],
          'metallicFactor': 0.25, 'roughnessFactor': 0.6},
         'emissiveFactor': [1, 0.5, 0], 'extensions': {
          'KHR_materials_emissive_strength': {'emissiveStrength': 300},
          'KHR_materials_clearcoat': {'clearcoatFactor': 0.5, 'clearcoatRoughnessFactor': 0.2},
          'KHR_materials_sheen': {'sheenColorFactor': [0.1, 0.2, 0.3], 'sheenRoughnessFactor': 0.4},
          'KHR_materials_specular': {'specularFactor': 0.7}, 'KHR_materials_ior': {'ior': 1.4},
          'KHR_materials_iridescence': {'iridescenceFactor': 1}}}\
        """);
    glb.add(
        "materials",
        """
        {'name': 'Glass', 'pbrMetallicRoughness': {'metallicFactor': 0, 'roughnessFactor': 0},
         'extensions': {'KHR_materials_transmission': {'transmissionFactor': 1},
          'KHR_materials_volume': {'thicknessFactor': 0.1, 'attenuationDistance': 0.05,
            'attenuationColor': [0.2, 0.9, 0.4]}, 'KHR_materials_dispersion': {'dispersion': 0.5}}}\
        """);
    glb.mesh("'POSITION': 0", ", 'material': 0");
    glb.mesh("'POSITION': 0", ", 'material': 1");
    glb.root("{'mesh': 1}");
    glb.root("{'mesh': 2}");
    glb.root("{'mesh': 1}");
    GltfImport.Brought b = brought(glb);
    assertThat(b.materials()).hasSize(2);
    Material coated = b.materials().getFirst();
    assertThat(coated.colour().r()).isEqualTo(0.8);
    assertThat(coated.metalness()).isEqualTo(0.25);
    assertThat(coated.roughness()).isEqualTo(0.6);
    assertThat(coated.specular()).isEqualTo(0.7);
    assertThat(coated.ior()).isEqualTo(1.4);
    assertThat(coated.coat()).isEqualTo(new Material.Coat(0.5, 0.2, 1.5));
    assertThat(coated.sheen().roughness()).isEqualTo(0.4);
    Material glass = b.materials().getLast();
    assertThat(glass.glass().transmission()).isEqualTo(1);
    assertThat(glass.glass().thin()).isFalse();
    assertThat(glass.glass().tint().g()).isEqualTo(0.9);
    assertThat(glass.glass().tintDepth()).isEqualTo(0.05);
    assertThat(glass.glass().abbe()).isEqualTo(40);
    Light shine = b.lights().getFirst();
    assertThat(shine.emitter()).isEqualTo(new Emitter.Emissive(coated.id()));
    assertThat(shine.brightness()).isEqualTo(new Brightness(300, Brightness.Unit.NIT));
    assertThat(shine.colour().filter().g()).isEqualTo(0.5);
    assertThat(b.left()).containsExactly("1 iridescence of materials");
  }

  @Test
  void picturesComeWithHowTheyLieAndCornersWithTheirColours() throws java.io.IOException {
    Glb glb = new Glb();
    int positions = glb.accessor(FLOAT, "VEC3", 4, -1, -1, 0, 1, -1, 0, 1, 1, 0, -1, 1, 0);
    int places = glb.accessor(FLOAT, "VEC2", 4, 0, 1, 1, 1, 1, 0, 0, 0);
    int others = glb.accessor(Glb.UBYTE, "VEC2", 4, 0, 255, 255, 255, 255, 0, 0, 0);
    ((tools.jackson.databind.node.ObjectNode) glb.json.withArray("accessors").get(others))
        .put("normalized", true);
    int colours = glb.accessor(FLOAT, "VEC4", 4, 1, 0, 0, 1, 0, 1, 0, 1, 0, 0, 1, 1, 1, 1, 1, 1);
    java.awt.image.BufferedImage image = new java.awt.image.BufferedImage(3, 2, 1);
    image.setRGB(2, 1, 0x804020);
    java.io.ByteArrayOutputStream png = new java.io.ByteArrayOutputStream();
    javax.imageio.ImageIO.write(image, "png", png);
    double[] bytes = new double[png.size()];
    for (int i = 0; i < bytes.length; i++) {
      bytes[i] = png.toByteArray()[i];
    }
    int view = glb.view(glb.put(Glb.BYTE, bytes), bytes.length, 0);
    glb.add("images", "{'bufferView': %d, 'mimeType': 'image/png'}".formatted(view));
    glb.add("samplers", "{'wrapS': 33071, 'wrapT': 33648}");
    glb.add("textures", "{'source': 0, 'sampler': 0}");
    glb.add("textures", "{'source': 0}");
    glb.add(
        "materials",
        """
        {'name': 'Papered', 'pbrMetallicRoughness': {'baseColorTexture': {'index': 0, 'extensions':
          {'KHR_texture_transform': {'offset': [0.25, 0.5], 'scale': [2, 3], 'rotation': 1.5}}},
          'metallicRoughnessTexture': {'index': 1, 'texCoord': 1}},
         'normalTexture': {'index': 1, 'scale': 0.5}, 'emissiveTexture': {'index': 1},
         'extensions': {'KHR_materials_clearcoat': {'clearcoatTexture': {'index': 1}}}}\
        """);
    glb.mesh(
        "'POSITION': %d, 'TEXCOORD_0': %d, 'TEXCOORD_1': %d, 'COLOR_0': %d"
            .formatted(positions, places, others, colours),
        ", 'indices': %d, 'material': 0"
            .formatted(glb.accessor(Glb.USHORT, "SCALAR", 6, 0, 1, 2, 0, 2, 3)));
    glb.root("{'mesh': 0}");
    GltfImport.Brought b = brought(glb);
    Maps maps = b.materials().getFirst().maps();
    String name = "thing.glb picture 1.png";
    assertThat(b.pictures()).containsOnlyKeys(name);
    assertThat(PictureFile.read(b.pictures().get(name)).width()).isEqualTo(3);
    assertThat(maps.colour())
        .isEqualTo(
            new Texture(
                name,
                Texture.Mapping.FIRST,
                0.25,
                0.5,
                2,
                3,
                Math.toDegrees(1.5),
                Texture.Edge.CLAMP,
                Texture.Edge.MIRROR));
    assertThat(maps.roughness().mapping()).isEqualTo(Texture.Mapping.SECOND);
    assertThat(maps.metalness()).isEqualTo(maps.roughness());
    assertThat(maps.normalStrength()).isEqualTo(0.5);
    assertThat(b.left()).containsExactly("1 pictures of coats, sheens and glass");
    // Without normals every triangle has corners of its own.
    Triangles t = new GltfMeshes(file -> glb.bytes()).mesh("thing.glb", 0, 0);
    assertThat(t.corners()).isEqualTo(6);
    assertThat(t.places()).containsExactly(0, 1, 1, 1, 1, 0, 0, 1, 1, 0, 0, 0);
    assertThat(t.seconds()).containsExactly(t.places());
    assertThat(t.colours()).containsExactly(1, 0, 0, 0, 1, 0, 0, 0, 1, 1, 0, 0, 0, 0, 1, 1, 1, 1);
  }

  @Test
  void aModelInMillimetresIsToldAndMended() {
    Glb glb = Glb.square();
    glb.root("{'mesh': 0, 'scale': [450, 450, 450]}");
    assertThat(brought(glb).hints()).singleElement().asString().contains("900 m", "0.001");
    GltfImport.Brought mended = GltfImport.read("thing.glb", glb.bytes(), EMPTY, 0.001);
    assertThat(mended.hints()).isEmpty();
    assertThat(mended.sizeMetres().x()).isCloseTo(0.9, within(1e-9));
  }

  @Test
  void idsDoNotMeetThoseOfTheShoot() {
    Glb glb = Glb.square();
    glb.root("{'mesh': 0, 'name': 'Card'}");
    glb.root("{'mesh': 0, 'name': 'Card'}");
    Shoot once = ModelEdit.applied(EMPTY, brought(glb));
    Shoot twice = ModelEdit.applied(once, GltfImport.read("thing.glb", glb.bytes(), once, 1));
    assertThat(twice.pieces()).hasSize(6);
    assertThat(ShootDocument.read(ShootDocument.write(twice))).isEqualTo(twice);
  }

  @Test
  void aTextFileWithItsDataInItIsReadToo() {
    Glb glb = Glb.square();
    glb.root("{'mesh': 0}");
    byte[] binary = glb.bytes();
    int json = java.nio.ByteBuffer.wrap(binary).order(java.nio.ByteOrder.LITTLE_ENDIAN).getInt(12);
    byte[] data = java.util.Arrays.copyOfRange(binary, 28 + json, binary.length);
    ((tools.jackson.databind.node.ObjectNode) glb.json.at("/buffers/0"))
        .put(
            "uri",
            "data:application/octet-stream;base64," + Base64.getEncoder().encodeToString(data));
    byte[] text = glb.json.toString().getBytes(StandardCharsets.UTF_8);
    sameSquare(world(text));
  }

  private static void refused(Consumer<Glb> harm, String why) {
    Glb glb = Glb.square();
    glb.root("{'mesh': 0}");
    harm.accept(glb);
    byte[] file = glb.bytes();
    assertThatThrownBy(() -> brought(file))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining(why);
  }

  @Test
  void whatCannotBeReadIsRefusedWithItsReason() {
    refused(g -> g.json.putArray("extensionsRequired").add("KHR_draco_mesh_compression"), "Draco");
    refused(g -> g.json.putArray("extensionsRequired").add("EXT_meshopt_compression"), "meshopt");
    refused(g -> g.json.putArray("extensionsRequired").add("ACME_odd"), "ACME_odd");
    refused(
        g -> {
          int a = g.add("nodes", "{'children': [2]}");
          g.add("nodes", "{'children': [%d]}".formatted(a));
        },
        "circle");
    refused(
        g -> {
          g.add("nodes", "{'children': [0]}");
          g.add("nodes", "{'children': [0]}");
        },
        "no tree");
    refused(
        g -> {
          int bad = g.accessor(Glb.USHORT, "SCALAR", 3, 0, 1, 9);
          g.mesh("'POSITION': 0", ", 'indices': " + bad);
          g.root("{'mesh': 1}");
        },
        "names corner 9 of 4");
    refused(
        g -> {
          int bad = g.accessor(FLOAT, "VEC3", 3, 0, 0, 0, 1, 0, Double.NaN, 0, 1, 0);
          g.mesh("'POSITION': " + bad, "");
          g.root("{'mesh': 1}");
        },
        "holds NaN");
    refused(
        g -> {
          int far =
              g.add(
                  "accessors",
                  "{'bufferView': 0, 'componentType': 5126, 'count': 900, 'type': 'VEC3'}");
          g.mesh("'POSITION': " + far, "");
          g.root("{'mesh': 1}");
        },
        "outside its buffer");
    refused(
        g -> {
          int huge =
              g.add("accessors", "{'componentType': 5126, 'count': 2000000000, 'type': 'VEC3'}");
          g.mesh("'POSITION': " + huge, "");
          g.root("{'mesh': 1}");
        },
        "too large");
  }

  @Test
  void filesOutsideAreRefused() {
    for (String uri : new String[] {"../../etc/passwd", "http://somewhere/x.bin", "file:///x"}) {
      Glb glb = Glb.square();
      glb.root("{'mesh': 0}");
      glb.bytes();
      ((tools.jackson.databind.node.ObjectNode) glb.json.at("/buffers/0")).put("uri", uri);
      byte[] text = glb.json.toString().getBytes(StandardCharsets.UTF_8);
      assertThatThrownBy(() -> brought(text))
          .isInstanceOf(RefusedFile.class)
          .hasMessageContaining("outside the file");
    }
  }

  @Test
  void trianglesWithoutAreaAreLeftOut() {
    Glb glb = Glb.square();
    int indices = glb.accessor(Glb.USHORT, "SCALAR", 9, 0, 1, 2, 0, 0, 1, 0, 2, 3);
    glb.mesh("'POSITION': 0", ", 'indices': " + indices);
    glb.root("{'mesh': 1}");
    sameSquare(world(glb.bytes()));
  }

  @Test
  void aMillionNodesAreRefusedAtOnceAndDeepOnesToo() {
    Glb glb = Glb.square();
    int n = 1_000_001;
    var nodes = glb.json.putArray("nodes");
    for (int i = 0; i < n; i++) {
      nodes.addObject();
    }
    byte[] wide = glb.bytes();
    assertThatThrownBy(() -> brought(wide)).hasMessageContaining("nodes");
    nodes.removeAll();
    for (int i = 0; i < 500_000; i++) {
      nodes.addObject().putArray("children").add(i + 1);
    }
    nodes.addObject().put("mesh", 0);
    ((tools.jackson.databind.node.ArrayNode) glb.json.at("/scenes/0/nodes")).add(0);
    byte[] deep = glb.bytes();
    assertThatThrownBy(() -> brought(deep)).hasMessageContaining("deep");
  }

  @Test
  void harmedFilesAreReadOrRefusedAndNothingElse() {
    Glb nested = Glb.square();
    int child = nested.add("nodes", "{'mesh': 0, 'scale': [-1, 2, 1]}");
    nested.root(
        "{'children': [%d], 'matrix': [1,0,0,0, 0,1,0,0, 0,0,1,0, 1,2,3,1]}".formatted(child));
    nested.add("cameras", "{'perspective': {'yfov': 0.4, 'znear': 0.1}}");
    nested.root("{'camera': 0}");
    nested.add("materials", "{'pbrMetallicRoughness': {'metallicFactor': 0.5}}");
    nested.mesh("'POSITION': 0", ", 'material': 0, 'mode': 5");
    nested.root("{'mesh': 1}");
    byte[] good = nested.bytes();
    assertThat(brought(good).pieces()).hasSize(4);
    int read = 0;
    List<Class<?>> said = List.of(RefusedFile.class, ImpossibleValue.class);
    for (int seed = 0; seed < 1500; seed++) {
      Random random = new Random(seed);
      byte[] harmed = good.clone();
      int harms = 1 + random.nextInt(6);
      for (int i = 0; i < harms; i++) {
        int at = random.nextInt(harmed.length);
        harmed[at] =
            random.nextInt(3) == 0 ? (byte) ('0' + random.nextInt(10)) : (byte) random.nextInt(256);
      }
      if (random.nextInt(8) == 0) {
        harmed = java.util.Arrays.copyOf(harmed, random.nextInt(harmed.length));
      }
      try {
        byte[] file = harmed;
        Shoot shoot = ModelEdit.applied(EMPTY, brought(file));
        SetGeometry.of(shoot.pieces(), new GltfMeshes(name -> file));
        read++;
      } catch (RuntimeException e) {
        assertThat(said).as("seed " + seed + ": " + e).contains(e.getClass());
      }
    }
    assertThat(read).isBetween(50, 1400);
  }
}
