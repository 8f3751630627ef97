package levelember.app.live;

import levelember.shoot.Clay;
import levelember.shoot.Shoot;
import levelember.transport.PlainView;

/**
 * How a session shows its shoot.
 *
 * @param plain drawn without light, or null where it is traced
 * @param clay reflectance of the grey in which everything is traced, or NaN
 * @param keepGlass leaves glass as it is when in clay
 */
record View(PlainView.Kind plain, double clay, boolean keepGlass) {
  static final View TRACED = new View(null, Double.NaN, false);

  /** The shoot as it is traced. */
  Shoot of(Shoot shoot) {
    return Double.isNaN(clay) ? shoot : Clay.of(shoot, clay, keepGlass);
  }

  /**
   * A view by its word on the live channel.
   *
   * @throws levelember.shoot.ImpossibleValue when there is no such view
   */
  static View of(String kind, double clay, boolean keepGlass) {
    return switch (kind) {
      case "traced" -> TRACED;
      case "clay" -> new View(null, Math.clamp(clay, 0, 1), keepGlass);
      case "solid" -> new View(PlainView.Kind.SOLID, Double.NaN, false);
      case "unlit" -> new View(PlainView.Kind.UNLIT, Double.NaN, false);
      case "wire" -> new View(PlainView.Kind.WIRE, Double.NaN, false);
      case "pieces" -> new View(PlainView.Kind.PIECES, Double.NaN, false);
      default ->
          throw new levelember.shoot.ImpossibleValue(
              "kind", kind, "one of traced, clay, solid, unlit, wire, pieces");
    };
  }
}
