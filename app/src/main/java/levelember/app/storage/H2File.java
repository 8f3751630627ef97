package levelember.app.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;

/**
 * The file of H2's database under a connection. JDBC alone cannot make it safe against the sudden
 * end of the process, for two reasons (seen in H2 2.5.252):
 *
 * <ul>
 *   <li>A chunk that is written into free space in the middle of the file is found again only
 *       through the file's header, and the header is written with the chunk before it. After a kill
 *       the newest chunk is lost. Chunks at the end of the file are found by their footers, so
 *       space is not used again while the database is open; see {@link Compaction}.
 *   <li>A commit by one thread can take over what another has committed and write it on a thread of
 *       its own, so that a checkpoint of the other finds nothing to write.
 * </ul>
 */
final class H2File {
  private final Connection connection;
  private final MVStore store;

  private H2File(Connection connection) throws SQLException {
    this.connection = connection;
    SessionLocal session = (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
    store = session.getDatabase().getStore().getMvStore();
  }

  static H2File of(Connection connection) throws SQLException {
    return new H2File(connection);
  }

  /** Writes all that follows at the end of the file. */
  void append() {
    store.setReuseSpace(false);
  }

  /**
   * Returns when all that was committed before is on the device.
   *
   * @throws SQLException when it could not be written; H2 has closed its store then
   */
  void force() throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("CHECKPOINT");
      store.executeFilestoreOperation(() -> {
        // Run after everything that other threads gave to be written.
      });
      statement.execute("CHECKPOINT SYNC");
    } catch (MVStoreException e) {
      throw new SQLException("H2 could not write", "90028", 90028, e);
    }
  }
}
