package levelember.app.storage;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Gives space back when the application stops: writes the database anew, into a file of its own
 * that then takes the place of the old one, when much of the old one holds nothing any more.
 */
@Component
class Compaction {
  private static final Logger LOG = LoggerFactory.getLogger(Compaction.class);

  /** Share of the file that holds something, above which it stays as it is. */
  private static final double DENSE = 0.9;

  private final DiskSpace space;
  private final String url;

  Compaction(DiskSpace space, @Value("${spring.datasource.url}") String url) {
    this.space = space;
    this.url = url;
  }

  /** Does nothing when there is no database, or no room for a second one. */
  @PreDestroy
  void atTheEnd() {
    long bytes = space.home().resolve(Backup.DATABASE).toFile().length();
    if (bytes == 0 || space.obstacle() != null || space.freeBytes() < bytes) {
      return;
    }
    try (Connection database = DriverManager.getConnection(url, Backup.USER, "");
        Statement statement = database.createStatement()) {
      double density = density(statement);
      if (density < DENSE) {
        statement.execute("SHUTDOWN COMPACT");
        LOG.info("{} % of {} kB were in use: written anew", Math.round(density * 100), bytes >> 10);
      }
    } catch (SQLException e) {
      LOG.warn("The database was not compacted; nothing is lost", e);
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
