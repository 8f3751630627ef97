package levelember.formats;

import java.util.Locale;
import levelember.math.Vec3;
import levelember.shoot.FaderRange;
import levelember.shoot.Meter;
import levelember.shoot.Pin;
import levelember.shoot.Silenced;
import levelember.shoot.Target;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Pins, targets and silenced findings in a shoot's document. */
final class MeterDocument {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private MeterDocument() {}

  static Meter meter(Fields f) {
    return new Meter(
        f.objects("pins", MeterDocument::pin),
        f.objects("targets", MeterDocument::target),
        f.objects("faders", MeterDocument::fader),
        f.flag("fewFaders", false),
        f.objects("silenced", g -> new Silenced(g.text("finding"), g.text("reason", ""))));
  }

  private static Pin pin(Fields f) {
    String id = f.text("id");
    return new Pin(
        id,
        f.text("name", id),
        f.text("piece", null),
        f.vector("position"),
        f.vector("normal", Vec3.UP),
        f.number("radius", 0));
  }

  private static Target target(Fields f) {
    return new Target(
        f.text("id"),
        f.choice("kind", Target.Kind.STOPS, Target.Kind.class),
        f.text("pin", null),
        f.text("other", null),
        f.number("stops", 0),
        f.number("weight", 1));
  }

  private static FaderRange fader(Fields f) {
    String place = f.text("place");
    FaderRange usual = FaderRange.usual(place);
    return new FaderRange(
        place,
        f.number("leastStops", usual.leastStops()),
        f.number("mostStops", usual.mostStops()),
        f.flag("colour", usual.colour()),
        f.number("leastKelvin", usual.leastKelvin()),
        f.number("mostKelvin", usual.mostKelvin()));
  }

  static ObjectNode tree(Meter m) {
    ObjectNode to = JSON.objectNode();
    ArrayNode pins = to.putArray("pins");
    m.pins().forEach(pin -> pins.add(tree(pin)));
    ArrayNode targets = to.putArray("targets");
    for (Target t : m.targets()) {
      targets
          .addObject()
          .put("id", t.id())
          .put("kind", t.kind().name().toLowerCase(Locale.ROOT))
          .put("pin", t.pin())
          .put("other", t.other())
          .put("stops", t.stops())
          .put("weight", t.weight());
    }
    ArrayNode faders = to.putArray("faders");
    for (FaderRange r : m.faders()) {
      faders
          .addObject()
          .put("place", r.place())
          .put("leastStops", r.leastStops())
          .put("mostStops", r.mostStops())
          .put("colour", r.colour())
          .put("leastKelvin", r.leastKelvin())
          .put("mostKelvin", r.mostKelvin());
    }
    to.put("fewFaders", m.fewFaders());
    ArrayNode silenced = to.putArray("silenced");
    m.silenced()
        .forEach(x -> silenced.addObject().put("finding", x.finding()).put("reason", x.reason()));
    return to;
  }

  static ObjectNode tree(Pin pin) {
    ObjectNode to =
        JSON.objectNode().put("id", pin.id()).put("name", pin.name()).put("piece", pin.piece());
    to.set("position", ShootTree.vector(pin.position()));
    to.set("normal", ShootTree.vector(pin.normal()));
    return to.put("radius", pin.radius());
  }
}
