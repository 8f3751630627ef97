package levelember.formats.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import levelember.document.ImpossibleValue;
import levelember.document.Spelled;
import levelember.shoot.motion.Key;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A key, whose value is a number, three, true or false, or the spelling of a choice. */
final class KeyJson {
  private static final Set<String> FIELDS =
      Set.of("seconds", "value", "span", "slopeIn", "slopeOut");

  private KeyJson() {}

  static Key read(JsonNode node) {
    for (String name : node.propertyNames()) {
      if (!FIELDS.contains(name)) {
        throw new ImpossibleValue(
            name, "unknown", "one of " + String.join(", ", new java.util.TreeSet<>(FIELDS)));
      }
    }
    JsonNode value = required(node, "value"), seconds = required(node, "seconds");
    if (!seconds.isNumber() || !Double.isFinite(seconds.doubleValue())) {
      throw new ImpossibleValue("seconds", RecordReader.shown(seconds), "a finite number");
    }
    boolean choice = value.isString();
    return new Key(
        seconds.doubleValue(),
        choice ? List.of() : numbers("value", value),
        choice ? value.stringValue() : null,
        span(node.path("span"), choice ? Key.Span.HOLD : Key.Span.STRAIGHT),
        slopes(node, "slopeIn"),
        slopes(node, "slopeOut"));
  }

  private static JsonNode required(JsonNode node, String name) {
    JsonNode value = node.path(name);
    if (value.isMissingNode() || value.isNull()) {
      throw new ImpossibleValue(name, "missing", "a value, as it has no default");
    }
    return value;
  }

  private static Key.Span span(JsonNode node, Key.Span usual) {
    if (node.isMissingNode() || node.isNull()) {
      return usual;
    }
    if (!node.isString()) {
      throw new ImpossibleValue("span", RecordReader.shown(node), "a text");
    }
    return (Key.Span) Spelled.read("span", node.stringValue(), Key.Span.class);
  }

  private static List<Double> slopes(JsonNode node, String name) {
    JsonNode slopes = node.path(name);
    return slopes.isMissingNode() || slopes.isNull() ? List.of() : numbers(name, slopes);
  }

  private static List<Double> numbers(String field, JsonNode value) {
    if (value.isBoolean()) {
      return List.of(value.booleanValue() ? 1.0 : 0.0);
    }
    List<Double> to = new ArrayList<>();
    for (JsonNode n : value.isArray() ? value : List.of(value)) {
      if (!n.isNumber()) {
        throw new ImpossibleValue(
            field, RecordReader.shown(value), "a number, three numbers, a switch or a choice");
      }
      to.add(n.doubleValue());
    }
    return to;
  }

  static ObjectNode tree(Key key) {
    ObjectNode to = JsonNodeFactory.instance.objectNode().put("seconds", key.seconds());
    if (key.choice() == null) {
      numbers(key.value(), "value", to);
    } else {
      to.put("value", key.choice());
    }
    to.put("span", Spelled.of(key.span()));
    if (!key.slopeIn().isEmpty()) {
      numbers(key.slopeIn(), "slopeIn", to);
    }
    if (!key.slopeOut().isEmpty()) {
      numbers(key.slopeOut(), "slopeOut", to);
    }
    return to;
  }

  private static void numbers(List<Double> values, String name, ObjectNode to) {
    if (values.size() == 1) {
      to.put(name, values.getFirst());
    } else {
      ArrayNode array = to.putArray(name);
      values.forEach(array::add);
    }
  }

  /**
   * The schema of a key.
   *
   * @param fields that of the record's components
   */
  static ObjectNode schema(ObjectNode fields) {
    ObjectNode properties = (ObjectNode) fields.get("properties");
    properties.remove("choice");
    for (String name : List.of("value", "slopeIn", "slopeOut")) {
      ObjectNode several = (ObjectNode) properties.get(name);
      ObjectNode one = ((ObjectNode) several.remove("items"));
      several.remove("type");
      several.remove("default");
      ArrayNode either = several.putArray("oneOf").add(one);
      ObjectNode three = either.addObject().put("type", "array");
      three.set("items", one);
      three.put("minItems", 3).put("maxItems", 3);
      if (name.equals("value")) {
        either.addObject().put("type", "boolean");
        either.addObject().put("type", "string");
      }
    }
    return fields;
  }
}
