package levelember.formats.document;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import levelember.document.DocumentField;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.document.Spelled;
import levelember.document.Triple;
import levelember.document.Variants;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The JSON Schema (draft 2020-12) of the shoot document, made from what its records say. */
public final class ShootSchema {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final String PATTERN_OF_IDS = "^[A-Za-z0-9_-]{1,64}$";

  /** Three numbers within these ends have a name of their own. */
  private static final Map<List<Object>, String> TRIPLES =
      Map.of(
          List.of(Vec3.class, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY), "vector",
          List.of(Vec3.class, -1e5, 1e5), "place",
          List.of(Rgb.class, 0.0, 1.0), "colour");

  private final Map<String, ObjectNode> definitions = new TreeMap<>();
  private final Map<String, Class<?>> defined = new TreeMap<>();

  private ShootSchema() {}

  /** The schema. */
  public static ObjectNode tree() {
    ShootSchema schema = new ShootSchema();
    ObjectNode to = JSON.objectNode();
    to.put("$schema", "https://json-schema.org/draft/2020-12/schema");
    to.put("$id", "urn:level-ember:shoot:" + ShootDocument.VERSION);
    to.put("title", "Level Ember shoot");
    to.put(
        "description",
        "Lengths in metres, angles in degrees, right-handed, +Y up. Linear BT.709 colours.");
    ObjectNode own = schema.object(Shoot.class, null);
    ObjectNode properties = (ObjectNode) own.get("properties");
    ObjectNode all = JSON.objectNode();
    all.putObject("format").put("const", ShootDocument.FORMAT);
    all.putObject("version").put("const", ShootDocument.VERSION);
    all.setAll(properties);
    own.set("properties", all);
    ArrayNode required = JSON.arrayNode().add("format").add("version");
    own.get("required").forEach(required::add);
    own.set("required", required);
    to.setAll(own);
    ObjectNode definitions = to.putObject("$defs");
    schema.definitions.forEach(definitions::set);
    return to;
  }

  /** An object of a record's fields; of a variant with its kind. */
  private ObjectNode object(Class<?> record, String kind) {
    ObjectNode to = JSON.objectNode().put("type", "object");
    ObjectNode properties = to.putObject("properties");
    ArrayNode required = JSON.arrayNode();
    if (kind != null) {
      properties.putObject(Variants.KIND).put("const", kind);
      required.add(Variants.KIND);
    }
    fields(record, properties, required);
    to.set("required", required);
    return to.put("additionalProperties", false);
  }

  private void fields(Class<?> record, ObjectNode properties, ArrayNode required) {
    for (DocumentField field : RecordFields.of(record).components()) {
      if (field.inline()) {
        fields(field.type(), properties, required);
        continue;
      }
      properties.set(field.name(), property(field));
      if (field.required()) {
        required.add(field.name());
      }
    }
  }

  private ObjectNode property(DocumentField field) {
    ObjectNode to = type(field, field.type());
    if (field.nullable()) {
      ObjectNode type = to;
      to = JSON.objectNode();
      to.putArray("oneOf").add(JSON.objectNode().put("type", "null")).add(type);
    }
    Field facts = field.facts();
    boolean same = facts.defaultValue().startsWith(Field.SAME_AS);
    if (!field.required() && !same) {
      to.set("default", DefaultValues.of(facts.defaultValue()));
    }
    String says = facts.meaning();
    if (same) {
      says += "; default: the same as " + facts.defaultValue().substring(Field.SAME_AS.length());
    }
    if (!says.isEmpty()) {
      to.put("description", says);
    }
    if (!facts.unit().isEmpty()) {
      to.put("x-unit", facts.unit());
    }
    return to;
  }

  private ObjectNode type(DocumentField field, Class<?> type) {
    Field facts = field.facts();
    ObjectNode to = JSON.objectNode();
    if (type == double.class || type == Double.class) {
      return range(to.put("type", "number"), facts);
    } else if (type == int.class || type == Integer.class) {
      return range(to.put("type", "integer"), facts);
    } else if (type == boolean.class) {
      return to.put("type", "boolean");
    } else if (type == String.class) {
      return text(to.put("type", "string"), facts);
    } else if (type.isEnum()) {
      Spelled.all(type).forEach(to.putArray("enum")::add);
      return to;
    } else if (Triple.is(type)) {
      return triple(type, facts);
    } else if (type == List.class) {
      return list(field, to);
    }
    return reference(type);
  }

  private static ObjectNode text(ObjectNode to, Field facts) {
    return switch (facts.text()) {
      case ID -> to.put("pattern", PATTERN_OF_IDS);
      case NAME -> {
        to.put("minLength", 1).put("maxLength", 200);
        yield facts.pattern().isEmpty() ? to : to.put("pattern", "^(" + facts.pattern() + ")$");
      }
      case REMARK -> to.put("maxLength", 200);
    };
  }

  private static ObjectNode range(ObjectNode to, Field facts) {
    ends(to, facts);
    if (!facts.orZero()) {
      return to;
    }
    ObjectNode either = JSON.objectNode();
    either.putArray("oneOf").add(JSON.objectNode().put("const", 0)).add(to);
    return either;
  }

  private static ObjectNode ends(ObjectNode to, Field facts) {
    number(to, "minimum", facts.min());
    number(to, "maximum", facts.max());
    return to;
  }

  private static void number(ObjectNode to, String name, double value) {
    if (value == Math.rint(value) && Math.abs(value) < 1e15) {
      to.put(name, (long) value);
    } else if (Double.isFinite(value)) {
      to.put(name, value);
    }
  }

  private ObjectNode triple(Class<?> type, Field facts) {
    String name = TRIPLES.get(List.of(type, facts.min(), facts.max()));
    if (name == null) {
      return three(facts);
    }
    definitions.computeIfAbsent(name, n -> three(facts));
    return JSON.objectNode().put("$ref", "#/$defs/" + name);
  }

  private static ObjectNode three(Field facts) {
    ObjectNode to = JSON.objectNode().put("type", "array");
    to.set("items", ends(JSON.objectNode().put("type", "number"), facts));
    return to.put("minItems", 3).put("maxItems", 3);
  }

  private ObjectNode list(DocumentField field, ObjectNode to) {
    Field facts = field.facts();
    to.put("type", "array");
    to.set("items", Triple.is(field.element()) ? point(facts) : type(field, field.element()));
    if (facts.minEntries() > 0) {
      to.put("minItems", facts.minEntries());
    }
    if (facts.maxEntries() < Integer.MAX_VALUE) {
      to.put("maxItems", facts.maxEntries());
    }
    return to;
  }

  private static ObjectNode point(Field facts) {
    ObjectNode to = JSON.objectNode().put("type", "object");
    ObjectNode properties = to.putObject("properties");
    for (String axis : List.of("x", "y", "z")) {
      ends(properties.putObject(axis).put("type", "number"), facts).put("default", 0);
    }
    to.putArray("required");
    return to.put("additionalProperties", false);
  }

  private ObjectNode reference(Class<?> type) {
    String simple = type.getSimpleName();
    String name = simple.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + simple.substring(1);
    Class<?> other = defined.putIfAbsent(name, type);
    if (other != null && other != type) {
      throw new IllegalStateException(other + " and " + type + " are of one name");
    }
    if (other == null) {
      definitions.put(name, definition(type));
    }
    return JSON.objectNode().put("$ref", "#/$defs/" + name);
  }

  private ObjectNode definition(Class<?> type) {
    if (type == Key.class) {
      return KeyJson.schema(object(type, null));
    }
    if (!type.isSealed()) {
      return object(type, null);
    }
    ObjectNode to = JSON.objectNode();
    ArrayNode variants = to.putArray("oneOf");
    Variants.of(type).forEach((kind, record) -> variants.add(object(record, kind)));
    return to;
  }

  /** As the file has it. */
  public static String text() {
    JsonNode tree = tree();
    return ShootDocument.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(tree) + "\n";
  }
}
