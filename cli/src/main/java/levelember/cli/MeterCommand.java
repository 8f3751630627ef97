package levelember.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import levelember.edit.PinInView;
import levelember.integrator.Illuminance;
import levelember.integrator.IlluminanceMeter;
import levelember.integrator.MeterPoint;
import levelember.look.DisplayCurve;
import levelember.measure.LayerReading;
import levelember.measure.TargetReadings;
import levelember.measure.TargetSolution;
import levelember.measure.TargetSolver;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.look.Look;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import tools.jackson.databind.json.JsonMapper;

/** Reads the pins of a shoot, and finds the levels that meet its targets. */
@Command(
    name = "meter",
    description =
        "Prints what the pins of a shoot read, light by light, as JSON; with --solve also the"
            + " levels that meet its targets best.",
    mixinStandardHelpOptions = true)
final class MeterCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private SmallPicture picture = new SmallPicture();

  @Option(names = "--incident", description = "measures the light that arrives at each pin, too")
  private boolean incident;

  @Option(names = "--solve", description = "finds the levels that meet the targets best")
  private boolean solve;

  @Option(
      names = "--out",
      paramLabel = "FILE",
      description = "where the shoot with those levels is written, .ember")
  private Path out;

  @Override
  public Integer call() throws Exception {
    picture.trace(spec.commandLine());
    Shoot shoot = picture.view().shoot();
    Look look = shoot.lookOf(picture.shot());
    float[] weights = LayerWeights.of(shoot);
    TargetReadings readings =
        TargetReadings.of(
            picture.film(),
            PinInView.pixels(
                picture.view(),
                shoot.meter().pins(),
                picture.film().width(),
                picture.film().height()),
            look,
            weights);
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("shot", picture.shot().name());
    to.put(
        "pins", shoot.meter().pins().stream().map(p -> pin(p, readings, look, weights)).toList());
    to.put("mean", reading(readings.whole(), look, weights));
    if (solve) {
      TargetSolution solution = TargetSolver.solve(shoot, readings);
      to.put("solution", solution);
      if (out != null) {
        picture.write(solution.applied(picture.pack().shoot()), out);
      }
    }
    spec.commandLine()
        .getOut()
        .println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(to));
    return 0;
  }

  private Map<String, Object> pin(Pin pin, TargetReadings all, Look look, float[] weights) {
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("name", pin.name());
    LayerReading reading = all.pins().get(pin.id());
    if (reading == null) {
      to.put("seen", false);
    } else {
      to.putAll(reading(reading, look, weights));
    }
    if (incident) {
      incident(pin, weights, to);
    }
    return to;
  }

  private Map<String, Object> reading(LayerReading reading, Look look, float[] weights) {
    Map<String, Object> to = new LinkedHashMap<>();
    double luminance = reading.luminance(weights);
    to.put("cd/m2", luminance);
    to.put(
        "stops",
        luminance > 0 ? Math.log(luminance / DisplayCurve.midGrey(look.ev())) / Math.log(2) : null);
    to.put("lights", byLight(reading.luminances(weights)));
    return to;
  }

  private Map<String, Double> byLight(double[] values) {
    Map<String, Double> to = new LinkedHashMap<>();
    for (int k = 0; k < values.length; k++) {
      to.put(picture.view().shoot().lights().get(k).name(), values[k]);
    }
    return to;
  }

  private void incident(Pin pin, float[] weights, Map<String, Object> to) {
    View view = picture.view();
    PinInView.InWorld place = PinInView.inWorld(new PieceTransforms(view.shoot().pieces()), pin);
    if (place == null) {
      return;
    }
    List<String> ids = new ArrayList<>();
    view.shoot().pieces().forEach(p -> ids.add(p.id()));
    MeterPoint at =
        new MeterPoint(place.position(), place.normal(), Math.max(0, ids.indexOf(pin.piece())));
    IlluminanceMeter meter = new IlluminanceMeter(view);
    for (IlluminanceMeter.Receiver receiver : IlluminanceMeter.Receiver.values()) {
      Illuminance light = meter.at(at, receiver, weights);
      to.put(
          receiver == IlluminanceMeter.Receiver.FLAT
              ? "lux on the surface"
              : "lux on a half-sphere",
          byLight(light.lux(weights)));
    }
  }
}
