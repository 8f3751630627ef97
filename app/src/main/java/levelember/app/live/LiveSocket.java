package levelember.app.live;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Restored;
import levelember.formats.RefusedFile;
import levelember.formats.ShootDocument;
import levelember.shoot.ImpossibleValue;
import levelember.texture.Pictures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
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
  private final Map<String, Page> pages = new ConcurrentHashMap<>();
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
    try {
      pages.put(socket.getId(), new Page(socket, shootId(socket), sessions));
    } catch (Refusal e) {
      socket.close(CloseStatus.POLICY_VIOLATION.withReason("no such shoot"));
    }
  }

  @Override
  public void afterConnectionClosed(WebSocketSession socket, CloseStatus status) {
    Page page = pages.remove(socket.getId());
    if (page != null) {
      untry(page);
      page.leave();
    }
  }

  /** The page of that id on a shoot. */
  Optional<Page> page(String shoot, String id) {
    return Optional.ofNullable(pages.get(id)).filter(p -> p.shoot().equals(shoot));
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
    pages.values().stream().filter(p -> p.shoot().equals(gone.id())).forEach(p -> p.trying(false));
  }

  /** Nothing that is known of any shoot holds. */
  @EventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void restored(Restored event) {
    states.clear();
    pages.values().forEach(p -> p.trying(false));
  }

  /** What a page was trying goes with it. */
  private void untry(Page page) {
    if (page.trying()) {
      page.trying(false);
      Shoots.State state = kept(page.shoot());
      page.session().wishes().show(ShootDocument.read(state.document()), state.revision(), 0);
    }
  }

  @Override
  protected void handleTextMessage(WebSocketSession socket, TextMessage message) {
    Page page = pages.get(socket.getId());
    if (page == null) {
      return;
    }
    try {
      hear(page, JsonMapper.shared().readTree(message.getPayload()));
    } catch (Refusal | ImpossibleValue | RefusedFile | Pictures.MissingPicture e) {
      page.message(
          JsonMapper.shared()
              .writeValueAsString(Map.of("type", "refused", "detail", e.getMessage())));
    } catch (tools.jackson.core.JacksonException e) {
      page.message("{\"type\":\"refused\",\"detail\":\"the message is no JSON\"}");
    } catch (RuntimeException | Error e) {
      LOG.error("A message of a page failed", e);
      String detail = "The application met an error of its own: " + e.getClass().getSimpleName();
      page.message(
          JsonMapper.shared().writeValueAsString(Map.of("type", "failed", "detail", detail)));
    }
  }

  private void hear(Page page, JsonNode m) {
    LiveSession session = page.session();
    switch (m.path("type").stringValue("")) {
      case "try" -> {
        Shoots.State state = kept(page.shoot());
        page.trying(true);
        session
            .wishes()
            .show(
                shoots.tried(state, m.path("operations")),
                state.revision(),
                m.path("mark").asLong(0));
      }
      case "untry" -> untry(page);
      case "shot" -> {
        String shot = m.path("id").stringValue("");
        if (session.wishes().shoot().shot(shot).isEmpty()) {
          throw Refusal.missing("There is no shot '" + shot + "'.");
        }
        page.show(page.view().withShot(shot));
      }
      case "size" ->
          page.show(
              page.view()
                  .withSize(
                      Math.clamp(m.path("width").asInt(0), LEAST_SIDE, MOST_SIDE),
                      Math.clamp(m.path("height").asInt(0), LEAST_SIDE, MOST_SIDE)));
      case "pause" -> page.pause(m.path("paused").booleanValue(false));
      case "noise" ->
          session.wantedNoise(
              Math.clamp(m.path("percent").asDouble(2), LEAST_NOISE, MOST_NOISE) / 100);
      case "denoise" -> session.denoising(Denoising.of(m.path("when").stringValue("")));
      case "view" ->
          page.show(
              page.view()
                  .withView(
                      View.of(
                          m.path("kind").stringValue(""),
                          m.path("clay").asDouble(0.5),
                          m.path("keepGlass").booleanValue(true),
                          m.path("keepEmission").booleanValue(true))));
      case "ping" -> page.message("{\"type\":\"pong\"}");
      case "again" -> session.again();
      case "scopes" -> page.scopes(ScopesMessage.Of.of(m.path("of").stringValue("")));
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
          page.message(JsonMapper.shared().writeValueAsString(reading));
        }
      }
      default ->
          throw new ImpossibleValue(
              "type",
              m.path("type"),
              "one of try, untry, shot, size, pause, noise, denoise, view, scopes, drawn, probe, again, ping");
    }
  }
}
