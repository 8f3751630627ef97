package levelember.app.storage;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.JdbcTransactionObjectSupport;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.DefaultTransactionStatus;

/**
 * Commits, then has H2 write its store and force it to the device, so that what is answered
 * survives the end of the process and of the power. H2's delayed writing must be off ({@code
 * WRITE_DELAY=0}).
 */
final class DurableTransactionManager extends JdbcTransactionManager {
  private final transient DiskSpace space;

  DurableTransactionManager(DataSource source, DiskSpace space) {
    super(source);
    this.space = space;
  }

  @Override
  protected void doBegin(Object transaction, TransactionDefinition definition) {
    if (!definition.isReadOnly()) {
      space.check();
    }
    super.doBegin(transaction, definition);
    try {
      H2File.of(connection(transaction)).append();
    } catch (SQLException e) {
      doCleanupAfterCompletion(transaction);
      throw translateException("JDBC begin", e);
    }
  }

  @Override
  protected void doCommit(DefaultTransactionStatus status) {
    super.doCommit(status);
    if (status.isReadOnly()) {
      return;
    }
    try {
      H2File.of(connection(status.getTransaction())).force();
    } catch (SQLException e) {
      // H2 has closed its store: what other connections know of it holds no more.
      evictAll();
      throw translateException("JDBC checkpoint", e);
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
