package levelember.app.live.session;

import java.util.Set;
import levelember.app.live.message.FrameMessage;
import levelember.app.live.message.ScopesMessage;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.Developer;
import levelember.app.live.view.Mixes;
import levelember.app.live.view.ViewMode;
import levelember.film.FirstHits;
import levelember.look.CutOut;
import levelember.photometry.LayerWeights;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Luts;
import levelember.texture.Picture;
import levelember.upsampling.Ladder;

/**
 * Makes frames and scopes of what films hold and sends them to the pages that watch. For the
 * session's thread, but for {@link #developer}.
 */
final class FramePublisher {
  /** Least time between scopes while a hand moves. */
  private static final long SCOPES_NANOS = 350_000_000;

  private final LiveSession session;
  private final Luts luts;
  private final Set<FrameListener> views;
  private final Mixes mixes = new Mixes();
  private final Developer.Kept developed = new Developer.Kept();
  private final Developer developer;
  private long scopesNanos;

  /**
   * Nothing shown yet.
   *
   * @param views who watches; may change
   * @param session of which the frames are
   */
  FramePublisher(Luts luts, Set<FrameListener> views, LiveSession session) {
    this.session = session;
    this.luts = luts;
    this.views = views;
    developer = new Developer(luts);
  }

  /** Turns films into pictures; for any thread. */
  Developer developer() {
    return developer;
  }

  /** The films have changed. */
  void forget() {
    mixes.forget();
  }

  /**
   * Mixes the layers and sends the picture, and scopes of it when they are due.
   *
   * @param from the films that are shown
   * @param traced the films that are traced, which may be the same
   * @param hits what the camera meets first as far as it is known, or null
   * @param rays since the last change
   * @param ready done before anything is sent
   */
  void send(
      DesiredFrame shown, Ladder from, Ladder traced, FirstHits hits, long rays, Runnable ready) {
    long begin = System.nanoTime();
    Shoot shoot = shown.shoot();
    Look look = shoot.lookOf(shown.shot());
    float[] weights = LayerWeights.of(shoot);
    int step = from.shownStep();
    Developer.Developed picture =
        developer.of(shoot, look, weights, hits, step, w -> mixes.of(from, step, w), developed);
    byte[] codes = shown.view().codes(picture, look.ev(), () -> byLight(from, step, weights));
    byte[] own = shown.view().paint() == ViewMode.Paint.LOOK ? codes : null;
    if (own != null && shown.shot().cutOut()) {
      // The squares are there to be seen, not to be measured.
      own = codes.clone();
      CutOut.overSquares(codes, mixes.alpha(traced, step, weights), picture.light().width());
    }
    byte[] frame =
        FrameMessage.of(
            picture.light(),
            codes,
            shown.shot(),
            shown.revision(),
            shown.mark(),
            shown.sinceNanos(),
            rays,
            from,
            traced,
            begin);
    ready.run();
    views.forEach(v -> v.frame(session, frame, shown));
    if (shown.mark() == 0 || begin - scopesNanos > SCOPES_NANOS) {
      for (ScopesMessage.Of of : ScopesMessage.Of.values()) {
        if (of != ScopesMessage.Of.OFF && views.stream().anyMatch(v -> v.scopesOf() == of)) {
          scopesNanos = begin;
          byte[] codesOfLook = own == null ? picture.codes() : own;
          byte[] measured =
              ScopesMessage.of(picture, codesOfLook, look, luts, of == ScopesMessage.Of.LIGHT);
          views.stream().filter(v -> v.scopesOf() == of).forEach(v -> v.scopes(session, measured));
        }
      }
    }
  }

  /** The picture by each light alone. */
  private static Picture[] byLight(Ladder from, int step, float[] weights) {
    Picture[] to = new Picture[weights.length / 3];
    for (int k = 0; k < to.length; k++) {
      to[k] = from.layer(k, weights, step);
    }
    return to;
  }
}
