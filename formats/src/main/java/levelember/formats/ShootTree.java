package levelember.formats;

import java.util.List;
import java.util.Locale;
import levelember.math.Vec3;
import levelember.shoot.Bank;
import levelember.shoot.Bounce;
import levelember.shoot.Daylight;
import levelember.shoot.Emitter;
import levelember.shoot.Gobo;
import levelember.shoot.Light;
import levelember.shoot.Piece;
import levelember.shoot.Profile;
import levelember.shoot.Reach;
import levelember.shoot.Rgb;
import levelember.shoot.Scope;
import levelember.shoot.Shape;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes a shoot as the tree of its document, every field said. */
final class ShootTree {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private ShootTree() {}

  static ObjectNode of(Shoot s) {
    ObjectNode to = JSON.objectNode();
    to.put("format", ShootDocument.FORMAT);
    to.put("version", ShootDocument.VERSION);
    to.put("name", s.name());
    to.put("masterStops", s.masterStops());
    to.set("bounce", bounce(s.bounce()));
    ArrayNode banks = to.putArray("banks");
    s.banks().forEach(x -> banks.add(bank(x)));
    ArrayNode shots = to.putArray("shots");
    s.shots().forEach(x -> shots.add(shot(x)));
    ArrayNode looks = to.putArray("looks");
    s.looks().forEach(x -> looks.add(LookDocument.tree(x)));
    ArrayNode lights = to.putArray("lights");
    s.lights().forEach(x -> lights.add(light(x)));
    ArrayNode materials = to.putArray("materials");
    s.materials().forEach(x -> materials.add(MaterialDocument.write(x)));
    ArrayNode pieces = to.putArray("pieces");
    s.pieces().forEach(x -> pieces.add(piece(x)));
    to.set("motion", MotionDocument.tree(s.motion()));
    to.set("meter", MeterDocument.tree(s.meter()));
    return to;
  }

  static ArrayNode vector(Vec3 v) {
    return JSON.arrayNode().add(v.x()).add(v.y()).add(v.z());
  }

  static ArrayNode colour(Rgb c) {
    return JSON.arrayNode().add(c.r()).add(c.g()).add(c.b());
  }

  static ObjectNode bounce(Bounce b) {
    ObjectNode to = JSON.objectNode();
    to.put("maxBounces", b.maxBounces())
        .put("level", b.level())
        .put("fadesAtMetres", b.fadesAtMetres())
        .put("overGloss", b.overGloss().name().toLowerCase(Locale.ROOT))
        .put("mirrorBounces", b.mirrors().most())
        .put("mirrorEnd", b.mirrors().end().toString())
        .set("mirrorColour", colour(b.mirrors().colour()));
    return to;
  }

  static ObjectNode piece(Piece p) {
    ObjectNode to = JSON.objectNode();
    to.put("id", p.id());
    to.put("name", p.name());
    to.put("parent", p.parent());
    to.set("position", vector(p.position()));
    to.set("rotationDegrees", vector(p.rotationDegrees()));
    to.set("scale", vector(p.scale()));
    to.set("shape", p.shape() == null ? JSON.nullNode() : shape(p.shape()));
    to.put("material", p.material());
    if (p.copies() == null) {
      to.putNull("copies");
    } else {
      ObjectNode c = to.putObject("copies");
      c.put("count", p.copies().count());
      c.set("step", vector(p.copies().step()));
      c.set("rotationDegrees", vector(p.copies().rotationDegrees()));
      Piece.Scatter stray = p.copies().scatter();
      if (stray == null) {
        c.putNull("scatter");
      } else {
        ObjectNode s = c.putObject("scatter").put("seed", stray.seed());
        s.set("spread", vector(stray.spread()));
        s.set("rotationDegrees", vector(stray.rotationDegrees()));
        s.put("minScale", stray.minScale()).put("maxScale", stray.maxScale());
      }
    }
    to.putObject("visibility")
        .put("camera", p.visibility().camera())
        .put("reflection", p.visibility().reflection())
        .put("refraction", p.visibility().refraction())
        .put("shadow", p.visibility().shadow())
        .put("bounce", p.visibility().bounce())
        .put("shadowCatcher", p.visibility().shadowCatcher())
        .put("portal", p.visibility().portal())
        .set("reflectedIn", scope(p.visibility().reflectedIn()));
    to.put("shown", p.shown());
    return to;
  }

  static ObjectNode shape(Shape shape) {
    ObjectNode to = JSON.objectNode();
    switch (shape) {
      case Shape.Floor s -> to.put("kind", "floor").put("width", s.width()).put("depth", s.depth());
      case Shape.Sweep s ->
          to.put("kind", "sweep")
              .put("width", s.width())
              .put("depth", s.depth())
              .put("height", s.height())
              .put("radius", s.radius());
      case Shape.Box s ->
          to.put("kind", "box")
              .put("width", s.width())
              .put("height", s.height())
              .put("depth", s.depth())
              .put("rounding", s.rounding());
      case Shape.Sphere s -> to.put("kind", "sphere").put("radius", s.radius());
      case Shape.Cylinder s ->
          to.put("kind", "cylinder")
              .put("radius", s.radius())
              .put("height", s.height())
              .put("rounding", s.rounding());
      case Shape.Cone s ->
          to.put("kind", "cone")
              .put("radius", s.radius())
              .put("top", s.top())
              .put("height", s.height());
      case Shape.Torus s -> to.put("kind", "torus").put("radius", s.radius()).put("tube", s.tube());
      case Shape.Lathe s -> {
        ArrayNode profile = to.put("kind", "lathe").putArray("profile");
        s.profile()
            .forEach(c -> profile.addObject().put("radius", c.radius()).put("height", c.height()));
        to.put("closed", s.closed()).put("creaseDegrees", s.creaseDegrees());
      }
      case Shape.Rectangle s ->
          to.put("kind", "rectangle").put("width", s.width()).put("height", s.height());
      case Shape.Model s ->
          to.put("kind", "model").put("file", s.file()).put("mesh", s.mesh()).put("part", s.part());
      case Shape.Card s ->
          to.put("kind", "card")
              .put("width", s.width())
              .put("height", s.height())
              .put("bendDegrees", s.bendDegrees());
      case Shape.Room s -> room(s, to);
      case Shape.Tube s -> {
        ArrayNode points = to.put("kind", "tube").putArray("points");
        s.points().forEach(p -> points.addObject().put("x", p.x()).put("y", p.y()).put("z", p.z()));
        to.put("radius", s.radius()).put("closed", s.closed());
      }
      case Shape.Water s -> WaterDocument.write(s, to);
      case Shape.Ground s -> ground(s, to);
      case Shape.Text s -> text(s, to);
      case Shape.Smooth s -> {
        to.put("kind", "smooth")
            .put("creaseDegrees", s.creaseDegrees())
            .put("subdivisions", s.subdivisions());
        to.set("of", shape(s.of()));
      }
      case Shape.Struts s -> {
        to.put("kind", "struts").put("radius", s.radius());
        to.set("of", shape(s.of()));
      }
      case Shape.Mesh s -> mesh(s, to);
    }
    return to;
  }

  private static void room(Shape.Room s, ObjectNode to) {
    to.put("kind", "room")
        .put("width", s.width())
        .put("depth", s.depth())
        .put("height", s.height())
        .put("thickness", s.thickness());
    ArrayNode openings = to.putArray("openings");
    s.openings()
        .forEach(o ->
            openings
                .addObject()
                .put("wall", o.wall().name().toLowerCase(Locale.ROOT))
                .put("across", o.across())
                .put("sill", o.sill())
                .put("width", o.width())
                .put("height", o.height()));
  }

  private static void mesh(Shape.Mesh s, ObjectNode to) {
    ArrayNode positions = to.put("kind", "mesh").putArray("positions");
    s.positions().forEach(positions::add);
    ArrayNode normals = to.putArray("normals");
    s.normals().forEach(normals::add);
    ArrayNode triangles = to.putArray("triangles");
    s.triangles().forEach(triangles::add);
  }

  private static void ground(Shape.Ground s, ObjectNode to) {
    to.put("kind", "ground")
        .put("width", s.width())
        .put("depth", s.depth())
        .put("rise", s.rise())
        .put("feature", s.feature())
        .put("roughness", s.roughness())
        .put("seed", s.seed());
  }

  private static void text(Shape.Text s, ObjectNode to) {
    to.put("kind", "text")
        .put("text", s.text())
        .put("height", s.height())
        .put("depth", s.depth())
        .put("bevel", s.bevel())
        .put("spacing", s.spacing());
  }

  static ObjectNode light(Light l) {
    ObjectNode to = JSON.objectNode();
    to.put("id", l.id());
    to.put("name", l.name());
    to.set("emitter", emitter(l.emitter()));
    to.set("position", vector(l.position()));
    to.set("aim", vector(l.aim()));
    to.put("rollDegrees", l.rollDegrees());
    to.putObject("brightness")
        .put("value", l.brightness().value())
        .put("unit", l.brightness().unit().symbol())
        .put("efficacy", l.brightness().efficacy());
    to.put("levelStops", l.levelStops());
    ObjectNode c = to.putObject("colour");
    c.put("kelvin", l.colour().kelvin());
    c.put("tint", l.colour().tint());
    c.set("filter", colour(l.colour().filter()));
    to.put("muted", l.muted());
    to.put("solo", l.solo());
    to.put("seenDirectly", l.seenDirectly());
    Reach r = l.reach();
    to.set("lightLinking", scope(r.lightLinking()));
    to.set("shadowLinking", scope(r.shadowLinking()));
    to.put("diffuse", r.diffuse()).put("specular", r.specular());
    to.put("shadowDensity", r.shadowDensity());
    to.set("shadowColour", colour(r.shadowColour()));
    to.put("fadesAtMetres", r.fadesAtMetres());
    to.put("castsCaustics", r.caustics().cast().name().toLowerCase(Locale.ROOT));
    to.put("causticLevel", r.caustics().level());
    to.put("causticSoftnessMillimetres", r.caustics().softnessMillimetres());
    to.put("causticSoftnessShare", r.caustics().softnessShare());
    to.put("causticFadesAtMetres", r.caustics().fadesAtMetres());
    to.put("parent", l.parent()).put("aimedAt", l.aimedAt()).put("bank", l.bank());
    if (l.mirror() == null) {
      to.putNull("mirror");
    } else {
      ObjectNode mirror = to.putObject("mirror").put("of", l.mirror().of());
      mirror.set("point", vector(l.mirror().point()));
      mirror.set("normal", vector(l.mirror().normal()));
    }
    return to;
  }

  static ObjectNode bank(Bank b) {
    ObjectNode to = JSON.objectNode();
    to.put("id", b.id()).put("name", b.name()).put("levelStops", b.levelStops());
    to.set("filter", colour(b.filter()));
    return to.put("muted", b.muted()).put("solo", b.solo());
  }

  private static ObjectNode scope(Scope s) {
    ObjectNode to = JSON.objectNode().put("only", s.only());
    ArrayNode pieces = to.putArray("pieces");
    s.pieces().forEach(pieces::add);
    return to;
  }

  private static ArrayNode numbers(List<Double> values) {
    ArrayNode to = JSON.arrayNode();
    values.forEach(to::add);
    return to;
  }

  static JsonNode profile(Profile p) {
    if (p == null) {
      return JSON.nullNode();
    }
    ObjectNode to = JSON.objectNode().put("name", p.name());
    to.set("polar", numbers(p.polar()));
    to.set("around", numbers(p.around()));
    to.set("candela", numbers(p.candela()));
    return to;
  }

  private static ObjectNode spot(ObjectNode to, Emitter.Spot s) {
    to.put("kind", "spot")
        .put("coneDegrees", s.coneDegrees())
        .put("feather", s.feather())
        .put("sourceRadius", s.sourceRadius())
        .put("gateDistance", s.gateDistance());
    to.set("profile", profile(s.profile()));
    Gobo g = s.gobo();
    if (g == null) {
      to.putNull("gobo");
    } else {
      to.putObject("gobo")
          .put("picture", g.picture())
          .put("offsetX", g.offsetX())
          .put("offsetY", g.offsetY())
          .put("rotationDegrees", g.rotationDegrees())
          .put("scale", g.scale())
          .put("edge", g.edge().name().toLowerCase(Locale.ROOT))
          .put("contrast", g.contrast())
          .put("gamma", g.gamma())
          .put("invert", g.invert())
          .put("blur", g.blur());
    }
    Emitter.Doors d = s.doors();
    if (d == null) {
      to.putNull("doors");
    } else {
      to.putObject("doors")
          .put("left", d.left())
          .put("right", d.right())
          .put("top", d.top())
          .put("bottom", d.bottom());
    }
    return to;
  }

  private static ObjectNode daylight(Daylight d) {
    ObjectNode to = JSON.objectNode();
    to.put("headingDegrees", d.headingDegrees()).put("heightDegrees", d.heightDegrees());
    Daylight.When w = d.when();
    if (w == null) {
      to.putNull("when");
    } else {
      to.putObject("when")
          .put("latitude", w.latitude())
          .put("longitude", w.longitude())
          .put("year", w.year())
          .put("month", w.month())
          .put("day", w.day())
          .put("hour", w.hour())
          .put("zoneHours", w.zoneHours())
          .put("northDegrees", w.northDegrees());
    }
    to.put("haze", d.haze());
    to.set("ground", colour(d.ground()));
    to.put("horizonDegrees", d.horizonDegrees()).put("horizonSoftness", d.horizonSoftness());
    to.set("night", colour(d.night()));
    to.put("nightLuminance", d.nightLuminance());
    return to.put("warmth", d.warmth()).put("saturation", d.saturation());
  }

  private static ObjectNode emitter(Emitter emitter) {
    ObjectNode to = JSON.objectNode();
    return switch (emitter) {
      case Emitter.Rectangle r ->
          to.put("kind", "rectangle")
              .put("width", r.width())
              .put("height", r.height())
              .put("twoSided", r.twoSided())
              .put("spreadDegrees", r.spreadDegrees())
              .put("picture", r.picture());
      case Emitter.Disc d ->
          to.put("kind", "disc")
              .put("radius", d.radius())
              .put("twoSided", d.twoSided())
              .put("spreadDegrees", d.spreadDegrees())
              .put("picture", d.picture());
      case Emitter.Sphere s -> to.put("kind", "sphere").put("radius", s.radius());
      case Emitter.Tube t ->
          to.put("kind", "tube").put("length", t.length()).put("radius", t.radius());
      case Emitter.Point p -> {
        to.put("kind", "point");
        to.set("profile", profile(p.profile()));
        yield to;
      }
      case Emitter.Spot s -> spot(to, s);
      case Emitter.Sun s -> to.put("kind", "sun").put("sizeDegrees", s.sizeDegrees());
      case Emitter.Environment e ->
          to.put("kind", "environment")
              .put("picture", e.picture())
              .put("rotationDegrees", e.rotationDegrees())
              .put("tiltDegrees", e.tiltDegrees())
              .put("blurDegrees", e.blurDegrees())
              .put("seamBlend", e.seamBlend());
      case Emitter.Dome d -> {
        to.put("kind", "dome");
        to.set("above", colour(d.above()));
        to.set("below", colour(d.below()));
        yield to;
      }
      case Emitter.Sky s -> {
        to.put("kind", "sky");
        to.set("daylight", daylight(s.daylight()));
        yield to;
      }
      case Emitter.SkySun s ->
          to.put("kind", "sky-sun").put("sky", s.sky()).put("sizeDegrees", s.sizeDegrees());
      case Emitter.Plate p -> to.put("kind", "plate").put("picture", p.picture());
      case Emitter.Emissive e ->
          to.put("kind", "emissive").put("material", e.material()).put("picture", e.picture());
    };
  }

  static ObjectNode shot(Shot s) {
    ObjectNode to = JSON.objectNode();
    to.put("id", s.id());
    to.put("name", s.name());
    to.set("position", vector(s.position()));
    to.set("aim", vector(s.aim()));
    to.put("focalLengthMm", s.focalLengthMm());
    to.put("sensorWidthMm", s.sensorWidthMm());
    to.put("fStop", s.fStop());
    to.put("focusDistance", s.focusDistance());
    to.put("look", s.look());
    to.put("upright", s.upright());
    to.put("blades", s.blades()).put("bladeRotationDegrees", s.bladeRotationDegrees());
    to.put("exposureStops", s.exposureStops()).put("cropAspect", s.cropAspect());
    to.put("cutOut", s.cutOut());
    return to;
  }
}
