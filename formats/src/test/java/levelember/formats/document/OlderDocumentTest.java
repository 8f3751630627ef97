package levelember.formats.document;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class OlderDocumentTest {
  private static final String VERSION_1 =
      """
      {"format": "level-ember-shoot", "version": 1, "name": "Older",
       "bounce": {"most": 7},
       "banks": [{"id": "b", "alone": true}],
       "pieces": [{"id": "p", "place": [1, 2, 3], "turnDegrees": [0, 45, 0], "size": [2, 2, 2],
                   "shape": {"kind": "floor", "width": 1, "depth": 1}, "material": "m",
                   "copies": {"count": 2, "turnDegrees": [0, 10, 0],
                              "scatter": {"turnDegrees": [1, 1, 1], "leastSize": 0.5, "mostSize": 2}},
                   "showing": {"catcher": true}}],
       "materials": [{"id": "m", "edge": [1, 0.5, 0.5], "gloss": 0.25,
                      "index": {"n": [1, 1, 1], "k": [2, 2, 2]},
                      "maps": {"bump": {"picture": "x.png", "lay": "metres", "turnDegrees": 30,
                                        "edge": "hold"}}}],
       "lights": [{"id": "l", "emitter": {"kind": "spot",
                     "gobo": {"picture": "g.png", "turnDegrees": 5, "edge": "hold", "inverted": true}},
                   "place": [0, 3, 0], "brightness": {"value": 1, "unit": "cd"}, "alone": true,
                   "showsToCamera": true, "lit": {"only": true, "pieces": ["p"]},
                   "shadows": {"pieces": ["p"]}, "matte": 0.5, "gloss": 2, "shadowDepth": 0.75,
                   "tiedTo": "p"},
                  {"id": "e", "emitter": {"kind": "environment", "picture": "e.hdr",
                     "turnDegrees": 90, "seamShare": 0.1},
                   "brightness": {"value": 1, "unit": "cd/m2"}},
                  {"id": "t", "emitter": {"kind": "sphere", "radius": 0.1},
                   "brightness": {"value": 1, "unit": "lm"},
                   "twin": {"of": "l", "point": [0, 0, 0], "normal": [1, 0, 0]}}],
       "shots": [{"id": "s", "place": [0, 0, 4], "bladeTurnDegrees": 12, "look": "k"}],
       "looks": [{"id": "k", "burn": 0.3, "shoulderStops": 5,
                  "glows": [{"id": "g", "softness": 2, "beyond": true,
                             "streaks": {"turnDegrees": 22}, "ghosts": {"count": 3}}]}]}
      """;

  private static JsonNode json(String text) {
    return ShootDocument.parse(text.getBytes(UTF_8));
  }

  @Test
  void everyFieldOfAnOlderShootIsRead() {
    Shoot shoot = ShootDocument.read(VERSION_1.getBytes(UTF_8));
    assertThat(shoot.bounce().maxBounces()).isEqualTo(7);
    assertThat(shoot.banks().getFirst().solo()).isTrue();
    Piece piece = shoot.pieces().getFirst();
    assertThat(piece.position()).isEqualTo(new Vec3(1, 2, 3));
    assertThat(piece.rotationDegrees()).isEqualTo(new Vec3(0, 45, 0));
    assertThat(piece.scale()).isEqualTo(new Vec3(2, 2, 2));
    assertThat(piece.copies().rotationDegrees()).isEqualTo(new Vec3(0, 10, 0));
    assertThat(piece.copies().scatter())
        .isEqualTo(new Piece.Scatter(1, Vec3.ZERO, Vec3.ONE, 0.5, 2));
    assertThat(piece.visibility().shadowCatcher()).isTrue();
    Material material = shoot.materials().getFirst();
    assertThat(material.edgeTint()).isEqualTo(new Rgb(1, 0.5, 0.5));
    assertThat(material.specular()).isEqualTo(0.25);
    assertThat(material.complexIndex().k()).isEqualTo(Rgb.grey(2));
    Texture bump = material.maps().bump();
    assertThat(bump.mapping()).isEqualTo(Texture.Mapping.METRES);
    assertThat(bump.rotationDegrees()).isEqualTo(30);
    assertThat(bump.edge()).isEqualTo(Texture.Edge.CLAMP);
    assertThat(bump.edgeV()).isEqualTo(Texture.Edge.CLAMP);
    assertThat(shoot.shots().getFirst().position()).isEqualTo(new Vec3(0, 0, 4));
    assertThat(shoot.shots().getFirst().bladeRotationDegrees()).isEqualTo(12);
    Look look = shoot.looks().getFirst();
    assertThat(look.tone().highlightDesaturation()).isEqualTo(0.3);
    assertThat(look.tone().highlightRangeStops()).isEqualTo(5);
    assertThat(look.glows().getFirst().knee()).isEqualTo(2);
    assertThat(look.glows().getFirst().outsideFrame()).isTrue();
    assertThat(look.glows().getFirst().starRays().rotationDegrees()).isEqualTo(22);
    assertThat(look.glows().getFirst().lensFlare().count()).isEqualTo(3);
  }

  @Test
  void everyFieldOfAnOlderLightIsRead() {
    Shoot shoot = ShootDocument.read(VERSION_1.getBytes(UTF_8));
    Light light = shoot.lights().getFirst();
    assertThat(light.position()).isEqualTo(new Vec3(0, 3, 0));
    assertThat(light.solo()).isTrue();
    assertThat(light.seenDirectly()).isTrue();
    assertThat(light.parent()).isEqualTo("p");
    assertThat(light.controls().lightLinking().only()).isTrue();
    assertThat(light.controls().shadowLinking().pieces()).containsExactly("p");
    assertThat(light.controls().diffuse()).isEqualTo(0.5);
    assertThat(light.controls().specular()).isEqualTo(2);
    assertThat(light.controls().shadowDensity()).isEqualTo(0.75);
    Gobo gobo = ((Emitter.Spot) light.emitter()).gobo();
    assertThat(gobo.rotationDegrees()).isEqualTo(5);
    assertThat(gobo.edge()).isEqualTo(Gobo.Edge.CLAMP);
    assertThat(gobo.invert()).isTrue();
    Emitter.Environment environment = (Emitter.Environment) shoot.lights().get(1).emitter();
    assertThat(environment.rotationDegrees()).isEqualTo(90);
    assertThat(environment.seamBlend()).isEqualTo(0.1);
    assertThat(shoot.lights().get(2).mirror().of()).isEqualTo("l");
  }

  /**
   * Documents had no more than true and false, and false in each light of which nothing was said.
   */
  @ParameterizedTest
  @CsvSource({"true, ON", "false, AUTOMATIC", "'\"off\"', OFF", "null, AUTOMATIC"})
  void castingCausticsWasTrueOrFalse(String said, Caustics.Cast expected) {
    Shoot shoot =
        ShootDocument.read(
            """
            {"format": "level-ember-shoot", "version": 2, "name": "S", "looks": [{"id": "k"}],
             "shots": [{"id": "s", "look": "k", "position": [0, 1, 3], "aim": [0, 0, 0]}],
             "lights": [{"id": "l", "emitter": {"kind": "point"},
               "brightness": {"value": 1, "unit": "cd"}, "castsCaustics": %s}]}
            """
                .formatted(said)
                .getBytes(UTF_8));
    assertThat(shoot.lights().getFirst().controls().caustics().cast()).isEqualTo(expected);
  }

  @Test
  void translatingTwiceIsTranslatingOnce() {
    JsonNode once = OlderDocument.shoot(json(VERSION_1));
    assertThat(once.get("version").intValue()).isEqualTo(ShootDocument.VERSION);
    assertThat(OlderDocument.shoot(once)).isEqualTo(once);
    assertThat(ShootDocument.read(once)).isEqualTo(ShootDocument.read(json(VERSION_1)));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      textBlock =
          """
          /pieces/0/place/1         | 3                  | /pieces/0/position/1           | 3
          /pieces/-                 | {"size": [1,1,1]}  | /pieces/-                      | {"scale":[1,1,1]}
          /pieces/12                | {"id": "alone"}    | /pieces/12                     | {"id":"alone"}
          /pieces/0/shape           | {"place": 1}       | /pieces/0/shape                | {"place":1}
          /lights/2/alone           | true               | /lights/2/solo                 | true
          /lights/2/emitter/gobo/edge | "dark"           | /lights/2/emitter/gobo/edge    | "black"
          /lights/2/emitter/gobo    | {"edge": "hold"}   | /lights/2/emitter/gobo         | {"edge":"clamp"}
          /lights/2/name            | "hold"             | /lights/2/name                 | "hold"
          /materials/0/maps/bump/lay | "first"           | /materials/0/maps/bump/mapping | "first"
          /looks                    | [{"burn": 1}]      | /looks                         | [{"highlightDesaturation":1}]
          /looks/0/glows/0/ghosts   | {"count": 2}       | /looks/0/glows/0/lensFlare     | {"count":2}
          /bounce/most              | 4                  | /bounce/maxBounces             | 4
          """)
  void aStoredStepIsTranslatedWhereItPoints(
      String older, String olderValue, String newer, String newerValue) {
    String patch = "[{\"op\": \"replace\", \"path\": \"%s\", \"value\": %s}]";
    JsonNode to = OlderDocument.patch(json(patch.formatted(older, olderValue)));
    assertThat(to).isEqualTo(json(patch.formatted(newer, newerValue)));
    assertThat(OlderDocument.patch(to)).isEqualTo(to);
  }

  @Test
  void aMoveIsTranslatedAtBothEnds() {
    JsonNode to =
        OlderDocument.patch(
            json("[{\"op\":\"move\",\"from\":\"/lights/0/twin\",\"path\":\"/lights/1/twin\"}]"));
    assertThat(to.get(0).get("from").stringValue()).isEqualTo("/lights/0/mirror");
    assertThat(to.get(0).get("path").stringValue()).isEqualTo("/lights/1/mirror");
  }
}
