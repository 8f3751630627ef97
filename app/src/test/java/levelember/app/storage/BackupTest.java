package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Backup and restore by the command line, with the application running and not. */
class BackupTest {
  @TempDir Path home;
  @TempDir Path elsewhere;
  private final ByteArrayOutputStream said = new ByteArrayOutputStream();

  private int command(String what, Path file) {
    PrintStream out = new PrintStream(said, true, StandardCharsets.UTF_8);
    return new BackupCommand(home, out).run(what, file.toString());
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void aRestoreBringsBackWhatWasBackedUp(boolean running) {
    Path file = elsewhere.resolve("all.zip");
    try (RunningApplication application = new RunningApplication(home)) {
      String id = application.ball("First");
      application.master(id, 1.5);
      if (running) {
        assertThat(command("backup", file)).as(said.toString()).isZero();
        application.master(id, -2);
        application.ball("Second");
        assertThat(command("restore", file)).as(said.toString()).isZero();
        check(application);
        application.master("first", 3);
      }
    }
    if (!running) {
      assertThat(command("backup", file)).as(said.toString()).isZero();
      try (RunningApplication application = new RunningApplication(home)) {
        application.master("first", -2);
        application.ball("Second");
      }
      assertThat(command("restore", file)).as(said.toString()).isZero();
      try (RunningApplication application = new RunningApplication(home)) {
        check(application);
      }
    }
    assertThat(home.resolve(Backup.BEFORE)).isNotEmptyFile();
  }

  private static void check(RunningApplication application) {
    assertThat(application.shoots().titles()).hasSize(1);
    assertThat(application.shoots().state("first").undo()).isEqualTo("Master 1.5");
    assertThat(application.shoots().shoot("first").masterStops()).isEqualTo(1.5);
  }

  @Test
  void aBackupGoesIntoAnEmptyFolder() throws IOException {
    Path file = elsewhere.resolve("all.zip");
    try (RunningApplication application = new RunningApplication(home)) {
      application.ball("First");
      assertThat(command("backup", file)).isZero();
    }
    Path other = elsewhere.resolve("new");
    assertThat(new BackupCommand(other, System.out).run("restore", file.toString())).isZero();
    try (RunningApplication application = new RunningApplication(other)) {
      assertThat(application.shoots().titles()).hasSize(1);
    }
  }

  @Test
  void aFileThatIsNoBackupChangesNothing() throws IOException {
    Path cut = elsewhere.resolve("cut.zip"), text = elsewhere.resolve("text.zip");
    try (RunningApplication application = new RunningApplication(home)) {
      application.ball("First");
      Path whole = elsewhere.resolve("all.zip");
      command("backup", whole);
      byte[] bytes = Files.readAllBytes(whole);
      Files.write(cut, java.util.Arrays.copyOf(bytes, bytes.length / 2));
      Files.writeString(text, "no zip at all");
      for (Path file : new Path[] {cut, text, elsewhere.resolve("absent.zip")}) {
        assertThat(command("restore", file)).as(file.toString()).isEqualTo(1);
        assertThat(application.shoots().titles()).hasSize(1);
      }
      application.master("first", 1);
    }
    assertThat(command("restore", text)).isEqualTo(1);
    assertThat(said.toString(StandardCharsets.UTF_8)).contains("Nothing was changed");
    assertThat(home.resolve(Backup.BEFORE)).doesNotExist();
  }

  @Test
  void anAddressLeftBehindByAKilledProcessDoesNotStandInTheWay() throws IOException {
    try (RunningApplication application = new RunningApplication(home)) {
      application.ball("First");
    }
    Files.writeString(home.resolve(RunningAddress.FILE), "http://127.0.0.1:1\n");
    assertThat(command("backup", elsewhere.resolve("all.zip"))).isZero();
  }
}
