package levelember.formats.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import levelember.document.DocumentField;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.document.Spelled;
import levelember.document.Triple;
import levelember.document.Variants;
import levelember.shoot.FaderRange;
import levelember.shoot.Meter;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.Silenced;
import levelember.shoot.Target;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.Profile;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Link;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import tools.jackson.databind.JsonNode;

/**
 * The tables of fields in the description of the shoot document, in Markdown: each stands between
 * the comments {@code <!-- fields: NAME -->} and {@code <!-- end -->}.
 */
public final class FieldTables {
  private static final Pattern PART =
      Pattern.compile("<!-- fields: ([\\w-]+) -->\\n.*?<!-- end -->", Pattern.DOTALL);

  /** Records that have a table of their own; others are told within those that hold them. */
  private static final Map<String, Class<?>> TABLES = new LinkedHashMap<>();

  static {
    for (Class<?> type :
        List.of(
            Shoot.class,
            Bank.class,
            Piece.class,
            Scope.class,
            Shape.class,
            Material.class,
            Maps.class,
            Texture.class,
            Light.class,
            Emitter.class,
            Profile.class,
            Gobo.class,
            Daylight.class,
            Shot.class,
            Look.class,
            Glow.class,
            Grade.class,
            Motion.class,
            Track.class,
            Key.class,
            Link.class,
            Meter.class,
            Pin.class,
            Target.class,
            FaderRange.class,
            Silenced.class)) {
      TABLES.put(type.getSimpleName().toLowerCase(Locale.ROOT), type);
    }
  }

  private FieldTables() {}

  /**
   * A description with its tables as the records have them.
   *
   * @throws IllegalArgumentException when it lacks the table of a record, or has one of none
   */
  public static String in(String description) {
    List<String> found = new ArrayList<>();
    Matcher part = PART.matcher(description);
    StringBuilder to = new StringBuilder();
    while (part.find()) {
      Class<?> type = TABLES.get(part.group(1));
      if (type == null) {
        throw new IllegalArgumentException("no record " + part.group(1));
      }
      found.add(part.group(1));
      String table = "<!-- fields: " + part.group(1) + " -->\n" + table(type) + "<!-- end -->";
      part.appendReplacement(to, Matcher.quoteReplacement(table));
    }
    part.appendTail(to);
    List<String> missing = new ArrayList<>(TABLES.keySet());
    missing.removeAll(found);
    if (!missing.isEmpty()) {
      throw new IllegalArgumentException("no table of " + missing);
    }
    return to.toString();
  }

  private static String table(Class<?> type) {
    StringBuilder to = new StringBuilder();
    if (type.isSealed()) {
      to.append("| `kind` | field | meaning | values | default |\n|---|---|---|---|---|\n");
      Variants.of(type).forEach((kind, record) -> rows(record, "", "| `" + kind + "` ", to));
    } else {
      to.append("| field | meaning | values | default |\n|---|---|---|---|\n");
      rows(type, "", "", to);
    }
    return to.toString();
  }

  private static void rows(Class<?> record, String path, String before, StringBuilder to) {
    for (DocumentField field : RecordFields.of(record).components()) {
      if (field.inline()) {
        rows(field.type(), path, before, to);
      } else if (!(record == Key.class && field.name().equals("choice"))) {
        row(field, path, before, to);
      }
    }
  }

  private static void row(DocumentField field, String path, String before, StringBuilder to) {
    String name = path + field.name();
    to.append(before)
        .append("| `")
        .append(name)
        .append("` | ")
        .append(field.facts().meaning())
        .append(" | ")
        .append(values(field))
        .append(" | ")
        .append(usual(field))
        .append(" |\n");
    Class<?> within = field.element() == null ? field.type() : field.element();
    if (nested(within)) {
      rows(within, name + (field.element() == null ? "." : "[]."), before, to);
    }
  }

  /** Whether the fields of a type stand in the table of what holds it. */
  private static boolean nested(Class<?> type) {
    return type.isRecord() && !Triple.is(type) && !TABLES.containsValue(type);
  }

  private static String values(DocumentField field) {
    Class<?> element = field.element();
    if (element == null) {
      return kind(field.type(), field.facts());
    }
    Field f = field.facts();
    boolean bounded = f.maxEntries() < Integer.MAX_VALUE;
    String count = f.minEntries() > 0 ? f.minEntries() + (bounded ? " to " : " and more") : "";
    String most = bounded ? (count.isEmpty() ? "at most " : "") + f.maxEntries() : "";
    String entries = Triple.is(element) ? "`x`, `y`, `z`" : kind(element, f);
    return "list of " + entries + (count + most).transform(n -> n.isEmpty() ? n : "; " + n);
  }

  private static String kind(Class<?> type, Field f) {
    if (type == double.class || type == Double.class) {
      return range(f, f.unit());
    } else if (type == int.class || type == Integer.class) {
      return "whole, " + range(f, f.unit());
    } else if (type == boolean.class) {
      return "true or false";
    } else if (type == String.class) {
      return f.text() == Field.Text.ID ? "id" : "text";
    } else if (type.isEnum()) {
      return "`" + String.join("`, `", Spelled.all(type)) + "`";
    } else if (Triple.is(type)) {
      return "three, " + range(f, f.unit());
    }
    String name = type.getSimpleName().toLowerCase(Locale.ROOT);
    boolean own = TABLES.containsKey(name);
    return own ? "[" + name + "](#fields-of-" + Variants.kind(type) + ")" : "fields below";
  }

  private static String range(Field f, String unit) {
    boolean from = f.min() > Double.NEGATIVE_INFINITY, to = f.max() < Double.POSITIVE_INFINITY;
    String ends = from && to ? number(f.min()) + " to " + number(f.max()) : "";
    if (from && !to) {
      ends = number(f.min()) + " and more";
    }
    String any = ends.isEmpty() ? "any number" : ends;
    return (f.orZero() ? "0, or " : "") + any + (unit.isEmpty() ? "" : " " + unit);
  }

  private static String number(double value) {
    String text =
        value == Math.rint(value) && Math.abs(value) < 1e7
            ? Long.toString((long) value)
            : Double.toString(value).replace("E", "e");
    return text.replace("-", "−").replace(".0e", "e");
  }

  private static String usual(DocumentField field) {
    String usual = field.facts().defaultValue();
    if (field.required()) {
      return "required";
    } else if (usual.startsWith(Field.SAME_AS)) {
      return "as `" + usual.substring(Field.SAME_AS.length()) + "`";
    }
    JsonNode value = DefaultValues.of(usual);
    if (value.isNull()) {
      return "none";
    } else if (value.isObject()) {
      return value.isEmpty() ? "" : "`" + usual + "`";
    } else if (value.isArray()) {
      return value.isEmpty() ? "empty" : usual.substring(1, usual.length() - 1).replace("-", "−");
    }
    return value.isNumber() ? usual.replace("-", "−") : "`" + usual.replace("\"", "") + "`";
  }
}
