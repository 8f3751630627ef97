package levelember.formats;

import levelember.math.Vec3;
import levelember.shoot.Bank;
import levelember.shoot.Bounce;
import levelember.shoot.Emitter;
import levelember.shoot.Grade;
import levelember.shoot.ImpossibleValue;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Look;
import levelember.shoot.Material;
import levelember.shoot.Meter;
import levelember.shoot.MirrorBounces;
import levelember.shoot.Motion;
import levelember.shoot.Piece;
import levelember.shoot.Pin;
import levelember.shoot.Profile;
import levelember.shoot.Rgb;
import levelember.shoot.Scope;
import levelember.shoot.Shape;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.Visibility;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The shoot document: JSON as described in docs/shoot-format.md and by the JSON Schema beside this
 * class. Unknown fields and impossible values are refused with their path.
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
   * @throws ImpossibleValue when a field is unknown, missing or out of range; names its path
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
    boolean older = document.path("version").asInt(0) == 1;
    Shoot read =
        Fields.object(older ? OlderDocument.shoot(document) : document, ShootDocument::shoot);
    return ShootAtTime.atRest(read);
  }

  /** A pin as it stands in the document. */
  public static JsonNode tree(Pin pin) {
    return MeterDocument.tree(pin);
  }

  private static Shoot shoot(Fields f) {
    f.text("format");
    int version = f.whole("version");
    if (version != VERSION) {
      throw new ImpossibleValue("version", version, "1 or " + VERSION);
    }
    return new Shoot(
        f.text("name"),
        f.objects("pieces", ShootDocument::piece),
        f.objects("materials", MaterialDocument::material),
        f.objects("lights", LightDocument::light),
        f.objects("banks", ShootDocument::bank),
        f.object("bounce", Bounce.USUAL, ShootDocument::bounce),
        f.number("masterStops", 0),
        f.objects("shots", ShootDocument::shot),
        f.objects("looks", LookDocument::look),
        f.object("motion", Motion.NONE, MotionDocument::motion),
        f.object("meter", Meter.NONE, MeterDocument::meter));
  }

  private static Piece piece(Fields f) {
    String id = f.text("id");
    return new Piece(
        id,
        f.text("name", id),
        f.text("parent", null),
        f.vector("position", Vec3.ZERO),
        f.vector("rotationDegrees", Vec3.ZERO),
        f.vector("scale", Vec3.ONE),
        f.object("shape", null, ShootDocument::shape),
        f.text("material", null),
        f.object(
            "copies",
            null,
            c ->
                new Piece.Copies(
                    c.whole("count"),
                    c.vector("step", Vec3.ZERO),
                    c.vector("rotationDegrees", Vec3.ZERO),
                    c.object("scatter", null, ShootDocument::scatter))),
        f.object("visibility", Visibility.ALL, ShootDocument::showing),
        f.flag("shown", true));
  }

  private static Visibility showing(Fields f) {
    return new Visibility(
        f.flag("camera", true),
        f.flag("reflection", true),
        f.flag("refraction", true),
        f.flag("shadow", true),
        f.flag("bounce", true),
        f.flag("shadowCatcher", false),
        f.flag("portal", false),
        f.object("reflectedIn", Scope.ALL, LightDocument::scope));
  }

  private static Bank bank(Fields f) {
    String id = f.text("id");
    return new Bank(
        id,
        f.text("name", id),
        f.number("levelStops", 0),
        f.colour("filter", Rgb.WHITE),
        f.flag("muted", false),
        f.flag("solo", false));
  }

  private static Bounce bounce(Fields f) {
    return new Bounce(
        f.whole("maxBounces", Bounce.NATURAL.maxBounces()),
        f.number("level", 1),
        f.number("fadesAtMetres", 0),
        f.choice("overGloss", Bounce.USUAL.overGloss(), LightOverGloss.class),
        new MirrorBounces(
            f.whole("mirrorBounces", Bounce.MOST),
            f.choice("mirrorEnd", MirrorBounces.ALL.end(), MirrorBounces.End.class),
            f.colour("mirrorColour", MirrorBounces.ALL.colour())));
  }

  private static Piece.Scatter scatter(Fields f) {
    return new Piece.Scatter(
        f.whole("seed", 1),
        f.vector("spread", Vec3.ZERO),
        f.vector("rotationDegrees", Vec3.ZERO),
        f.number("minScale", 1),
        f.number("maxScale", 1));
  }

  private static Shape shape(Fields f) {
    String kind = f.text("kind");
    return switch (kind) {
      case "floor" -> new Shape.Floor(f.number("width"), f.number("depth"));
      case "sweep" ->
          new Shape.Sweep(
              f.number("width"), f.number("depth"), f.number("height"), f.number("radius"));
      case "box" ->
          new Shape.Box(
              f.number("width"), f.number("height"), f.number("depth"), f.number("rounding", 0));
      case "sphere" -> new Shape.Sphere(f.number("radius"));
      case "cylinder" ->
          new Shape.Cylinder(f.number("radius"), f.number("height"), f.number("rounding", 0));
      case "cone" -> new Shape.Cone(f.number("radius"), f.number("top", 0), f.number("height"));
      case "torus" -> new Shape.Torus(f.number("radius"), f.number("tube"));
      case "lathe" ->
          new Shape.Lathe(
              f.objects("profile", c -> new Shape.Corner(c.number("radius"), c.number("height"))),
              f.flag("closed", false),
              f.number("creaseDegrees", 35));
      case "rectangle" -> new Shape.Rectangle(f.number("width"), f.number("height"));
      case "mesh" ->
          new Shape.Mesh(f.numbers("positions"), f.numbers("normals"), f.wholes("triangles"));
      case "model" -> new Shape.Model(f.text("file"), f.whole("mesh"), f.whole("part"));
      case "card" ->
          new Shape.Card(f.number("width"), f.number("height"), f.number("bendDegrees", 0));
      case "room" ->
          new Shape.Room(
              f.number("width"),
              f.number("depth"),
              f.number("height"),
              f.number("thickness", 0.2),
              f.objects("openings", ShootDocument::opening));
      case "tube" ->
          new Shape.Tube(
              f.objects(
                  "points", p -> new Vec3(p.number("x", 0), p.number("y", 0), p.number("z", 0))),
              f.number("radius"),
              f.flag("closed", false));
      case "water" -> WaterDocument.water(f);
      case "ground" ->
          new Shape.Ground(
              f.number("width"),
              f.number("depth"),
              f.number("rise"),
              f.number("feature"),
              f.number("roughness", 0.5),
              f.whole("seed", 1));
      case "text" ->
          new Shape.Text(
              f.text("text"),
              f.number("height"),
              f.number("depth"),
              f.number("bevel", 0),
              f.number("spacing", 0));
      case "smooth" ->
          new Shape.Smooth(
              f.object("of", ShootDocument::shape),
              f.number("creaseDegrees", 40),
              f.whole("subdivisions", 0));
      case "struts" -> new Shape.Struts(f.object("of", ShootDocument::shape), f.number("radius"));
      default ->
          throw new ImpossibleValue(
              "kind",
              kind,
              "one of floor, sweep, box, sphere, cylinder, cone, torus, lathe, rectangle, card,"
                  + " room, tube, water, ground, text, struts, smooth, mesh, model");
    };
  }

  private static Shape.Opening opening(Fields f) {
    return new Shape.Opening(
        f.choice("wall", Shape.Wall.AHEAD, Shape.Wall.class),
        f.number("across", 0),
        f.number("sill", 0),
        f.number("width"),
        f.number("height"));
  }

  private static Shot shot(Fields f) {
    String id = f.text("id");
    return new Shot(
        id,
        f.text("name", id),
        f.vector("position"),
        f.vector("aim", Vec3.ZERO),
        f.number("focalLengthMm", 50),
        f.number("sensorWidthMm", 36),
        f.number("fStop", 0),
        f.number("focusDistance", 0),
        f.text("look"),
        f.flag("upright", false),
        f.whole("blades", 0),
        f.number("bladeRotationDegrees", 0),
        f.number("exposureStops", 0),
        f.number("cropAspect", 0),
        f.flag("cutOut", false));
  }

  /**
   * Reads a look as it stands in a document.
   *
   * @throws ImpossibleValue when a field is unknown, missing or out of range
   */
  public static Look lookOf(JsonNode look) {
    return Fields.object(look, LookDocument::look);
  }

  /** A grade as it stands in a document. */
  public static JsonNode tree(Grade grade) {
    return LookDocument.tree(grade);
  }

  /** A look as it stands in a document. */
  public static JsonNode tree(Look look) {
    return LookDocument.tree(look);
  }

  /**
   * Reads a kind of light as it stands in a document.
   *
   * @throws ImpossibleValue when a field is unknown, missing or out of range
   */
  public static Emitter emitter(JsonNode emitter) {
    return Fields.object(emitter, LightDocument::emitter);
  }

  /** A profile as it stands in a document. */
  public static JsonNode tree(Profile profile) {
    return ShootTree.profile(profile);
  }

  /** Writes a document that reads back to an equal shoot. */
  public static byte[] write(Shoot shoot) {
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(tree(shoot));
  }

  /** The document as a tree. */
  public static JsonNode tree(Shoot shoot) {
    return ShootTree.of(shoot);
  }

  /** A shape as it stands in a document. */
  public static JsonNode tree(Shape shape) {
    return ShootTree.shape(shape);
  }

  /** A material as it stands in a document. */
  public static JsonNode tree(Material material) {
    return MaterialDocument.write(material);
  }
}
