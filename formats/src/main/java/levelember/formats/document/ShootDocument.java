package levelember.formats.document;

import java.util.Set;
import levelember.document.ImpossibleValue;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The shoot document: JSON as described in docs/shoot-format.md and by the JSON Schema beside this
 * class. Unknown fields and impossible values are refused, all at once, with their paths.
 */
public final class ShootDocument {
  /** Value of the document's {@code format} field. */
  public static final String FORMAT = "level-ember-shoot";

  /** Version that is written; version 1 is read besides. */
  public static final int VERSION = 2;

  static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(64)
                          .maxNumberLength(64)
                          .maxStringLength(100_000)
                          .build())
                  .build())
          .enable(tools.jackson.databind.DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private ShootDocument() {}

  /** Parses JSON text of any meaning. */
  public static JsonNode parse(byte[] utf8) {
    if (utf8.length > Limits.MOST_DOCUMENT) {
      throw new RefusedFile("the shoot document is larger than " + Limits.MOST_DOCUMENT + " bytes");
    }
    try {
      return JSON.readTree(utf8);
    } catch (JacksonException e) {
      String where =
          e.getLocation() == null
              ? ""
              : " in line "
                  + e.getLocation().getLineNr()
                  + ", column "
                  + e.getLocation().getColumnNr();
      throw new RefusedFile(
          "the shoot document is no JSON" + where + ": " + e.getOriginalMessage(), e);
    }
  }

  /**
   * Reads a document.
   *
   * @throws RefusedFile when the text is no JSON or no shoot document of a known version
   * @throws ImpossibleValue of all fields that are unknown, missing or out of range, by their paths
   */
  public static Shoot read(byte[] utf8) {
    return read(parse(utf8));
  }

  /** Reads a parsed document; refuses as {@link #read(byte[])} does. */
  public static Shoot read(JsonNode document) {
    if (!document.isObject() || !FORMAT.equals(document.path("format").stringValue(null))) {
      throw new RefusedFile(
          "the file is no shoot document: it has no field \"format\": \"" + FORMAT + "\"");
    }
    boolean first = document.path("version").asInt(0) == 1;
    JsonNode newer =
        OlderDocument.withChoiceOfCaustics(first ? OlderDocument.shoot(document) : document);
    JsonNode version = newer.path("version");
    if (!version.isIntegralNumber() || version.asLong() != VERSION) {
      Object given = version.isMissingNode() ? "missing" : version;
      throw new ImpossibleValue("version", given, "1 or " + VERSION);
    }
    return ShootAtTime.atRest(RecordReader.read(newer, Shoot.class, Set.of("format", "version")));
  }

  /**
   * Reads a part of a document: a record of the model, or one of a sealed interface.
   *
   * @throws ImpossibleValue of all fields that are unknown, missing or out of range
   */
  public static <T> T read(JsonNode part, Class<T> type) {
    return RecordReader.read(part, type);
  }

  /** Writes a document that reads back to an equal shoot. */
  public static byte[] write(Shoot shoot) {
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(tree(shoot));
  }

  /** The document as a tree. */
  public static JsonNode tree(Shoot shoot) {
    ObjectNode to = JsonNodeFactory.instance.objectNode();
    to.put("format", FORMAT).put("version", VERSION);
    RecordWriter.put(shoot, to);
    return to;
  }

  /** A part of a document as a tree, every field said; of null the JSON null. */
  public static JsonNode tree(Record part) {
    return part instanceof Shoot shoot ? tree(shoot) : RecordWriter.tree(part);
  }
}
