package levelember.app.live.reading;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import levelember.app.live.channel.LiveSocket;
import levelember.app.live.session.SessionSnapshot;
import levelember.edit.Pick;
import levelember.edit.PinInView;
import levelember.film.Film;
import levelember.integrator.Illuminance;
import levelember.integrator.IlluminanceMeter;
import levelember.integrator.MeterPoint;
import levelember.measure.TargetReadings;
import levelember.measure.TargetSolution;
import levelember.measure.TargetSolver;
import levelember.photometry.LayerWeights;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.look.Look;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Reads what pages show: pins, the whole picture, and the levels that meet targets. */
@Service
public class ShownMeter {
  private final LiveSocket socket;

  ShownMeter(LiveSocket socket) {
    this.socket = socket;
  }

  /**
   * What a light gives.
   *
   * @param value cd/m² or lux
   * @param share of all, 0…1
   */
  public record LightPart(String light, double value, double share) {}

  /**
   * What a pin reads.
   *
   * @param state whether it can be read
   * @param x where it lies in the picture, 0…1 from the left
   * @param y 0…1 from the top
   * @param luminance cd/m²; 0 where it is not seen
   * @param stops from mid grey; null where it is black or not seen
   * @param redStops how much more red than green it has after the white balance, stops, or null
   * @param blueStops the same for blue
   */
  public record PinReading(
      String id,
      PinInView.State state,
      double x,
      double y,
      double luminance,
      @Schema(types = {"number", "null"}) @Nullable Double stops,
      @Schema(types = {"number", "null"}) @Nullable Double redStops,
      @Schema(types = {"number", "null"}) @Nullable Double blueStops,
      List<LightPart> lights) {}

  /**
   * What the picture reads.
   *
   * @param meanLuminance cd/m²
   * @param meanStops from mid grey; null where all is black
   * @param highestStops of its brightest region, a sixty-fourth of its width; or null
   */
  public record Readings(
      List<PinReading> pins,
      double meanLuminance,
      @Schema(types = {"number", "null"}) @Nullable Double meanStops,
      @Schema(types = {"number", "null"}) @Nullable Double highestStops) {}

  /**
   * Light that arrives at a pin.
   *
   * @param lux in all
   * @param lights most first
   * @param strongestToRest light of the strongest over that of all others; null when it is alone
   */
  public record Arriving(
      double lux,
      List<LightPart> lights,
      @Schema(types = {"number", "null"}) @Nullable Double strongestToRest) {}

  /**
   * A pin's incident readings.
   *
   * @param surface as the surface there gets it
   * @param halfSphere as a white half-sphere set on it gets it
   * @param error relative standard error, of the noisier one
   */
  public record Incident(Arriving surface, Arriving halfSphere, double error) {}

  /**
   * Reads what a page shows, or a variant of it.
   *
   * @param without id of a light that is left out, or null
   * @param only id of the one light that is left in, or null
   * @param denoised whether noise is taken out where that is done; else as traced
   * @return empty before there is a whole sample
   */
  public Optional<Readings> read(
      String shoot, String page, String without, String only, boolean denoised) {
    return now(shoot, page)
        .map(m -> {
          Shoot lit = new LightVariant(without, only).of(m.shoot());
          Look look = lit.lookOf(m.shot());
          return FilmMeter.read(m.view(), lit.meter().pins(), lit, look, m.films(denoised).full());
        });
  }

  private Optional<SessionSnapshot> now(String shoot, String page) {
    return socket.session(shoot, page).now().filter(m -> m.films(true).full().samples() > 0);
  }

  /** A pin at a place of the picture, 0…1 each way; empty where nothing stands. */
  public Optional<Pin> pin(String shoot, String page, double x, double y) {
    return socket
        .session(shoot, page)
        .now()
        .flatMap(m -> m.at(x, y).map(pick -> pin(m.shoot(), pick)));
  }

  private static Pin pin(Shoot shoot, Pick pick) {
    int number = 1;
    while (shoot.meter().pin("pin-" + number).isPresent()) {
      number++;
    }
    String piece =
        shoot.pieces().stream()
            .filter(p -> p.id().equals(pick.piece()))
            .findFirst()
            .orElseThrow()
            .name();
    String name = piece.substring(0, Math.min(180, piece.length())) + " " + number;
    return PinInView.at(new PieceTransforms(shoot.pieces()), pick, "pin-" + number, name);
  }

  /**
   * Levels that meet the targets of a shoot best in what a page shows of it.
   *
   * @param kept the shoot as it is kept, without what a hand is trying
   * @return empty before there is a whole sample
   */
  public Optional<TargetSolution> solve(Shoot kept, String shoot, String page) {
    Double seconds = socket.session(shoot, page).desired().seconds();
    Shoot at = seconds == null ? kept : ShootAtTime.of(kept, seconds);
    return now(shoot, page)
        .filter(m -> m.shoot().lights().size() == at.lights().size())
        .map(m -> TargetSolver.solve(at, readings(m, at)));
  }

  private static TargetReadings readings(SessionSnapshot m, Shoot at) {
    Film film = m.films(true).full();
    Map<String, int[]> pixels =
        PinInView.pixels(m.view(), at.meter().pins(), film.width(), film.height());
    return TargetReadings.of(film, pixels, at.lookOf(m.shot()), LayerWeights.of(at));
  }

  /** The light that arrives at a pin; traces. Empty before there is a set, or without its piece. */
  public Optional<Incident> incident(String shoot, String page, Pin pin) {
    return socket.session(shoot, page).now().flatMap(m -> incident(m, pin));
  }

  private static Optional<Incident> incident(SessionSnapshot m, Pin pin) {
    PinInView.InWorld place = PinInView.inWorld(new PieceTransforms(m.shoot().pieces()), pin);
    if (place == null || m.shoot().pieces().isEmpty()) {
      return Optional.empty();
    }
    int piece = 0;
    for (int i = 0; i < m.shoot().pieces().size(); i++) {
      piece = m.shoot().pieces().get(i).id().equals(pin.piece()) ? i : piece;
    }
    MeterPoint at = new MeterPoint(place.position(), place.normal(), piece);
    IlluminanceMeter meter = new IlluminanceMeter(m.view());
    float[] weights = m.weights();
    Illuminance flat = meter.at(at, IlluminanceMeter.Receiver.FLAT, weights);
    Illuminance dome = meter.at(at, IlluminanceMeter.Receiver.HALF_SPHERE, weights);
    return Optional.of(
        new Incident(
            arriving(m.shoot(), flat.lux(weights)),
            arriving(m.shoot(), dome.lux(weights)),
            Math.max(flat.error(), dome.error())));
  }

  private static Arriving arriving(Shoot shoot, double[] lux) {
    List<LightPart> parts = FilmMeter.parts(shoot, lux);
    double all = Arrays.stream(lux).sum();
    double rest = parts.isEmpty() ? 0 : all - parts.getFirst().value();
    return new Arriving(all, parts, rest > 1e-9 * all ? parts.getFirst().value() / rest : null);
  }
}
