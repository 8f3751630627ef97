package levelember.formats.document;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import levelember.formats.document.ShootDifference.Change;
import levelember.formats.document.ShootDifference.Part;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class ShootDifferenceTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [{"id": "ball", "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
       "materials": [{"id": "m"}],
       "lights": [{"id": "key", "levelStops": 1, "emitter": {"kind": "sphere", "radius": 0.1},
                   "brightness": {"value": 800, "unit": "lm"}},
                  {"id": "fill", "emitter": {"kind": "point"},
                   "brightness": {"value": 800, "unit": "lm"}}],
       "shots": [{"id": "s", "position": [0, 0, 4], "look": "k"}],
       "looks": [{"id": "k", "ev": 3}]}
      """;

  private static JsonNode document(String text) {
    return ShootDocument.tree(ShootDocument.read(text.getBytes(UTF_8)));
  }

  private static final JsonNode NOW = document(SHOOT);

  @Test
  void theSameDiffersInNothing() {
    assertThat(ShootDifference.between(NOW, document(SHOOT))).isEmpty();
    for (Part part : Part.values()) {
      assertThat(ShootDifference.restoring(part, NOW, document(SHOOT))).isEmpty();
    }
  }

  @Test
  void everyValueThatDiffersIsSaidWithBothAndTheWayThere() {
    JsonNode other =
        document(
            SHOOT
                .replace("\"levelStops\": 1", "\"levelStops\": -0.5")
                .replace("\"radius\": 0.5", "\"radius\": 0.7")
                .replace("\"name\": \"Ball\"", "\"name\": \"Other\""));
    List<Change> changes = ShootDifference.between(NOW, other);
    assertThat(changes)
        .extracting(Change::place)
        .containsExactly("pieces/ball/shape/radius", "lights/key/levelStops");
    Change level = changes.getLast();
    assertThat(level.now().doubleValue()).isEqualTo(1);
    assertThat(level.other().doubleValue()).isEqualTo(-0.5);
    assertThat(level.operations().toString())
        .isEqualTo("[{\"op\":\"replace\",\"path\":\"/lights/0/levelStops\",\"value\":-0.5}]");
  }

  @Test
  void anotherKindIsOneChangeAndEntriesComeAndGo() {
    JsonNode other =
        document(
            SHOOT
                .replace("{\"kind\": \"sphere\", \"radius\": 0.1}", "{\"kind\": \"point\"}")
                .replace("\"id\": \"fill\"", "\"id\": \"rim\""));
    List<Change> changes = ShootDifference.between(NOW, other);
    assertThat(changes)
        .extracting(Change::place)
        .containsExactly("lights/key/emitter", "lights/fill", "lights/rim");
    assertThat(changes.get(1).other()).isNull();
    assertThat(changes.get(1).operations().toString()).contains("remove", "/lights/1");
    assertThat(changes.get(2).now()).isNull();
    assertThat(changes.get(2).operations().toString()).contains("add", "/lights/1");
  }

  @Test
  void aPartIsBroughtBackByItself() {
    JsonNode other =
        document(
            SHOOT
                .replace("\"levelStops\": 1", "\"levelStops\": 2")
                .replace("\"radius\": 0.5", "\"radius\": 0.7")
                .replace("\"ev\": 3", "\"ev\": 4"));
    assertThat(paths(Part.RIG, other)).containsExactly("/lights");
    assertThat(paths(Part.SET, other)).containsExactly("/pieces");
    assertThat(paths(Part.LOOK, other)).containsExactly("/looks");
    assertThat(paths(Part.ALL, other)).containsExactly("/pieces", "/lights", "/looks");
  }

  @Test
  void shotsWearWhatTheyWoreThen() {
    JsonNode other =
        document(
            SHOOT
                .replace("\"look\": \"k\"", "\"look\": \"late\"")
                .replace("{\"id\": \"k\", \"ev\": 3}", "{\"id\": \"late\"}"));
    assertThat(paths(Part.LOOK, other)).containsExactly("/looks", "/shots/0/look");
  }

  private static List<String> paths(Part part, JsonNode other) {
    return ShootDifference.restoring(part, NOW, other)
        .valueStream()
        .map(o -> o.get("path").stringValue())
        .toList();
  }
}
