package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Random;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A file that holds mostly what was deleted is written anew, with all that is there. */
class CompactionTest {
  private static final int PIECE = 4 << 20;
  @TempDir Path home;
  private String url;

  @BeforeEach
  void address() {
    url = "jdbc:h2:file:" + home.resolve("ember") + ";WRITE_DELAY=0;MAX_COMPACT_TIME=0";
  }

  @Test
  void aLargeFileOfLittleIsWrittenAnew() throws Exception {
    fill(12, 11);
    assertThat(bytes()).isGreaterThan(11L * PIECE);
    compaction().atTheEnd();
    assertThat(bytes()).isLessThan(3L * PIECE / 2);
    assertThat(kept()).isEqualTo(PIECE);
  }

  @Test
  void itIsMadeSmallerWhileOthersHaveItOpen() throws Exception {
    try (Connection open = DriverManager.getConnection(url, Backup.USER, "")) {
      fill(12, 11);
      compaction().whenIdle();
      assertThat(bytes()).isLessThan(3L * PIECE / 2);
      assertThat(open.isValid(1)).isTrue();
      assertThat(kept()).isEqualTo(PIECE);
    }
  }

  @Test
  void aFullOneStaysAsItIs() throws Exception {
    fill(9, 0);
    byte[] before = Files.readAllBytes(home.resolve(Backup.DATABASE));
    compaction().atTheEnd();
    assertThat((double) bytes()).isBetween(before.length * 0.99, before.length * 1.01);
  }

  @Test
  void withoutADatabaseNoneIsMade() {
    compaction().atTheEnd();
    assertThat(home).isEmptyDirectory();
  }

  private Compaction compaction() {
    DiskSpace space = new DiskSpace(home, 1);
    DataSource source = new DriverManagerDataSource(url, Backup.USER, "");
    return new Compaction(space, new DurableTransactionManager(source, space), url, 0);
  }

  private long bytes() throws Exception {
    return Files.size(home.resolve(Backup.DATABASE));
  }

  /** Adds pieces that cannot be compressed, and deletes some of them. */
  private void fill(int pieces, int deleted) throws SQLException {
    byte[] piece = new byte[PIECE];
    try (Connection database = DriverManager.getConnection(url, Backup.USER, "");
        Statement statement = database.createStatement()) {
      statement.execute("create table piece (id int primary key, bytes binary large object)");
      try (PreparedStatement insert =
          database.prepareStatement("insert into piece values (?, ?)")) {
        for (int i = 0; i < pieces; i++) {
          new Random(i).nextBytes(piece);
          insert.setInt(1, i);
          insert.setBytes(2, piece);
          insert.execute();
        }
      }
      statement.execute("delete from piece where id < " + deleted);
      H2File.of(database).force();
    }
  }

  private long kept() throws SQLException {
    try (Connection database = DriverManager.getConnection(url, Backup.USER, "");
        Statement statement = database.createStatement();
        ResultSet sum = statement.executeQuery("select sum(octet_length(bytes)) from piece")) {
      sum.next();
      return sum.getLong(1);
    }
  }
}
