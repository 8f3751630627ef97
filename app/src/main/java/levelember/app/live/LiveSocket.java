package levelember.app.live;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.formats.RefusedFile;
import levelember.formats.ShootDocument;
import levelember.shoot.ImpossibleValue;
import levelember.texture.Pictures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The live channel of a shoot over a WebSocket; docs/live-channel.md lists its messages. */
@Component
class LiveSocket extends TextWebSocketHandler {
  private static final Logger LOG = LoggerFactory.getLogger(LiveSocket.class);
  private static final double LEAST_NOISE = 0.1, MOST_NOISE = 50;
  private static final int LEAST_SIDE = 64, MOST_SIDE = 2560;

  private final LiveSessions sessions;
  private final Shoots shoots;
  private final Map<String, Watcher> watchers = new ConcurrentHashMap<>();
  private final Map<String, Shoots.State> states = new ConcurrentHashMap<>();

  LiveSocket(LiveSessions sessions, Shoots shoots) {
    this.sessions = sessions;
    this.shoots = shoots;
  }

  private static String shootId(WebSocketSession socket) {
    String[] parts = socket.getUri().getPath().split("/");
    return parts[parts.length - 2];
  }

  @Override
  public void afterConnectionEstablished(WebSocketSession socket) throws IOException {
    String id = shootId(socket);
    try {
      Watcher watcher = new Watcher(socket, id, sessions.open(id));
      watchers.put(socket.getId(), watcher);
      watcher.session.join(watcher);
    } catch (Refusal e) {
      socket.close(CloseStatus.POLICY_VIOLATION.withReason("no such shoot"));
    }
  }

  @Override
  public void afterConnectionClosed(WebSocketSession socket, CloseStatus status) {
    Watcher watcher = watchers.remove(socket.getId());
    if (watcher != null) {
      watcher.stop();
      forget(watcher);
      sessions.left(watcher.id, watcher.session, watcher);
    }
  }

  /** The kept state of a shoot, asked from the database once for all tries of a hand. */
  private Shoots.State kept(String id) {
    return states.computeIfAbsent(id, shoots::state);
  }

  @TransactionalEventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void changed(Shoots.Changed change) {
    states.remove(change.id());
  }

  @TransactionalEventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void deleted(Shoots.Deleted gone) {
    states.remove(gone.id());
    watchers.values().stream().filter(w -> w.id.equals(gone.id())).forEach(w -> w.trying = false);
  }

  /** What a page was trying goes with it. */
  private void forget(Watcher watcher) {
    if (watcher.trying) {
      watcher.trying = false;
      Shoots.State state = kept(watcher.id);
      watcher.session.wishes().show(ShootDocument.read(state.document()), state.revision(), 0);
    }
  }

  @Override
  protected void handleTextMessage(WebSocketSession socket, TextMessage message) {
    Watcher watcher = watchers.get(socket.getId());
    if (watcher == null) {
      return;
    }
    try {
      hear(watcher, JsonMapper.shared().readTree(message.getPayload()));
    } catch (Refusal | ImpossibleValue | RefusedFile | Pictures.MissingPicture e) {
      watcher.message(
          JsonMapper.shared()
              .writeValueAsString(Map.of("type", "refused", "detail", e.getMessage())));
    } catch (tools.jackson.core.JacksonException e) {
      watcher.message("{\"type\":\"refused\",\"detail\":\"the message is no JSON\"}");
    }
  }

  private void hear(Watcher watcher, JsonNode m) {
    LiveSession session = watcher.session;
    switch (m.path("type").stringValue("")) {
      case "try" -> {
        Shoots.State state = kept(watcher.id);
        watcher.trying = true;
        session
            .wishes()
            .show(
                shoots.tried(state, m.path("operations")),
                state.revision(),
                m.path("mark").asLong(0));
      }
      case "untry" -> forget(watcher);
      case "shot" -> session.wishes().shot(m.path("id").stringValue(""));
      case "size" ->
          session
              .wishes()
              .size(
                  Math.clamp(m.path("width").asInt(0), LEAST_SIDE, MOST_SIDE),
                  Math.clamp(m.path("height").asInt(0), LEAST_SIDE, MOST_SIDE));
      case "pause" -> session.wishes().pause(m.path("paused").booleanValue(false));
      case "noise" ->
          session.wantedNoise(
              Math.clamp(m.path("percent").asDouble(2), LEAST_NOISE, MOST_NOISE) / 100);
      case "denoise" -> session.denoising(Denoising.of(m.path("when").stringValue("")));
      case "view" ->
          session
              .wishes()
              .view(
                  View.of(
                      m.path("kind").stringValue(""),
                      m.path("clay").asDouble(0.5),
                      m.path("keepGlass").booleanValue(false)));
      case "scopes" -> session.scopes(ScopesMessage.Of.of(m.path("of").stringValue("")));
      case "drawn" -> session.drawn(m.path("mark").asLong(0));
      case "probe" -> {
        Map<String, Object> reading =
            session
                .now()
                .map(n ->
                    n.reading(
                        Math.clamp(m.path("x").asDouble(0), 0, 1),
                        Math.clamp(m.path("y").asDouble(0), 0, 1)))
                .orElse(null);
        if (reading != null) {
          watcher.message(JsonMapper.shared().writeValueAsString(reading));
        }
      }
      default ->
          throw new ImpossibleValue(
              "type",
              m.path("type"),
              "one of try, untry, shot, size, pause, noise, denoise, view, scopes, drawn, probe");
    }
  }

  /** One page: a thread of its own sends, so that a slow page holds up nobody. */
  private static final class Watcher implements LiveView {
    private static final int MOST_WAITING = 1000;
    final WebSocketSession socket;
    final String id;
    final LiveSession session;
    private final Queue<String> messages = new ArrayDeque<>();
    private volatile boolean trying;
    private byte[] frame;
    private byte[] scopes;
    private boolean stopped;

    Watcher(WebSocketSession socket, String id, LiveSession session) {
      this.socket = socket;
      this.id = id;
      this.session = session;
      Thread.ofVirtual().name("ember-view").start(this::run);
    }

    @Override
    public synchronized void frame(byte[] next) {
      frame = next;
      notifyAll();
    }

    @Override
    public synchronized void scopes(byte[] next) {
      scopes = next;
      notifyAll();
    }

    @Override
    public synchronized void message(String json) {
      if (messages.size() < MOST_WAITING) {
        messages.add(json);
      }
      notifyAll();
    }

    synchronized void stop() {
      stopped = true;
      notifyAll();
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
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }
}
