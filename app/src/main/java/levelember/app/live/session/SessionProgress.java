package levelember.app.live.session;

import levelember.app.live.message.ServerMessage;
import levelember.app.live.view.DesiredFrame;
import levelember.upsampling.Ladder;

/** Says how far a session's picture has got. */
final class SessionProgress {
  private SessionProgress() {}

  /**
   * The message of it.
   *
   * @param budget bytes beyond which pictures are made smaller
   * @param now as of {@link System#nanoTime}
   */
  static ServerMessage.Progress of(
      SessionFilms films, ServerMessage.Activity activity, long budget, long now) {
    DesiredFrame shown = films.shown();
    Ladder ladder = films.ladder();
    PictureNoise noise = films.noise();
    CleanPicture clean = films.clean();
    return new ServerMessage.Progress(
        shown.revision(),
        ladder.full().meanSamples(),
        noise.percent(),
        100 * noise.wanted(),
        noise.secondsLeft(),
        clean == null ? null : clean.errorPercent(),
        clean == null ? null : clean.secondsLeft(),
        activity,
        films.rays().all(),
        films.rays().dropped(),
        noise.tracedSeconds(),
        clean != null,
        budget,
        films.view().scene().pictureBytes(),
        films.view().scene().triangles(),
        films.bytes(),
        ladder.width() < shown.width(),
        films.shares().of(shown.shoot(), ladder, now),
        films.shares().overGloss(shown.shoot()));
  }
}
