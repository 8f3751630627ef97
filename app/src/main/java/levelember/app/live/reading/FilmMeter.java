package levelember.app.live.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import levelember.app.live.reading.ShownMeter.LightPart;
import levelember.app.live.reading.ShownMeter.PinReading;
import levelember.app.live.reading.ShownMeter.Readings;
import levelember.edit.PinInView;
import levelember.film.Film;
import levelember.look.Balance;
import levelember.measure.LayerReading;
import levelember.measure.TargetReadings;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.Target;
import levelember.shoot.look.Look;

/** Reads pins and the whole of a film. */
public final class FilmMeter {
  private FilmMeter() {}

  /**
   * Reads a film.
   *
   * @param view that it was traced of
   * @param pins that need not be the shoot's own
   * @param shoot with the levels and colours to read it at
   * @param look that says where mid grey and white are
   */
  public static Readings read(View view, List<Pin> pins, Shoot shoot, Look look, Film film) {
    float[] weights = LayerWeights.of(shoot);
    List<PinReading> read =
        pins.stream().map(p -> read(view, shoot, film, p, weights, look)).toList();
    TargetReadings all = TargetReadings.of(film, Map.of(), look, weights);
    double mean = all.whole().luminance(weights);
    return new Readings(
        read,
        mean,
        known(all.whole().stops(weights, look.ev())),
        known(all.value(new Target("highest", Target.Kind.CEILING, null, null, 0, 1), weights)));
  }

  private static Double known(double stops) {
    return Double.isFinite(stops) ? stops : null;
  }

  private static PinReading read(
      View view, Shoot shoot, Film film, Pin pin, float[] weights, Look look) {
    PinInView there = PinInView.of(view, pin, film.width(), film.height());
    if (there.state() != PinInView.State.SEEN) {
      return new PinReading(
          pin.id(), there.state(), there.x(), there.y(), 0, null, null, null, List.of());
    }
    LayerReading reading = LayerReading.of(film, there.pixels());
    double[] casts = casts(reading.colour(weights), look);
    return new PinReading(
        pin.id(),
        there.state(),
        there.x(),
        there.y(),
        reading.luminance(weights),
        known(reading.stops(weights, look.ev())),
        casts == null ? null : casts[0],
        casts == null ? null : casts[1],
        parts(shoot, reading.luminances(weights)));
  }

  /** Stops of red and of blue over green after the white balance; null in the dark. */
  private static double[] casts(double[] rgb, Look look) {
    float[] balance = Balance.matrix(look.balance());
    double[] shown = new double[3];
    for (int i = 0; i < 9; i++) {
      shown[i / 3] += balance[i] * rgb[i % 3];
    }
    double red = StrictMath.log(shown[0] / shown[1]) / StrictMath.log(2);
    double blue = StrictMath.log(shown[2] / shown[1]) / StrictMath.log(2);
    return Double.isFinite(red) && Double.isFinite(blue) ? new double[] {red, blue} : null;
  }

  static List<LightPart> parts(Shoot shoot, double[] values) {
    double all = Arrays.stream(values).sum();
    List<LightPart> to = new ArrayList<>();
    for (int k = 0; k < values.length; k++) {
      if (values[k] > 0) {
        to.add(new LightPart(shoot.lights().get(k).id(), values[k], values[k] / all));
      }
    }
    to.sort((a, b) -> Double.compare(b.value(), a.value()));
    return to;
  }
}
