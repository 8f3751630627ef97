package levelember.formats;

import java.util.List;
import java.util.Locale;
import levelember.shoot.ContactShade;
import levelember.shoot.Exposure;
import levelember.shoot.Glow;
import levelember.shoot.Grade;
import levelember.shoot.Look;
import levelember.shoot.Optics;
import levelember.shoot.PlateTreatment;
import levelember.shoot.Rgb;
import levelember.shoot.Tone;
import levelember.shoot.WhiteBalance;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The part of a shoot document that says a look, read and written. */
final class LookDocument {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private LookDocument() {}

  static Look look(Fields f) {
    String id = f.text("id");
    return new Look(
        id,
        f.text("name", id),
        new Exposure(
            f.number("ev", 0),
            f.object(
                "camera",
                null,
                c ->
                    new Exposure.Camera(
                        c.number("fNumber"), c.number("shutterSeconds"), c.number("iso")))),
        f.object(
            "balance",
            WhiteBalance.NEUTRAL,
            b ->
                new WhiteBalance(
                    b.number("kelvin", WhiteBalance.NEUTRAL.kelvin()), b.number("tint", 0))),
        tone(f),
        f.objects("glows", LookDocument::glow),
        f.object("optics", Optics.NONE, LookDocument::optics),
        f.object(
            "contact",
            ContactShade.NONE,
            c -> new ContactShade(c.number("amount", 0), c.number("reach", 0.25))),
        f.object(
            "plate",
            PlateTreatment.NONE,
            p -> new PlateTreatment(p.number("stops", 0), p.number("blur", 0))),
        f.object("grade", Grade.NONE, LookDocument::grade));
  }

  private static Tone tone(Fields f) {
    Tone usual = Tone.shoulder(0.5, 3);
    return new Tone(
        f.choice("curve", Tone.Curve.PLAIN, Tone.Curve.class),
        f.number("shoulderStart", usual.shoulderStart()),
        f.number("highlightRangeStops", usual.highlightRangeStops()),
        f.number("highlightDesaturation", usual.highlightDesaturation()),
        f.number("blackPoint", 0),
        f.number("contrast", 1),
        f.number("saturation", 1));
  }

  private static Glow glow(Fields f) {
    String id = f.text("id");
    return new Glow(
        id,
        f.text("name", id),
        f.flag("on", true),
        f.object(
            "source",
            Glow.Source.PICTURE,
            s ->
                new Glow.Source(
                    s.choice("kind", Glow.Source.Kind.PICTURE, Glow.Source.Kind.class),
                    s.texts("of"))),
        f.number("threshold", 0),
        f.number("knee", 1),
        f.flag("outsideFrame", false),
        f.object(
            "bloom",
            Glow.Bloom.OFF,
            b ->
                new Glow.Bloom(
                    b.flag("on", true), b.number("level", 0.1), b.number("size", 4), halo(b))),
        f.object(
            "starRays",
            Glow.StarRays.OFF,
            s ->
                new Glow.StarRays(
                    s.flag("on", true),
                    s.number("level", 0.05),
                    s.whole("count", 6),
                    s.number("rotationDegrees", 15),
                    s.number("length", 20),
                    halo(s))),
        f.object(
            "lensFlare",
            Glow.LensFlare.OFF,
            g ->
                new Glow.LensFlare(
                    g.flag("on", true),
                    g.number("level", 0.02),
                    g.whole("count", 4),
                    g.number("spread", 1),
                    halo(g))));
  }

  private static Glow.Halo halo(Fields f) {
    return new Glow.Halo(f.colour("colour", Rgb.WHITE), f.number("ownShare", 0));
  }

  private static Optics optics(Fields f) {
    Optics usual = Optics.NONE;
    return new Optics(
        f.number("vignette", 0),
        f.number("distortion", 0),
        f.number("fringing", 0),
        f.number("sharpening", 0),
        f.number("sharpeningSize", usual.sharpeningSize()),
        f.number("grain", 0),
        f.number("grainSize", usual.grainSize()));
  }

  private static Grade grade(Fields f) {
    return new Grade(
        f.flag("on", true),
        f.number("amount", 1),
        f.object(
            "wheels",
            Grade.Wheels.NEUTRAL,
            w ->
                new Grade.Wheels(
                    w.colour("lift", Rgb.grey(0)),
                    w.colour("gamma", Rgb.WHITE),
                    w.colour("gain", Rgb.WHITE),
                    w.colour("offset", Rgb.grey(0)),
                    w.number("saturation", 1))),
        f.object(
            "curves",
            Grade.Curves.STRAIGHT,
            c ->
                new Grade.Curves(
                    points(c, "all"), points(c, "red"), points(c, "green"), points(c, "blue"))),
        f.text("lut", null),
        f.number("lutAmount", 1));
  }

  private static List<Grade.Point> points(Fields f, String name) {
    return f.objects(name, p -> new Grade.Point(p.number("x"), p.number("y")));
  }

  /** A look as the tree of its document, every field said. */
  static ObjectNode tree(Look l) {
    ObjectNode to = JSON.objectNode();
    to.put("id", l.id());
    to.put("name", l.name());
    to.put("ev", l.ev());
    Exposure.Camera camera = l.exposure().camera();
    if (camera == null) {
      to.putNull("camera");
    } else {
      to.putObject("camera")
          .put("fNumber", camera.fNumber())
          .put("shutterSeconds", camera.shutterSeconds())
          .put("iso", camera.iso());
    }
    to.putObject("balance").put("kelvin", l.balance().kelvin()).put("tint", l.balance().tint());
    Tone tone = l.tone();
    to.put("curve", small(tone.curve()));
    to.put("shoulderStart", tone.shoulderStart());
    to.put("highlightRangeStops", tone.highlightRangeStops());
    to.put("highlightDesaturation", tone.highlightDesaturation());
    to.put("blackPoint", tone.blackPoint());
    to.put("contrast", tone.contrast());
    to.put("saturation", tone.saturation());
    ArrayNode glows = to.putArray("glows");
    l.glows().forEach(g -> glows.add(glow(g)));
    Optics o = l.optics();
    to.putObject("optics")
        .put("vignette", o.vignette())
        .put("distortion", o.distortion())
        .put("fringing", o.fringing())
        .put("sharpening", o.sharpening())
        .put("sharpeningSize", o.sharpeningSize())
        .put("grain", o.grain())
        .put("grainSize", o.grainSize());
    to.putObject("contact").put("amount", l.contact().amount()).put("reach", l.contact().reach());
    to.putObject("plate").put("stops", l.plate().stops()).put("blur", l.plate().blur());
    to.set("grade", tree(l.grade()));
    return to;
  }

  private static ObjectNode glow(Glow g) {
    ObjectNode to = JSON.objectNode();
    to.put("id", g.id()).put("name", g.name()).put("on", g.on());
    ObjectNode source = to.putObject("source").put("kind", small(g.source().kind()));
    ArrayNode of = source.putArray("of");
    g.source().of().forEach(of::add);
    to.put("threshold", g.threshold()).put("knee", g.knee()).put("outsideFrame", g.outsideFrame());
    Glow.Bloom b = g.bloom();
    halo(
        to.putObject("bloom").put("on", b.on()).put("level", b.level()).put("size", b.size()),
        b.halo());
    Glow.StarRays s = g.starRays();
    halo(
        to.putObject("starRays")
            .put("on", s.on())
            .put("level", s.level())
            .put("count", s.count())
            .put("rotationDegrees", s.rotationDegrees())
            .put("length", s.length()),
        s.halo());
    Glow.LensFlare h = g.lensFlare();
    halo(
        to.putObject("lensFlare")
            .put("on", h.on())
            .put("level", h.level())
            .put("count", h.count())
            .put("spread", h.spread()),
        h.halo());
    return to;
  }

  private static void halo(ObjectNode to, Glow.Halo halo) {
    to.set("colour", colour(halo.colour()));
    to.put("ownShare", halo.share());
  }

  /** A grade as the tree of its document. */
  static ObjectNode tree(Grade g) {
    ObjectNode to = JSON.objectNode();
    to.put("on", g.on()).put("amount", g.amount());
    Grade.Wheels w = g.wheels();
    ObjectNode wheels = to.putObject("wheels");
    wheels.set("lift", colour(w.lift()));
    wheels.set("gamma", colour(w.gamma()));
    wheels.set("gain", colour(w.gain()));
    wheels.set("offset", colour(w.offset()));
    wheels.put("saturation", w.saturation());
    ObjectNode curves = to.putObject("curves");
    curves.set("all", points(g.curves().all()));
    curves.set("red", points(g.curves().red()));
    curves.set("green", points(g.curves().green()));
    curves.set("blue", points(g.curves().blue()));
    to.put("lut", g.lut()).put("lutAmount", g.lutAmount());
    return to;
  }

  private static ArrayNode points(List<Grade.Point> points) {
    ArrayNode to = JSON.arrayNode();
    points.forEach(p -> to.addObject().put("x", p.x()).put("y", p.y()));
    return to;
  }

  private static ArrayNode colour(Rgb c) {
    return JSON.arrayNode().add(c.r()).add(c.g()).add(c.b());
  }

  private static String small(Enum<?> of) {
    return of.name().toLowerCase(Locale.ROOT);
  }
}
