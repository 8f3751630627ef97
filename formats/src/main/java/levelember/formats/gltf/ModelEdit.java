package levelember.formats.gltf;

import java.util.ArrayList;
import java.util.List;
import levelember.formats.document.ShootDocument;
import levelember.shoot.Shoot;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** What a model brings in, as a change of a shoot. */
public final class ModelEdit {
  private ModelEdit() {}

  /** JSON Patch that adds what a model brings. */
  public static ArrayNode operations(GltfImport.Brought brought) {
    ArrayNode to = JsonNodeFactory.instance.arrayNode();
    brought.materials().forEach(m -> add(to, "materials", ShootDocument.tree(m)));
    brought.pieces().forEach(p -> add(to, "pieces", ShootDocument.tree(p)));
    brought.lights().forEach(l -> add(to, "lights", ShootDocument.tree(l)));
    brought.shots().forEach(s -> add(to, "shots", ShootDocument.tree(s)));
    brought.tracks().forEach(t -> add(to, "motion/tracks", ShootDocument.tree(t)));
    return to;
  }

  private static void add(ArrayNode to, String list, JsonNode value) {
    to.addObject().put("op", "add").put("path", "/" + list + "/-").set("value", value);
  }

  /** The shoot with what a model brings. */
  public static Shoot applied(Shoot shoot, GltfImport.Brought brought) {
    return new Shoot(
        shoot.name(),
        joined(shoot.pieces(), brought.pieces()),
        joined(shoot.materials(), brought.materials()),
        joined(shoot.lights(), brought.lights()),
        shoot.banks(),
        shoot.bounce(),
        shoot.masterStops(),
        joined(shoot.shots(), brought.shots()),
        shoot.looks(),
        shoot.motion().with(joined(shoot.motion().tracks(), brought.tracks())),
        shoot.meter());
  }

  private static <T> List<T> joined(List<T> a, List<T> b) {
    List<T> all = new ArrayList<>(a);
    all.addAll(b);
    return all;
  }
}
