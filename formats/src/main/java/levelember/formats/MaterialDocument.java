package levelember.formats;

import java.util.Locale;
import levelember.shoot.Maps;
import levelember.shoot.Material;
import levelember.shoot.Reflections;
import levelember.shoot.Rgb;
import levelember.shoot.Texture;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A material in a shoot document. */
final class MaterialDocument {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private MaterialDocument() {}

  static Material material(Fields f) {
    String id = f.text("id");
    double transmission = f.number("transmission", 0);
    return new Material(
        id,
        f.text("name", id),
        f.colour("colour", Rgb.grey(0.5)),
        f.number("metalness", 0),
        f.colour("edgeTint", Rgb.WHITE),
        f.object("complexIndex", null, MaterialDocument::index),
        f.number("roughness", transmission > 0 ? 0 : 0.5),
        f.number("specular", 1),
        f.number("ior", 1.5),
        new Material.Glass(
            transmission,
            f.colour("tint", Rgb.WHITE),
            f.number("tintDepth", 0.01),
            f.flag("thin", false),
            f.number("abbe", 0),
            f.whole("priority", 0)),
        f.object("coat", Material.Coat.NONE, MaterialDocument::coat),
        f.object("sheen", Material.Sheen.NONE, MaterialDocument::sheen),
        f.object("maps", Maps.NONE, MaterialDocument::maps),
        f.flag("castsCaustics", true),
        f.object("reflections", Reflections.NATURAL, MaterialDocument::reflections));
  }

  private static Maps maps(Fields f) {
    return new Maps(
        f.object("colour", null, MaterialDocument::texture),
        f.objects("ramp", r -> new Maps.RampStop(r.number("at"), r.colour("colour"))),
        f.object("second", null, MaterialDocument::texture),
        f.object("mask", null, MaterialDocument::texture),
        f.object("roughness", null, MaterialDocument::texture),
        f.object("metalness", null, MaterialDocument::texture),
        f.object("normal", null, MaterialDocument::texture),
        f.number("normalStrength", 1),
        f.object("bump", null, MaterialDocument::texture),
        f.number("bumpMetres", 0.001),
        f.object("displacement", null, MaterialDocument::texture),
        f.number("displacementMetres", 0.01),
        f.object("opacity", null, MaterialDocument::texture),
        f.object(
            "rim",
            null,
            r -> new Maps.Rim(r.colour("colour"), r.number("amount", 1), r.number("falloff", 3))));
  }

  private static Texture texture(Fields f) {
    Texture.Edge edge = f.choice("edge", Texture.Edge.REPEAT, Texture.Edge.class);
    return new Texture(
        f.text("picture"),
        f.choice("mapping", Texture.Mapping.FIRST, Texture.Mapping.class),
        f.number("offsetU", 0),
        f.number("offsetV", 0),
        f.number("repeatsU", 1),
        f.number("repeatsV", 1),
        f.number("rotationDegrees", 0),
        edge,
        f.choice("edgeV", edge, Texture.Edge.class));
  }

  private static Material.Index index(Fields f) {
    return new Material.Index(f.colour("n"), f.colour("k"));
  }

  private static Material.Coat coat(Fields f) {
    return new Material.Coat(
        f.number("amount", 1), f.number("roughness", 0.1), f.number("ior", 1.5));
  }

  private static Material.Sheen sheen(Fields f) {
    return new Material.Sheen(f.colour("colour", Rgb.WHITE), f.number("roughness", 0.5));
  }

  private static Reflections reflections(Fields f) {
    return new Reflections(
        f.number("level", 1), f.colour("tint", Rgb.WHITE), f.number("roughness", 0));
  }

  static ObjectNode write(Material m) {
    ObjectNode to = JSON.objectNode();
    to.put("id", m.id());
    to.put("name", m.name());
    to.set("colour", ShootTree.colour(m.colour()));
    to.put("metalness", m.metalness());
    to.set("edgeTint", ShootTree.colour(m.edgeTint()));
    if (m.complexIndex() == null) {
      to.putNull("complexIndex");
    } else {
      ObjectNode index = to.putObject("complexIndex");
      index.set("n", ShootTree.colour(m.complexIndex().n()));
      index.set("k", ShootTree.colour(m.complexIndex().k()));
    }
    to.put("roughness", m.roughness());
    to.put("specular", m.specular());
    to.put("ior", m.ior());
    to.put("transmission", m.glass().transmission());
    to.set("tint", ShootTree.colour(m.glass().tint()));
    to.put("tintDepth", m.glass().tintDepth());
    to.put("thin", m.glass().thin());
    to.put("abbe", m.glass().abbe());
    to.put("priority", m.glass().priority());
    ObjectNode coat = to.putObject("coat");
    coat.put("amount", m.coat().amount());
    coat.put("roughness", m.coat().roughness());
    coat.put("ior", m.coat().ior());
    ObjectNode sheen = to.putObject("sheen");
    sheen.set("colour", ShootTree.colour(m.sheen().colour()));
    sheen.put("roughness", m.sheen().roughness());
    to.set("maps", maps(m.maps()));
    to.put("castsCaustics", m.castsCaustics());
    ObjectNode reflections = to.putObject("reflections").put("level", m.reflections().level());
    reflections.set("tint", ShootTree.colour(m.reflections().tint()));
    reflections.put("roughness", m.reflections().roughness());
    return to;
  }

  private static ObjectNode maps(Maps m) {
    ObjectNode to = JSON.objectNode();
    texture(to, "colour", m.colour());
    ArrayNode ramp = to.putArray("ramp");
    m.ramp()
        .forEach(
            r -> ramp.addObject().put("at", r.at()).set("colour", ShootTree.colour(r.colour())));
    texture(to, "second", m.second());
    texture(to, "mask", m.mask());
    texture(to, "roughness", m.roughness());
    texture(to, "metalness", m.metalness());
    texture(to, "normal", m.normal());
    to.put("normalStrength", m.normalStrength());
    texture(to, "bump", m.bump());
    to.put("bumpMetres", m.bumpMetres());
    texture(to, "displacement", m.displacement());
    to.put("displacementMetres", m.displacementMetres());
    texture(to, "opacity", m.opacity());
    if (m.rim() == null) {
      to.putNull("rim");
    } else {
      ObjectNode rim = to.putObject("rim");
      rim.set("colour", ShootTree.colour(m.rim().colour()));
      rim.put("amount", m.rim().amount()).put("falloff", m.rim().falloff());
    }
    return to;
  }

  private static void texture(ObjectNode to, String name, Texture t) {
    if (t == null) {
      to.putNull(name);
      return;
    }
    to.putObject(name)
        .put("picture", t.picture())
        .put("mapping", t.mapping().name().toLowerCase(Locale.ROOT))
        .put("offsetU", t.offsetU())
        .put("offsetV", t.offsetV())
        .put("repeatsU", t.repeatsU())
        .put("repeatsV", t.repeatsV())
        .put("rotationDegrees", t.rotationDegrees())
        .put("edge", t.edge().name().toLowerCase(Locale.ROOT))
        .put("edgeV", t.edgeV().name().toLowerCase(Locale.ROOT));
  }
}
