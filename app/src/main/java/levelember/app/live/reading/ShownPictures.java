package levelember.app.live.reading;

import java.util.List;
import java.util.Optional;
import levelember.app.live.channel.LiveSocket;
import levelember.app.live.session.LiveSession;
import levelember.app.live.session.SessionSnapshot;
import levelember.app.live.view.Developer;
import levelember.film.Film;
import levelember.formats.picture.LayersFile;
import levelember.formats.picture.PngFile;
import levelember.look.DisplayCurve;
import levelember.noise.Noise;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import levelember.upsampling.Ladder;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Pictures as pages show them, to be kept; nothing waits, and tracing goes on meanwhile. */
@Service
public class ShownPictures {
  private final LiveSocket socket;

  ShownPictures(LiveSocket socket) {
    this.socket = socket;
  }

  /**
   * A picture.
   *
   * @param seconds the time at which a shoot that moves is shown, or null for it at rest
   * @param png through the look of its shot, at the size that is shown
   * @param layers as {@link LayersFile} has them, or null before there is a sample of full size
   * @param samples of a pixel of full size, the least
   * @param noisePercent as traced, or null before it can be told
   * @param tracedSeconds since light was last traced anew
   */
  public record Shown(
      Shot shot,
      @Nullable Double seconds,
      int width,
      int height,
      byte[] png,
      byte[] layers,
      double samples,
      Double noisePercent,
      double tracedSeconds) {}

  /**
   * What a page shows of a shoot.
   *
   * @param page its id on the live channel; else what was shown last
   * @return empty before there is a picture
   */
  public Optional<Shown> now(String shoot, String page) {
    LiveSession session = socket.session(shoot, page);
    return session.now().filter(m -> m.ladder().step() > 0).map(m -> shown(m, session));
  }

  /**
   * The light that a page shows of a shoot, cd/m², before its look.
   *
   * @return empty before there is a picture
   */
  public Optional<Picture> light(String shoot, String page) {
    return socket
        .session(shoot, page)
        .now()
        .filter(m -> m.ladder().step() > 0)
        .map(m -> m.films(true).mix(m.weights(), m.films(true).shownStep()));
  }

  private static Shown shown(SessionSnapshot m, LiveSession session) {
    Ladder films = m.films(true);
    int step = films.shownStep();
    Developer.Developed picture =
        m.developed(m.developer(), m.shoot().lookOf(m.shot()), true, step);
    Film full = m.ladder().full();
    boolean whole = films.full().samples() > 0;
    List<String> lights = m.shoot().lights().stream().map(Light::id).toList();
    double fullScale = DisplayCurve.fullScale(m.shoot().lookOf(m.shot()).ev());
    double noise = full.samples() < 2 ? Double.NaN : Noise.of(full, m.weights(), fullScale).whole();
    return new Shown(
        m.shot(),
        session.desired().seconds(),
        picture.light().width(),
        picture.light().height(),
        PngFile.write(picture.light(), picture.inputs(), picture.look(), 8, null),
        whole ? LayersFile.write(films.full(), lights) : null,
        full.samples(),
        Double.isFinite(noise) ? 100 * noise : null,
        session.tracedSeconds());
  }
}
