package levelember.app.live;

/** Somebody who watches a shoot: takes frames and messages, drops frames that come too fast. */
interface LiveView {
  /** A frame in the live channel's binary form; only the newest one waits. */
  void frame(byte[] frame);

  /** Scopes in the live channel's binary form; only the newest ones wait. */
  void scopes(byte[] scopes);

  /** A message as JSON text; every one is sent, in order. */
  void message(String json);
}
