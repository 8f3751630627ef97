package levelember.findings.surroundings;

import java.util.ArrayList;
import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;

/** More than one sun that is on: in the rig, or as the highest light of a surrounding picture. */
public final class TwoSuns implements Check {
  @Override
  public void look(Inspection in, List<Finding> to) {
    List<Integer> suns = new ArrayList<>();
    for (int k : in.litLights()) {
      Emitter emitter = in.light(k).emitter();
      boolean pictured = emitter instanceof Emitter.Environment e && pictured(in, e);
      if (emitter instanceof Emitter.Sun || emitter instanceof Emitter.SkySun || pictured) {
        suns.add(k);
      }
    }
    if (suns.size() < 2) {
      return;
    }
    Light first = in.light(suns.getFirst()), second = in.light(suns.get(1));
    to.add(
        new Finding(
            Finding.Kind.TWO_SUNS,
            second.id(),
            null,
            0.3 + 0.45 * Math.min(1, in.share(suns.get(1)) / in.share(suns.getFirst())),
            first.name() + " and " + second.name() + " are both a sun.",
            "Two suns throw two sets of hard shadows, which no place on earth has.",
            null,
            List.of(
                new Finding.Mend(
                    "Mute " + second.name(),
                    Edits.light(in.shoot, second.id(), l -> l.withMuted(true))))));
  }

  /** Whether a surrounding has a sun for which no sun of the rig shines from the same place. */
  private static boolean pictured(Inspection in, Emitter.Environment e) {
    Picture picture = in.files.pictures().picture(e.picture());
    PicturedSun sun = PicturedSun.of(picture);
    return sun != null && !MissingSun.aimed(in, e, picture, sun);
  }
}
