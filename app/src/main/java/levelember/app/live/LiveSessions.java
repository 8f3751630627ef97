package levelember.app.live;

import jakarta.annotation.PreDestroy;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import levelember.app.asset.Assets;
import levelember.app.shoot.Shoots;
import levelember.formats.ShootDocument;
import levelember.transport.Renderer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;

/** The render sessions by shoot. One that nobody watches gives its memory back after a while. */
@Service
class LiveSessions {
  private static final long IDLE_SECONDS = 60;

  private final Shoots shoots;
  private final Assets assets;
  private final int samples;
  private final long mostFilmBytes;
  private final Map<String, LiveSession> sessions = new HashMap<>();
  private final ScheduledExecutorService sweeper =
      Executors.newSingleThreadScheduledExecutor(
          Thread.ofPlatform().name("ember-sessions").daemon().factory());
  private final Turns turns = new Turns();
  private final Renderer renderer =
      new Renderer(
          Runtime.getRuntime().availableProcessors(),
          Renderer.USUAL_BOUNCES,
          1,
          task -> Background.thread(task, "ember-trace"));

  LiveSessions(
      Shoots shoots,
      Assets assets,
      @Value("${ember.samples}") int samples,
      @Value("${ember.film-megabytes}") int filmMegabytes) {
    this.shoots = shoots;
    this.assets = assets;
    this.samples = samples;
    mostFilmBytes =
        filmMegabytes > 0 ? (long) filmMegabytes << 20 : Runtime.getRuntime().maxMemory() * 2 / 5;
  }

  /** The session of a shoot, opened when there is none. */
  LiveSession open(String id) {
    synchronized (sessions) {
      LiveSession session = sessions.get(id);
      if (session == null) {
        Shoots.State state = shoots.state(id);
        session =
            new LiveSession(
                id,
                renderer,
                turns,
                samples,
                mostFilmBytes,
                assets.files(id),
                ShootDocument.read(state.document()),
                state.revision());
        sessions.put(id, session);
      }
      return session;
    }
  }

  /** Notes that a view is gone. */
  void left(String id, LiveSession session, LiveView view) {
    if (session.leave(view)) {
      sweeper.schedule(() -> sweep(id, session), IDLE_SECONDS, TimeUnit.SECONDS);
    }
  }

  private void sweep(String id, LiveSession session) {
    synchronized (sessions) {
      if (!session.watched() && sessions.remove(id, session)) {
        session.close();
      }
    }
  }

  /** Shows a kept change, and tells the pages of it. */
  @TransactionalEventListener
  void changed(Shoots.Changed change) {
    LiveSession session;
    synchronized (sessions) {
      session = sessions.get(change.id());
    }
    if (session != null) {
      session.wishes().show(shoots.shoot(change.id()), change.revision(), 0);
      session.tell(Map.of("type", "changed", "revision", change.revision()));
    }
  }

  /** Ends the session of a shoot that is gone, and tells the pages of it. */
  @TransactionalEventListener
  void deleted(Shoots.Deleted gone) {
    LiveSession session;
    synchronized (sessions) {
      session = sessions.remove(gone.id());
    }
    if (session != null) {
      session.tell(Map.of("type", "deleted"));
      session.close();
    }
  }

  @PreDestroy
  void close() {
    synchronized (sessions) {
      sessions.values().forEach(LiveSession::close);
    }
    sweeper.shutdownNow();
    renderer.close();
  }
}
