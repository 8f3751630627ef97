package levelember.app.shoot;

import static java.util.stream.Collectors.toSet;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import levelember.app.asset.Assets;
import levelember.app.patch.JsonPatch;
import levelember.app.problem.Refusal;
import levelember.formats.document.ShootDocument;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.Shoot;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Keeps shoots: makes, lists, copies, deletes them. {@link ShootEdits} changes them. */
@Service
public class Shoots {
  private final ShootMapper mapper;
  private final ShootStore store;
  private final Assets assets;
  private final ApplicationEventPublisher events;

  Shoots(ShootMapper mapper, ShootStore store, Assets assets, ApplicationEventPublisher events) {
    this.mapper = mapper;
    this.store = store;
    this.assets = assets;
    this.events = events;
  }

  /**
   * A shoot as it stands.
   *
   * @param id of the shoot
   * @param revision grows by one with every change
   * @param document the shoot document
   * @param undo what undo would take back, or null
   * @param redo what redo would do again, or null
   */
  public record State(
      String id,
      long revision,
      JsonNode document,
      @Schema(types = {"string", "null"}) String undo,
      @Schema(types = {"string", "null"}) String redo) {}

  /** A shoot in the list. */
  public record Title(String id, String name, String changed) {}

  /** Told after a shoot is deleted. */
  public record Deleted(String id) {}

  /** Told after a change is kept. */
  public record Changed(String id, long revision) {}

  public List<Title> titles() {
    return mapper.titles().stream()
        .map(t -> new Title(t.id(), t.name(), t.changed().toInstant().toString()))
        .toList();
  }

  /** Keeps a new shoot with its assets; the id comes from its name. */
  @Transactional
  public State add(ShootPackage pack) {
    String id = freeId(pack.shoot().name());
    StoredShoot kept = store.insert(id, pack.shoot());
    for (var asset : pack.assets().entrySet()) {
      if (pack.shoot().assets().contains(asset.getKey())) {
        assets.keep(id, asset.getKey(), asset.getValue());
      }
    }
    return state(kept);
  }

  private String freeId(String name) {
    String stem = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    stem = stem.substring(0, Math.min(stem.length(), 24)).replaceAll("^-+|-+$", "");
    String id = stem.isEmpty() ? "shoot" : stem;
    while (mapper.head(id) != null) {
      id = (stem.isEmpty() ? "shoot" : stem) + "-" + UUID.randomUUID().toString().substring(0, 8);
    }
    return id;
  }

  /**
   * Keeps a copy of a shoot, named after it; what was done to it before is not part of it. Assets
   * are shared by content, so that only the document is written.
   */
  @Transactional
  public State copy(String id) {
    Shoot shoot = shoot(id);
    Set<String> taken = mapper.titles().stream().map(ShootMapper.Title::name).collect(toSet());
    String stem = shoot.name().replaceFirst(" \\d{1,4}$", "");
    stem = stem.substring(0, Math.min(stem.length(), 110));
    int number = 2;
    while (taken.contains(stem + " " + number)) {
      number++;
    }
    Shoot copy = shoot.named(stem + " " + number);
    String other = freeId(copy.name());
    StoredShoot kept = store.insert(other, copy);
    assets.share(id, other, copy.assets());
    return state(kept);
  }

  /** Deletes a shoot with all that was done to it. */
  @Transactional
  public void delete(String id) {
    if (mapper.locked(id) == null) {
      throw Refusal.missing("There is no shoot '" + id + "'.");
    }
    mapper.delete(id);
    assets.forgetUnused();
    events.publishEvent(new Deleted(id));
  }

  @Transactional(readOnly = true)
  public State state(String id) {
    return state(store.get(id));
  }

  /** The state of a shoot that is kept so, in the same transaction. */
  State state(StoredShoot kept) {
    return new State(
        kept.id(),
        kept.revision(),
        kept.document(),
        mapper.undoLabel(kept.id()),
        mapper.redoLabel(kept.id()));
  }

  /** The shoot itself. */
  public Shoot shoot(String id) {
    return store.get(id).shoot();
  }

  /** The shoot with its assets, for export. */
  @Transactional(readOnly = true)
  public ShootPackage pack(String id) {
    Shoot shoot = shoot(id);
    var files = assets.all(id);
    files.keySet().retainAll(shoot.assets());
    return new ShootPackage(shoot, files);
  }

  /** What the shoot would be after some operations; nothing is kept. */
  public Shoot tried(State state, JsonNode operations) {
    return ShootDocument.read(JsonPatch.apply(state.document(), operations).document());
  }
}
