package levelember.findings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Rays;
import levelember.firsthit.CameraHit;
import levelember.math.Vec3;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;

/** Lamps that give nothing to the picture, as opaque pieces stand all round them. */
final class ClosedInLamps implements Check {
  private static final double DARK = 2e-4, CLOSED = 0.97;
  private static final int RAYS = 128;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      boolean stands = light.emitter().scaled(1).isPresent();
      if (!in.lit(k) || !stands || in.share(k) > DARK) {
        continue;
      }
      String around = around(in, TracedLight.inWorld(in.shoot, light));
      if (around == null) {
        continue;
      }
      Piece piece =
          in.shoot.pieces().stream().filter(p -> p.id().equals(around)).findFirst().orElseThrow();
      to.add(
          new Finding(
              Finding.Kind.LAMP_CLOSED_IN,
              light.id(),
              null,
              0.75,
              light.name() + " is closed in by " + piece.name() + ", which lets no light out.",
              "Its light never reaches what the camera sees.",
              null,
              List.of(
                  new Finding.Mend(
                      "Exclude " + piece.name() + " from the shadows of " + light.name(),
                      Edits.light(in.shoot, light.id(), l -> without(l, around))))));
    }
  }

  private static Light without(Light light, String piece) {
    Scope now = light.controls().shadowLinking();
    List<String> named = new ArrayList<>(now.pieces());
    if (now.only()) {
      named.remove(piece);
    } else {
      named.add(piece);
    }
    return light.withControls(
        light.controls().linked(light.controls().lightLinking(), new Scope(now.only(), named)));
  }

  /** The piece that is met most round a lamp that is closed in; null where it is not. */
  private static String around(Inspection in, Light lamp) {
    boolean[] shadows = PieceTransforms.in(lamp.controls().shadowLinking(), in.shoot.pieces());
    CameraHit hit = new CameraHit(in.view.scene());
    Vec3 from = lamp.position().minus(in.view.origin());
    Map<String, Integer> met = new HashMap<>();
    int blocked = 0;
    for (int i = 0; i < RAYS; i++) {
      if (!hit.trace(Rays.of(from, Rays.direction(i, RAYS)))) {
        continue;
      }
      Piece piece = in.shoot.pieces().get(hit.piece());
      boolean shades = shadows == null || shadows[hit.piece()];
      if (shades && piece.visibility().shadow() && opaque(in, piece)) {
        blocked++;
        met.merge(piece.id(), 1, Integer::sum);
      }
    }
    return blocked < CLOSED * RAYS
        ? null
        : met.entrySet().stream()
            .max(
                Map.Entry.<String, Integer>comparingByValue()
                    .thenComparing(Map.Entry.comparingByKey()))
            .map(Map.Entry::getKey)
            .orElse(null);
  }

  private static boolean opaque(Inspection in, Piece piece) {
    for (Material m : in.shoot.materials()) {
      if (m.id().equals(piece.material())) {
        return m.glass().transmission() < 0.5;
      }
    }
    return true;
  }
}
