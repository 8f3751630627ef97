package levelember.formats.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Translates documents, looks and JSON Patches of version 1 into the field names of version 2. What
 * already has the newer names is left as it is, so translating twice does no harm.
 */
public final class OlderDocument {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  /**
   * What was called otherwise in one kind of object.
   *
   * @param fields newer name by older name
   * @param children kind of the object, or of the objects of the array, in a field of newer name
   * @param values newer by older value of a field of newer name
   */
  private record Kind(
      Map<String, String> fields,
      Map<String, Kind> children,
      Map<String, Map<String, String>> values) {
    private static final Kind PLAIN = new Kind(Map.of(), Map.of(), Map.of());

    static Kind of(String... olderAndNewer) {
      Map<String, String> fields = new LinkedHashMap<>();
      for (int i = 0; i < olderAndNewer.length; i += 2) {
        fields.put(olderAndNewer[i], olderAndNewer[i + 1]);
      }
      return new Kind(fields, Map.of(), Map.of());
    }

    Kind holding(Map<String, Kind> kinds) {
      return new Kind(fields, kinds, values);
    }

    Kind valued(Map<String, Map<String, String>> newer) {
      return new Kind(fields, children, newer);
    }

    String newer(String field) {
      return fields.getOrDefault(field, field);
    }

    Kind child(String newerField) {
      return children.getOrDefault(newerField, PLAIN);
    }

    JsonNode value(String newerField, JsonNode value) {
      if (!value.isString()) {
        return value;
      }
      String newer = values.getOrDefault(newerField, Map.of()).get(value.stringValue());
      return newer == null ? value : JSON.stringNode(newer);
    }
  }

  private static final String TURN = "turnDegrees", ROTATION = "rotationDegrees";
  private static final Map<String, String> EDGES = Map.of("hold", "clamp", "dark", "black");

  private static final Kind TURNED = Kind.of(TURN, ROTATION);
  private static final Kind TEXTURE =
      Kind.of("lay", "mapping", TURN, ROTATION).valued(Map.of("edge", EDGES, "edgeV", EDGES));
  private static final Kind MAPS =
      Kind.of()
          .holding(
              Map.of(
                  "colour", TEXTURE,
                  "second", TEXTURE,
                  "mask", TEXTURE,
                  "roughness", TEXTURE,
                  "metalness", TEXTURE,
                  "normal", TEXTURE,
                  "bump", TEXTURE,
                  "displacement", TEXTURE,
                  "opacity", TEXTURE));
  private static final Kind MATERIAL =
      Kind.of("edge", "edgeTint", "index", "complexIndex", "gloss", "specular")
          .holding(Map.of("maps", MAPS));
  private static final Kind COPIES =
      Kind.of(TURN, ROTATION)
          .holding(
              Map.of(
                  "scatter",
                  Kind.of(TURN, ROTATION, "leastSize", "minScale", "mostSize", "maxScale")));
  private static final Kind PIECE =
      Kind.of("place", "position", TURN, ROTATION, "size", "scale", "showing", "visibility")
          .holding(Map.of("copies", COPIES, "visibility", Kind.of("catcher", "shadowCatcher")));
  private static final Kind GOBO =
      Kind.of(TURN, ROTATION, "inverted", "invert").valued(Map.of("edge", EDGES));
  private static final Kind EMITTER =
      Kind.of(TURN, ROTATION, "seamShare", "seamBlend").holding(Map.of("gobo", GOBO));
  private static final Kind LIGHT =
      Kind.of(
              "place", "position",
              "alone", "solo",
              "showsToCamera", "seenDirectly",
              "lit", "lightLinking",
              "shadows", "shadowLinking",
              "matte", "diffuse",
              "gloss", "specular",
              "shadowDepth", "shadowDensity",
              "tiedTo", "parent",
              "twin", "mirror")
          .holding(Map.of("emitter", EMITTER));
  private static final Kind SHOT =
      Kind.of("place", "position", "bladeTurnDegrees", "bladeRotationDegrees");
  private static final Kind GLOW =
      Kind.of(
              "softness", "knee",
              "beyond", "outsideFrame",
              "streaks", "starRays",
              "ghosts", "lensFlare")
          .holding(Map.of("starRays", TURNED));
  private static final Kind LOOK =
      Kind.of("burn", "highlightDesaturation", "shoulderStops", "highlightRangeStops")
          .holding(Map.of("glows", GLOW));
  private static final Kind SHOOT =
      Kind.of()
          .holding(
              Map.of(
                  "bounce", Kind.of("most", "maxBounces"),
                  "banks", Kind.of("alone", "solo"),
                  "pieces", PIECE,
                  "materials", MATERIAL,
                  "lights", LIGHT,
                  "shots", SHOT,
                  "looks", LOOK));

  private OlderDocument() {}

  /** A document of a shoot with the newer names and the newer version. */
  public static JsonNode shoot(JsonNode older) {
    JsonNode to = translated(older, SHOOT);
    if (to instanceof ObjectNode object && object.path("version").asInt(0) == 1) {
      object.put("version", ShootDocument.VERSION);
    }
    return to;
  }

  /**
   * A document of a shoot whose lights say of caustics what later ones do: once it was true or
   * false.
   *
   * @return the document itself when it already does
   */
  static JsonNode withChoiceOfCaustics(JsonNode document) {
    boolean older = false;
    for (JsonNode light : document.path("lights")) {
      older |= light.path("castsCaustics").isBoolean();
    }
    if (!older) {
      return document;
    }
    JsonNode to = document.deepCopy();
    for (JsonNode light : to.path("lights")) {
      JsonNode casts = light.path("castsCaustics");
      if (casts.isBoolean()) {
        ((ObjectNode) light).put("castsCaustics", casts.booleanValue() ? "on" : "automatic");
      }
    }
    return to;
  }

  /** A document of a look with the newer names. */
  public static JsonNode look(JsonNode older) {
    return translated(older, LOOK);
  }

  /** The operations of a JSON Patch (RFC 6902) on a document of a shoot, with the newer names. */
  public static JsonNode patch(JsonNode older) {
    if (!older.isArray()) {
      return older;
    }
    ArrayNode to = JSON.arrayNode();
    for (JsonNode operation : older) {
      to.add(operation instanceof ObjectNode object ? operation(object) : operation);
    }
    return to;
  }

  private static ObjectNode operation(ObjectNode older) {
    ObjectNode to = older.deepCopy();
    JsonNode from = older.path("from");
    if (from.isString()) {
      to.put("from", Place.of(from.stringValue()).pointer());
    }
    JsonNode path = older.path("path");
    if (path.isString()) {
      Place place = Place.of(path.stringValue());
      to.put("path", place.pointer());
      if (older.has("value")) {
        JsonNode value = translated(older.get("value"), place.kind);
        to.set("value", place.holder.value(place.field, value));
      }
    }
    return to;
  }

  private static JsonNode translated(JsonNode older, Kind kind) {
    if (older instanceof ArrayNode array) {
      ArrayNode to = JSON.arrayNode();
      array.forEach(x -> to.add(translated(x, kind)));
      return to;
    }
    if (!(older instanceof ObjectNode object)) {
      return older;
    }
    ObjectNode to = JSON.objectNode();
    object.forEachEntry((field, value) -> {
      String newer = kind.newer(field);
      to.set(newer, kind.value(newer, translated(value, kind.child(newer))));
    });
    return to;
  }

  /** Where a JSON Pointer leads, by newer names. */
  private static final class Place {
    private final List<String> steps = new ArrayList<>();
    private Kind kind = SHOOT;
    private Kind holder = Kind.PLAIN;
    private String field = "";

    static Place of(String pointer) {
      Place to = new Place();
      if (!pointer.isEmpty()) {
        for (String step : pointer.substring(1).split("/", -1)) {
          to.step(step);
        }
      }
      return to;
    }

    private void step(String older) {
      if (older.equals("-") || !older.isEmpty() && Character.isDigit(older.charAt(0))) {
        steps.add(older);
        return;
      }
      holder = kind;
      field = kind.newer(older);
      kind = kind.child(field);
      steps.add(field);
    }

    String pointer() {
      return steps.isEmpty() ? "" : "/" + String.join("/", steps);
    }
  }
}
