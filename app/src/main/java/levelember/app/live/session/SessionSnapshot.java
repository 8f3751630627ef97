package levelember.app.live.session;

import java.util.List;
import java.util.Optional;
import levelember.app.live.message.ServerMessage;
import levelember.app.live.view.Developer;
import levelember.document.ImpossibleValue;
import levelember.edit.Outline;
import levelember.edit.Pick;
import levelember.edit.Placing;
import levelember.film.Film;
import levelember.film.FirstHits;
import levelember.firsthit.PlainView;
import levelember.formats.picture.PngFile;
import levelember.math.Vec3;
import levelember.measure.Reading;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.upsampling.Ladder;

/**
 * What a session shows at a moment, and what can be asked of it. Places of the picture are 0…1 from
 * the left and the top.
 *
 * @param shoot as shown, in clay when that is the view
 * @param ladder the films as traced
 * @param seen the films that are shown, which may be the same
 * @param hits what the camera meets first as far as it is known, or null
 */
public record SessionSnapshot(
    View view,
    Shoot shoot,
    Shot shot,
    double aspect,
    Ladder ladder,
    Ladder seen,
    FirstHits hits,
    Developer developer) {

  /** Weights of the layers in the picture, three a light. */
  public float[] weights() {
    return LayerWeights.of(shoot);
  }

  /** What stands at a place of the picture. */
  public Optional<Pick> at(double x, double y) {
    return Pick.at(view, x, y, aspect);
  }

  /** The outlines of the set's pieces. */
  public List<Outline> plan() {
    return Outline.of(view);
  }

  /**
   * Where a light has to stand to do something at a place of the picture.
   *
   * @param from the place whose shadow is meant, x and y, or null
   * @return empty when nothing is there
   */
  public Optional<Placing> placing(String light, String does, double x, double y, double[] from) {
    Optional<Pick> at = at(x, y);
    Optional<Light> which = shoot.light(light);
    if (at.isEmpty() || which.isEmpty()) {
      return Optional.empty();
    }
    Vec3 camera = shot.position();
    Vec3 place = at.get().position(), normal = at.get().normal();
    return switch (does) {
      case "highlight" -> Optional.of(Placing.highlight(shoot, which.get(), camera, place, normal));
      case "rim" -> Optional.of(Placing.rim(shoot, which.get(), camera, place, normal));
      case "shadow" ->
          (from == null ? Optional.<Pick>empty() : at(from[0], from[1]))
              .map(caster -> Placing.shadow(shoot, which.get(), caster.position(), place));
      default -> throw new ImpossibleValue("does", does, "one of highlight, shadow, rim");
    };
  }

  /** What the picture says at a place; null before there is one. */
  public ServerMessage.Reading reading(double x, double y) {
    if (ladder.step() == 0) {
      return null;
    }
    Film film = ladder.full();
    int step = 1;
    for (int i = 2; i >= 0 && film.least(tileAt(film, x, y)) == 0; i--) {
      film = ladder.film(i);
      step = 1 << (3 - i);
    }
    Reading r =
        Reading.at(
            film,
            weights(),
            shoot.lookOf(shot).ev(),
            column(film, x),
            row(film, y),
            step == 1 ? 2 : 0);
    return new ServerMessage.Reading(
        x,
        y,
        r.luminance(),
        Double.isFinite(r.stops()) ? r.stops() : null,
        r.layer() < 0 ? null : shoot.lights().get(r.layer()).name(),
        r.share());
  }

  private static int tileAt(Film film, double x, double y) {
    return film.tile(column(film, x), row(film, y));
  }

  private static int column(Film film, double x) {
    return (int) Math.clamp(x * film.width(), 0, film.width() - 1);
  }

  private static int row(Film film, double y) {
    return (int) Math.clamp(y * film.height(), 0, film.height() - 1);
  }

  /** The films as traced, or denoised where the page shows them so and they are whole. */
  public Ladder films(boolean asSeen) {
    return asSeen && seen.full().samples() > 0 ? seen : ladder;
  }

  /** The alpha of the picture in full size, or null where the shot is not cut out. */
  public float[] alpha() {
    return shot.cutOut() ? ladder.alpha(weights(), 1) : null;
  }

  /** The picture through the look of its shot. */
  public Developer.Developed developed(boolean asSeen) {
    return developed(developer, shoot.lookOf(shot), asSeen, 1);
  }

  /** The picture through any look, so many times smaller. */
  public Developer.Developed developed(Developer by, Look look, boolean asSeen, int step) {
    return by.of(shoot, look, films(asSeen), step, weights(), hits);
  }

  /** A small JPEG of what a shot frames, without light; null when there is no such shot. */
  public byte[] framed(String shotId, int width) {
    int height = width * 9 / 16;
    return shoot
        .shot(shotId)
        .map(s -> new PlainView(view, PlainView.Kind.SOLID, s))
        .map(v -> v.codes(width, height, 1, 4, () -> false))
        .map(codes -> PngFile.jpeg(codes, width, height, 0.85f))
        .orElse(null);
  }

  /** A small JPEG of one light's layer, exposed by itself so that its form can be seen, or null. */
  public byte[] thumbnail(String light, int width) {
    for (int i = 0; i < shoot.lights().size(); i++) {
      Light own = shoot.lights().get(i);
      if (own.id().equals(light)) {
        return LayerThumbnail.jpeg(seen, i, LayerWeights.of(shoot, own), width);
      }
    }
    return null;
  }
}
