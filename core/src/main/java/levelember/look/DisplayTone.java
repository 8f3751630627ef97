package levelember.look;

import levelember.shoot.look.Look;

/**
 * White balance, exposure, black point, saturation, contrast and curve: from linear light to
 * encoded display values ({@link Balance}, {@link DisplayCurve}).
 */
final class DisplayTone implements RowStage {
  private static final RowMath ROWS = RowMath.ofMachine();
  private final RowMath.ToneTerms terms;

  DisplayTone(Look look, DisplayCurve curve) {
    float[] matrix = Balance.matrix(look.balance());
    for (int i = 0; i < 9; i++) {
      matrix[i] *= (float) curve.scale();
    }
    terms = curve.terms(matrix);
  }

  @Override
  public Pass sized(int width, int height) {
    return (row, y) -> ROWS.tone(row.r(), row.g(), row.b(), width, terms, row.memory());
  }
}
