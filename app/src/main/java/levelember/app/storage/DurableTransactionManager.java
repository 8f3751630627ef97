package levelember.app.storage;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.concurrent.locks.ReentrantLock;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.JdbcTransactionObjectSupport;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.DefaultTransactionStatus;

/**
 * Commits, then has H2 write its store and force it to the device, so that what is answered
 * survives the end of the process and of the power. H2's delayed writing must be off ({@code
 * WRITE_DELAY=0}).
 *
 * <p>Transactions that may change something run one after another: H2 (seen in 2.5.252) does not
 * write all of its maps as they are at one moment, so that a row that another thread changes
 * meanwhile can be on disk without its index, or without the log that would undo it after a kill.
 */
final class DurableTransactionManager extends JdbcTransactionManager {
  /** Commits after which sparse chunks are written anew, and how much of them, bytes. */
  private static final int COMMITS = 32, REWRITTEN_BYTES = 4 << 20;

  private final transient DiskSpace space;
  private final transient ReentrantLock writing = new ReentrantLock(true);
  private transient int commits;
  private transient volatile long committedNanos = System.nanoTime();

  DurableTransactionManager(DataSource source, DiskSpace space) {
    super(source);
    this.space = space;
  }

  @Override
  protected void doBegin(Object transaction, TransactionDefinition definition) {
    if (definition.isReadOnly()) {
      super.doBegin(transaction, definition);
      return;
    }
    space.check();
    writing.lock();
    try {
      super.doBegin(transaction, definition);
    } catch (RuntimeException e) {
      writing.unlock();
      throw e;
    }
  }

  @Override
  protected void doCleanupAfterCompletion(Object transaction) {
    super.doCleanupAfterCompletion(transaction);
    // A transaction stays on the thread that began it; one that only reads holds no lock.
    if (writing.isHeldByCurrentThread()) {
      writing.unlock();
    }
  }

  @Override
  protected void doCommit(DefaultTransactionStatus status) {
    super.doCommit(status);
    if (status.isReadOnly()) {
      return;
    }
    try {
      H2File file = H2File.of(connection(status.getTransaction()));
      file.force();
      committedNanos = System.nanoTime();
      commits++;
      if (commits % COMMITS == 0) {
        file.rewriteSparseChunks(REWRITTEN_BYTES);
      }
    } catch (SQLException e) {
      // H2 has closed its store: what other connections know of it holds no more.
      evictAll();
      throw translateException("JDBC checkpoint", e);
    }
  }

  /** When something was last committed, as of {@link System#nanoTime}. */
  long committedNanos() {
    return committedNanos;
  }

  /** What is done to the database's file. */
  interface FileWork {
    void on(H2File file) throws SQLException;
  }

  /**
   * Does something to the file while nobody writes; does nothing when somebody does.
   *
   * @return false when somebody writes or waits to
   */
  boolean whileNobodyWrites(FileWork work) throws SQLException {
    if (!writing.tryLock()) {
      return false;
    }
    try (Connection connection = obtainDataSource().getConnection()) {
      work.on(H2File.of(connection));
      return !writing.hasQueuedThreads();
    } finally {
      writing.unlock();
    }
  }

  private static Connection connection(Object transaction) {
    return ((JdbcTransactionObjectSupport) transaction).getConnectionHolder().getConnection();
  }

  private void evictAll() {
    if (getDataSource() instanceof HikariDataSource pool) {
      pool.getHikariPoolMXBean().softEvictConnections();
    }
  }
}
