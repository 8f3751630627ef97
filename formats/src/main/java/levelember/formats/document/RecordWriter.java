package levelember.formats.document;

import java.util.Arrays;
import java.util.List;
import levelember.document.DocumentField;
import levelember.document.RecordFields;
import levelember.document.Spelled;
import levelember.document.Triple;
import levelember.document.Variants;
import levelember.shoot.motion.Key;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes records as JSON, every field said. */
final class RecordWriter {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private RecordWriter() {}

  /** A record, or null; one of a sealed kind says which. */
  static JsonNode tree(Record record) {
    return value(record, record == null ? Record.class : kinds(record.getClass()));
  }

  /** The sealed kind that a record is of; itself where it is of none. */
  private static Class<?> kinds(Class<?> record) {
    return Arrays.stream(record.getInterfaces()).filter(Class::isSealed).findFirst().orElse(record);
  }

  /**
   * @param declared type that the document has at this place
   */
  private static JsonNode value(Object value, Class<?> declared) {
    return switch (value) {
      case null -> JSON.nullNode();
      case Double d -> JSON.numberNode(d.doubleValue());
      case Integer i -> JSON.numberNode(i.intValue());
      case Boolean b -> JSON.booleanNode(b);
      case String s -> JSON.stringNode(s);
      case Enum<?> e -> JSON.stringNode(Spelled.of(e));
      case List<?> list -> list(list, declared);
      case Key key -> KeyJson.tree(key);
      case Record triple when Triple.is(triple.getClass()) -> triple(triple);
      case Record record -> object(record, declared);
      default -> throw new IllegalArgumentException("no part of a document: " + value.getClass());
    };
  }

  private static ArrayNode triple(Record triple) {
    double[] v = Triple.numbers(triple);
    return JSON.arrayNode().add(v[0]).add(v[1]).add(v[2]);
  }

  private static ArrayNode list(List<?> list, Class<?> element) {
    ArrayNode to = JSON.arrayNode(list.size());
    for (Object entry : list) {
      boolean point = entry instanceof Record r && Triple.is(r.getClass());
      to.add(point ? point((Record) entry) : value(entry, element));
    }
    return to;
  }

  private static ObjectNode point(Record triple) {
    double[] v = Triple.numbers(triple);
    return JSON.objectNode().put("x", v[0]).put("y", v[1]).put("z", v[2]);
  }

  private static ObjectNode object(Record record, Class<?> declared) {
    ObjectNode to = JSON.objectNode();
    if (declared.isSealed()) {
      to.put(Variants.KIND, Variants.kind(record.getClass()));
    }
    put(record, to);
    return to;
  }

  /** Puts the fields of a record, and of those that are inlined in it, into an object. */
  static void put(Record record, ObjectNode to) {
    RecordFields fields = RecordFields.of(record.getClass());
    for (int i = 0; i < fields.components().size(); i++) {
      DocumentField field = fields.components().get(i);
      Object value = fields.get(record, i);
      if (field.inline()) {
        put((Record) value, to);
      } else {
        Class<?> declared = field.element() == null ? field.type() : field.element();
        to.set(field.name(), value(value, declared));
      }
    }
  }
}
