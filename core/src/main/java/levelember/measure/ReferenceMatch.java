package levelember.measure;

import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import levelember.film.Film;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Picture;

/**
 * Levels, and colours where these may change, with which a picture comes nearest to a reference: by
 * the tones of the whole, or by regions that are paired ({@link ToneResiduals}). Nothing is traced.
 *
 * @param moves of the faders that may move
 * @param before root mean square of what tones are off, stops
 * @param after the same with the moves
 */
public record ReferenceMatch(List<TargetSolution.FaderMove> moves, double before, double after) {
  private static final double RIDGE = 2e-3;

  /**
   * Matches a film to a reference.
   *
   * @param reference linear display light, 0…1
   * @param pairs regions of both; none for the tones of the whole picture
   */
  public static ReferenceMatch of(
      Shoot shoot, Look look, Film film, Picture reference, List<RegionPair> pairs) {
    RigFaders rig = new RigFaders(shoot);
    ToneResiduals tones = new ToneResiduals(look, film, reference, pairs);
    UnaryOperator<double[]> residuals = x -> tones.of(rig.weights(x));
    double[] least = rig.least(), most = rig.most(), start = new double[least.length];
    double[] ridge = new double[least.length];
    Arrays.fill(ridge, RIDGE);
    double[] x = LevenbergMarquardt.minimum(residuals, start, ridge, least, most);
    return new ReferenceMatch(
        rig.moves(x),
        ToneResiduals.rootMeanSquare(residuals.apply(start)),
        ToneResiduals.rootMeanSquare(residuals.apply(x)));
  }

  /** The shoot with all moves made. */
  public Shoot applied(Shoot shoot) {
    return new TargetSolution(moves, List.of(), List.of()).applied(shoot);
  }
}
