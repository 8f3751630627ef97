package levelember.findings.surroundings;

import java.util.List;
import java.util.Locale;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.measure.EnvironmentReading;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.texture.Picture;

/** What surrounding pictures lack: whole borders, fineness, range, and light above white. */
public final class EnvironmentPictures implements Check {
  private static final double SEAM_STOPS = 0.15, BLEND = 0.04, LEAST_SHARE = 0.03;
  private static final double MIRROR = 0.12, OF_REFLECTION = 0.12, OF_BACKGROUND = 0.4;
  private static final double NEAR_ENOUGH_STOPS = 1.5, STOPS_OF_CODES = 9;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (in.lit(k) && light.emitter() instanceof Emitter.Environment e) {
        Picture picture = in.files.pictures().picture(e.picture());
        EnvironmentReading reading = EnvironmentReading.of(picture);
        seam(in, light, e, reading, to);
        coarse(in, light, e, reading, to);
        range(in, k, e, picture, reading, to);
      }
    }
  }

  private static void seam(
      Inspection in,
      Light light,
      Emitter.Environment e,
      EnvironmentReading reading,
      List<Finding> to) {
    if (reading.seamStops() < SEAM_STOPS || e.seamBlend() > 0) {
      return;
    }
    Emitter blended =
        new Emitter.Environment(
            e.picture(), e.rotationDegrees(), e.tiltDegrees(), e.blurDegrees(), BLEND);
    to.add(
        finding(
            Finding.Kind.ENVIRONMENT_SEAM,
            light,
            0.45,
            "The borders of "
                + light.name()
                + " differ by "
                + Words.stops(reading.seamStops())
                + " where they meet.",
            "An upright line stands in reflections, and in the background when it is turned there.",
            List.of(
                new Finding.Mend(
                    "Blend the seam of " + light.name(),
                    Edits.light(in.shoot, light.id(), l -> l.withEmitter(blended))))));
  }

  private static void coarse(
      Inspection in,
      Light light,
      Emitter.Environment e,
      EnvironmentReading reading,
      List<Finding> to) {
    double angle =
        2 * Math.toDegrees(StrictMath.atan(in.shot.sensorWidthMm() / 2 / in.shot.focalLengthMm()));
    double shown = in.traced.width() / angle;
    boolean background = light.seenDirectly() && openShare(in) > LEAST_SHARE;
    double wanted = background ? OF_BACKGROUND * shown : mirrors(in) ? OF_REFLECTION * shown : 0;
    if (reading.pixelsPerDegree() >= wanted || e.blurDegrees() > 0) {
      return;
    }
    double blur = Math.min(90, Math.rint(15 / reading.pixelsPerDegree()) / 10);
    Emitter blurred =
        new Emitter.Environment(
            e.picture(), e.rotationDegrees(), e.tiltDegrees(), blur, e.seamBlend());
    to.add(
        finding(
            Finding.Kind.ENVIRONMENT_COARSE,
            light,
            background ? 0.4 : 0.3,
            String.format(
                Locale.ROOT,
                "%s has %.1f pixels a degree; the %s would need %.1f.",
                light.name(),
                reading.pixelsPerDegree(),
                background ? "background" : "sharpest reflection",
                wanted),
            "Its pixels are seen as blocks where it is seen sharply. A larger picture shows more;"
                + " a blur hides them.",
            List.of(
                new Finding.Mend(
                    "Blur " + light.name() + " by " + Words.degrees(blur),
                    Edits.light(in.shoot, light.id(), l -> l.withEmitter(blurred))))));
  }

  private static double openShare(Inspection in) {
    int n = 0;
    for (int piece : in.piece) {
      n += piece < 0 ? 1 : 0;
    }
    return (double) n / in.cells();
  }

  /** Whether anything that mirrors sharply fills a hundredth of the picture. */
  private static boolean mirrors(Inspection in) {
    int n = 0;
    for (int piece : in.piece) {
      String material = piece < 0 ? null : in.shoot.pieces().get(piece).material();
      for (Material m : in.shoot.materials()) {
        boolean smooth =
            m.roughness() < MIRROR && (m.metalness() > 0.5 || m.glass().transmission() > 0.5);
        n += m.id().equals(material) && smooth ? 1 : 0;
      }
    }
    return n > in.cells() / 100;
  }

  private static void range(
      Inspection in,
      int k,
      Emitter.Environment e,
      Picture picture,
      EnvironmentReading reading,
      List<Finding> to) {
    Light light = in.light(k);
    PicturedSun sun = PicturedSun.of(picture);
    String name = e.picture().toLowerCase(Locale.ROOT);
    boolean codes = name.endsWith(".jpg") || name.endsWith(".jpeg") || name.endsWith(".png");
    double needed = sun == null ? 0 : MissingSun.neededStops(sun);
    if (codes && reading.stops() < STOPS_OF_CODES && in.share(k) > LEAST_SHARE) {
      highlight(in, light, e, picture, notHdr(light, reading), to);
    } else if (sun != null
        && sun.stops() < needed - NEAR_ENOUGH_STOPS
        && !MissingSun.aimed(in, e, picture, sun)) {
      to.add(sunClipped(in, light, e, picture, sun));
    } else if (reading.clippedShare() > 0) {
      highlight(in, light, e, picture, clipped(light, reading), to);
    }
  }

  private static Finding finding(
      Finding.Kind kind,
      Light light,
      double weight,
      String what,
      String why,
      List<Finding.Mend> mends) {
    return new Finding(kind, light.id(), null, weight, what, why, null, mends);
  }

  private static Finding notHdr(Light light, EnvironmentReading reading) {
    return finding(
        Finding.Kind.ENVIRONMENT_NOT_HDR,
        light,
        0.5,
        light.name()
            + " lights the set with a picture of "
            + Words.stops(reading.stops())
            + " that ends at white.",
        "Its lamps and its sun are no brighter than paper, so they throw no shadows and no"
            + " highlights. It needs a picture with high dynamic range, or a lamp of the rig"
            + " from where it is brightest.",
        List.of());
  }

  private static Finding clipped(Light light, EnvironmentReading reading) {
    return finding(
        Finding.Kind.ENVIRONMENT_CLIPPED,
        light,
        0.3,
        Words.percent(reading.clippedShare())
            + " of "
            + light.name()
            + " stands at its very top value.",
        "Its brightest parts were clipped when it was taken: they light less than they did. A"
            + " lamp of the rig from there gives it back; how much is for the eye to say.",
        List.of());
  }

  /** Adds what was found, with a lamp as its mend, unless the rig has one there already. */
  private static void highlight(
      Inspection in,
      Light light,
      Emitter.Environment e,
      Picture picture,
      Finding found,
      List<Finding> to) {
    PicturedHighlight highlight = PicturedHighlight.of(picture);
    if (!MissingLamp.canBeAdded(highlight)) {
      to.add(found);
    } else if (!MissingLamp.isAimed(in, e, highlight)) {
      Shoot after = MissingLamp.added(in.shoot, light, e, highlight);
      String text = "Add a lamp where " + light.name() + " is brightest";
      to.add(found.with(List.of(new Finding.Mend(text, after))));
    }
  }

  private static Finding sunClipped(
      Inspection in, Light light, Emitter.Environment e, Picture picture, PicturedSun sun) {
    return finding(
        Finding.Kind.ENVIRONMENT_SUN_CLIPPED,
        light,
        0.5,
        "The sun in "
            + light.name()
            + " is "
            + Words.stops(sun.stops())
            + " over the sky; a sun of that size has "
            + Words.stops(MissingSun.neededStops(sun))
            + ".",
        "The picture was clipped when it was taken: shadows come out too faint. A sun of the"
            + " rig, aimed the same way, gives back what is missing.",
        List.of(
            new Finding.Mend(
                "Add the sun of " + light.name(),
                MissingSun.added(in.shoot, light, e, picture, sun))));
  }
}
