package levelember.app.patch;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The JSON Patch that makes one document of another. Fields are compared by name; lists entry by
 * entry where they are of one length, else what is between their common beginning and end is taken
 * out and put in.
 */
public final class JsonDifference {
  private final ArrayNode operations = JsonNodeFactory.instance.arrayNode();

  private JsonDifference() {}

  /** Operations that lead from one document to another of the same kind of root. */
  public static ArrayNode between(JsonNode from, JsonNode to) {
    JsonDifference difference = new JsonDifference();
    difference.compare("", from, to);
    return difference.operations;
  }

  private void compare(String path, JsonNode from, JsonNode to) {
    if (from.equals(to)) {
      return;
    }
    if (from instanceof ObjectNode a && to instanceof ObjectNode b) {
      fields(path, a, b);
    } else if (from instanceof ArrayNode a && to instanceof ArrayNode b) {
      entries(path, a, b);
    } else {
      operation("replace", path, to);
    }
  }

  private void fields(String path, ObjectNode from, ObjectNode to) {
    for (String name : from.propertyNames()) {
      if (!to.has(name)) {
        operation("remove", path + "/" + escaped(name), null);
      }
    }
    for (String name : to.propertyNames()) {
      String field = path + "/" + escaped(name);
      if (from.has(name)) {
        compare(field, from.get(name), to.get(name));
      } else {
        operation("add", field, to.get(name));
      }
    }
  }

  private void entries(String path, ArrayNode from, ArrayNode to) {
    if (from.size() == to.size()) {
      for (int i = 0; i < from.size(); i++) {
        compare(path + "/" + i, from.get(i), to.get(i));
      }
      return;
    }
    int shorter = Math.min(from.size(), to.size());
    int begin = 0;
    while (begin < shorter && from.get(begin).equals(to.get(begin))) {
      begin++;
    }
    int end = 0;
    while (end < shorter - begin
        && from.get(from.size() - 1 - end).equals(to.get(to.size() - 1 - end))) {
      end++;
    }
    for (int i = from.size() - end - 1; i >= begin; i--) {
      operation("remove", path + "/" + i, null);
    }
    for (int i = begin; i < to.size() - end; i++) {
      operation("add", path + "/" + i, to.get(i));
    }
  }

  /** A name as JSON Pointer (RFC 6901) writes it. */
  private static String escaped(String name) {
    return name.replace("~", "~0").replace("/", "~1");
  }

  private void operation(String op, String path, JsonNode value) {
    ObjectNode one = operations.addObject().put("op", op).put("path", path);
    if (value != null) {
      one.set("value", value);
    }
  }
}
