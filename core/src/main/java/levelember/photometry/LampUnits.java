package levelember.photometry;

import levelember.light.EggCrate;
import levelember.light.Gate;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * Turns a lamp's brightness into the unit that its layer is traced in: cd/m² for everything with a
 * surface, cd along the axis for points and spots, lx for suns. A Lambertian face of area A and
 * luminance L emits π·A·L lm. Lux are those at one metre from the lamp's face, see {@link
 * FaceIlluminance}; of a point, at one metre. An egg-crate, a cone and a profile are taken into
 * account, pictures, patterns and doors are not.
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
    double one = toTraced(emitter, new Brightness(1, unit, given.efficacy()));
    return new Brightness(toTraced(emitter, given) / one, unit, given.efficacy());
  }

  private static double toTraced(Emitter emitter, Brightness given) {
    double v = given.value();
    return switch (emitter) {
      case Emitter.Rectangle r -> {
        double area = r.width() * r.height();
        double lux = FaceIlluminance.rectangle(r.width(), r.height(), r.spreadDegrees());
        yield face(given, crated(r.spreadDegrees()) * area * (r.twoSided() ? 2 : 1), area, lux);
      }
      case Emitter.Disc d -> {
        double area = Math.PI * d.radius() * d.radius();
        double lux = FaceIlluminance.disc(d.radius(), d.spreadDegrees());
        yield face(given, crated(d.spreadDegrees()) * area * (d.twoSided() ? 2 : 1), area, lux);
      }
      case Emitter.Sphere s -> {
        double r2 = s.radius() * s.radius();
        double lux = FaceIlluminance.sphere(s.radius());
        yield face(given, 4 * Math.PI * Math.PI * r2, Math.PI * r2, lux);
      }
      case Emitter.Tube t -> {
        double side = 2 * t.radius() * t.length();
        double lux = FaceIlluminance.tube(t.radius(), t.length());
        yield face(given, Math.PI * Math.PI * side, side, lux);
      }
      case Emitter.Point p ->
          point(
              given, p.profile() == null ? 4 * Math.PI : p.profile().lumens() / p.profile().peak());
      case Emitter.Spot s -> point(given, coned(s));
      case Emitter.Sun s -> v;
      case Emitter.Environment e -> v;
      case Emitter.Dome d -> v;
      case Emitter.Sky s -> v;
      case Emitter.SkySun s -> v;
      case Emitter.Plate p -> v;
      case Emitter.Emissive e -> v;
    };
  }

  private static double point(Brightness given, double lumenPerCandela) {
    return switch (given.unit()) {
      case LUMEN -> given.value() / lumenPerCandela;
      case WATT -> given.value() * given.efficacy() / lumenPerCandela;
      case CANDELA, LUX, NIT, TIMES -> given.value();
    };
  }

  /** Flux of a face of 1 cd/m² a square metre and side: π where it is open. */
  private static double crated(double spreadDegrees) {
    double lean = EggCrate.lean(spreadDegrees);
    if (lean == Double.POSITIVE_INFINITY) {
      return Math.PI;
    }
    int steps = 64;
    double sum = 0;
    for (int i = 0; i < steps; i++) {
      double z = Math.sqrt((i + 0.5) / steps), r = Math.sqrt(1 - z * z);
      for (int j = 0; j < steps; j++) {
        double a = Math.PI / 2 * (j + 0.5) / steps;
        sum += EggCrate.open(lean, r * StrictMath.cos(a), r * StrictMath.sin(a), z);
      }
    }
    return Math.PI * sum / (steps * steps);
  }

  /** Flux of a spot of 1 cd along its axis, lm. */
  private static double coned(Emitter.Spot s) {
    double outer = Math.toRadians(s.coneDegrees() / 2), inner = outer * (1 - s.feather());
    int steps = 512, turns = s.profile() == null || s.profile().around().size() == 1 ? 1 : 48;
    double sum = 0;
    for (int i = 0; i < steps; i++) {
      double a = outer * (i + 0.5) / steps;
      double part = 1;
      if (s.profile() != null) {
        part = 0;
        for (int t = 0; t < turns; t++) {
          part += s.profile().at(Math.toDegrees(a), 360.0 * t / turns) / turns;
        }
        part /= s.profile().peak();
      }
      sum += 2 * Math.PI * StrictMath.sin(a) * outer / steps * Gate.cone(a, inner, outer) * part;
    }
    return sum;
  }

  private static double face(
      Brightness given, double lumenPerNit, double candelaPerNit, double luxPerNit) {
    return switch (given.unit()) {
      case LUMEN -> given.value() / lumenPerNit;
      case WATT -> given.value() * given.efficacy() / lumenPerNit;
      case CANDELA -> given.value() / candelaPerNit;
      case LUX -> given.value() / luxPerNit;
      case NIT, TIMES -> given.value();
    };
  }
}
