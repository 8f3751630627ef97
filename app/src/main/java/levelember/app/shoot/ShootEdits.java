package levelember.app.shoot;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import levelember.app.asset.Assets;
import levelember.app.patch.JsonPatch;
import levelember.app.problem.Refusal;
import levelember.document.ImpossibleValue;
import levelember.formats.document.ShootDocument;
import levelember.shoot.Shoot;
import levelember.texture.Pictures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/**
 * Changes shoots by edits that have an inverse, one at a time a shoot. The newest edits of a shoot
 * are kept, {@code ember.most-edits} of them and no more than {@value #MOST_CHARACTERS} characters
 * of JSON, counted every few edits and with every long one; older ones cannot be undone any more.
 */
@Service
public class ShootEdits {
  private static final Logger LOG = LoggerFactory.getLogger(ShootEdits.class);
  static final long MOST_CHARACTERS = 32L << 20;

  /** Characters from which an edit is long. */
  private static final int LONG_CHARACTERS = 1 << 16;

  private final int mostEdits;

  /** Revisions from one count of the edits to the next. */
  private final int countInterval;

  private final ShootMapper mapper;
  private final ShootStore store;
  private final Shoots shoots;
  private final Assets assets;
  private final ApplicationEventPublisher events;

  ShootEdits(
      ShootMapper mapper,
      ShootStore store,
      Shoots shoots,
      Assets assets,
      ApplicationEventPublisher events,
      @Value("${ember.most-edits}") int mostEdits) {
    this.mostEdits = mostEdits;
    countInterval = Math.max(1, mostEdits / 32);
    this.mapper = mapper;
    this.store = store;
    this.shoots = shoots;
    this.assets = assets;
    this.events = events;
  }

  /**
   * Changes a shoot.
   *
   * @param revision the state that the edit was made on
   * @param label what the edit does, for undo
   * @param operations JSON Patch
   * @throws Refusal when the shoot has gone on since, or the operations do not fit
   * @throws levelember.document.ImpossibleValue when the outcome is no shoot
   */
  @Transactional
  public Shoots.State edit(String id, long revision, String label, JsonNode operations) {
    StoredShoot before = locked(id, revision);
    if (label == null || label.isBlank() || label.length() > 200) {
      throw new ImpossibleValue("label", label, "a text of 1 to 200 characters");
    }
    JsonPatch patch = JsonPatch.apply(before.document(), operations);
    StoredShoot after = keep(before, patch.document());
    mapper.forgetUndone(id);
    String forward = operations.toString(), backward = patch.inverse().toString();
    mapper.insertEdit(id, new ShootMapper.Edit(after.revision(), label, forward, backward, false));
    boolean isLong = forward.length() + backward.length() > LONG_CHARACTERS;
    if (isLong || after.revision() % countInterval == 0) {
      forgetOld(id);
    }
    events.publishEvent(new Shoots.Changed(id, after.revision()));
    return new Shoots.State(id, after.revision(), after.document(), label, null);
  }

  private void forgetOld(String id) {
    ShootMapper.EditTotals all = mapper.totals(id);
    if (all.number() > mostEdits) {
      mapper.forgetUpTo(id, mapper.after(id, mostEdits));
    }
    if (all.characters() > MOST_CHARACTERS) {
      forgetLong(id);
    }
  }

  private void forgetLong(String id) {
    List<ShootMapper.EditLength> newest = mapper.newestLengths(id);
    long characters = 0;
    for (int i = 0; i < newest.size(); i++) {
      characters += newest.get(i).characters();
      if (i > 0 && characters > MOST_CHARACTERS) {
        mapper.forgetUpTo(id, newest.get(i).number());
        return;
      }
    }
  }

  /**
   * Takes the last edit back. One whose inverse no longer fits the document is forgotten with all
   * before it, so that it does not stand in the way of later ones for good.
   */
  @Transactional(noRollbackFor = Refusal.class)
  public Shoots.State undo(String id, long revision) {
    return step(locked(id, revision), mapper.lastDone(id), true);
  }

  /**
   * Does the edit last taken back again; one that no longer fits is forgotten with all after it.
   */
  @Transactional(noRollbackFor = Refusal.class)
  public Shoots.State redo(String id, long revision) {
    return step(locked(id, revision), mapper.firstUndone(id), false);
  }

  private Shoots.State step(StoredShoot before, ShootMapper.Edit edit, boolean back) {
    String step = back ? "undo" : "redo";
    if (edit == null) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "nothing-to-" + step,
          "There is nothing to " + step + ".",
          "The shoot is as it was.",
          "Go on.");
    }
    String operations = back ? edit.backward() : edit.forward();
    StoredShoot after;
    try {
      JsonNode patch = ShootDocument.parse(operations.getBytes(StandardCharsets.UTF_8));
      after = keep(before, JsonPatch.apply(before.document(), patch).document());
    } catch (Refusal | ImpossibleValue | Pictures.MissingPicture e) {
      LOG.warn("'{}' of the shoot '{}' does not fit any more", edit.label(), before.id(), e);
      if (back) {
        mapper.forgetDoneUpTo(before.id(), edit.number());
      } else {
        mapper.forgetUndone(before.id());
      }
      throw new Refusal(
          HttpStatus.CONFLICT,
          "step-does-not-fit",
          "'"
              + edit.label()
              + "' does not fit the shoot any more, so it cannot be "
              + (back ? "undone" : "redone")
              + ".",
          "The shoot is as it was; this step and those "
              + (back ? "before" : "after")
              + " it are forgotten.",
          "Go on from here.");
    }
    mapper.mark(before.id(), edit.number(), back);
    return changed(after);
  }

  /** The shoot, locked until the transaction ends, at the revision that the caller knows. */
  private StoredShoot locked(String id, long revision) {
    StoredShoot kept = store.locked(id);
    checkRevision(kept.revision(), revision);
    return kept;
  }

  /** Refuses a change that was made on an older state. */
  void checkRevision(long is, long madeOn) {
    if (is != madeOn) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "stale",
          "The shoot was changed elsewhere: it is at revision "
              + is
              + ", this change was made on "
              + madeOn
              + ".",
          "The newer state was kept; this change was not made.",
          "Look at the newer state and make the change again if it is still wanted.");
    }
  }

  private StoredShoot keep(StoredShoot before, JsonNode document) {
    Shoot shoot = ShootDocument.read(document);
    Set<String> fresh = new LinkedHashSet<>(shoot.assets());
    fresh.removeAll(before.shoot().assets());
    if (!fresh.isEmpty()) {
      fresh.removeAll(assets.names(before.id()));
    }
    if (!fresh.isEmpty()) {
      throw new Pictures.MissingPicture(fresh.iterator().next());
    }
    return store.change(before, shoot);
  }

  private Shoots.State changed(StoredShoot after) {
    events.publishEvent(new Shoots.Changed(after.id(), after.revision()));
    return shoots.state(after);
  }
}
