package levelember.app.live.session;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import levelember.app.asset.Assets;
import levelember.app.live.message.ServerMessage;
import levelember.app.live.schedule.Background;
import levelember.app.live.schedule.TracingScheduler;
import levelember.app.live.view.PageView;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Restored;
import levelember.formats.document.ShootDocument;
import levelember.integrator.Renderer;
import levelember.shoot.Shoot;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * The render sessions of all open shoots: one for every way in which some page shows a shoot. One
 * that nobody watches any more gives its memory back after a while, or as soon as others need it.
 */
@Service
public class LiveSessions {
  private static final long IDLE_NANOS = TimeUnit.SECONDS.toNanos(60);
  private static final long SWEEP_SECONDS = 10;

  /** A session with when it was last wanted. */
  private static final class Open {
    final String shoot;
    final LiveSession session;
    long wantedNanos = System.nanoTime();

    Open(String shoot, LiveSession session) {
      this.shoot = shoot;
      this.session = session;
    }
  }

  private final Shoots shoots;
  private final Assets assets;
  private final PreparedViews prepared;
  private final LiveSession.Shared shared;
  private final FilmMemory<LiveSession> memory;

  /** All open sessions; the lock of this class. */
  private final List<Open> all = new ArrayList<>();

  private final ScheduledExecutorService sweeper =
      Executors.newSingleThreadScheduledExecutor(
          Thread.ofPlatform().name("ember-sessions").daemon().factory());

  LiveSessions(
      Shoots shoots,
      Assets assets,
      PreparedViews prepared,
      TracingScheduler turns,
      @Value("${ember.samples}") int samples,
      @Value("${ember.film-megabytes}") int filmMegabytes) {
    this.shoots = shoots;
    this.assets = assets;
    this.prepared = prepared;
    memory =
        new FilmMemory<>(
            filmMegabytes > 0
                ? (long) filmMegabytes << 20
                : Runtime.getRuntime().maxMemory() * 2 / 5,
            this::endIdle);
    Renderer renderer =
        new Renderer(
            Runtime.getRuntime().availableProcessors(),
            Renderer.USUAL_BOUNCES,
            1,
            task -> Background.thread(task, "ember-trace"));
    shared = new LiveSession.Shared(renderer, turns, samples, memory);
    sweeper.scheduleWithFixedDelay(this::sweep, SWEEP_SECONDS, SWEEP_SECONDS, TimeUnit.SECONDS);
  }

  /**
   * The session that shows a shoot as a page wants to see it, which the page watches from now on in
   * place of the one it watched.
   *
   * @param watched by the page until now, or null
   */
  public LiveSession watch(String shoot, PageView page, LiveSession watched, FrameListener view) {
    // Read before the lock is taken: nobody waits for the database.
    Shoots.State state = watched == null ? shoots.state(shoot) : null;
    synchronized (all) {
      Optional<LiveSession> same = find(shoot, page);
      LiveSession session;
      if (same.isPresent()) {
        session = same.get();
      } else if (watched != null && watched.onlyBy(view)) {
        watched.desired().show(page);
        session = watched;
      } else {
        session = opened(shoot, state, page, watched);
      }
      if (session != watched) {
        if (watched != null) {
          left(watched, view);
        }
        view.watches(session);
        session.join(view);
      }
      wanted(session);
      return session;
    }
  }

  private Optional<LiveSession> find(String shoot, PageView page) {
    return all.stream()
        .filter(o -> o.shoot.equals(shoot) && o.session.desired().shows(page))
        .map(o -> o.session)
        .findFirst();
  }

  private LiveSession opened(String id, Shoots.State state, PageView page, LiveSession like) {
    Shoot shoot = state == null ? like.desired().shoot() : ShootDocument.read(state.document());
    long revision = state == null ? like.desired().wanted().revision() : state.revision();
    SharedCompilation compilation =
        all.stream()
            .filter(o -> o.shoot.equals(id))
            .map(o -> o.session.compilation())
            .findAny()
            .orElseGet(() -> new SharedCompilation(assets.files(id), prepared.take(id)));
    LiveSession session = new LiveSession(id, shared, compilation, shoot, revision, page);
    all.add(new Open(id, session));
    return session;
  }

  /** The session in which a shoot was wanted last, if it is open. */
  Optional<LiveSession> open(String shoot) {
    synchronized (all) {
      Optional<LiveSession> newest =
          all.stream()
              .filter(o -> o.shoot.equals(shoot))
              .max(Comparator.comparingLong(o -> o.wantedNanos))
              .map(o -> o.session);
      newest.ifPresent(this::wanted);
      return newest;
    }
  }

  /** The same, opened when there is none; it ends by itself when nobody wants it any more. */
  public LiveSession opened(String shoot) {
    Shoots.State state = shoots.state(shoot);
    synchronized (all) {
      LiveSession session = open(shoot).orElseGet(() -> opened(shoot, state, PageView.FIRST, null));
      wanted(session);
      return session;
    }
  }

  private void wanted(LiveSession session) {
    all.stream().filter(o -> o.session == session).forEach(o -> o.wantedNanos = System.nanoTime());
  }

  /** Notes that a page is gone. */
  public void left(LiveSession session, FrameListener view) {
    synchronized (all) {
      session.leave(view);
      wanted(session);
    }
  }

  private void sweep() {
    long now = System.nanoTime();
    synchronized (all) {
      end(
          all.stream()
              .filter(o -> !o.session.watched() && now - o.wantedNanos > IDLE_NANOS)
              .toList());
    }
  }

  /** Ends the session that was watched longest ago; false when all others are watched. */
  private boolean endIdle(LiveSession but) {
    synchronized (all) {
      Optional<Open> longest =
          all.stream()
              .filter(o -> o.session != but && !o.session.watched())
              .min(Comparator.comparingLong(o -> o.wantedNanos));
      longest.ifPresent(o -> end(List.of(o)));
      return longest.isPresent();
    }
  }

  private void end(List<Open> sessions) {
    all.removeAll(sessions);
    for (Open o : sessions) {
      prepared.keep(o.shoot, o.session.compilation().newest());
      o.session.close();
      memory.forget(o.session);
    }
  }

  private List<LiveSession> of(String shoot) {
    synchronized (all) {
      return all.stream().filter(o -> o.shoot.equals(shoot)).map(o -> o.session).toList();
    }
  }

  /** Bytes that films and pictures of all sessions may take. */
  long budget() {
    return memory.budget();
  }

  /** How many sessions are open. */
  int count() {
    synchronized (all) {
      return all.size();
    }
  }

  /** Shows a kept change, and tells the pages of it. */
  @TransactionalEventListener
  void changed(Shoots.Changed change) {
    List<LiveSession> sessions = of(change.id());
    if (!sessions.isEmpty()) {
      Shoot shoot = shoots.shoot(change.id());
      sessions.forEach(s -> s.desired().show(shoot, change.revision(), 0));
      sessions.forEach(s -> s.tell(new ServerMessage.Changed(change.revision())));
    }
  }

  /** Ends the sessions of a shoot that is gone, and tells the pages of it. */
  @TransactionalEventListener
  void deleted(Shoots.Deleted gone) {
    tellAndEnd(new ServerMessage.Deleted(), gone.id());
  }

  /** Ends all sessions, as other shoots are there now. */
  @EventListener
  void restored(Restored event) {
    tellAndEnd(new ServerMessage.Restored(), null);
  }

  private void tellAndEnd(ServerMessage message, String shoot) {
    synchronized (all) {
      List<Open> gone =
          all.stream().filter(o -> shoot == null || Objects.equals(o.shoot, shoot)).toList();
      gone.forEach(o -> o.session.tell(message));
      end(gone);
      prepared.forget(shoot);
    }
  }

  @PreDestroy
  void close() {
    synchronized (all) {
      end(List.copyOf(all));
    }
    sweeper.shutdownNow();
    shared.renderer().close();
  }
}
