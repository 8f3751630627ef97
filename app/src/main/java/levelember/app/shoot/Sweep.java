package levelember.app.shoot;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import levelember.app.asset.Assets;
import levelember.formats.document.ShootDocument;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/**
 * Forgets assets that neither a shoot's document nor any edit that can still be undone or redone
 * names, a day after they were added; their content goes when no shoot and no kept look has it.
 */
@Service
public class Sweep {
  private static final Logger LOG = LoggerFactory.getLogger(Sweep.class);
  static final Duration GRACE = Duration.ofDays(1);

  private final ShootMapper mapper;
  private final ShootStore store;
  private final Assets assets;

  private final TransactionTemplate transaction;

  Sweep(ShootMapper mapper, ShootStore store, Assets assets, TransactionTemplate transaction) {
    this.mapper = mapper;
    this.store = store;
    this.assets = assets;
    this.transaction = transaction;
  }

  @Scheduled(initialDelay = 5, fixedDelay = 6 * 60, timeUnit = TimeUnit.MINUTES)
  void whenIdle() {
    try {
      transaction.executeWithoutResult(t -> sweep(OffsetDateTime.now().minus(GRACE)));
    } catch (RuntimeException e) {
      LOG.warn("What nothing uses could not be swept; the next time it may", e);
    }
  }

  /** Sweeps what was added before a time. */
  @Transactional
  public void sweep(OffsetDateTime before) {
    for (ShootMapper.Title title : mapper.titles()) {
      StoredShoot kept = store.locked(title.id());
      Set<String> said = new HashSet<>();
      strings(kept.document(), said);
      mapper.patches(title.id()).forEach(patch -> strings(patch, said));
      assets.forgetUnused(title.id(), before, said::contains);
    }
    assets.forgetUnused();
  }

  /** All texts of a document: more than names of assets, so that none is missed. */
  private static void strings(String json, Set<String> to) {
    strings(ShootDocument.parse(json.getBytes(StandardCharsets.UTF_8)), to);
  }

  private static void strings(JsonNode node, Set<String> to) {
    if (node.isString()) {
      to.add(node.stringValue());
    }
    node.forEach(child -> strings(child, to));
  }
}
