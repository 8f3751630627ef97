package levelember.app.storage;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.reflect.Method;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.FileStore;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;
import org.h2.mvstore.RandomAccessStore;

/**
 * The file of H2's database under a connection: forces it to the device and gives dead space in it
 * back. JDBC alone cannot make it safe against the sudden end of the process, for two reasons (seen
 * in H2 2.5.252, and shown by H2FileTest):
 *
 * <ul>
 *   <li>A chunk that is written into free space in the middle of the file is found again only
 *       through the file's header, and the header that is written with it names the chunk before
 *       it: after a kill the newest chunk is lost. So the header is written once more. A version of
 *       H2 that has no such method is told to write at the end of the file alone, where its chunks
 *       are found without the header; then the file grows until it is compacted at the end, which
 *       {@link #notice} says.
 *   <li>A commit by one thread can take over what another has committed and write it on a thread of
 *       its own, so that a checkpoint of the other finds nothing to write. So the checkpoint waits
 *       for what other threads write.
 * </ul>
 *
 * <p>Nothing but the session gives access to the store, whose own methods are public.
 */
final class H2File {
  /** How long dead space stays as it is, as the address of the database says too. */
  static final int RETENTION_MILLIS = 3000;

  /** Percent of a chunk's pages that live, below which it is written anew. */
  private static final int DENSE_PERCENT = 90;

  private static final Optional<MethodHandle> WRITE_HEADER = writeHeader("writeStoreHeader");

  private final Connection connection;
  private final MVStore store;
  private final Optional<MethodHandle> header;

  private H2File(Connection connection, Optional<MethodHandle> header) throws SQLException {
    this.connection = connection;
    this.header = header;
    SessionLocal session = (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
    store = session.getDatabase().getStore().getMvStore();
    if (header.isEmpty() && store.getFileStore().isSpaceReused()) {
      store.setReuseSpace(false);
    }
  }

  static H2File of(Connection connection) throws SQLException {
    return new H2File(connection, WRITE_HEADER);
  }

  /** As it is with a version of H2 that has no such method to write its header. */
  static H2File of(Connection connection, String method) throws SQLException {
    return new H2File(connection, writeHeader(method));
  }

  /** The method of H2 that nothing public calls with the chunk last written. */
  private static Optional<MethodHandle> writeHeader(String name) {
    try {
      Method method = Class.forName("org.h2.mvstore.RandomAccessStore").getDeclaredMethod(name);
      method.setAccessible(true);
      return Optional.of(MethodHandles.lookup().unreflect(method));
    } catch (ReflectiveOperationException | RuntimeException e) {
      return Optional.empty();
    }
  }

  /** What a person should know of how the database is kept; null when there is nothing. */
  static String notice() {
    return notice(WRITE_HEADER);
  }

  private static String notice(Optional<MethodHandle> header) {
    return header.isPresent()
        ? null
        : "This version of H2 is not known: the database cannot use its space again while the"
            + " application runs. Restart it now and then to make the file smaller.";
  }

  /** The same of this file. */
  String ownNotice() {
    return notice(header);
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
      store.executeFilestoreOperation(
          () -> header.ifPresent(method -> invoke(method, store.getFileStore())));
      statement.execute("CHECKPOINT SYNC");
    } catch (MVStoreException e) {
      throw notWritten(e);
    }
  }

  private static SQLException notWritten(MVStoreException e) {
    return new SQLException("H2 could not write", "90028", 90028, e);
  }

  private static void invoke(MethodHandle writeHeader, FileStore<?> file) {
    try {
      writeHeader.invoke(file);
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException(e);
    }
  }

  /** The share of the file that holds something, 0…1: of chunks in the file and pages in them. */
  double density() {
    FileStore<?> file = store.getFileStore();
    return file.getFillRate() / 100.0 * file.getChunksFillRate() / 100.0;
  }

  /**
   * Writes what lives in chunks that are mostly dead anew, so that their space can be used again.
   *
   * @param bytes that it writes, about
   */
  void rewriteSparseChunks(int bytes) throws SQLException {
    if (header.isPresent()) {
      try {
        store.compact(DENSE_PERCENT, bytes);
      } catch (MVStoreException e) {
        throw notWritten(e);
      }
    }
  }

  /**
   * Writes a version of the store in which nothing is changed: H2 frees the content of deleted
   * large objects on a thread of its own when versions come after, a part with each.
   */
  void writeVersion() throws SQLException {
    try {
      store.setStoreVersion(store.getStoreVersion());
      store.commit();
    } catch (MVStoreException e) {
      throw notWritten(e);
    }
    force();
  }

  /**
   * Moves what lives towards the beginning of the file and cuts off the rest. To be called while
   * nobody writes and all is on the device.
   *
   * @param bytes that it writes at the most, about
   */
  void compact(int bytes) throws SQLException {
    if (header.isEmpty() || !(store.getFileStore() instanceof RandomAccessStore file)) {
      return;
    }
    try {
      // All is on the device: what is dead may be overwritten at once.
      store.setRetentionTime(0);
      store.compact(DENSE_PERCENT, bytes);
      store.commit();
      file.compactMoveChunks(DENSE_PERCENT, bytes, store);
    } catch (MVStoreException e) {
      throw notWritten(e);
    } finally {
      store.setRetentionTime(RETENTION_MILLIS);
    }
    force();
  }
}
