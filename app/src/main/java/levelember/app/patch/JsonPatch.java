package levelember.app.patch;

import levelember.app.problem.Refusal;
import org.springframework.http.HttpStatus;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * JSON Patch (RFC 6902) with the operations add, remove and replace, and its inverse.
 *
 * @param document the patched copy
 * @param inverse the patch that leads back
 */
public record JsonPatch(JsonNode document, ArrayNode inverse) {
  private static final int MOST_OPERATIONS = 40_000;

  /**
   * Applies a patch to a copy.
   *
   * @throws Refusal when the patch is no list, or an operation does not fit
   */
  public static JsonPatch apply(JsonNode before, JsonNode patch) {
    if (patch == null || !patch.isArray() || patch.size() > MOST_OPERATIONS) {
      throw unfit("the operations are no list of at most " + MOST_OPERATIONS);
    }
    JsonNode document = before.deepCopy();
    return new JsonPatch(document, change(document, patch));
  }

  /** Changes a document itself; answers the inverse. */
  static ArrayNode change(JsonNode document, JsonNode patch) {
    ArrayNode inverse = JsonNodeFactory.instance.arrayNode();
    for (JsonNode operation : patch) {
      String path = operation.path("path").stringValue("");
      String op = operation.path("op").stringValue("");
      if (!path.startsWith("/")) {
        throw unfit("'" + path + "' is no path");
      }
      int slash = path.lastIndexOf('/');
      JsonNode parent = document.at(path.substring(0, slash));
      String last = path.substring(slash + 1).replace("~1", "/").replace("~0", "~");
      if (parent instanceof ObjectNode object) {
        inverse.insert(0, inObject(object, op, path, last, operation.get("value")));
      } else if (parent instanceof ArrayNode array) {
        inverse.insert(0, inArray(array, op, path, last, operation.get("value")));
      } else {
        throw unfit("there is nothing at '" + path + "'");
      }
    }
    return inverse;
  }

  private static ObjectNode inObject(
      ObjectNode object, String op, String path, String name, JsonNode value) {
    JsonNode was = object.get(name);
    switch (op) {
      case "add", "replace" -> {
        if (value == null || op.equals("replace") && was == null) {
          throw unfit("there is nothing to " + op + " at '" + path + "'");
        }
        object.set(name, value);
        return was == null ? step("remove", path, null) : step("replace", path, was);
      }
      case "remove" -> {
        if (was == null) {
          throw unfit("there is nothing to remove at '" + path + "'");
        }
        object.remove(name);
        return step("add", path, was);
      }
      default -> throw unfit("'" + op + "' is none of add, remove, replace");
    }
  }

  private static ObjectNode inArray(
      ArrayNode array, String op, String path, String name, JsonNode value) {
    boolean end = name.equals("-");
    int i = end ? array.size() : index(name, path);
    if (i > array.size() || !op.equals("add") && i == array.size()) {
      throw unfit("there is nothing at '" + path + "'");
    }
    switch (op) {
      case "add" -> {
        if (value == null) {
          throw unfit("there is nothing to add at '" + path + "'");
        }
        array.insert(i, value);
        return step("remove", path.substring(0, path.lastIndexOf('/') + 1) + i, null);
      }
      case "replace" -> {
        if (value == null) {
          throw unfit("there is no value for '" + path + "'");
        }
        JsonNode was = array.get(i);
        array.set(i, value);
        return step("replace", path, was);
      }
      case "remove" -> {
        return step("add", path, array.remove(i));
      }
      default -> throw unfit("'" + op + "' is none of add, remove, replace");
    }
  }

  private static int index(String name, String path) {
    if (!name.matches("0|[1-9][0-9]{0,6}")) {
      throw unfit("'" + path + "' does not end in a number");
    }
    return Integer.parseInt(name);
  }

  private static ObjectNode step(String op, String path, JsonNode value) {
    ObjectNode step = JsonNodeFactory.instance.objectNode().put("op", op).put("path", path);
    if (value != null) {
      step.set("value", value);
    }
    return step;
  }

  private static Refusal unfit(String why) {
    return new Refusal(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "unfit-edit",
        "The edit does not fit the shoot: " + why + ".",
        "The shoot is as it was.",
        "Load the shoot again and repeat the change.");
  }
}
