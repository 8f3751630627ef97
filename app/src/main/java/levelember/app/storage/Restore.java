package levelember.app.storage;

import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.HikariPoolMXBean;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.concurrent.locks.ReentrantLock;
import levelember.app.problem.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Restores a backup under the running application: requests wait while the file is changed. */
@Service
class Restore {
  private static final long WAIT_SECONDS = 20;
  private final HikariDataSource source;
  private final DiskSpace space;
  private final ApplicationEventPublisher events;
  private final ReentrantLock lock = new ReentrantLock();

  Restore(HikariDataSource source, DiskSpace space, ApplicationEventPublisher events) {
    this.source = source;
    this.space = space;
    this.events = events;
  }

  /**
   * Replaces the database by a backup.
   *
   * @throws levelember.formats.RefusedFile when it is none
   */
  void from(Path zip) throws IOException {
    lock.lock();
    try {
      space.check();
      Path checked = Backup.checked(zip, space.home());
      HikariPoolMXBean pool = source.getHikariPoolMXBean();
      pool.suspendPool();
      try {
        close(pool);
        Backup.put(checked, space.home());
      } finally {
        pool.resumePool();
      }
    } finally {
      lock.unlock();
    }
    events.publishEvent(new Restored());
  }

  /** H2 closes its file with the last connection. */
  private static void close(HikariPoolMXBean pool) {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(WAIT_SECONDS);
    while (pool.getTotalConnections() > 0) {
      pool.softEvictConnections();
      if (System.nanoTime() > end) {
        throw new Refusal(
            HttpStatus.CONFLICT,
            "busy",
            "The database is in use and could not be closed within " + WAIT_SECONDS + " seconds.",
            "Nothing was changed.",
            "Try again when nothing is being imported.");
      }
      LockSupport.parkNanos(20_000_000);
    }
    // The pool closes connections on a thread of its own.
    LockSupport.parkNanos(200_000_000);
  }
}
