package levelember.formats;

import levelember.math.Vec3;
import levelember.shoot.Brightness;
import levelember.shoot.Caustics;
import levelember.shoot.Daylight;
import levelember.shoot.Emitter;
import levelember.shoot.Gobo;
import levelember.shoot.ImpossibleValue;
import levelember.shoot.Light;
import levelember.shoot.LightColour;
import levelember.shoot.Profile;
import levelember.shoot.Reach;
import levelember.shoot.Rgb;
import levelember.shoot.Scope;

/** The part of a shoot document that says a light, read. */
final class LightDocument {
  private LightDocument() {}

  static Light light(Fields f) {
    String id = f.text("id");
    return new Light(
        id,
        f.text("name", id),
        f.object("emitter", LightDocument::emitter),
        f.vector("position", new Vec3(0, 2, 0)),
        f.vector("aim", Vec3.ZERO),
        f.number("rollDegrees", 0),
        f.object(
            "brightness",
            b ->
                new Brightness(
                    b.number("value"),
                    Brightness.Unit.of(b.text("unit")),
                    b.number("efficacy", Brightness.LED_EFFICACY))),
        f.number("levelStops", 0),
        f.object(
            "colour",
            LightColour.NEUTRAL,
            c ->
                new LightColour(
                    c.number("kelvin", LightColour.NEUTRAL.kelvin()),
                    c.number("tint", 0),
                    c.colour("filter", Rgb.WHITE))),
        f.flag("muted", false),
        f.flag("solo", false),
        f.flag("seenDirectly", false),
        new Reach(
            f.object("lightLinking", Scope.ALL, LightDocument::scope),
            f.object("shadowLinking", Scope.ALL, LightDocument::scope),
            f.number("diffuse", 1),
            f.number("specular", 1),
            f.number("shadowDensity", 1),
            f.colour("shadowColour", Rgb.grey(0)),
            f.number("fadesAtMetres", 0),
            new Caustics(
                casting(f),
                f.number("causticLevel", 1),
                f.number("causticSoftnessMillimetres", 0),
                f.number("causticSoftnessShare", 0),
                f.number("causticFadesAtMetres", 0))),
        f.text("parent", null),
        f.text("aimedAt", null),
        f.text("bank", null),
        f.object(
            "mirror",
            null,
            t -> new Light.Mirror(t.text("of"), t.vector("point"), t.vector("normal"))));
  }

  /** True or false in documents of versions that had no more than on and nothing said. */
  private static Caustics.Cast casting(Fields f) {
    if (f.isFlag("castsCaustics")) {
      return f.flag("castsCaustics", false) ? Caustics.Cast.ON : Caustics.Cast.AUTOMATIC;
    }
    return f.choice("castsCaustics", Caustics.Cast.AUTOMATIC, Caustics.Cast.class);
  }

  static Scope scope(Fields f) {
    return new Scope(f.flag("only", false), f.texts("pieces"));
  }

  private static Profile profile(Fields f) {
    return new Profile(
        f.text("name", "Profile"), f.numbers("polar"), f.numbers("around"), f.numbers("candela"));
  }

  private static Gobo gobo(Fields f) {
    return new Gobo(
        f.text("picture"),
        f.number("offsetX", 0),
        f.number("offsetY", 0),
        f.number("rotationDegrees", 0),
        f.number("scale", 1),
        f.choice("edge", Gobo.Edge.BLACK, Gobo.Edge.class),
        f.number("contrast", 1),
        f.number("gamma", 1),
        f.flag("invert", false),
        f.number("blur", 0));
  }

  private static Emitter.Doors doors(Fields f) {
    return new Emitter.Doors(
        f.number("left", 90), f.number("right", 90), f.number("top", 90), f.number("bottom", 90));
  }

  private static Daylight daylight(Fields f) {
    Daylight usual = Daylight.of(0, 45, 2.5);
    return new Daylight(
        f.number("headingDegrees", usual.headingDegrees()),
        f.number("heightDegrees", usual.heightDegrees()),
        f.object(
            "when",
            null,
            w ->
                new Daylight.When(
                    w.number("latitude"),
                    w.number("longitude"),
                    w.whole("year", 2026),
                    w.whole("month"),
                    w.whole("day"),
                    w.number("hour"),
                    w.number("zoneHours", 0),
                    w.number("northDegrees", 0))),
        f.number("haze", usual.haze()),
        f.colour("ground", usual.ground()),
        f.number("horizonDegrees", 0),
        f.number("horizonSoftness", usual.horizonSoftness()),
        f.colour("night", usual.night()),
        f.number("nightLuminance", usual.nightLuminance()),
        f.number("warmth", 0),
        f.number("saturation", 1));
  }

  static Emitter emitter(Fields f) {
    String kind = f.text("kind");
    return switch (kind) {
      case "rectangle" ->
          new Emitter.Rectangle(
              f.number("width"),
              f.number("height"),
              f.flag("twoSided", false),
              f.number("spreadDegrees", 180),
              f.text("picture", null));
      case "disc" ->
          new Emitter.Disc(
              f.number("radius"),
              f.flag("twoSided", false),
              f.number("spreadDegrees", 180),
              f.text("picture", null));
      case "sphere" -> new Emitter.Sphere(f.number("radius"));
      case "tube" -> new Emitter.Tube(f.number("length"), f.number("radius"));
      case "point" -> new Emitter.Point(f.object("profile", null, LightDocument::profile));
      case "spot" ->
          new Emitter.Spot(
              f.number("coneDegrees", 45),
              f.number("feather", 0.1),
              f.number("sourceRadius", 0),
              f.number("gateDistance", 0.25),
              f.object("profile", null, LightDocument::profile),
              f.object("gobo", null, LightDocument::gobo),
              f.object("doors", null, LightDocument::doors));
      case "sun" -> new Emitter.Sun(f.number("sizeDegrees", 0.53));
      case "environment" ->
          new Emitter.Environment(
              f.text("picture"),
              f.number("rotationDegrees", 0),
              f.number("tiltDegrees", 0),
              f.number("blurDegrees", 0),
              f.number("seamBlend", 0));
      case "dome" -> new Emitter.Dome(f.colour("above", Rgb.WHITE), f.colour("below", Rgb.WHITE));
      case "sky" ->
          new Emitter.Sky(f.object("daylight", Daylight.of(0, 45, 2.5), LightDocument::daylight));
      case "sky-sun" -> new Emitter.SkySun(f.text("sky"), f.number("sizeDegrees", 0.53));
      case "plate" -> new Emitter.Plate(f.text("picture"));
      case "emissive" -> new Emitter.Emissive(f.text("material"), f.text("picture", null));
      default ->
          throw new ImpossibleValue(
              "kind",
              kind,
              "one of rectangle, disc, sphere, tube, point, spot, sun, environment, dome, sky,"
                  + " sky-sun, plate, emissive");
    };
  }
}
