package levelember.app.live.reading;

import java.util.List;
import java.util.Optional;
import levelember.app.asset.Assets;
import levelember.app.live.channel.LiveSocket;
import levelember.app.live.session.LiveSession;
import levelember.app.live.session.SessionSnapshot;
import levelember.film.Film;
import levelember.integrator.TurnedEnvironment;
import levelember.measure.EnvironmentTurn;
import levelember.measure.ReferenceMatch;
import levelember.measure.RegionPair;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import org.springframework.stereotype.Service;

/** Matches what pages show to a reference. */
@Service
public class ShownMatch {
  /** Width of the small pictures that are traced for turns, pixels. */
  private static final int TURN_WIDTH = 96;

  private final LiveSocket socket;
  private final Assets assets;

  ShownMatch(LiveSocket socket, Assets assets) {
    this.socket = socket;
    this.assets = assets;
  }

  /** What is shown, and the kept shoot at the time that is shown. */
  private record Shown(SessionSnapshot moment, Shoot at) {
    Look look() {
      return at.lookOf(moment.shot());
    }

    Film film() {
      return moment.films(true).full();
    }
  }

  private Optional<Shown> shown(Shoot kept, String shoot, String page) {
    LiveSession session = socket.session(shoot, page);
    Double seconds = session.desired().seconds();
    Shoot at = seconds == null ? kept : ShootAtTime.of(kept, seconds);
    return session
        .now()
        .filter(m -> m.films(true).full().samples() > 0)
        .filter(m -> m.shoot().lights().size() == at.lights().size())
        .map(m -> new Shown(m, at));
  }

  /**
   * Levels with which what a page shows comes nearest to a reference.
   *
   * @param kept the shoot as it is kept, without what a hand is trying
   * @param reference linear display light, 0…1
   * @param pairs regions of both; none for the tones of the whole picture
   * @return empty before there is a whole sample
   */
  public Optional<ReferenceMatch> levels(
      Shoot kept, String shoot, String page, Picture reference, List<RegionPair> pairs) {
    return shown(kept, shoot, page)
        .map(s -> ReferenceMatch.of(s.at(), s.look(), s.film(), reference, pairs));
  }

  /**
   * The same with a surrounding picture turned; this traces small pictures.
   *
   * @param light number of a light that is a surrounding picture
   */
  public Optional<EnvironmentTurn> turn(
      Shoot kept, String shoot, String page, int light, Picture reference, List<RegionPair> pairs) {
    return shown(kept, shoot, page).map(s -> turn(s, shoot, light, reference, pairs));
  }

  private EnvironmentTurn turn(
      Shown shown, String shoot, int light, Picture reference, List<RegionPair> pairs) {
    Shoot at = shown.at();
    Light lamp = at.lights().get(light);
    double before = ((Emitter.Environment) lamp.emitter()).rotationDegrees();
    Film film = shown.film();
    int height = Math.max(1, Math.round((float) TURN_WIDTH * film.height() / film.width()));
    try (TurnedEnvironment turned =
        new TurnedEnvironment(
            shown.moment().view(), assets.files(shoot), light, TURN_WIDTH, height)) {
      return EnvironmentTurn.search(
          before,
          degrees -> ReferenceMatch.of(at, shown.look(), turned.at(degrees), reference, pairs));
    }
  }
}
