package levelember.findings.inspection;

import java.util.Locale;

/** Numbers as findings say them. */
public final class Words {
  private Words() {}

  public static String percent(double share) {
    double p = 100 * share;
    return String.format(
        Locale.ROOT, p >= 9.95 ? "%.0f %%" : p >= 0.095 ? "%.1f %%" : "%.2f %%", p);
  }

  public static String stops(double stops) {
    return String.format(Locale.ROOT, "%.1f stops", stops);
  }

  /** With a sign, as a level. */
  static String level(double stops) {
    return String.format(Locale.ROOT, "%s%.2f stops", stops < 0 ? "−" : "+", Math.abs(stops));
  }

  public static String metres(double m) {
    if (m < 0.01) {
      return String.format(Locale.ROOT, "%.1f mm", 1000 * m);
    }
    return m < 1
        ? String.format(Locale.ROOT, "%.0f cm", 100 * m)
        : String.format(Locale.ROOT, m < 100 ? "%.2g m" : "%.0f m", m);
  }

  public static String degrees(double d) {
    return String.format(Locale.ROOT, d < 10 ? "%.1f°" : "%.0f°", d);
  }

  public static String ratio(double r) {
    return String.format(Locale.ROOT, r < 10 ? "%.1f:1" : "%.0f:1", r);
  }
}
