package levelember.app.live.channel;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.live.message.PageMessage;
import levelember.app.live.message.ServerMessage;
import levelember.app.live.session.LiveSession;
import levelember.app.live.session.LiveSessions;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Restored;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.formats.document.ShootDocument;
import levelember.shoot.Shoot;
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

/** The live channel of a shoot over a WebSocket; docs/live-channel.md lists its messages. */
@Component
public class LiveSocket extends TextWebSocketHandler {
  private static final Logger LOG = LoggerFactory.getLogger(LiveSocket.class);
  private static final double LEAST_NOISE = 0.1, MOST_NOISE = 50;
  private static final int LEAST_SIDE = 64, MOST_SIDE = 2560;

  private final LiveSessions sessions;
  private final Map<String, Page> pages = new ConcurrentHashMap<>();
  private final KeptStates states;

  LiveSocket(LiveSessions sessions, KeptStates states) {
    this.sessions = sessions;
    this.states = states;
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
      try {
        untry(page);
      } finally {
        page.leave();
      }
      if (pages.values().stream().noneMatch(p -> p.shoot().equals(page.shoot()))) {
        states.forget(page.shoot());
      }
    }
  }

  /** The page of that id on a shoot. */
  Optional<Page> page(String shoot, String id) {
    return Optional.ofNullable(pages.get(id)).filter(p -> p.shoot().equals(shoot));
  }

  /** The session of the page named, else the one wanted last; one opened for it ends by itself. */
  public LiveSession session(String shoot, String page) {
    return page(shoot, page).map(Page::session).orElseGet(() -> sessions.opened(shoot));
  }

  @TransactionalEventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void changed(Shoots.Changed change) {
    states.forget(change.id());
  }

  @TransactionalEventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void deleted(Shoots.Deleted gone) {
    states.forget(gone.id());
    pages.values().stream().filter(p -> p.shoot().equals(gone.id())).forEach(p -> p.trying(false));
  }

  /** Nothing that is known of any shoot holds. */
  @EventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void restored(Restored event) {
    states.forgetAll();
    pages.values().forEach(p -> p.trying(false));
  }

  /** What a page was trying goes with it. */
  private void untry(Page page) {
    if (page.trying()) {
      page.trying(false);
      Shoots.State state = states.of(page.shoot());
      page.session().desired().show(ShootDocument.read(state.document()), state.revision(), 0);
    }
  }

  @Override
  public boolean supportsPartialMessages() {
    return true;
  }

  @Override
  protected void handleTextMessage(WebSocketSession socket, TextMessage message)
      throws IOException {
    Page page = pages.get(socket.getId());
    if (page == null) {
      return;
    }
    try {
      String whole = page.parts().next(message.getPayload(), message.isLast());
      if (whole != null) {
        hear(page, PageMessage.of(whole));
      }
    } catch (MessageParts.TooLong e) {
      socket.close(CloseStatus.TOO_BIG_TO_PROCESS);
    } catch (Refusal | ImpossibleValue | RefusedFile | Pictures.MissingPicture e) {
      page.message(new ServerMessage.Refused(e.getMessage()).json());
    } catch (RuntimeException | Error e) {
      LOG.error("A message of a page failed", e);
      String detail = "The application met an error of its own; its log says more.";
      page.message(new ServerMessage.Failed(detail).json());
    }
  }

  private void hear(Page page, PageMessage message) {
    LiveSession session = page.session();
    switch (message) {
      case PageMessage.Try tried -> {
        Shoots.State state = states.of(page.shoot());
        Shoot shoot = states.tried(state, tried.operations());
        page.trying(true);
        session.desired().attempt(shoot, state.revision(), tried.mark());
      }
      case PageMessage.Untry _ -> untry(page);
      case PageMessage.ChosenShot shot -> show(page, shot.id());
      case PageMessage.Size size ->
          page.show(
              page.view()
                  .withSize(
                      Math.clamp(size.width(), LEAST_SIDE, MOST_SIDE),
                      Math.clamp(size.height(), LEAST_SIDE, MOST_SIDE)));
      case PageMessage.Pause pause -> page.pause(pause.paused());
      case PageMessage.WantedNoise noise ->
          session.wantedNoise(Math.clamp(noise.percent(), LEAST_NOISE, MOST_NOISE) / 100);
      case PageMessage.Denoise denoise -> session.denoising(denoise.when());
      case PageMessage.ChosenTime time ->
          page.show(page.view().withSeconds(time.seconds()), time.mark());
      case PageMessage.ChosenView view -> page.show(page.view().withView(view.view()));
      case PageMessage.Ping _ -> page.message(new ServerMessage.Pong().json());
      case PageMessage.Again _ -> session.again();
      case PageMessage.WantedScopes scopes -> page.scopes(scopes.of());
      case PageMessage.Drawn drawn -> session.drawn(drawn.mark());
      case PageMessage.Probe probe ->
          session
              .now()
              .map(n -> n.reading(Math.clamp(probe.x(), 0, 1), Math.clamp(probe.y(), 0, 1)))
              .ifPresent(reading -> page.message(reading.json()));
    }
  }

  private static void show(Page page, String shot) {
    if (page.session().desired().shoot().shot(shot).isEmpty()) {
      throw Refusal.missing("There is no shot '" + shot + "'.");
    }
    page.show(page.view().withShot(shot));
  }
}
