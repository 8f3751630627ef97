package levelember.formats.gltf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import levelember.formats.Glb;
import levelember.formats.document.ShootDocument;
import levelember.math.Affine;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

class GltfAnimationsTest {
  private static final Shoot EMPTY =
      ShootDocument.read(
          """
          {"format": "level-ember-shoot", "version": 2, "name": "Empty",
           "pieces": [], "materials": [], "lights": [],
           "shots": [{"id": "s", "position": [0, 0, 4], "look": "k"}], "looks": [{"id": "k"}]}
          """
              .getBytes(StandardCharsets.UTF_8));

  private final Glb glb = Glb.square();
  private final int node = glb.root("{'name': 'Arm', 'mesh': 0}");

  private String floats(String type, double... values) {
    int size = type.equals("SCALAR") ? 1 : type.equals("VEC3") ? 3 : 4;
    return Integer.toString(glb.accessor(Glb.FLOAT, type, values.length / size, values));
  }

  private void animate(String target, String way, String times, String values) {
    glb.add(
        "animations",
        ("{'channels': [{'sampler': 0, 'target': %s}],"
                + " 'samplers': [{'input': %s, 'output': %s, 'interpolation': '%s'}]}")
            .formatted(target, times, values, way));
  }

  private String onNode(String path) {
    return "{'node': %d, 'path': '%s'}".formatted(node, path);
  }

  private GltfImport.Brought read() {
    return GltfImport.read("arm.glb", glb.bytes(), EMPTY, 1);
  }

  private static Piece arm(GltfImport.Brought brought, double seconds) {
    Shoot moved = ShootAtTime.of(ModelEdit.applied(EMPTY, brought), seconds);
    return moved.pieces().stream().filter(p -> p.name().equals("Arm")).findAny().orElseThrow();
  }

  @Test
  void placesAndSizesGoFromKeyToKey() {
    String times = floats("SCALAR", 0, 2);
    animate(onNode("translation"), "LINEAR", times, floats("VEC3", 0, 0, 0, 4, 2, 0));
    animate(onNode("scale"), "STEP", times, floats("VEC3", 1, 1, 1, 2, 2, 2));
    GltfImport.Brought brought = read();
    assertThat(brought.came()).contains("2 tracks of motion");
    assertThat(brought.left()).isEmpty();
    assertThat(arm(brought, 1).position()).isEqualTo(new Vec3(2, 1, 0));
    assertThat(arm(brought, 1.9).scale()).isEqualTo(Vec3.ONE);
    assertThat(arm(brought, 2).scale()).isEqualTo(new Vec3(2, 2, 2));
  }

  @Test
  void aCubicHasItsTangentsAsSlopes() {
    // In, value, out of each of two keys.
    String values = floats("VEC3", 0, 0, 0, 0, 0, 0, 3, 0, 0, 3, 0, 0, 3, 0, 0, 0, 0, 0);
    animate(onNode("translation"), "CUBICSPLINE", floats("SCALAR", 0, 1), values);
    GltfImport.Brought brought = read();
    assertThat(brought.tracks().getFirst().keys().getFirst().span()).isEqualTo(Key.Span.FREE);
    for (double t : new double[] {0.25, 0.5, 0.8}) {
      assertThat(arm(brought, t).position().x()).isCloseTo(3 * t, within(1e-6));
    }
  }

  @Test
  void aTurnFollowsItsArcAndGoesOnOverHalfATurn() {
    // About an axis that lies across all three, a quarter a key, once round.
    double s = Math.sqrt(1 / 3.0);
    double[] turns = new double[20];
    for (int i = 0; i < 5; i++) {
      double half = Math.toRadians(45 * i);
      turns[4 * i] = s * Math.sin(half);
      turns[4 * i + 1] = s * Math.sin(half);
      turns[4 * i + 2] = s * Math.sin(half);
      turns[4 * i + 3] = Math.cos(half);
    }
    animate(onNode("rotation"), "LINEAR", floats("SCALAR", 0, 1, 2, 3, 4), floats("VEC4", turns));
    GltfImport.Brought brought = read();
    Vec3 axis = new Vec3(s, s, s), probe = new Vec3(1, -1, 0).unit();
    Vec3 side = axis.cross(probe);
    for (int i = 0; i <= 40; i++) {
      double t = i / 10.0, angle = Math.toRadians(90 * t);
      Piece at = arm(brought, t);
      Vec3 is = Affine.of(Vec3.ZERO, at.rotationDegrees(), Vec3.ONE).direction(probe);
      Vec3 wanted = probe.times(Math.cos(angle)).plus(side.times(Math.sin(angle)));
      assertThat(is.minus(wanted).length()).as("at " + t).isLessThan(0.02);
    }
    for (int i = 1; i < brought.tracks().getFirst().keys().size(); i++) {
      var a = brought.tracks().getFirst().keys().get(i - 1).value();
      var b = brought.tracks().getFirst().keys().get(i).value();
      for (int k = 0; k < 3; k++) {
        assertThat(Math.abs(a.get(k) - b.get(k))).as("no leap").isLessThan(60);
      }
    }
  }

  @Test
  void aPointerMovesANodeOrTheIntensityOfALight() {
    glb.json.set(
        "extensions",
        Glb.object(
            "{'KHR_lights_punctual': {'lights': [{'type': 'point', 'name': 'Bulb', 'intensity': 40}]}}"));
    glb.root("{'extensions': {'KHR_lights_punctual': {'light': 0}}}");
    String pointer =
        "{'path': 'pointer', 'extensions': {'KHR_animation_pointer': {'pointer': '%s'}}}";
    String times = floats("SCALAR", 0, 1);
    animate(
        pointer.formatted("/extensions/KHR_lights_punctual/lights/0/intensity"),
        "LINEAR",
        times,
        floats("SCALAR", 40, 0));
    animate(
        pointer.formatted("/nodes/" + node + "/translation"),
        "LINEAR",
        times,
        floats("VEC3", 0, 0, 0, 0, 1, 0));
    GltfImport.Brought brought = read();
    Shoot half = ShootAtTime.of(ModelEdit.applied(EMPTY, brought), 0.5);
    Light light =
        half.lights().stream().filter(l -> l.name().equals("Bulb")).findAny().orElseThrow();
    assertThat(light.brightness().value()).isCloseTo(20, within(1e-6));
    assertThat(arm(brought, 0.5).position().y()).isCloseTo(0.5, within(1e-6));
  }

  @Test
  void whatCannotBeMovedIsSaid() {
    String times = floats("SCALAR", 0, 1);
    animate(onNode("weights"), "LINEAR", times, floats("SCALAR", 0, 1));
    animate(
        onNode("translation"), "LINEAR", floats("SCALAR", 1, 0), floats("VEC3", 0, 0, 0, 1, 1, 1));
    animate(
        "{'node': 99, 'path': 'translation'}", "LINEAR", times, floats("VEC3", 0, 0, 0, 1, 1, 1));
    GltfImport.Brought brought = read();
    assertThat(brought.tracks()).isEmpty();
    assertThat(brought.left())
        .contains(
            "1 animations of morph targets",
            "1 animations without keys in rising order",
            "1 animations of nodes that are no pieces");
  }

  @Test
  void theEditThatBringsItInHasItsTracks() {
    animate(
        onNode("translation"), "LINEAR", floats("SCALAR", 0, 2), floats("VEC3", 0, 0, 0, 4, 2, 0));
    GltfImport.Brought brought = read();
    assertThat(ModelEdit.operations(brought).toString())
        .contains("/motion/tracks/-")
        .contains("\"seconds\":2.0");
    assertThat(brought.tracks()).extracting(Track::place).allMatch(p -> p.startsWith("pieces/arm"));
  }

  private static final String POINTER =
      "{'path': 'pointer', 'extensions': {'KHR_animation_pointer': {'pointer': '%s'}}}";

  @Test
  void aCameraGoesWithItsNodeAndTheNodeAboveIt() {
    glb.add("cameras", "{'type': 'perspective', 'perspective': {'yfov': 0.8, 'znear': 0.1}}");
    int camera = glb.add("nodes", "{'name': 'Eye', 'camera': 0, 'translation': [0, 0, 2]}");
    int turning = glb.root("{'name': 'Crane', 'children': [%d]}".formatted(camera));
    String times = floats("SCALAR", 0, 1);
    double half = Math.sqrt(0.5);
    animate(
        "{'node': %d, 'path': 'rotation'}".formatted(turning),
        "LINEAR",
        times,
        floats("VEC4", 0, 0, 0, 1, 0, half, 0, half));
    animate(
        POINTER.formatted("/cameras/0/perspective/yfov"),
        "STEP",
        times,
        floats("SCALAR", 0.8, 0.4));
    GltfImport.Brought brought = read();
    assertThat(brought.left()).isEmpty();
    Shoot moving = ModelEdit.applied(EMPTY, brought);
    for (double t : new double[] {0, 0.5, 1}) {
      Shot shot = ShootAtTime.of(moving, t).shots().getLast();
      double a = Math.toRadians(90 * t);
      Vec3 at = new Vec3(2 * Math.sin(a), 0, 2 * Math.cos(a));
      assertThat(shot.position().minus(at).length()).isLessThan(5e-3);
      Vec3 ahead = shot.aim().minus(shot.position()).unit();
      assertThat(ahead.dot(at.unit())).isCloseTo(-1, within(1e-5));
    }
    double before = ShootAtTime.of(moving, 0.9).shots().getLast().focalLengthMm();
    double after = ShootAtTime.of(moving, 1).shots().getLast().focalLengthMm();
    assertThat(after / before).isCloseTo(Math.tan(0.4) / Math.tan(0.2), within(1e-4));
  }

  @Test
  void materialsAndWhatShinesAreMovedByPointers() {
    glb.json.set(
        "materials",
        Glb.object(
                "{'m': [{'name': 'Lamp', 'emissiveFactor': [1, 1, 1], 'extensions':"
                    + " {'KHR_materials_emissive_strength': {'emissiveStrength': 100}}}]}")
            .get("m"));
    ((ObjectNode) glb.json.at("/meshes/0/primitives/0")).put("material", 0);
    String times = floats("SCALAR", 0, 1);
    animate(
        POINTER.formatted("/materials/0/pbrMetallicRoughness/baseColorFactor"),
        "LINEAR",
        times,
        floats("VEC4", 1, 1, 1, 1, 0, 0.5, 1, 1));
    animate(
        POINTER.formatted("/materials/0/pbrMetallicRoughness/roughnessFactor"),
        "LINEAR",
        times,
        floats("SCALAR", 0, 1));
    animate(
        POINTER.formatted(
            "/materials/0/extensions/KHR_materials_emissive_strength/emissiveStrength"),
        "LINEAR",
        times,
        floats("SCALAR", 100, 0));
    animate(POINTER.formatted("/materials/0/alphaCutoff"), "LINEAR", times, floats("SCALAR", 1, 0));
    GltfImport.Brought brought = read();
    assertThat(brought.left()).containsExactly("1 animations of '/materials/0/alphaCutoff'");
    Shoot half = ShootAtTime.of(ModelEdit.applied(EMPTY, brought), 0.5);
    Material lamp = half.materials().getLast();
    assertThat(lamp.colour()).isEqualTo(new Rgb(0.5, 0.75, 1));
    assertThat(lamp.roughness()).isEqualTo(0.5);
    double nits = brought.lights().getLast().brightness().value();
    assertThat(half.lights().getLast().brightness().value()).isCloseTo(nits / 2, within(1e-6));
  }
}
