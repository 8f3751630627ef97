package levelember.formats.document;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.document.ImpossibleValue;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.DoubleNode;
import tools.jackson.databind.node.IntNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The schema of the shoot document says the ranges that the reader keeps: every number of a
 * document that holds all there is is set to both ends of its range, and beyond them.
 */
class SchemaEndsTest {
  private static final double FAR = 1e30;

  /**
   * Numbers whose range depends on others, so that an end by itself may be refused: the schema says
   * the widest range.
   */
  private static final Set<String> DEPENDING =
      Set.of(
          "rounding",
          "tube",
          "radius",
          "at",
          "minScale",
          "maxScale",
          "day",
          "bevel",
          "lastFrame",
          "seconds");

  private JsonNode schema;
  private JsonNode document;
  private final List<String> wrong = new ArrayList<>();
  private int numbers;

  @Test
  void theReaderKeepsTheRangesThatTheSchemaSays() throws IOException {
    try (InputStream in = ShootDocument.class.getResourceAsStream("shoot.schema.json")) {
      schema = ShootDocument.JSON.readTree(new String(in.readAllBytes(), UTF_8));
    }
    document = ShootDocument.tree(WholeShoot.everything());
    walk(document, schema, "");
    assertThat(numbers).isGreaterThan(300);
    assertThat(wrong).isEmpty();
  }

  private void walk(JsonNode node, JsonNode rule, String path) {
    JsonNode own = resolved(rule, node);
    if (node instanceof ObjectNode object) {
      for (Map.Entry<String, JsonNode> field : object.properties()) {
        walk(
            field.getValue(),
            own.path("properties").path(field.getKey()),
            path + "/" + field.getKey());
      }
    } else if (node instanceof ArrayNode array) {
      for (int i = 0; i < Math.min(array.size(), 8); i++) {
        walk(array.get(i), own.path("items"), path + "/" + i);
      }
    } else if (node.isNumber()) {
      numbers++;
      end(path, own, "minimum", -1);
      end(path, own, "maximum", 1);
    }
  }

  /** The rule itself: references followed, and of several the one that fits. */
  private JsonNode resolved(JsonNode rule, JsonNode node) {
    JsonNode own = rule;
    while (true) {
      if (own.has("$ref")) {
        own = schema.at(own.get("$ref").stringValue().substring(1));
      } else if (own.has("anyOf") || own.has("oneOf")) {
        JsonNode found = null;
        for (JsonNode one : own.has("anyOf") ? own.get("anyOf") : own.get("oneOf")) {
          found = found == null && fits(one, node) ? one : found;
        }
        if (found == null) {
          return own;
        }
        own = found;
      } else {
        return own;
      }
    }
  }

  private static boolean fits(JsonNode rule, JsonNode node) {
    if (rule.path("type").stringValue("").equals("null")) {
      return node.isNull();
    }
    if (rule.has("const")) {
      return false;
    }
    if (rule.path("type").stringValue("").equals("array") != node.isArray()) {
      return false;
    }
    JsonNode kind = rule.at("/properties/kind/const");
    return !node.isNull() && (kind.isMissingNode() || kind.equals(node.path("kind")));
  }

  private void end(String path, JsonNode rule, String side, int sign) {
    String name = path.substring(path.lastIndexOf('/') + 1);
    boolean open =
        rule.has("exclusive" + Character.toUpperCase(side.charAt(0)) + side.substring(1));
    if (open || !rule.has(side)) {
      boolean fixed = path.equals("/version");
      if (!open && !fixed && accepts(path, sign * FAR, rule) != null) {
        wrong.add(path + " has no " + side + " in the schema, but the reader has");
      }
      return;
    }
    double limit = rule.get(side).doubleValue();
    ImpossibleValue at = accepts(path, limit, rule);
    boolean others = at != null && !at.field().endsWith(name);
    if (at != null && !others && !DEPENDING.contains(name)) {
      wrong.add(path + " may be " + limit + " by the schema; the reader says " + at.getMessage());
    }
    boolean whole = rule.path("type").stringValue("").equals("integer");
    double beyond = limit + sign * (whole ? 1 : Math.max(1e-3, Math.abs(limit) * 1e-3));
    if (accepts(path, beyond, rule) == null) {
      wrong.add(path + " may not be " + beyond + " by the schema; the reader takes it");
    }
  }

  /** Why the reader refuses the document with one number changed; null when it does not. */
  private ImpossibleValue accepts(String path, double value, JsonNode rule) {
    JsonNode changed = document.deepCopy();
    JsonNode parent = changed.at(path.substring(0, path.lastIndexOf('/')));
    String name = path.substring(path.lastIndexOf('/') + 1);
    boolean whole =
        rule.path("type").stringValue("").equals("integer") && Math.abs(value) < Integer.MAX_VALUE;
    JsonNode number = whole ? IntNode.valueOf((int) value) : DoubleNode.valueOf(value);
    if (parent instanceof ObjectNode object) {
      object.set(name, number);
    } else {
      ((ArrayNode) parent).set(Integer.parseInt(name), number);
    }
    try {
      ShootDocument.read(changed);
      return null;
    } catch (ImpossibleValue e) {
      return e;
    }
  }
}
