package levelember.findings;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.Shot;

/** Focus where nothing stands, and a depth of field that leaves most of the subject out. */
final class Focus implements Check {
  /** Diameter of a blurred point that still looks sharp, of the picture's width. */
  private static final double SHARP = 1 / 600.0;

  private static final double LEAST_SHARP = 0.003, MOST_OUT = 0.5, ENOUGH = 0.8;
  private static final double[] STOPS = {1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22, 32, 45, 64};

  @Override
  public void look(Inspection in, List<Finding> to) {
    Shot shot = in.shot;
    if (shot.fStop() <= 0) {
      return;
    }
    double focus =
        shot.focusDistance() > 0
            ? shot.focusDistance()
            : shot.aim().minus(shot.position()).length();
    double[] depths = depths(in, in.subject);
    if (depths.length == 0) {
      return;
    }
    double median = depths[depths.length / 2];
    if (sharp(depths(in, in.all()), focus, shot.fStop(), shot) < LEAST_SHARP) {
      to.add(nothing(in, focus, median));
    } else if (sharp(depths, focus, shot.fStop(), shot) < 1 - MOST_OUT) {
      to.add(out(in, focus, depths, median));
    }
  }

  private static double[] depths(Inspection in, boolean[] cells) {
    double[] to = new double[cells.length];
    int n = 0;
    for (int i = 0; i < cells.length; i++) {
      if (cells[i] && Double.isFinite(in.depth[i])) {
        to[n++] = in.depth[i];
      }
    }
    Arrays.sort(to, 0, n);
    return Arrays.copyOf(to, n);
  }

  /** Share of some depths that look sharp. */
  private static double sharp(double[] depths, double focus, double fStop, Shot shot) {
    double f = shot.focalLengthMm() / 1000;
    double aperture = f / fStop, sensor = shot.sensorWidthMm() / 1000;
    int n = 0;
    for (double d : depths) {
      double blur = aperture * f * Math.abs(d - focus) / (d * Math.max(1e-6, focus - f));
      n += blur < SHARP * sensor ? 1 : 0;
    }
    return depths.length == 0 ? 0 : (double) n / depths.length;
  }

  private static Finding nothing(Inspection in, double focus, double median) {
    return new Finding(
        Finding.Kind.FOCUS_ON_NOTHING,
        null,
        null,
        0.7,
        "The lens focuses at "
            + Words.metres(focus)
            + ", where nothing stands; the subject is at "
            + Words.metres(median)
            + ".",
        "Nothing in the picture is sharp.",
        in.region(in.subject),
        List.of(
            new Finding.Mend(
                "Focus on the subject",
                Edits.shot(in.shoot, in.shot, s -> s.withFocusDistance(rounded(median))))));
  }

  private static Finding out(Inspection in, double focus, double[] depths, double median) {
    double share = 1 - sharp(depths, focus, in.shot.fStop(), in.shot);
    double wanted = STOPS[STOPS.length - 1];
    for (double stop : STOPS) {
      if (stop > in.shot.fStop() && sharp(depths, median, stop, in.shot) >= ENOUGH) {
        wanted = stop;
        break;
      }
    }
    double fStop =
        sharp(depths, median, in.shot.fStop(), in.shot) >= ENOUGH ? in.shot.fStop() : wanted;
    return new Finding(
        Finding.Kind.SUBJECT_OUT_OF_FOCUS,
        null,
        null,
        0.45,
        Words.percent(share)
            + String.format(
                Locale.ROOT, " of the subject is out of focus at f/%.1f.", in.shot.fStop()),
        "The eye goes to what is sharp: here that is but a slice of the subject.",
        in.region(in.subject),
        List.of(
            new Finding.Mend(
                String.format(Locale.ROOT, "Focus on the subject at f/%.1f", fStop),
                Edits.shot(
                    in.shoot,
                    in.shot,
                    s -> s.withFocusDistance(rounded(median)).withFStop(fStop)))));
  }

  private static double rounded(double metres) {
    return Math.rint(1e4 * metres) / 1e4;
  }
}
