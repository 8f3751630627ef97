package levelember.app.live.session;

import java.lang.ref.SoftReference;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.asset.Assets;
import levelember.app.live.schedule.Background;
import levelember.app.shoot.Shoots;
import levelember.scene.View;
import levelember.shoot.Shoot;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Compiled views of shoots that nobody watches, so that opening one does not begin with compiling
 * it: those changed last, compiled in the background after a start, and those that were open. What
 * is kept is given up as soon as memory is short.
 */
@Component
class PreparedViews {
  private static final Logger LOG = LoggerFactory.getLogger(PreparedViews.class);

  private final Map<String, SoftReference<View>> views = new ConcurrentHashMap<>();
  private final Shoots shoots;
  private final Assets assets;
  private final int most;

  PreparedViews(Shoots shoots, Assets assets, @Value("${ember.prepared-shoots}") int most) {
    this.shoots = shoots;
    this.assets = assets;
    this.most = most;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    if (most > 0) {
      Background.thread(this::prepare, "ember-prepare").start();
    }
  }

  private void prepare() {
    List<Shoots.Title> titles = shoots.titles();
    for (Shoots.Title title : titles.subList(0, Math.min(most, titles.size()))) {
      try {
        Shoot shoot = shoots.shoot(title.id());
        keep(title.id(), View.of(shoot, shoot.shots().getFirst(), assets.files(title.id())));
      } catch (RuntimeException e) {
        // Whoever opens it is told.
        LOG.debug("The shoot '{}' is not prepared", title.id(), e);
      }
    }
  }

  /** Keeps a view for the next who opens the shoot; nothing happens without one. */
  void keep(String shoot, View view) {
    if (most > 0 && view != null) {
      views.put(shoot, new SoftReference<>(view));
    }
  }

  /** The view of a shoot as it was at some time, which is not kept any longer; null without. */
  View take(String shoot) {
    SoftReference<View> kept = views.remove(shoot);
    return kept == null ? null : kept.get();
  }

  /** Forgets the view of a shoot that is gone, or with null all of them. */
  void forget(String shoot) {
    if (shoot == null) {
      views.clear();
    } else {
      views.remove(shoot);
    }
  }
}
