package levelember.formats;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import levelember.math.Vec3;
import levelember.shoot.ImpossibleValue;
import levelember.shoot.Rgb;
import tools.jackson.databind.JsonNode;

/** Reads the fields of one JSON object, notes which were asked for, and refuses the others. */
final class Fields {
  private final JsonNode node;
  private final Set<String> known = new HashSet<>();

  private Fields(JsonNode node) {
    this.node = node;
  }

  /** Reads an object completely; refusals from inside name the path as seen from outside. */
  static <T> T object(JsonNode node, Function<Fields, T> read) {
    if (!node.isObject()) {
      throw new ImpossibleValue("", shown(node), "an object");
    }
    Fields fields = new Fields(node);
    T value = read.apply(fields);
    for (String name : node.propertyNames()) {
      if (!fields.known.contains(name)) {
        throw new ImpossibleValue(
            name, "unknown", "one of " + String.join(", ", new java.util.TreeSet<>(fields.known)));
      }
    }
    return value;
  }

  private static String shown(JsonNode node) {
    String text = node.toString();
    return text.length() > 60 ? text.substring(0, 60) + "…" : text;
  }

  boolean has(String name) {
    known.add(name);
    return node.has(name) && !node.get(name).isNull();
  }

  private JsonNode required(String name) {
    if (!has(name)) {
      throw new ImpossibleValue(name, "missing", "a value, as it has no default");
    }
    return node.get(name);
  }

  /** A field of any kind. */
  JsonNode any(String name) {
    return required(name);
  }

  double number(String name) {
    return number(name, required(name));
  }

  double number(String name, double usual) {
    return has(name) ? number(name) : usual;
  }

  private static double number(String field, JsonNode n) {
    if (!n.isNumber() || !Double.isFinite(n.doubleValue())) {
      throw new ImpossibleValue(field, shown(n), "a finite number");
    }
    return n.doubleValue();
  }

  int whole(String name) {
    JsonNode n = required(name);
    if (!n.isIntegralNumber() || !n.canConvertToInt()) {
      throw new ImpossibleValue(name, shown(n), "a whole number");
    }
    return n.intValue();
  }

  int whole(String name, int usual) {
    return has(name) ? whole(name) : usual;
  }

  String text(String name) {
    JsonNode n = required(name);
    if (!n.isString()) {
      throw new ImpossibleValue(name, shown(n), "a text");
    }
    return n.stringValue();
  }

  String text(String name, String usual) {
    return has(name) ? text(name) : usual;
  }

  /** One of an enum's names, in small letters. */
  <E extends Enum<E>> E choice(String name, E usual, Class<E> of) {
    if (!has(name)) {
      return usual;
    }
    String said = text(name);
    for (E e : of.getEnumConstants()) {
      if (e.name().toLowerCase(java.util.Locale.ROOT).equals(said)) {
        return e;
      }
    }
    String all =
        String.join(
            ", ",
            java.util.Arrays.stream(of.getEnumConstants())
                .map(e -> e.name().toLowerCase(java.util.Locale.ROOT))
                .toList());
    throw new ImpossibleValue(name, said, "one of " + all);
  }

  /** Whether a field is there and true or false. */
  boolean isFlag(String name) {
    return has(name) && node.get(name).isBoolean();
  }

  boolean flag(String name, boolean usual) {
    if (!has(name)) {
      return usual;
    }
    JsonNode n = node.get(name);
    if (!n.isBoolean()) {
      throw new ImpossibleValue(name, shown(n), "true or false");
    }
    return n.booleanValue();
  }

  Vec3 vector(String name, Vec3 usual) {
    if (!has(name)) {
      return usual;
    }
    double[] v = three(name);
    return new Vec3(v[0], v[1], v[2]);
  }

  Vec3 vector(String name) {
    required(name);
    return vector(name, null);
  }

  Rgb colour(String name) {
    required(name);
    return colour(name, null);
  }

  Rgb colour(String name, Rgb usual) {
    if (!has(name)) {
      return usual;
    }
    double[] v = three(name);
    return new Rgb(v[0], v[1], v[2]);
  }

  private double[] three(String name) {
    JsonNode n = node.get(name);
    if (!n.isArray() || n.size() != 3) {
      throw new ImpossibleValue(name, shown(n), "a list of three numbers");
    }
    double[] v = new double[3];
    for (int i = 0; i < 3; i++) {
      v[i] = number(name + "[" + i + "]", n.get(i));
    }
    return v;
  }

  List<Double> numbers(String name) {
    List<Double> to = new ArrayList<>();
    for (JsonNode n : list(name)) {
      to.add(number(name + "[" + to.size() + "]", n));
    }
    return to;
  }

  List<Integer> wholes(String name) {
    List<Integer> to = new ArrayList<>();
    for (JsonNode n : list(name)) {
      if (!n.isIntegralNumber() || !n.canConvertToInt()) {
        throw new ImpossibleValue(name + "[" + to.size() + "]", shown(n), "a whole number");
      }
      to.add(n.intValue());
    }
    return to;
  }

  List<String> texts(String name) {
    List<String> to = new ArrayList<>();
    for (JsonNode n : list(name)) {
      if (!n.isString()) {
        throw new ImpossibleValue(name + "[" + to.size() + "]", shown(n), "a text");
      }
      to.add(n.stringValue());
    }
    return to;
  }

  <T> List<T> objects(String name, Function<Fields, T> read) {
    List<T> to = new ArrayList<>();
    for (JsonNode n : list(name)) {
      String path = name + "[" + to.size() + "]";
      to.add(within(path, () -> object(n, read)));
    }
    return to;
  }

  <T> T object(String name, Function<Fields, T> read) {
    JsonNode n = required(name);
    return within(name, () -> object(n, read));
  }

  <T> T object(String name, T usual, Function<Fields, T> read) {
    return has(name) ? object(name, read) : usual;
  }

  private Iterable<JsonNode> list(String name) {
    if (!has(name)) {
      return List.of();
    }
    JsonNode n = node.get(name);
    if (!n.isArray()) {
      throw new ImpossibleValue(name, shown(n), "a list");
    }
    return n;
  }

  private static <T> T within(String path, java.util.function.Supplier<T> read) {
    try {
      return read.get();
    } catch (ImpossibleValue e) {
      throw e.within(path);
    }
  }
}
