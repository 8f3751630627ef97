package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.LampSize;
import levelember.findings.inspection.Rays;
import levelember.firsthit.CameraHit;
import levelember.lens.Camera;
import levelember.lens.ThinLens;
import levelember.math.Vec3;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Light;

/** Studio lamps whose own shape stands in the picture. */
final class SeenLamps implements Check {
  private static final int FINE = 1024;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (!in.lit(k) || !light.seenDirectly() || light.emitter().faceRadius() <= 0) {
        continue;
      }
      double[] at = seen(in, TracedLight.inWorld(in.shoot, light));
      if (at == null) {
        continue;
      }
      double w = 0.1, h = 0.15;
      to.add(
          new Finding(
              Finding.Kind.LAMP_SEEN,
              light.id(),
              null,
              0.8,
              light.name() + " itself is seen in the picture.",
              "A lamp that hangs in the air gives the studio away; what shines in a picture"
                  + " should be a thing of the set.",
              new Finding.Region(
                  Math.clamp(at[0] - w / 2, 0, 1 - w), Math.clamp(at[1] - h / 2, 0, 1 - h), w, h),
              List.of(
                  new Finding.Mend(
                      "Hide " + light.name() + " from the camera",
                      Edits.light(in.shoot, light.id(), l -> l.withSeenDirectly(false))))));
    }
  }

  /** Where a lamp's middle is seen, 0…1 each way; null where it is not. */
  private static double[] seen(Inspection in, Light lamp) {
    if (!lamp.emitter().omnidirectional()
        && !LampSize.twoSided(lamp.emitter())
        && lamp.aim().minus(lamp.position()).dot(in.shot.position().minus(lamp.position())) <= 0) {
      return null;
    }
    int height = FINE * in.rows / in.columns;
    ThinLens lens = new ThinLens(in.view.shot(), FINE, height, 1);
    Vec3 at = lamp.position().minus(in.view.origin());
    double[] to = new double[2];
    if (!lens.project(at, to) || to[0] < 0 || to[0] > FINE || to[1] < 0 || to[1] > height) {
      return null;
    }
    Vec3 eye = in.view.shot().position();
    Vec3 way = at.minus(eye);
    Camera.Ray ray = Rays.of(eye, way.unit());
    CameraHit hit = new CameraHit(in.view.scene());
    return hit.trace(ray) && hit.distance() < way.length()
        ? null
        : new double[] {to[0] / FINE, to[1] / height};
  }
}
