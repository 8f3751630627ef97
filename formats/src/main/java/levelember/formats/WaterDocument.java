package levelember.formats;

import java.util.List;
import levelember.shoot.FineRipples;
import levelember.shoot.RippleRing;
import levelember.shoot.Shape;
import levelember.shoot.Waves;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Open water in a shoot document. */
final class WaterDocument {
  private WaterDocument() {}

  static Shape.Water water(Fields f) {
    Waves waves =
        new Waves(
            f.number("waveHeight", 0.01),
            f.number("waveLength", 0.2),
            f.number("headingDegrees", 0),
            f.number("choppiness", 0),
            f.number("waveSpeed", 1),
            f.whole("seed", 1));
    List<RippleRing> rings =
        f.objects(
            "ripples",
            r ->
                new RippleRing(
                    r.number("x", 0),
                    r.number("z", 0),
                    r.number("height"),
                    r.number("length"),
                    r.number("reach")));
    FineRipples fine = f.object("fine", null, WaterDocument::fine);
    return new Shape.Water(
        f.number("width"),
        f.number("depth"),
        f.number("deep", 0),
        waves,
        rings,
        fine,
        f.number("seconds", 0));
  }

  private static FineRipples fine(Fields f) {
    return new FineRipples(
        f.text("picture", null),
        f.number("size", 0.5),
        f.number("strength", 1),
        f.number("headingDegrees", 0),
        f.number("speed", 0));
  }

  static void write(Shape.Water s, ObjectNode to) {
    Waves waves = s.waves();
    to.put("kind", "water")
        .put("width", s.width())
        .put("depth", s.depth())
        .put("deep", s.deep())
        .put("waveHeight", waves.height())
        .put("waveLength", waves.length())
        .put("headingDegrees", waves.headingDegrees())
        .put("choppiness", waves.choppiness())
        .put("waveSpeed", waves.speed())
        .put("seed", waves.seed());
    ArrayNode ripples = to.putArray("ripples");
    for (RippleRing ring : s.rings()) {
      ripples
          .addObject()
          .put("x", ring.x())
          .put("z", ring.z())
          .put("height", ring.height())
          .put("length", ring.length())
          .put("reach", ring.reach());
    }
    FineRipples fine = s.fine();
    if (fine == null) {
      to.putNull("fine");
    } else {
      to.putObject("fine")
          .put("picture", fine.picture())
          .put("size", fine.size())
          .put("strength", fine.strength())
          .put("headingDegrees", fine.headingDegrees())
          .put("speed", fine.speed());
    }
    to.put("seconds", s.seconds());
  }
}
