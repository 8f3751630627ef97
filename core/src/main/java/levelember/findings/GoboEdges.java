package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;

/** The outer edge of a gobo's picture where it falls into the shot. */
final class GoboEdges implements Check {
  private static final double SEEN_SHARE = 0.1;
  private static final int LEAST_CELLS = 6;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (in.lit(k)
          && light.emitter() instanceof Emitter.Spot s
          && s.gobo() != null
          && s.gobo().edge() == Gobo.Edge.BLACK) {
        at(in, k, light, s, to);
      }
    }
  }

  private static void at(
      Inspection in, int number, Light light, Emitter.Spot spot, List<Finding> to) {
    Light lamp = TracedLight.inWorld(in.shoot, light);
    Affine frame = Affine.lookingAt(lamp.position(), lamp.aim(), lamp.rollDegrees());
    Gobo gobo = spot.gobo();
    boolean[] edge = new boolean[in.cells()];
    int n = 0;
    for (int i = 0; i < edge.length; i++) {
      boolean last = i % in.columns == in.columns - 1;
      edge[i] =
          !last && crosses(in, number, frame, spot, i, i + 1)
              || i + in.columns < edge.length
                  && crosses(in, number, frame, spot, i, i + in.columns);
      n += edge[i] ? 1 : 0;
    }
    if (n < LEAST_CELLS) {
      return;
    }
    double off = Math.max(Math.abs(gobo.offsetX()), Math.abs(gobo.offsetY()));
    double scale = Math.min(100, Math.rint(100 * (1.05 + 1.5 * off)) / 100);
    Gobo wider =
        new Gobo(
            gobo.picture(),
            gobo.offsetX(),
            gobo.offsetY(),
            gobo.rotationDegrees(),
            scale,
            gobo.edge(),
            gobo.contrast(),
            gobo.gamma(),
            gobo.invert(),
            gobo.blur());
    Emitter other =
        new Emitter.Spot(
            spot.coneDegrees(),
            spot.feather(),
            spot.sourceRadius(),
            spot.gateDistance(),
            spot.profile(),
            wider,
            spot.doors());
    to.add(
        new Finding(
            Finding.Kind.GOBO_EDGE,
            light.id(),
            null,
            0.5,
            "The edge of the pattern of " + light.name() + " falls into the shot.",
            "The straight end of a picture in the gate gives the lamp away.",
            in.region(edge),
            List.of(
                new Finding.Mend(
                    "Fill the cone of " + light.name() + " with its pattern",
                    Edits.light(in.shoot, light.id(), l -> l.withEmitter(other))))));
  }

  private static boolean crosses(
      Inspection in, int light, Affine frame, Emitter.Spot spot, int a, int b) {
    if (in.position[a] == null || in.position[b] == null || in.piece[a] != in.piece[b]) {
      return false;
    }
    double one = within(frame, spot, in.position[a]), two = within(frame, spot, in.position[b]);
    if (Double.isNaN(one) || Double.isNaN(two) || one > 1 == two > 1) {
      return false;
    }
    int inside = one <= 1 ? a : b;
    return in.byLight[light][inside] > SEEN_SHARE * in.luminance(inside);
  }

  /** How far out in the pattern a place lies, 1 at its edge; no number outside of the cone. */
  private static double within(Affine frame, Emitter.Spot spot, Vec3 place) {
    Vec3 way = place.minus(frame.shift());
    double z = -way.dot(frame.z());
    double half = StrictMath.tan(Math.toRadians(spot.coneDegrees() / 2));
    double x = way.dot(frame.x()) / z / half, y = way.dot(frame.y()) / z / half;
    if (!(z > 0) || Math.hypot(x, y) > 1 - 0.5 * spot.feather()) {
      return Double.NaN;
    }
    Gobo gobo = spot.gobo();
    double turn = Math.toRadians(gobo.rotationDegrees());
    double u = x - gobo.offsetX(), v = y - gobo.offsetY();
    double c = StrictMath.cos(turn), s = StrictMath.sin(turn);
    return Math.max(Math.abs(c * u + s * v), Math.abs(c * v - s * u)) / gobo.scale();
  }
}
