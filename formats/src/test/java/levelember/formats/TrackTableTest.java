package levelember.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import levelember.formats.document.ShootDocument;
import levelember.shoot.ShootAtTime;
import levelember.shoot.lighting.Light;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Values between keys, by a table of known answers that the page's own reading is held to too. */
class TrackTableTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "A",
       "lights": [{"id": "key", "emitter": {"kind": "point"},
                   "brightness": {"value": 1, "unit": "cd"}}],
       "shots": [{"id": "s", "position": [0, 0, 4], "look": "k"}],
       "looks": [{"id": "k"}]}
      """;

  @TestFactory
  List<DynamicTest> everyTrackHasItsValues() throws Exception {
    List<DynamicTest> to = new ArrayList<>();
    try (InputStream in = getClass().getResourceAsStream("/levelember/formats/tracks.json")) {
      for (JsonNode row : JsonMapper.shared().readTree(in)) {
        ObjectNode document = (ObjectNode) JsonMapper.shared().readTree(SHOOT);
        document.putObject("motion").putArray("tracks").add(row.get("track"));
        for (JsonNode at : row.get("at")) {
          double seconds = at.get(0).doubleValue();
          String name = row.get("track").get("after").stringValue() + " at " + seconds;
          Light light =
              ShootAtTime.of(ShootDocument.read(document), seconds).light("key").orElseThrow();
          to.add(DynamicTest.dynamicTest(name, () -> same(light, at.get(1))));
        }
      }
    }
    assertThat(to).hasSizeGreaterThan(30);
    return to;
  }

  private static void same(Light light, JsonNode wanted) {
    if (wanted.isArray()) {
      assertThat(light.position().x()).isEqualTo(wanted.get(0).doubleValue(), within(1e-9));
      assertThat(light.position().y()).isEqualTo(wanted.get(1).doubleValue(), within(1e-9));
      assertThat(light.position().z()).isEqualTo(wanted.get(2).doubleValue(), within(1e-9));
    } else if (wanted.isBoolean()) {
      assertThat(light.muted()).isEqualTo(wanted.booleanValue());
    } else {
      assertThat(light.levelStops()).isEqualTo(wanted.doubleValue(), within(1e-9));
    }
  }
}
