package levelember.app.live.session;

import levelember.app.live.message.ScopesMessage;
import levelember.app.live.view.DesiredFrame;

/** A page that watches a session: takes frames and messages, drops frames that come too fast. */
public interface FrameListener {
  /** From now on it takes frames of this session alone. */
  void watches(LiveSession session);

  /**
   * A frame in the live channel's binary form; only the newest one waits.
   *
   * @param state what the frame shows; a page that rests takes each state once while another goes
   *     on
   */
  void frame(LiveSession from, byte[] frame, DesiredFrame state);

  /** Scopes in the live channel's binary form; only the newest ones wait. */
  void scopes(LiveSession from, byte[] scopes);

  /** A message as JSON text; every one is sent, in order. */
  void message(String json);

  /** Whether the page wants no more samples. */
  boolean paused();

  /** What the page's scopes measure. */
  ScopesMessage.Of scopesOf();
}
