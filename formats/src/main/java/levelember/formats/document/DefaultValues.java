package levelember.formats.document;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Usual values of fields, read once from the texts at the components. */
final class DefaultValues {
  /** Roughness of glass of which a document says none. */
  static final JsonNode SMOOTH = JsonNodeFactory.instance.numberNode(0);

  private static final Map<String, JsonNode> READ = new ConcurrentHashMap<>();

  private DefaultValues() {}

  /** The value of a text; not to be changed. */
  static JsonNode of(String json) {
    return READ.computeIfAbsent(json, ShootDocument.JSON::readTree);
  }
}
