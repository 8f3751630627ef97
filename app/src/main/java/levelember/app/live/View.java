package levelember.app.live;

import levelember.look.FalseColour;
import levelember.shoot.Clay;
import levelember.shoot.Shoot;
import levelember.transport.PlainView;

/**
 * How a session shows its shoot.
 *
 * @param plain drawn without light, or null where it is traced
 * @param clay reflectance of the grey in which everything is traced, or NaN
 * @param keepGlass leaves glass as it is when in clay
 * @param keepEmission leaves emissive pieces as they are when in clay
 * @param paint what is made of the traced light
 */
record View(
    PlainView.Kind plain, double clay, boolean keepGlass, boolean keepEmission, Paint paint) {
  static final View TRACED = new View(null, Double.NaN, true, true, Paint.LOOK);

  /** What is made of traced light. */
  enum Paint {
    /** The look. */
    LOOK,
    /** Stops as colours. */
    STOPS,
    /** What is clipped, in colour on grey. */
    CLIPPED
  }

  /** Codes of a picture, three bytes a pixel. */
  byte[] codes(Developer.Developed picture, double ev) {
    return switch (paint) {
      case LOOK -> picture.codes();
      case STOPS -> FalseColour.stops(picture.spread(), ev);
      case CLIPPED -> FalseColour.clipped(picture.codes());
    };
  }

  /** The shoot as it is traced. */
  Shoot of(Shoot shoot) {
    return Double.isNaN(clay) ? shoot : Clay.of(shoot, clay, keepGlass, keepEmission);
  }

  /**
   * A view by its word on the live channel.
   *
   * @throws levelember.shoot.ImpossibleValue when there is no such view
   */
  static View of(String kind, double clay, boolean keepGlass, boolean keepEmission) {
    return switch (kind) {
      case "traced" -> TRACED;
      case "clay" -> new View(null, Math.clamp(clay, 0, 1), keepGlass, keepEmission, Paint.LOOK);
      case "stops" -> new View(null, Double.NaN, true, true, Paint.STOPS);
      case "clipped" -> new View(null, Double.NaN, true, true, Paint.CLIPPED);
      case "shaded" -> new View(PlainView.Kind.SOLID, Double.NaN, true, true, Paint.LOOK);
      case "unlit" -> new View(PlainView.Kind.UNLIT, Double.NaN, true, true, Paint.LOOK);
      case "mesh" -> new View(PlainView.Kind.WIRE, Double.NaN, true, true, Paint.LOOK);
      case "pieces" -> new View(PlainView.Kind.PIECES, Double.NaN, true, true, Paint.LOOK);
      default ->
          throw new levelember.shoot.ImpossibleValue(
              "kind", kind, "one of traced, clay, stops, clipped, shaded, unlit, mesh, pieces");
    };
  }
}
