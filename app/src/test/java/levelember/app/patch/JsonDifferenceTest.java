package levelember.app.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

class JsonDifferenceTest {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private static JsonNode parsed(String json) {
    return JsonMapper.shared().readTree(json.replace('\'', '"'));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "{'a': 1} | {'a': 2} | [{'op': 'replace', 'path': '/a', 'value': 2}]",
        "{'a': 1, 'b': 2} | {'b': 2} | [{'op': 'remove', 'path': '/a'}]",
        "{'x': [1, 2, 3]} | {'x': [1, 9, 2, 3]} | [{'op': 'add', 'path': '/x/1', 'value': 9}]",
        "{'x': [1, 2, 3]} | {'x': [1, 3]} | [{'op': 'remove', 'path': '/x/1'}]",
        "{'x/y~': 1} | {'x/y~': 2} | [{'op': 'replace', 'path': '/x~1y~0', 'value': 2}]",
        "{'l': [{'n': 1}]} | {'l': [{'n': 5}]}"
            + " | [{'op': 'replace', 'path': '/l/0/n', 'value': 5}]",
        "{'a': null} | {'a': null} | []",
      })
  void saysNoMoreThanWhatDiffers(String from, String to, String patch) {
    assertThat(JsonDifference.between(parsed(from), parsed(to))).isEqualTo(parsed(patch));
  }

  @Test
  void theOneDocumentBecomesTheOther() {
    Random random = new Random(5);
    for (int i = 0; i < 2000; i++) {
      JsonNode from = object(random, 3), to = object(random, 3);
      ArrayNode patch = JsonDifference.between(from, to);
      String text = patch.toString();
      assertThat(StoredDocument.replayed(from.toString(), java.util.List.of(text))).isEqualTo(to);
    }
  }

  private static ObjectNode object(Random random, int deep) {
    ObjectNode to = JSON.objectNode();
    for (int i = random.nextInt(5); i > 0; i--) {
      to.set("f" + random.nextInt(4) + "/~".charAt(random.nextInt(2)), value(random, deep - 1));
    }
    return to;
  }

  private static JsonNode value(Random random, int deep) {
    return switch (random.nextInt(deep > 0 ? 5 : 3)) {
      case 0 -> JSON.numberNode(random.nextInt(4));
      case 1 -> JSON.stringNode("t" + random.nextInt(3));
      case 2 -> JSON.nullNode();
      case 3 -> object(random, deep);
      default -> {
        ArrayNode list = JSON.arrayNode();
        for (int i = random.nextInt(5); i > 0; i--) {
          list.add(value(random, deep - 1));
        }
        yield list;
      }
    };
  }
}
