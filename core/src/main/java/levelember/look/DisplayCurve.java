package levelember.look;

import levelember.math.Colour;
import levelember.shoot.look.Look;
import levelember.shoot.look.Tone;

/**
 * From exposed light to display light: black point, contrast, and one of the curves.
 *
 * <p>A channel L (cd/m²) is exposed to x = L / (1.2·2^EV) (saturation-based speed of ISO 12232).
 * The black point b makes it (x − b)/(1 − b), saturation s makes it Y + s·(x − Y), Y being its
 * luminance. Then n, the largest of the three channels, goes through contrast c, n' =
 * 0.18·(n/0.18)^c, and the curve to m. All three channels are multiplied by m/n, so that hue stays,
 * and mixed with m by w = burn·t², t = max(0, (m − s)/(1 − s)), so that what is nearly burnt out
 * turns white.
 *
 * <p>The plain curve shows x as it is up to the start s. Above, with t = (x − s)/(1 − s) and w =
 * (2^stops − s)/(1 − s), it is s + (1 − s)·t·(1 + t/w²)/(1 + t), which leaves s with slope 1 and
 * reaches 1 at 2^stops (the curve of Reinhard et al. 2002). The film-like curves are k + A·x^c/(x^c
 * + h) (the response of Naka and Rushton 1966), with h and A such that 0.18 is shown as g and
 * 2^stops as p:
 *
 * <table>
 * <caption>The film-like curves</caption>
 * <tr><th>curve</th><th>c</th><th>black k</th><th>mid grey g</th><th>white p</th></tr>
 * <tr><td>negative</td><td>1.10</td><td>0</td><td>0.20</td><td>1</td></tr>
 * <tr><td>slide</td><td>1.45</td><td>0</td><td>0.18</td><td>1</td></tr>
 * <tr><td>baryta</td><td>1.20</td><td>0.010</td><td>0.18</td><td>0.94</td></tr>
 * </table>
 */
public final class DisplayCurve {
  /** What is shown as mid grey and where contrast turns. */
  static final double MID = 0.18;

  private final double scale;
  private final Tone tone;
  private final double start, white;
  private final double power, black, reach, half, most;

  public DisplayCurve(Look look) {
    scale = 1 / fullScale(look.ev());
    tone = look.tone();
    white = StrictMath.pow(2, tone.highlightRangeStops());
    double grey = MID;
    switch (tone.curve()) {
      case PLAIN -> {
        power = 1;
        black = 0;
        most = 1;
      }
      case NEGATIVE -> {
        power = 1.1;
        black = 0;
        most = 1;
        grey = 0.2;
      }
      case SLIDE -> {
        power = 1.45;
        black = 0;
        most = 1;
      }
      case BARYTA -> {
        power = 1.2;
        black = 0.01;
        most = 0.94;
      }
      default -> throw new IllegalStateException("a curve without a formula");
    }
    double m = StrictMath.pow(MID, power), w = StrictMath.pow(white, power);
    half = m * (most - grey) / (grey - black - (most - black) * m / w);
    reach = (most - black) * (w + half) / w;
    start = tone.curve() == Tone.Curve.PLAIN ? tone.shoulderStart() : 0.5;
  }

  /** Luminance that is shown as 1.0 before the shoulder, cd/m². */
  public static double fullScale(double ev) {
    return 1.2 * StrictMath.pow(2, ev);
  }

  /** Luminance of mid grey for readings, cd/m². */
  public static double midGrey(double ev) {
    return MID * fullScale(ev);
  }

  /** Exposed value of one cd/m². */
  double scale() {
    return scale;
  }

  /** Display value 0…1, linear, of a grey in cd/m² before the grade. */
  public double display(double channel) {
    double x = Math.max(0, channel) * scale;
    return toned(Math.max(0, (x - tone.blackPoint()) / (1 - tone.blackPoint())));
  }

  /** Contrast and curve on an exposed value from 0 on. */
  double toned(double x) {
    double y = tone.contrast() == 1 ? x : MID * StrictMath.pow(x / MID, tone.contrast());
    return tone.curve() == Tone.Curve.PLAIN ? shoulder(y) : film(y);
  }

  /**
   * The whole in the form that rows want it.
   *
   * @param matrix from cd/m² to exposed and balanced values
   */
  RowMath.ToneTerms terms(float[] matrix) {
    boolean film = tone.curve() != Tone.Curve.PLAIN;
    double bent = tone.contrast() * (film ? power : 1);
    double scaled =
        film
            ? StrictMath.pow(MID, power * (1 - tone.contrast()))
            : StrictMath.pow(MID, 1 - tone.contrast());
    // A curve that clips has no shoulder to turn white on.
    boolean clips = start >= 1;
    double from = Math.min(start, 1 - 1e-6);
    double w = (white - from) / (1 - from);
    return new RowMath.ToneTerms(
        matrix,
        (float) tone.blackPoint(),
        (float) (1 / (1 - tone.blackPoint())),
        (float) tone.saturation(),
        bent != 1,
        (float) bent,
        (float) scaled,
        film,
        (float) (clips ? 1 : start),
        (float) (clips ? 1 : white),
        (float) (1 / (1 - from)),
        (float) (1 / (w * w)),
        (float) black,
        (float) reach,
        (float) half,
        (float) most,
        (float) from,
        (float) (1 / (1 - from)),
        clips ? 0 : (float) tone.highlightDesaturation());
  }

  private double film(double x) {
    if (x >= white) {
      return most;
    }
    double p = StrictMath.pow(x, power);
    return Math.min(most, black + reach * p / (p + half));
  }

  private double shoulder(double x) {
    if (x <= start) {
      return x;
    }
    if (start >= 1 || x >= white) {
      return Math.min(1, start >= 1 ? x : 1);
    }
    double t = (x - start) / (1 - start);
    double w = (white - start) / (1 - start);
    return Math.min(1, start + (1 - start) * t * (1 + t / (w * w)) / (1 + t));
  }

  /** Code value 0…{@code most} of a grey in cd/m², by the formula itself, before the grade. */
  public int code(double channel, int codes) {
    return (int) Math.round(codes * Colour.encodeSrgb(display(channel)));
  }
}
