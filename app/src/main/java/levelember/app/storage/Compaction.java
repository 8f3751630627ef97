package levelember.app.storage;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Gives space back when the application stops: writes the database anew when much of its file holds
 * nothing any more.
 */
@Component
class Compaction {
  private static final Logger LOG = LoggerFactory.getLogger(Compaction.class);

  /** Share of the file that holds something, above which it stays as it is. */
  private static final double DENSE = 0.9;

  private final DataSource source;
  private final DiskSpace space;

  Compaction(DataSource source, DiskSpace space) {
    this.source = source;
    this.space = space;
  }

  @PreDestroy
  void atTheEnd() {
    if (space.obstacle() != null) {
      return;
    }
    boolean closed = false;
    try (Connection database = source.getConnection();
        Statement statement = database.createStatement()) {
      if (density(statement) < DENSE) {
        statement.execute("SHUTDOWN COMPACT");
        closed = true;
      }
    } catch (SQLException e) {
      // The connection is gone with the database.
      if (!closed) {
        LOG.warn("The database was not compacted; nothing is lost", e);
      }
    }
  }

  /**
   * The share of the file that is used, 0…1, as H2 counts pages in chunks and chunks in the file.
   */
  private static double density(Statement statement) throws SQLException {
    Map<String, Double> percent = new HashMap<>();
    try (ResultSet rows =
        statement.executeQuery(
            "select setting_name, setting_value from information_schema.settings"
                + " where setting_name in ('info.FILL_RATE', 'info.CHUNKS_FILL_RATE')")) {
      while (rows.next()) {
        percent.put(rows.getString(1), Double.parseDouble(rows.getString(2)));
      }
    }
    return percent.values().stream().mapToDouble(p -> p / 100).reduce(1, (a, b) -> a * b);
  }
}
