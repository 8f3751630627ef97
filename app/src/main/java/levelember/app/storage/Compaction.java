package levelember.app.storage;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Gives the space back that holds nothing any more: moves what lives to the beginning of the
 * database's file and cuts it off, when nothing was written for a while and when the application
 * stops. It needs no room for a second file.
 */
@Component
class Compaction {
  private static final Logger LOG = LoggerFactory.getLogger(Compaction.class);

  /** Share of the file that holds something, above which it stays as it is. */
  private static final double DENSE = 0.8;

  /** Bytes that are moved while a change may have to wait. */
  private static final int SLICE_BYTES = 8 << 20;

  /** Times in a row after which nothing more is to be gained where the file stayed as large. */
  private static final int STILL = 8;

  /** Versions after which deleted large objects are free, and time for H2 to see each. */
  private static final int VERSIONS = 20, VERSION_NANOS = 5_000_000;

  /** Longest that the end of the application waits for it. */
  private static final long LAST_NANOS = TimeUnit.SECONDS.toNanos(5);

  private final DiskSpace space;
  private final DurableTransactionManager writers;
  private final String url;
  private final long idleNanos;
  private long compactedNanos;

  Compaction(
      DiskSpace space,
      DurableTransactionManager writers,
      @Value("${spring.datasource.url}") String url,
      @Value("${ember.compact-after-millis}") long idleMillis) {
    this.space = space;
    this.writers = writers;
    this.url = url;
    idleNanos = TimeUnit.MILLISECONDS.toNanos(idleMillis);
  }

  /** Compacts when nothing was written for a while; gives way to whoever wants to write. */
  @Scheduled(
      initialDelayString = "${ember.compact-every-millis}",
      fixedDelayString = "${ember.compact-every-millis}")
  void whenIdle() {
    long committed = writers.committedNanos();
    if (compactedNanos == committed || System.nanoTime() - committed < idleNanos) {
      return;
    }
    if (space.obstacle() != null) {
      return;
    }
    try {
      long before = bytes(), now = before, last;
      boolean alone = true;
      for (int i = 0; i < VERSIONS && alone; i++) {
        alone = writers.whileNobodyWrites(H2File::writeVersion);
        LockSupport.parkNanos(VERSION_NANOS);
      }
      int still = 0;
      do {
        last = now;
        alone = alone && writers.whileNobodyWrites(Compaction::slice);
        now = bytes();
        still = now < last ? 0 : still + 1;
      } while (alone && still < STILL);
      if (alone) {
        compactedNanos = committed;
      }
      if (now < before) {
        LOG.debug("The database was made smaller: {} kB of {} kB", now >> 10, before >> 10);
      }
    } catch (SQLException | RuntimeException e) {
      LOG.warn("The database was not made smaller; nothing is lost", e);
      compactedNanos = committed;
    }
  }

  private static void slice(H2File file) throws SQLException {
    if (file.density() < DENSE) {
      file.compact(SLICE_BYTES);
    }
  }

  private long bytes() {
    return space.home().resolve(Backup.DATABASE).toFile().length();
  }

  /** Does nothing when there is no database. */
  @PreDestroy
  void atTheEnd() {
    long bytes = bytes();
    if (bytes == 0 || space.obstacle() != null) {
      return;
    }
    try (Connection database = DriverManager.getConnection(url, Backup.USER, "")) {
      H2File file = H2File.of(database);
      if (file.ownNotice() != null) {
        writtenAnew(database, bytes);
        return;
      }
      for (int i = 0; i < VERSIONS; i++) {
        file.writeVersion();
        LockSupport.parkNanos(VERSION_NANOS);
      }
      long end = System.nanoTime() + LAST_NANOS, last = bytes();
      for (int still = 0; still < STILL && System.nanoTime() < end; still++) {
        slice(file);
        if (bytes() < last) {
          last = bytes();
          still = 0;
        }
      }
    } catch (SQLException e) {
      LOG.warn("The database was not compacted; nothing is lost", e);
    }
  }

  /** Where the file could not be kept small while it was open: needs room for a second one. */
  private void writtenAnew(Connection database, long bytes) throws SQLException {
    if (space.freeBytes() > bytes) {
      try (Statement statement = database.createStatement()) {
        statement.execute("SHUTDOWN COMPACT");
      }
    }
  }
}
