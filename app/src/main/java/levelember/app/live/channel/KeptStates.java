package levelember.app.live.channel;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import levelember.app.asset.Assets;
import levelember.app.shoot.Shoots;
import levelember.shoot.Shoot;
import levelember.texture.Pictures;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The kept states of shoots that pages show, asked from the database once for all that a hand
 * tries. Nothing is asked while its lock is held.
 */
@Component
class KeptStates {
  private final Shoots shoots;
  private final Assets assets;
  private final Map<String, Shoots.State> states = new HashMap<>();

  /** Changes with everything that makes a state that was read meanwhile worthless. */
  private long changes;

  KeptStates(Shoots shoots, Assets assets) {
    this.shoots = shoots;
    this.assets = assets;
  }

  Shoots.State of(String id) {
    long before;
    synchronized (states) {
      Shoots.State there = states.get(id);
      if (there != null) {
        return there;
      }
      before = changes;
    }
    Shoots.State read = shoots.state(id);
    synchronized (states) {
      if (changes == before) {
        states.put(id, read);
      }
    }
    return read;
  }

  /**
   * What a kept shoot would be after some operations.
   *
   * @throws Pictures.MissingPicture when it would need a file that the shoot does not have
   */
  Shoot tried(Shoots.State kept, JsonNode operations) {
    Shoot to = shoots.tried(kept, operations);
    Set<String> needed = new HashSet<>(to.assets());
    needed.removeAll(shoots.shoot(kept.id()).assets());
    if (!needed.isEmpty()) {
      needed.removeAll(assets.names(kept.id()));
      needed.stream()
          .findFirst()
          .ifPresent(name -> {
            throw new Pictures.MissingPicture(name);
          });
    }
    return to;
  }

  /** A shoot has changed, is gone, or nobody shows it any more. */
  void forget(String id) {
    synchronized (states) {
      changes++;
      states.remove(id);
    }
  }

  /** Nothing that is known of any shoot holds. */
  void forgetAll() {
    synchronized (states) {
      changes++;
      states.clear();
    }
  }

  /** How many are held. */
  int held() {
    synchronized (states) {
      return states.size();
    }
  }
}
