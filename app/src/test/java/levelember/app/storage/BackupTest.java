package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
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

  /** A zip of nothing but zeros unpacks to a thousand times its size. */
  private Path bomb(long bytes) throws IOException {
    Path file = elsewhere.resolve("bomb.zip");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(Backup.DATABASE));
      byte[] zeros = new byte[1 << 20];
      for (long left = bytes; left > 0; left -= zeros.length) {
        zip.write(zeros);
      }
    }
    return file;
  }

  @Test
  void whatARestoreUnpacksIsGoneWhenItIsNoDatabase() throws IOException {
    Path bomb = bomb(64 << 20);
    try (RunningApplication application = new RunningApplication(home)) {
      application.ball("First");
      assertThat(command("restore", bomb)).isEqualTo(1);
      try (Stream<Path> all = Files.list(home)) {
        assertThat(all.map(f -> f.getFileName().toString()))
            .noneMatch(name -> name.startsWith("ember-restoring"));
      }
      assertThat(application.shoots().titles()).hasSize(1);
    }
  }

  @Test
  void aBackupThatUnpacksBeyondTheDiskIsRefusedBeforeItIsUnpacked() throws IOException {
    Path zip = bomb(4 << 20);
    long free = Files.getFileStore(elsewhere).getUsableSpace();
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> Backup.checked(zip, home, free - 1))
        .isInstanceOf(levelember.app.problem.Refusal.class)
        .hasMessageContaining("must stay free");
    assertThat(home).isEmptyDirectory();
  }

  @Test
  void whatAKilledBackupAndRestoreLeftIsSweptAtTheNextStart() throws IOException {
    Path left = Files.createDirectories(home.resolve("backup-123"));
    Files.writeString(left.resolve("ember-backup.zip"), "half");
    Files.writeString(home.resolve("ember-restoring.mv.db"), "half");
    try (RunningApplication application = new RunningApplication(home)) {
      assertThat(application.shoots().titles()).isEmpty();
      assertThat(left).doesNotExist();
      assertThat(home.resolve("ember-restoring.mv.db")).doesNotExist();
    }
  }

  @Test
  void aBackupWithoutRoomIsRefusedInWords() throws Exception {
    try (RunningApplication application = new RunningApplication(home)) {
      application.ball("First");
    }
    try (RunningApplication application =
        new RunningApplication(home, "--ember.reserve-megabytes=1000000000")) {
      var answer =
          new levelember.app.ApiClient(application.port())
              .send("GET", "backup", "text/plain", null);
      assertThat(answer.statusCode()).isEqualTo(507);
    }
  }
}
