package levelember.light;

import levelember.shoot.Brightness;
import levelember.shoot.Emitter;
import levelember.shoot.Light;

/**
 * Turns a lamp's brightness into the unit that its layer is traced in: cd/m² for everything with a
 * surface, cd for a point. A Lambertian face of area A and luminance L emits π·A·L lm.
 */
public final class LampUnits {
  private LampUnits() {}

  /**
   * Luminance (cd/m²) of a light's face, or intensity (cd) of a point, without level and colour.
   */
  public static double tracedValue(Light light) {
    return toTraced(light.emitter(), light.brightness());
  }

  /** The same brightness said in another unit. */
  public static Brightness in(Emitter emitter, Brightness given, Brightness.Unit unit) {
    double one = toTraced(emitter, new Brightness(1, unit));
    return new Brightness(toTraced(emitter, given) / one, unit);
  }

  private static double toTraced(Emitter emitter, Brightness given) {
    double v = given.value();
    return switch (emitter) {
      case Emitter.Rectangle r -> {
        double area = r.width() * r.height();
        yield face(given, Math.PI * area * (r.twoSided() ? 2 : 1), area);
      }
      case Emitter.Sphere s -> {
        double r2 = s.radius() * s.radius();
        yield face(given, 4 * Math.PI * Math.PI * r2, Math.PI * r2);
      }
      case Emitter.Point p ->
          switch (given.unit()) {
            case LUMEN -> v / (4 * Math.PI);
            case WATT -> v * Brightness.Unit.LED_EFFICACY / (4 * Math.PI);
            case CANDELA, LUX, NIT -> v;
          };
      case Emitter.Environment e -> v;
      case Emitter.Dome d -> v;
      case Emitter.Emissive e -> v;
    };
  }

  private static double face(Brightness given, double lumenPerNit, double candelaPerNit) {
    return switch (given.unit()) {
      case LUMEN -> given.value() / lumenPerNit;
      case WATT -> given.value() * Brightness.Unit.LED_EFFICACY / lumenPerNit;
      case CANDELA, LUX -> given.value() / candelaPerNit;
      case NIT -> given.value();
    };
  }
}
