package levelember.formats.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import levelember.document.DocumentField;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.document.Spelled;
import levelember.document.Triple;
import levelember.document.Variants;
import levelember.shoot.material.Material;
import levelember.shoot.motion.Key;
import tools.jackson.databind.JsonNode;

/**
 * Reads records from JSON by what their components say of themselves. Goes on after what it must
 * refuse, so that all wrong fields are known at once.
 */
final class RecordReader {
  /** More refusals than this help nobody. */
  private static final int MOST_REFUSALS = 100;

  private static final String NO_DEFAULT = "a value, as it has no default";
  private static final RecordFields MATERIAL = RecordFields.of(Material.class);

  /** What a field that is refused is read as. */
  private static final Object REFUSED = new Object();

  private final List<ImpossibleValue.Refusal> refusals = new ArrayList<>();

  private RecordReader() {}

  /**
   * Reads a record or one of the records of a sealed interface.
   *
   * @throws ImpossibleValue of all fields that are unknown, missing or out of range
   */
  static <T> T read(JsonNode node, Class<T> type) {
    return read(node, type, Set.of());
  }

  /**
   * Reads a record of an object that has other fields besides.
   *
   * @param besides names of those
   * @throws ImpossibleValue of all fields that are unknown, missing or out of range
   */
  static <T> T read(JsonNode node, Class<T> type, Set<String> besides) {
    RecordReader reader = new RecordReader();
    Object value = reader.object(node, type, JsonPath.DOCUMENT, besides);
    if (!reader.refusals.isEmpty()) {
      throw ImpossibleValue.of(reader.refusals);
    }
    return type.cast(value);
  }

  private Object refuse(JsonPath path, Object given, String allowed) {
    return refuse(path, new ImpossibleValue("", given, allowed));
  }

  private Object refuse(JsonPath path, ImpossibleValue e) {
    String at = path.toString();
    for (ImpossibleValue.Refusal refusal : (at.isEmpty() ? e : e.within(at)).all()) {
      if (refusals.size() < MOST_REFUSALS) {
        refusals.add(refusal);
      }
    }
    return REFUSED;
  }

  static String shown(JsonNode node) {
    String text = node.toString();
    return text.length() > 60 ? text.substring(0, 60) + "…" : text;
  }

  private Object object(JsonNode node, Class<?> type, JsonPath path, Set<String> besides) {
    if (!node.isObject()) {
      return refuse(path, shown(node), "an object");
    }
    try {
      if (type == Key.class) {
        return KeyJson.read(node);
      }
      Class<?> record = type.isSealed() ? variant(node, type) : type;
      Object read = components(node, RecordFields.of(record), path);
      Set<String> names = RecordFields.of(record).names();
      for (String name : node.propertyNames()) {
        boolean kind = type.isSealed() && name.equals(Variants.KIND);
        if (!kind && !names.contains(name) && !besides.contains(name)) {
          read = unknown(path.field(name), names, type.isSealed(), besides);
        }
      }
      return read;
    } catch (ImpossibleValue e) {
      return refuse(path, e);
    }
  }

  private Object unknown(JsonPath path, Set<String> names, boolean sealed, Set<String> besides) {
    Set<String> all = new TreeSet<>(names);
    all.addAll(besides);
    if (sealed) {
      all.add(Variants.KIND);
    }
    return refuse(path, "unknown", "one of " + String.join(", ", all));
  }

  private static Class<?> variant(JsonNode node, Class<?> sealed) {
    JsonNode kind = node.path(Variants.KIND);
    if (kind.isMissingNode() || kind.isNull()) {
      throw new ImpossibleValue(Variants.KIND, "missing", NO_DEFAULT);
    }
    if (!kind.isString()) {
      throw new ImpossibleValue(Variants.KIND, shown(kind), "a text");
    }
    return Variants.read(kind.stringValue(), sealed);
  }

  /** Reads the components of a record from the object that they, or their holder's, stand in. */
  private Object components(JsonNode node, RecordFields fields, JsonPath path) {
    Object[] values = new Object[fields.components().size()];
    boolean sound = true;
    for (int i = 0; i < values.length; i++) {
      DocumentField field = fields.components().get(i);
      values[i] =
          field.inline()
              ? components(node, RecordFields.of(field.type()), path)
              : field(node, fields, field, path);
      sound &= values[i] != REFUSED;
    }
    if (!sound) {
      return REFUSED;
    }
    try {
      return fields.make(values);
    } catch (ImpossibleValue e) {
      return refuse(path, e);
    }
  }

  private Object field(JsonNode node, RecordFields fields, DocumentField field, JsonPath path) {
    JsonNode value = node.get(field.name());
    if (value == null || value.isNull()) {
      if (field.required()) {
        return refuse(path.field(field.name()), "missing", NO_DEFAULT);
      }
      value = usual(node, fields, field);
    }
    JsonPath at = path.field(field.name());
    Object read = value.isNull() ? null : value(value, field.type(), field.element(), at);
    if (read == REFUSED) {
      return REFUSED;
    }
    try {
      field.check(read);
    } catch (ImpossibleValue e) {
      return refuse(path, e);
    }
    return read;
  }

  private static JsonNode usual(JsonNode node, RecordFields fields, DocumentField field) {
    if (fields == MATERIAL
        && field.name().equals("roughness")
        && node.path("transmission").asDouble(0) > 0) {
      return DefaultValues.SMOOTH;
    }
    String usual = field.defaultValue();
    if (!usual.startsWith(Field.SAME_AS)) {
      return DefaultValues.of(usual);
    }
    String other = usual.substring(Field.SAME_AS.length());
    JsonNode same = node.get(other);
    if (same != null && !same.isNull()) {
      return same;
    }
    return fields.components().stream()
        .filter(f -> f.name().equals(other))
        .map(f -> DefaultValues.of(f.defaultValue()))
        .findFirst()
        .orElseThrow();
  }

  private Object value(JsonNode n, Class<?> type, Class<?> element, JsonPath at) {
    if (type == double.class || type == Double.class) {
      boolean finite = n.isNumber() && Double.isFinite(n.doubleValue());
      return finite ? (Object) n.doubleValue() : refuse(at, shown(n), "a finite number");
    } else if (type == int.class || type == Integer.class) {
      boolean whole = n.isIntegralNumber() && n.canConvertToInt();
      return whole ? (Object) n.intValue() : refuse(at, shown(n), "a whole number");
    } else if (type == boolean.class) {
      return n.isBoolean() ? (Object) n.booleanValue() : refuse(at, shown(n), "true or false");
    } else if (type == String.class) {
      return n.isString() ? n.stringValue() : refuse(at, shown(n), "a text");
    } else if (type.isEnum()) {
      return choice(n, type, at);
    } else if (Triple.is(type)) {
      return triple(n, type, at);
    } else if (type == List.class) {
      return list(n, element, at);
    }
    return object(n, type, at, Set.of());
  }

  private Object choice(JsonNode n, Class<?> type, JsonPath at) {
    if (!n.isString()) {
      return refuse(at, shown(n), "a text");
    }
    try {
      return Spelled.read("", n.stringValue(), type);
    } catch (ImpossibleValue e) {
      return refuse(at, e);
    }
  }

  private Object triple(JsonNode n, Class<?> type, JsonPath at) {
    if (!n.isArray() || n.size() != 3) {
      return refuse(at, shown(n), "a list of three numbers");
    }
    double[] v = new double[3];
    for (int i = 0; i < 3; i++) {
      Object number = value(n.get(i), double.class, null, at.entry(i));
      if (number == REFUSED) {
        return REFUSED;
      }
      v[i] = (Double) number;
    }
    return Triple.of(type, v[0], v[1], v[2]);
  }

  /** Three numbers within a list stand as an object of x, y and z there. */
  private Object point(JsonNode n, Class<?> type, JsonPath at) {
    if (!n.isObject()) {
      return refuse(at, shown(n), "an object");
    }
    double[] v = new double[3];
    for (String name : n.propertyNames()) {
      int i = List.of("x", "y", "z").indexOf(name);
      if (i < 0) {
        return refuse(at.field(name), "unknown", "one of x, y, z");
      }
      Object number = value(n.get(name), double.class, null, at.field(name));
      if (number == REFUSED) {
        return REFUSED;
      }
      v[i] = (Double) number;
    }
    return Triple.of(type, v[0], v[1], v[2]);
  }

  private Object list(JsonNode n, Class<?> element, JsonPath at) {
    if (!n.isArray()) {
      return refuse(at, shown(n), "a list");
    }
    List<Object> to = new ArrayList<>(n.size());
    boolean sound = true, points = Triple.is(element);
    for (JsonNode entry : n) {
      JsonPath path = at.entry(to.size());
      Object read = points ? point(entry, element, path) : value(entry, element, null, path);
      sound &= read != REFUSED;
      to.add(read);
    }
    return sound ? to : REFUSED;
  }
}
