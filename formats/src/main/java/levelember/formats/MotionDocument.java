package levelember.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import levelember.shoot.ImpossibleValue;
import levelember.shoot.Key;
import levelember.shoot.Link;
import levelember.shoot.Motion;
import levelember.shoot.Track;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** How a shoot moves, in its document. */
final class MotionDocument {
  private MotionDocument() {}

  static Motion motion(Fields f) {
    return new Motion(
        f.number("framesPerSecond", Motion.NONE.framesPerSecond()),
        f.whole("firstFrame", Motion.NONE.firstFrame()),
        f.whole("lastFrame", Motion.NONE.lastFrame()),
        f.number("shutterDegrees", Motion.NONE.shutterDegrees()),
        f.objects("tracks", MotionDocument::track),
        f.objects("links", MotionDocument::link));
  }

  private static Track track(Fields f) {
    return new Track(
        f.text("place"),
        f.choice("after", Track.After.HOLD, Track.After.class),
        f.objects("keys", MotionDocument::key));
  }

  private static Link link(Fields f) {
    return new Link(f.text("place"), f.text("from"), f.number("factor", 1), f.number("offset", 0));
  }

  private static Key key(Fields f) {
    JsonNode value = f.any("value");
    boolean named = value.isString();
    return new Key(
        f.number("seconds"),
        named ? List.of() : numbers("value", value),
        named ? value.stringValue() : null,
        f.choice("span", named ? Key.Span.HOLD : Key.Span.STRAIGHT, Key.Span.class),
        f.has("slopeIn") ? numbers("slopeIn", f.any("slopeIn")) : List.of(),
        f.has("slopeOut") ? numbers("slopeOut", f.any("slopeOut")) : List.of());
  }

  /** A number, a switch as 0 or 1, or an array of numbers. */
  private static List<Double> numbers(String field, JsonNode value) {
    if (value.isBoolean()) {
      return List.of(value.booleanValue() ? 1.0 : 0.0);
    }
    List<Double> to = new ArrayList<>();
    for (JsonNode n : value.isArray() ? value : List.of(value)) {
      if (!n.isNumber()) {
        throw new ImpossibleValue(field, value, "a number, three numbers, a switch or a choice");
      }
      to.add(n.doubleValue());
    }
    return to;
  }

  static ObjectNode tree(Motion m) {
    ObjectNode to = JsonNodeFactory.instance.objectNode();
    to.put("framesPerSecond", m.framesPerSecond())
        .put("firstFrame", m.firstFrame())
        .put("lastFrame", m.lastFrame())
        .put("shutterDegrees", m.shutterDegrees());
    ArrayNode tracks = to.putArray("tracks");
    m.tracks().forEach(track -> tracks.add(tree(track)));
    ArrayNode links = to.putArray("links");
    for (Link link : m.links()) {
      links
          .addObject()
          .put("place", link.place())
          .put("from", link.from())
          .put("factor", link.factor())
          .put("offset", link.offset());
    }
    return to;
  }

  static ObjectNode tree(Track track) {
    ObjectNode to =
        JsonNodeFactory.instance
            .objectNode()
            .put("place", track.place())
            .put("after", track.after().name().toLowerCase(Locale.ROOT));
    ArrayNode keys = to.putArray("keys");
    track.keys().forEach(k -> write(k, keys.addObject()));
    return to;
  }

  private static void write(Key key, ObjectNode to) {
    to.put("seconds", key.seconds());
    if (key.choice() == null) {
      numbers(key.value(), "value", to);
    } else {
      to.put("value", key.choice());
    }
    to.put("span", key.span().name().toLowerCase(Locale.ROOT));
    if (!key.slopeIn().isEmpty()) {
      numbers(key.slopeIn(), "slopeIn", to);
    }
    if (!key.slopeOut().isEmpty()) {
      numbers(key.slopeOut(), "slopeOut", to);
    }
  }

  private static void numbers(List<Double> values, String name, ObjectNode to) {
    if (values.size() == 1) {
      to.put(name, values.getFirst());
    } else {
      ArrayNode array = to.putArray(name);
      values.forEach(array::add);
    }
  }
}
