package levelember.formats.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What differs between two states of a shoot, value by value, as their documents say it. */
public final class ShootDifference {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  /** Lists whose entries are told apart by their ids. */
  private static final List<String> LISTS =
      List.of("pieces", "materials", "lights", "banks", "shots", "looks");

  /**
   * A value, or a whole entry, that differs.
   *
   * @param place as tracks name it: {@code lights/key/levelStops}, or {@code lights/key} for an
   *     entry that only one state has
   * @param now its value in the first state; null where an entry is not there
   * @param other its value in the second state; null where an entry is not there
   * @param operations JSON Patch that brings the second state's value into the first
   */
  public record Change(String place, JsonNode now, JsonNode other, JsonNode operations) {}

  private final List<Change> changes = new ArrayList<>();

  private ShootDifference() {}

  /**
   * Compares two states.
   *
   * @param now document of the first
   * @param other document of the second
   */
  public static List<Change> between(JsonNode now, JsonNode other) {
    ShootDifference to = new ShootDifference();
    for (String name : Part.ALL.lists) {
      JsonNode a = now.path(name), b = other.path(name);
      if (LISTS.contains(name)) {
        to.lists(name, a, b);
      } else if (!a.isMissingNode() && !b.isMissingNode()) {
        to.values(name, "/" + name, a, b);
      }
    }
    return to.changes;
  }

  private static Map<String, Integer> byId(JsonNode list) {
    Map<String, Integer> to = new LinkedHashMap<>();
    for (int i = 0; i < list.size(); i++) {
      to.put(list.get(i).path("id").stringValue(""), i);
    }
    return to;
  }

  private void lists(String name, JsonNode now, JsonNode other) {
    Map<String, Integer> here = byId(now), there = byId(other);
    here.forEach((id, i) -> {
      String path = "/" + name + "/" + i;
      Integer j = there.get(id);
      if (j == null) {
        add(name + "/" + id, now.get(i), null, operation("remove", path, null));
      } else {
        values(name + "/" + id, path, now.get(i), other.get(j));
      }
    });
    there.forEach((id, j) -> {
      if (!here.containsKey(id)) {
        JsonNode entry = other.get(j);
        int at = Math.min(j, now.size());
        add(name + "/" + id, null, entry, operation("add", "/" + name + "/" + at, entry));
      }
    });
  }

  /** Objects of the same fields and the same kind are compared field by field. */
  private void values(String place, String path, JsonNode now, JsonNode other) {
    if (now.equals(other)) {
      return;
    }
    boolean parts =
        now.isObject()
            && other.isObject()
            && now.path("kind").equals(other.path("kind"))
            && names(now).equals(names(other));
    if (!parts) {
      add(place, now, other, operation("replace", path, other));
      return;
    }
    for (String name : now.propertyNames()) {
      values(place + "/" + name, path + "/" + name, now.get(name), other.get(name));
    }
  }

  private static List<String> names(JsonNode of) {
    return of.propertyNames().stream().sorted().toList();
  }

  private void add(String place, JsonNode now, JsonNode other, JsonNode operations) {
    changes.add(new Change(place, now, other, operations));
  }

  private static ArrayNode operation(String op, String path, JsonNode value) {
    ArrayNode to = JSON.arrayNode();
    ObjectNode one = to.addObject().put("op", op).put("path", path);
    if (value != null) {
      one.set("value", value);
    }
    return to;
  }

  /** Parts of a shoot that can be brought back by themselves. */
  public enum Part {
    /** All but its name and what is measured of it. */
    ALL(
        "pieces",
        "materials",
        "lights",
        "banks",
        "bounce",
        "masterStops",
        "shots",
        "looks",
        "motion"),
    /** Lights with their banks and levels, and how light bounces. */
    RIG("lights", "banks", "masterStops", "bounce"),
    /** Pieces and materials. */
    SET("pieces", "materials"),
    /** Looks, and which shot wears which. */
    LOOK("looks");

    private final List<String> lists;

    Part(String... lists) {
      this.lists = List.of(lists);
    }
  }

  /** JSON Patch that brings a part of the second state into the first; empty where it is there. */
  public static JsonNode restoring(Part part, JsonNode now, JsonNode other) {
    ArrayNode to = JSON.arrayNode();
    for (String name : part.lists) {
      if (!now.path(name).equals(other.path(name)) && other.has(name)) {
        to.addAll(operation("replace", "/" + name, other.get(name)));
      }
    }
    if (part == Part.LOOK) {
      worn(now, other, to);
    }
    return to;
  }

  /** Shots wear what they wore; one that is new, and wears a look that was not there, the first. */
  private static void worn(JsonNode now, JsonNode other, ArrayNode to) {
    Map<String, Integer> there = byId(other.path("shots")), looks = byId(other.path("looks"));
    JsonNode shots = now.path("shots");
    for (int i = 0; i < shots.size(); i++) {
      Integer j = there.get(shots.get(i).path("id").stringValue(""));
      String wears = shots.get(i).path("look").stringValue("");
      String look =
          j != null
              ? other.path("shots").get(j).path("look").stringValue("")
              : looks.containsKey(wears) ? wears : looks.keySet().iterator().next();
      if (!look.equals(wears)) {
        to.addAll(operation("replace", "/shots/" + i + "/look", JSON.stringNode(look)));
      }
    }
  }
}
