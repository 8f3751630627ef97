package levelember.app.live.channel;

import java.io.IOException;
import levelember.app.live.message.ScopesMessage;
import levelember.app.live.message.ServerMessage;
import levelember.app.live.message.WaitingMessages;
import levelember.app.live.session.FrameListener;
import levelember.app.live.session.LiveSession;
import levelember.app.live.session.LiveSessions;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.PageView;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;

/**
 * One page on the live channel: what it shows, and a thread of its own that sends, so that a slow
 * page holds up nobody.
 */
final class Page implements FrameListener {
  private static final Logger LOG = LoggerFactory.getLogger(Page.class);
  private static final int MOST_WAITING = 1000;

  /** Characters of a message; a try can carry a whole list of lights. */
  private static final int MOST_MESSAGE = 4 << 20;

  private final WebSocketSession socket;
  private final String shoot;
  private final LiveSessions sessions;
  private final WaitingMessages messages = new WaitingMessages(MOST_WAITING);
  private final MessageParts parts = new MessageParts(MOST_MESSAGE);

  /** What the page shows, and where it is shown; changed by the socket's messages alone. */
  private PageView view = PageView.FIRST;

  /** Where it is shown; frames of any other session are not taken. */
  private volatile LiveSession session;

  private DesiredFrame last;
  private volatile boolean trying;
  private volatile boolean paused;
  private volatile ScopesMessage.Of scopesOf = ScopesMessage.Of.OFF;
  private byte[] frame;
  private byte[] scopes;
  private boolean stopped;

  /** Joins the parts of what the page says; for the socket's messages alone. */
  MessageParts parts() {
    return parts;
  }

  @Override
  public void watches(LiveSession other) {
    synchronized (this) {
      session = other;
      last = null;
      frame = null;
      scopes = null;
    }
  }

  @Override
  public synchronized void frame(LiveSession from, byte[] next, DesiredFrame state) {
    boolean onlyFiner = last == state && !from.rests();
    if (from == session && !(paused && onlyFiner)) {
      last = state;
      frame = next;
      notifyAll();
    }
  }

  @Override
  public synchronized void scopes(LiveSession from, byte[] next) {
    if (from == session) {
      scopes = next;
      notifyAll();
    }
  }

  @Override
  public boolean paused() {
    return paused;
  }

  @Override
  public ScopesMessage.Of scopesOf() {
    return scopesOf;
  }

  /**
   * A page that has just come.
   *
   * @throws levelember.app.problem.Refusal when there is no such shoot
   */
  Page(WebSocketSession socket, String shoot, LiveSessions sessions) {
    this.socket = socket;
    this.shoot = shoot;
    this.sessions = sessions;
    message(new ServerMessage.PageName(socket.getId()).json());
    sessions.watch(shoot, view, null, this);
    Thread.ofVirtual().name("ember-page").start(this::run);
  }

  String shoot() {
    return shoot;
  }

  /** Where the page is shown. */
  LiveSession session() {
    return session;
  }

  PageView view() {
    return view;
  }

  /** Shows something else of the shoot, in another session where others watch this one. */
  void show(PageView other) {
    show(other, 0);
  }

  /**
   * The same.
   *
   * @param mark for the frame that answers
   */
  void show(PageView other, long mark) {
    view = other;
    sessions.watch(shoot, view, session, this).desired().mark(view, mark);
  }

  void pause(boolean rest) {
    paused = rest;
    session.rest();
  }

  void scopes(ScopesMessage.Of of) {
    scopesOf = of;
    session.measure();
  }

  boolean trying() {
    return trying;
  }

  void trying(boolean now) {
    trying = now;
  }

  @Override
  public synchronized void message(String json) {
    messages.add(json);
    notifyAll();
  }

  /** The page is gone. */
  void leave() {
    synchronized (this) {
      stopped = true;
      notifyAll();
    }
    sessions.left(session, this);
  }

  private void run() {
    try {
      while (true) {
        byte[] picture;
        byte[] measured;
        String text;
        synchronized (this) {
          while (frame == null && scopes == null && messages.isEmpty() && !stopped) {
            wait();
          }
          if (stopped) {
            return;
          }
          text = messages.poll();
          picture = frame;
          frame = null;
          measured = scopes;
          scopes = null;
        }
        if (picture != null) {
          socket.sendMessage(new BinaryMessage(picture));
        }
        if (measured != null) {
          socket.sendMessage(new BinaryMessage(measured));
        }
        if (text != null) {
          socket.sendMessage(new TextMessage(text));
        }
      }
    } catch (IOException | IllegalStateException e) {
      LOG.debug("A page is gone", e);
      close();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Closes a connection over which nothing can be sent, so that the page opens another. */
  private void close() {
    try {
      socket.close(CloseStatus.SESSION_NOT_RELIABLE);
    } catch (IOException | IllegalStateException e) {
      LOG.debug("A connection is closed already", e);
    }
  }
}
