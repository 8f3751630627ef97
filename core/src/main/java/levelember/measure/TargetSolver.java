package levelember.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import levelember.shoot.Shoot;
import levelember.shoot.Target;

/**
 * Finds levels, and colours where these may change, that come nearest to targets; nothing is
 * traced.
 *
 * <p>The unknowns are changes of faders in stops, x. A reading in stops is log₂ Σ aₖ 2^(sₖ·x), aₖ
 * what layer k has there now and sₖ the faders that it hangs on, which is smooth and convex in x,
 * so that residuals are taken in stops and not in light: a stop too dark counts as one too bright.
 * Minimized is the weighted sum of their squares plus a small share of the squares of the moves
 * (Levenberg 1944, Marquardt 1963), each step a least-squares problem within the bounds ({@link
 * BoundedLeastSquares}). Where few faders should move, the share of each is weighed anew by its
 * move (Candès, Wakin and Boyd 2008, "Enhancing Sparsity by Reweighted ℓ1 Minimization"), and those
 * that end below a twelfth of a stop stay where they are.
 */
public final class TargetSolver {
  private static final int REWEIGHTED = 6;
  private static final double RIDGE = 4e-4, FEW_RIDGE = 0.02, NEAR_ZERO = 0.1;
  private static final double SMALL = 1 / 12.0;
  private static final double MET = 0.05, GOOD_PART = 0.1, AT_BOUND = 1e-6;

  private final Shoot shoot;
  private final RigFaders rig;
  private final TargetReadings readings;
  private final List<Target> targets = new ArrayList<>();
  private final List<String> unread = new ArrayList<>();
  private final int residuals;
  private final double[] least, most;

  private TargetSolver(Shoot shoot, TargetReadings readings) {
    this.shoot = shoot;
    this.readings = readings;
    rig = new RigFaders(shoot);
    int count = 0;
    for (Target target : shoot.meter().targets()) {
      if (!readings.has(target)) {
        unread.add(target.id());
      } else {
        targets.add(target);
        count += readings.residuals(target);
      }
    }
    residuals = count;
    least = rig.least();
    most = rig.most();
  }

  /** Solves the targets of a shoot's meter. */
  public static TargetSolution solve(Shoot shoot, TargetReadings readings) {
    TargetSolver solver = new TargetSolver(shoot, readings);
    double[] ridge = new double[solver.least.length];
    Arrays.fill(ridge, RIDGE);
    double[] x = solver.minimum(new double[ridge.length], ridge);
    return solver.solution(shoot.meter().fewFaders() ? solver.few(x, ridge) : x);
  }

  /** The same with few faders moved. */
  private double[] few(double[] all, double[] usual) {
    double[] x = all, ridge = usual.clone();
    for (int round = 0; round < REWEIGHTED; round++) {
      for (int i = 0; i < ridge.length; i++) {
        ridge[i] = FEW_RIDGE / (Math.abs(x[i]) + NEAR_ZERO);
      }
      x = minimum(x, ridge);
    }
    double[] low = least.clone(), high = most.clone();
    for (int i = 0; i < x.length; i++) {
      if (Math.abs(x[i]) < SMALL) {
        x[i] = least[i] = most[i] = 0;
      }
    }
    x = minimum(x, usual);
    System.arraycopy(low, 0, least, 0, low.length);
    System.arraycopy(high, 0, most, 0, high.length);
    return x;
  }

  private double[] residualsAt(double[] x) {
    float[] weights = rig.weights(x);
    double[] to = new double[residuals];
    int at = 0;
    for (Target target : targets) {
      readings.residuals(target, weights, to, at);
      at += readings.residuals(target);
    }
    return to;
  }

  private double[] minimum(double[] start, double[] ridge) {
    return LevenbergMarquardt.minimum(this::residualsAt, start, ridge, least, most);
  }

  private TargetSolution solution(double[] x) {
    List<TargetSolution.FaderMove> moves = rig.moves(x);
    double[] r = residualsAt(x);
    double[][] slopes = LevenbergMarquardt.jacobian(this::residualsAt, x, r);
    List<TargetSolution.Outcome> outcomes = new ArrayList<>();
    int at = 0;
    for (Target target : targets) {
      double before = readings.value(target, rig.base());
      double after = readings.value(target, rig.weights(x));
      boolean met = met(target, after);
      outcomes.add(
          new TargetSolution.Outcome(
              target.id(),
              before,
              after,
              met,
              met ? List.of() : obstacles(target, at, x, r, slopes)));
      at += readings.residuals(target);
    }
    return new TargetSolution(moves, outcomes, unread);
  }

  private static boolean met(Target target, double reading) {
    return switch (target.kind()) {
      case CEILING -> reading <= target.stops() + MET;
      case NEUTRAL -> reading <= MET;
      default -> Math.abs(reading - target.stops()) <= MET;
    };
  }

  private List<TargetSolution.Obstacle> obstacles(
      Target target, int at, double[] x, double[] r, double[][] slopes) {
    List<TargetSolution.Obstacle> to = new ArrayList<>();
    double[] wish = new double[x.length];
    for (int i = 0; i < x.length; i++) {
      for (int k = at; k < at + readings.residuals(target); k++) {
        wish[i] -= slopes[i][k] * r[k];
      }
      boolean up = wish[i] > AT_BOUND && x[i] >= most[i] - AT_BOUND;
      boolean down = wish[i] < -AT_BOUND && x[i] <= least[i] + AT_BOUND;
      String place = rig.faders().get(rig.fader(i)).place();
      if ((up || down) && to.stream().noneMatch(o -> o.what().equals(place))) {
        to.add(new TargetSolution.Obstacle(TargetSolution.Obstacle.Kind.LIMIT, place, 0));
      }
    }
    conflict(target, wish, r, slopes, to);
    fixed(target, x, to);
    return to;
  }

  /** The other target that would lose most if this one got what it wants. */
  private void conflict(
      Target target,
      double[] wish,
      double[] r,
      double[][] slopes,
      List<TargetSolution.Obstacle> to) {
    double worst = 1e-6;
    String which = null;
    int at = 0;
    for (Target other : targets) {
      double loss = 0;
      for (int k = at; k < at + readings.residuals(other); k++) {
        for (int i = 0; i < wish.length; i++) {
          loss += r[k] * slopes[i][k] * wish[i];
        }
      }
      if (!other.id().equals(target.id()) && loss > worst) {
        worst = loss;
        which = other.id();
      }
      at += readings.residuals(other);
    }
    if (which != null) {
      to.add(new TargetSolution.Obstacle(TargetSolution.Obstacle.Kind.CONFLICT, which, 0));
    }
  }

  /** The lights that may not move and give a good part of what a pin reads. */
  private void fixed(Target target, double[] x, List<TargetSolution.Obstacle> to) {
    LayerReading reading =
        target.kind().ofPin() ? readings.pins().get(target.pin()) : readings.whole();
    double[] parts = reading.luminances(rig.weights(x));
    double all = Arrays.stream(parts).sum();
    for (int k = 0; k < parts.length; k++) {
      boolean movable = false;
      for (int f = 0; f < rig.faders().size(); f++) {
        movable |= rig.moves(f, k);
      }
      if (!movable && parts[k] > GOOD_PART * all) {
        to.add(
            new TargetSolution.Obstacle(
                TargetSolution.Obstacle.Kind.FIXED, shoot.lights().get(k).id(), parts[k] / all));
      }
    }
  }
}
