package levelember.app.storage;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.reflect.Method;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.FileStore;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;

/**
 * The file of H2's database under a connection. JDBC alone cannot make it safe against the sudden
 * end of the process, for two reasons (seen in H2 2.5.252):
 *
 * <ul>
 *   <li>A chunk that is written into free space in the middle of the file is found again only
 *       through the file's header, and the header that is written with it names the chunk before
 *       it: after a kill the newest chunk is lost. So the header is written once more.
 *   <li>A commit by one thread can take over what another has committed and write it on a thread of
 *       its own, so that a checkpoint of the other finds nothing to write. So the checkpoint waits
 *       for what other threads write.
 * </ul>
 */
final class H2File {
  private static final MethodHandle WRITE_HEADER = writeHeader();

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

  /** The method of H2 that nothing public calls with the chunk last written. */
  private static MethodHandle writeHeader() {
    try {
      Method method =
          Class.forName("org.h2.mvstore.RandomAccessStore").getDeclaredMethod("writeStoreHeader");
      method.setAccessible(true);
      return MethodHandles.lookup().unreflect(method);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("this version of H2 is not known", e);
    }
  }

  /**
   * Returns when all that was committed before is on the device, and is found there when the
   * database is opened again.
   *
   * @throws SQLException when it could not be written; H2 has closed its store then
   */
  void force() throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("CHECKPOINT");
      // Runs after everything that was given to be written.
      store.executeFilestoreOperation(() -> writeHeader(store.getFileStore()));
      statement.execute("CHECKPOINT SYNC");
    } catch (MVStoreException e) {
      throw new SQLException("H2 could not write", "90028", 90028, e);
    }
  }

  private static void writeHeader(FileStore<?> file) {
    try {
      WRITE_HEADER.invoke(file);
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException(e);
    }
  }
}
