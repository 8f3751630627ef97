package levelember.light;

import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.texture.Texels;

/**
 * What stands in a lamp's gate: the cone's edge, barn doors and a pattern. Places of the gate are
 * tangents from the axis.
 */
public final class Gate {
  /** Points over which a pattern's blur is taken: a spiral of equal areas (Vogel 1979). */
  private static final int TAPS = 12;

  private final double inner, outer;
  private final double left, right, top, bottom;
  private final double half;
  private final Gobo gobo;
  private final Texels pattern;
  private final double cos, sin;

  Gate(Emitter.Spot spot, Texels pattern) {
    outer = Math.toRadians(spot.coneDegrees() / 2);
    inner = outer * (1 - spot.feather());
    half = StrictMath.tan(outer);
    Emitter.Doors d = spot.doors();
    left = d == null ? Double.POSITIVE_INFINITY : tangent(d.left());
    right = d == null ? Double.POSITIVE_INFINITY : tangent(d.right());
    top = d == null ? Double.POSITIVE_INFINITY : tangent(d.top());
    bottom = d == null ? Double.POSITIVE_INFINITY : tangent(d.bottom());
    gobo = spot.gobo();
    this.pattern = pattern;
    double turn = gobo == null ? 0 : Math.toRadians(gobo.rotationDegrees());
    cos = StrictMath.cos(turn);
    sin = StrictMath.sin(turn);
  }

  private static double tangent(double degrees) {
    return degrees >= 90 ? Double.POSITIVE_INFINITY : StrictMath.tan(Math.toRadians(degrees));
  }

  /** What the cone alone lets out at an angle from the axis, 0…1. */
  public static double cone(double angle, double inner, double outer) {
    if (angle >= outer) {
      return 0;
    }
    if (angle <= inner) {
      return 1;
    }
    double t = (outer - angle) / (outer - inner);
    return t * t * (3 - 2 * t);
  }

  /**
   * Multiplies the light by what passes at a place of the gate.
   *
   * @param x tangent to the right, seen along the light
   * @param y tangent upwards
   * @return false when none does
   */
  boolean pass(double x, double y, LightSample to) {
    double open = cone(StrictMath.atan(Math.sqrt(x * x + y * y)), inner, outer);
    if (!(open > 0) || x > right || -x > left || y > top || -y > bottom) {
      return false;
    }
    float part = (float) open;
    to.r *= part;
    to.g *= part;
    to.b *= part;
    return gobo == null || shaped(x / half, y / half, to);
  }

  private boolean shaped(double x, double y, LightSample to) {
    float r = 0, g = 0, b = 0;
    int taps = gobo.blur() > 0 ? TAPS : 1;
    for (int i = 0; i < taps; i++) {
      double radius = taps == 1 ? 0 : gobo.blur() * Math.sqrt((i + 0.5) / taps);
      double turn = i * 2.399963229728653;
      double px = x + radius * StrictMath.cos(turn) - gobo.offsetX();
      double py = y + radius * StrictMath.sin(turn) - gobo.offsetY();
      double u = 0.5 + 0.5 * (cos * px + sin * py) / gobo.scale();
      double v = 0.5 - 0.5 * (cos * py - sin * px) / gobo.scale();
      if (gobo.edge() == Gobo.Edge.BLACK && (u < 0 || v < 0 || u > 1 || v > 1)) {
        continue;
      }
      int edge = gobo.edge() == Gobo.Edge.REPEAT ? Texels.REPEAT : Texels.CLAMP;
      pattern.look((float) u, (float) v, edge, to.colour);
      r += bent(to.colour[0]);
      g += bent(to.colour[1]);
      b += bent(to.colour[2]);
    }
    to.r *= r / taps;
    to.g *= g / taps;
    to.b *= b / taps;
    return to.r + to.g + to.b > 0;
  }

  private float bent(float value) {
    double v = gobo.invert() ? 1 - value : value;
    v = Math.clamp(0.5 + gobo.contrast() * (v - 0.5), 0.0, 1.0);
    return (float) (gobo.gamma() == 1 ? v : StrictMath.pow(v, gobo.gamma()));
  }
}
