package levelember.formats.gltf;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.formats.document.ShootDocument;
import levelember.formats.exchange.GltfExport;
import levelember.formats.exchange.ShootPackage;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import levelember.shoot.piece.Piece;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Motion that goes out into glTF and comes back through the reader of any glTF file. */
class GltfAnimationExportTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Turning",
       "pieces": [{"id": "disc", "name": "Disc", "position": [0, 0.2, 0],
                   "shape": {"kind": "cylinder", "radius": 1, "height": 0.1}, "material": "m"},
                  {"id": "mirrored", "name": "Mirrored", "parent": "disc", "scale": [1, -2, 1],
                   "shape": {"kind": "box", "width": 1, "height": 1, "depth": 0.5}, "material": "m"}],
       "materials": [{"id": "m", "name": "Paint"}],
       "lights": [{"id": "key", "name": "Key", "emitter": {"kind": "spot"}, "position": [2, 2, 2],
                   "aim": [0, 0, 0], "brightness": {"value": 800, "unit": "cd"}}],
       "shots": [{"id": "wide", "name": "Wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"}],
       "looks": [{"id": "k"}],
       "motion": {"framesPerSecond": 10, "firstFrame": 0, "lastFrame": 20, "tracks": [
         {"place": "pieces/disc/rotationDegrees", "keys": [
           {"seconds": 0, "value": [0, 0, 0]}, {"seconds": 2, "value": [0, 720, 30]}]},
         {"place": "pieces/mirrored/position", "keys": [
           {"seconds": 0, "value": [0, 0, 0]}, {"seconds": 1, "value": [0, 1, 0]}]},
         {"place": "lights/key/levelStops", "keys": [
           {"seconds": 0, "value": 0}, {"seconds": 2, "value": -4}]},
         {"place": "shots/wide/position", "keys": [
           {"seconds": 0, "value": [0, 1, 4]}, {"seconds": 2, "value": [4, 1, 0]}]},
         {"place": "materials/m/roughness", "keys": [
           {"seconds": 0, "value": 0.1}, {"seconds": 2, "value": 0.9}]}]}}
      """;

  private static final ShootPackage PACK = ShootPackage.read(SHOOT.getBytes(UTF_8));

  private static final Shoot EMPTY =
      ShootDocument.read(
          """
          {"format": "level-ember-shoot", "version": 2, "name": "Empty",
           "pieces": [], "materials": [], "lights": [],
           "shots": [{"id": "s", "position": [0, 0, 4], "look": "k"}], "looks": [{"id": "k"}]}
          """
              .getBytes(UTF_8));

  private static Affine world(Shoot shoot, String name) {
    Piece piece =
        shoot.pieces().stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow();
    return new levelember.shoot.compile.PieceTransforms(shoot.pieces()).of(piece.id());
  }

  @Test
  void whatMovesComesBackAsItMoved() {
    byte[] file = GltfExport.write(PACK);
    Shoot back = ModelEdit.applied(EMPTY, GltfImport.read("turning.glb", file, EMPTY, 1));
    for (double t : new double[] {0, 0.5, 1, 1.7, 2}) {
      Shoot was = ShootAtTime.of(PACK.shoot(), t), is = ShootAtTime.of(back, t);
      for (String name : new String[] {"Disc", "Mirrored"}) {
        for (Vec3 p : new Vec3[] {Vec3.ZERO, new Vec3(1, 0, 0), new Vec3(0.3, 1, -0.5)}) {
          Vec3 off = world(was, name).point(p).minus(world(is, name).point(p));
          assertThat(off.length()).as("%s at %s", name, t).isLessThan(0.02);
        }
      }
      Light key = was.lights().getFirst(), light = is.lights().getFirst();
      double candela = key.brightness().value() * Math.pow(2, key.levelStops());
      assertThat(light.brightness().value()).isCloseTo(candela, within(0.01 * candela));
      Shot shot = was.shots().getFirst(), seen = is.shots().getLast();
      assertThat(seen.position().minus(shot.position()).length()).isLessThan(0.02);
      Vec3 ahead = shot.aim().minus(shot.position()).unit();
      assertThat(seen.aim().minus(seen.position()).unit().dot(ahead)).isGreaterThan(0.9999);
      assertThat(is.materials().getLast().roughness())
          .isCloseTo(was.materials().getFirst().roughness(), within(1e-5));
    }
  }

  @Test
  void aFileOfOursKeepsItsKeysAndWhatStaysHasNoChannel() {
    byte[] file = GltfExport.write(PACK);
    assertThat(GltfExport.read(file).shoot()).isEqualTo(PACK.shoot());
    ObjectNode json = (ObjectNode) GltfFile.read(file).json();
    String channels = JsonMapper.shared().writeValueAsString(json.at("/animations/0/channels"));
    assertThat(channels)
        .contains("roughnessFactor", "intensity", "translation", "rotation")
        .doesNotContain("scale", "metallicFactor", "yfov", "baseColorFactor");
    assertThat(json.at("/animations/0/channels").size()).isEqualTo(6);
    String still =
        new String(SHOOT).replaceAll("(?s)\"tracks\": \\[.*\\]\\}\\}", "\"tracks\": []}}");
    byte[] plain = GltfExport.write(ShootPackage.read(still.getBytes(UTF_8)));
    assertThat(GltfFile.read(plain).json().has("animations")).isFalse();
  }
}
