package levelember.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import levelember.photometry.ColourTemperature;
import levelember.photometry.LayerWeights;
import levelember.shoot.FaderRange;
import levelember.shoot.Meter;
import levelember.shoot.Shoot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;

/**
 * The faders of a rig that may move, as unknowns: a change in stops for each, and for those whose
 * colour may change a change of the colour temperature, in steps of 20 mired, and of tint, in steps
 * of 10. Says the weights of the layers for any of their values.
 */
final class RigFaders {
  private static final double MIRED = 20, TINT = 10;
  private static final double LOWEST_LEVEL = -10, HIGHEST_LEVEL = 10, MOST_TINT = 50;

  /** One unknown: which fader, and what of it. */
  private record Unknown(int fader, Part part, double least, double most) {}

  private enum Part {
    STOPS,
    KELVIN,
    TINT
  }

  private final Shoot shoot;
  private final List<FaderRange> faders;
  private final float[] base;

  /** By fader and layer, whether its level counts there, and whether its colour does. */
  private final boolean[][] moves;

  private final boolean[][] colours;
  private final List<Unknown> unknowns = new ArrayList<>();

  RigFaders(Shoot shoot) {
    this.shoot = shoot;
    base = LayerWeights.of(shoot);
    faders = there(shoot, base);
    int layers = shoot.lights().size();
    moves = new boolean[faders.size()][layers];
    colours = new boolean[faders.size()][layers];
    for (int f = 0; f < faders.size(); f++) {
      FaderRange range = faders.get(f);
      for (int k = 0; k < layers; k++) {
        Light light = shoot.lights().get(k), lamp = TracedLight.original(shoot, light);
        colours[f][k] = range.ofLight() && lamp.id().equals(range.id());
        moves[f][k] =
            range.id() == null
                || (range.ofLight()
                    ? colours[f][k] || light.id().equals(range.id())
                    : range.id().equals(light.bank()));
      }
      double level = level(range);
      unknowns.add(
          new Unknown(
              f,
              Part.STOPS,
              Math.min(0, Math.max(range.leastStops(), LOWEST_LEVEL - level)),
              Math.max(0, Math.min(range.mostStops(), HIGHEST_LEVEL - level))));
      if (range.changesColour()) {
        LightColour now = light(range).colour();
        double mired = 1e6 / now.kelvin();
        unknowns.add(
            new Unknown(
                f,
                Part.KELVIN,
                Math.min(0, (1e6 / range.mostKelvin() - mired) / MIRED),
                Math.max(0, (1e6 / range.leastKelvin() - mired) / MIRED)));
        unknowns.add(
            new Unknown(
                f, Part.TINT, (-MOST_TINT - now.tint()) / TINT, (MOST_TINT - now.tint()) / TINT));
      }
    }
  }

  /** The faders that may move: those that are named and there, else all that give light. */
  private static List<FaderRange> there(Shoot shoot, float[] weights) {
    Meter meter = shoot.meter();
    Set<String> places = new HashSet<>(List.of(FaderRange.MASTER));
    shoot.lights().forEach(l -> places.add("lights/" + l.id() + "/levelStops"));
    shoot.banks().forEach(b -> places.add("banks/" + b.id() + "/levelStops"));
    if (!meter.faders().isEmpty()) {
      return meter.faders().stream().filter(f -> places.contains(f.place())).toList();
    }
    List<FaderRange> all = new ArrayList<>();
    for (int k = 0; k < shoot.lights().size(); k++) {
      Light light = shoot.lights().get(k);
      boolean gives = weights[3 * k] + weights[3 * k + 1] + weights[3 * k + 2] > 0;
      if (gives && light.mirror() == null) {
        all.add(FaderRange.usual("lights/" + light.id() + "/levelStops"));
      }
    }
    return all;
  }

  private Light light(FaderRange range) {
    return shoot.light(range.id()).orElseThrow();
  }

  /** Where a fader stands, stops. */
  double level(FaderRange range) {
    if (range.id() == null) {
      return shoot.masterStops();
    }
    if (range.ofLight()) {
      return light(range).levelStops();
    }
    return shoot.banks().stream()
        .filter(b -> b.id().equals(range.id()))
        .mapToDouble(Bank::levelStops)
        .findFirst()
        .orElseThrow();
  }

  List<FaderRange> faders() {
    return faders;
  }

  int unknowns() {
    return unknowns.size();
  }

  double[] least() {
    return unknowns.stream().mapToDouble(Unknown::least).toArray();
  }

  double[] most() {
    return unknowns.stream().mapToDouble(Unknown::most).toArray();
  }

  /** The number of the fader of an unknown. */
  int fader(int unknown) {
    return unknowns.get(unknown).fader();
  }

  /** Whether a fader counts in a layer. */
  boolean moves(int fader, int layer) {
    return moves[fader][layer];
  }

  /** Weights of the layers as the rig stands. */
  float[] base() {
    return base;
  }

  /** Weights of the layers at some values of the unknowns. */
  float[] weights(double[] x) {
    float[] to = base.clone();
    double[] factors = new double[to.length];
    Arrays.fill(factors, 1);
    for (int f = 0; f < faders.size(); f++) {
      double stops = value(x, f, Part.STOPS);
      double level = StrictMath.pow(2, stops);
      double[] colour = colourFactors(x, f);
      for (int k = 0; k < moves[f].length; k++) {
        for (int c = 0; c < 3; c++) {
          factors[3 * k + c] *=
              (moves[f][k] ? level : 1) * (colours[f][k] && colour != null ? colour[c] : 1);
        }
      }
    }
    for (int i = 0; i < to.length; i++) {
      to[i] = (float) (to[i] * factors[i]);
    }
    return to;
  }

  private double[] colourFactors(double[] x, int fader) {
    FaderRange range = faders.get(fader);
    if (!range.changesColour()) {
      return null;
    }
    LightColour was = light(range).colour(), is = colour(x, fader);
    if (is.equals(was)) {
      return null;
    }
    double[] before = ColourTemperature.rgb(was), after = ColourTemperature.rgb(is);
    double[] to = new double[3];
    for (int c = 0; c < 3; c++) {
      to[c] = before[c] > 0 ? Math.max(0, after[c]) / before[c] : 1;
    }
    return to;
  }

  private double value(double[] x, int fader, Part part) {
    for (int i = 0; i < unknowns.size(); i++) {
      if (unknowns.get(i).fader() == fader && unknowns.get(i).part() == part) {
        return x[i];
      }
    }
    return 0;
  }

  /** Where a fader stands at some values, to a hundredth of a stop. */
  double level(double[] x, int fader) {
    return Math.rint(100 * (level(faders.get(fader)) + value(x, fader, Part.STOPS))) / 100;
  }

  /** The colour of a fader's light at some values; null where there is none to change. */
  LightColour colour(double[] x, int fader) {
    FaderRange range = faders.get(fader);
    if (!range.changesColour()) {
      return null;
    }
    LightColour was = light(range).colour();
    double mired = 1e6 / was.kelvin() + MIRED * value(x, fader, Part.KELVIN);
    double tint = was.tint() + TINT * value(x, fader, Part.TINT);
    return new LightColour(
        Math.clamp(1e6 / mired, 1000, 40_000),
        Math.clamp(tint, -MOST_TINT, MOST_TINT),
        was.filter());
  }

  /** Where all faders go at some values. */
  List<TargetSolution.FaderMove> moves(double[] x) {
    List<TargetSolution.FaderMove> to = new ArrayList<>();
    for (int f = 0; f < faders.size(); f++) {
      FaderRange fader = faders.get(f);
      LightColour is = colour(x, f);
      boolean same = is == null || is.equals(light(fader).colour());
      LightColour rounded =
          same
              ? null
              : new LightColour(
                  Math.rint(is.kelvin()), Math.rint(10 * is.tint()) / 10, is.filter());
      to.add(new TargetSolution.FaderMove(fader.place(), level(fader), level(x, f), rounded));
    }
    return to;
  }
}
