package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What must be done to H2's file, with the version of the day: a copy of the file is what a kill at
 * that moment would leave.
 */
class H2FileTest {
  private static final int CHANGES = 300;
  @TempDir Path home;
  @TempDir Path elsewhere;

  private static String url(Path folder) {
    return "jdbc:h2:file:"
        + folder.resolve("ember")
        + ";WRITE_DELAY=0;MAX_COMPACT_TIME=0;RETENTION_TIME=0";
  }

  private interface Force {
    void of(Connection database) throws SQLException;
  }

  /** Changes of a database's one value whose newest state a copy of its file lacks. */
  private int lost(Force force) throws SQLException, IOException {
    int lost = 0;
    try (Connection database = DriverManager.getConnection(url(home), Backup.USER, "");
        Statement statement = database.createStatement()) {
      statement.execute("create table state (id int primary key, n int, filling varchar)");
      statement.execute("insert into state select x, 0, repeat('f', 3000) from system_range(1, 9)");
      force.of(database);
      for (int i = 1; i <= CHANGES; i++) {
        // Of changing size, so that chunks fit into holes of the file.
        statement.execute(
            "update state set n = %d, filling = repeat('%c', %d)"
                .formatted(i, 'a' + i % 26, 20 * i));
        force.of(database);
        lost += inCopy() == i ? 0 : 1;
      }
    }
    return lost;
  }

  private int inCopy() throws IOException {
    Files.copy(
        home.resolve(Backup.DATABASE),
        elsewhere.resolve(Backup.DATABASE),
        java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    try (Connection copy = DriverManager.getConnection(url(elsewhere), Backup.USER, "");
        Statement statement = copy.createStatement();
        ResultSet row = statement.executeQuery("select min(n) from state")) {
      row.next();
      return row.getInt(1);
    } catch (SQLException e) {
      return -1;
    }
  }

  @Test
  void everyChangeThatWasForcedIsThereAfterAKill() throws Exception {
    assertThat(lost(database -> H2File.of(database).force())).isZero();
  }

  /**
   * When this fails, H2 has learnt to find its newest chunk: then the header need not be written.
   */
  @Test
  void withoutTheHeaderTheNewestChangesWouldBeLost() throws Exception {
    int lost =
        lost(database -> {
          try (Statement statement = database.createStatement()) {
            statement.execute("CHECKPOINT SYNC");
          }
        });
    System.out.printf("without the header: %d of %d changes lost%n", lost, CHANGES);
    assertThat(lost).isPositive();
  }

  @Test
  void aVersionOfH2ThatIsNotKnownLosesNothingAndIsSaid() throws Exception {
    assertThat(lost(database -> H2File.of(database, "noSuchMethod").force())).isZero();
    try (Connection database = DriverManager.getConnection(url(home), Backup.USER, "")) {
      assertThat(H2File.of(database).ownNotice()).isNull();
      H2File unknown = H2File.of(database, "noSuchMethod");
      assertThat(unknown.ownNotice()).contains("not known");
      unknown.compact(1 << 20);
      unknown.rewriteSparseChunks(1 << 20);
    }
    assertThat(H2File.notice()).isNull();
  }
}
