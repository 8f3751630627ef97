package levelember.formats.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * A document of this version with every field that there was when it was kept. It stays as it is:
 * what is added to the model since must not stand in the way of what is stored.
 */
class KeptSamplesTest {
  @Test
  void aDocumentThatWasKeptOpensWithAllItSays() throws IOException {
    byte[] kept;
    try (InputStream in = getClass().getResourceAsStream("version-2.json")) {
      kept = in.readAllBytes();
    }
    holds(ShootDocument.tree(ShootDocument.read(kept)), ShootDocument.parse(kept), "");
  }

  private static void holds(JsonNode now, JsonNode kept, String path) {
    if (kept.isObject()) {
      for (Map.Entry<String, JsonNode> field : kept.properties()) {
        holds(now.path(field.getKey()), field.getValue(), path + "/" + field.getKey());
      }
    } else if (kept.isArray()) {
      assertThat(now.size()).as(path).isEqualTo(kept.size());
      for (int i = 0; i < kept.size(); i++) {
        holds(now.get(i), kept.get(i), path + "/" + i);
      }
    } else if (!path.equals("/version")) {
      assertThat(now).as(path).isEqualTo(kept);
    }
  }
}
