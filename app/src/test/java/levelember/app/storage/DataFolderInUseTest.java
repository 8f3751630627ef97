package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.diagnostics.FailureAnalysis;

class DataFolderInUseTest {
  @TempDir Path home;

  @Test
  void aDatabaseThatIsOpenElsewhereIsSaidInWords() throws Exception {
    String database = "jdbc:h2:file:" + home.resolve("ember");
    DriverManager.getConnection(database).close();
    // Another process, as far as H2 can tell: a lock that is not its own.
    try (var file =
            java.nio.channels.FileChannel.open(
                home.resolve("ember.mv.db"), java.nio.file.StandardOpenOption.WRITE);
        var lock = file.lock()) {
      assertThat(lock.isValid()).isTrue();
      Throwable refused = catchThrowable(() -> open(database));
      FailureAnalysis said = new DataFolderInUse().analyze(new IllegalStateException(refused));
      assertThat(said.getDescription()).contains("in use");
      assertThat(said.getAction()).contains("EMBER_HOME");
    }
  }

  @Test
  void anotherFaultOfTheDatabaseIsLeftToOthers() {
    Throwable refused = catchThrowable(() -> open("jdbc:h2:file:" + home + "/no;IFEXISTS=TRUE"));
    assertThat(refused).isInstanceOf(SQLException.class);
    assertThat(new DataFolderInUse().analyze(refused)).isNull();
  }

  private static void open(String database) throws SQLException {
    try (Connection opened = DriverManager.getConnection(database)) {
      assertThat(opened.isClosed()).isFalse();
    }
  }
}
