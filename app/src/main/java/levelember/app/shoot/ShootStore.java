package levelember.app.shoot;

import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import levelember.app.patch.JsonDifference;
import levelember.app.patch.StoredDocument;
import levelember.app.problem.Refusal;
import levelember.app.storage.Restored;
import levelember.formats.document.ShootDocument;
import levelember.shoot.Shoot;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tools.jackson.databind.JsonNode;

/**
 * Shoots in the database. A change is written as its difference (JSON Patch); the whole document is
 * written with the first change of a process, and again after {@value #MOST_CHANGES} changes or
 * when they are half as long as it is. The shoots used last are held parsed. Whoever changes
 * something has begun a transaction.
 */
@Component
class ShootStore {
  static final int MOST_CHANGES = 50;
  private static final int MOST_HELD = 8;

  /** How often a shoot is read that changes while it is read. */
  private static final int TRIES = 100;

  private final ShootMapper mapper;

  /** By id, the one used longest ago first; a lock of its own within which nothing is asked. */
  private final Map<String, StoredShoot> held = new LinkedHashMap<>(16, 0.75f, true);

  ShootStore(ShootMapper mapper) {
    this.mapper = mapper;
  }

  /**
   * A shoot as it is now.
   *
   * @throws Refusal when there is none of that id
   */
  public StoredShoot get(String id) {
    return of(id, mapper.head(id));
  }

  /** The same, locked until the transaction ends. */
  public StoredShoot locked(String id) {
    return of(id, mapper.locked(id));
  }

  private StoredShoot of(String id, ShootMapper.Head head) {
    if (head == null) {
      throw Refusal.missing("There is no shoot '" + id + "'.");
    }
    synchronized (held) {
      StoredShoot there = held.get(id);
      if (there != null && there.is(head)) {
        return there;
      }
    }
    StoredShoot read = read(id);
    hold(read);
    return read;
  }

  private StoredShoot read(String id) {
    for (int i = 0; i < TRIES; i++) {
      ShootMapper.Row row = mapper.row(id);
      if (row == null) {
        throw Refusal.missing("There is no shoot '" + id + "'.");
      }
      List<String> changes = mapper.changes(id, row.documentRevision(), row.revision());
      // Another transaction may have written the whole document between the two.
      if (changes.size() == row.revision() - row.documentRevision()) {
        Shoot shoot = ShootDocument.read(StoredDocument.replayed(row.document(), changes));
        return new StoredShoot(
            id,
            row.revision(),
            row.changed(),
            shoot,
            ShootDocument.tree(shoot),
            StoredShoot.UNKNOWN,
            0,
            row.document().length());
      }
    }
    throw new IllegalStateException("changes of the shoot '" + id + "' are missing");
  }

  /** Keeps a new shoot. */
  public StoredShoot insert(String id, Shoot shoot) {
    JsonNode document = ShootDocument.tree(shoot);
    String text = document.toString();
    OffsetDateTime now = now();
    mapper.insert(id, shoot.name(), text, now);
    return committed(new StoredShoot(id, 1, now, shoot, document, 0, 0, text.length()));
  }

  /** Keeps a locked shoot as it is after a change. */
  public StoredShoot change(StoredShoot before, Shoot after) {
    JsonNode document = ShootDocument.tree(after);
    String patch =
        before.changes() < MOST_CHANGES
            ? JsonDifference.between(before.document(), document).toString()
            : null;
    boolean small = patch != null && 2 * (before.characters() + patch.length()) < before.whole();
    return small ? patched(before, after, document, patch) : rewritten(before, after, document);
  }

  private StoredShoot patched(StoredShoot before, Shoot after, JsonNode document, String patch) {
    String id = before.id();
    long revision = before.revision() + 1;
    OffsetDateTime now = now();
    mapper.insertPatch(id, revision, patch);
    mapper.advance(id, after.name(), revision, now);
    return committed(
        new StoredShoot(
            id,
            revision,
            now,
            after,
            document,
            before.changes() + 1,
            before.characters() + patch.length(),
            before.whole()));
  }

  private StoredShoot rewritten(StoredShoot before, Shoot after, JsonNode document) {
    String id = before.id(), text = document.toString();
    long revision = before.revision() + 1;
    OffsetDateTime now = now();
    mapper.rewrite(id, after.name(), text, revision, now);
    mapper.forgetChanges(id);
    return committed(new StoredShoot(id, revision, now, after, document, 0, 0, text.length()));
  }

  /** The time as the database keeps it. */
  private static OffsetDateTime now() {
    return OffsetDateTime.now().truncatedTo(ChronoUnit.MICROS);
  }

  /** Holds what was written once it is kept, before anybody is told of it. */
  private StoredShoot committed(StoredShoot written) {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public int getOrder() {
            return Ordered.HIGHEST_PRECEDENCE;
          }

          @Override
          public void afterCommit() {
            hold(written);
          }
        });
    return written;
  }

  private void hold(StoredShoot shoot) {
    synchronized (held) {
      held.put(shoot.id(), shoot);
      if (held.size() > MOST_HELD) {
        held.remove(held.keySet().iterator().next());
      }
    }
  }

  /** Other shoots are there now. */
  @EventListener
  @Order(Ordered.HIGHEST_PRECEDENCE)
  void restored(Restored event) {
    synchronized (held) {
      held.clear();
    }
  }
}
