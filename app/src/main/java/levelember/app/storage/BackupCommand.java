package levelember.app.storage;

import java.io.IOException;
import java.io.PrintStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import levelember.app.problem.Refusal;
import levelember.formats.RefusedFile;
import tools.jackson.databind.json.JsonMapper;

/**
 * {@code backup FILE} and {@code restore FILE} from the command line. Where the application runs
 * with the data folder it does the work itself; otherwise the database is opened here.
 */
public final class BackupCommand {
  private static final int REFUSED = 1, USAGE = 2;

  private final Path home;
  private final PrintStream out;

  BackupCommand(Path home, PrintStream out) {
    this.home = home.toAbsolutePath();
    this.out = out;
  }

  /** Exits with 0 when done, 1 when refused, 2 when called wrongly. */
  public static void main(String[] args) {
    String home = System.getenv("EMBER_HOME");
    System.exit(
        new BackupCommand(Path.of(home == null || home.isBlank() ? "data" : home), System.err)
            .run(args));
  }

  int run(String... args) {
    if (args.length != 2 || !args[0].equals("backup") && !args[0].equals("restore")) {
      out.println("Usage: ember backup FILE | ember restore FILE");
      return USAGE;
    }
    Path file = Path.of(args[1]).toAbsolutePath();
    try {
      if (args[0].equals("backup")) {
        backup(file);
        out.println(
            "ember: kept everything of "
                + home
                + " in "
                + file
                + ", "
                + Files.size(file)
                + " bytes");
      } else {
        restore(file);
        boolean before = Files.exists(home.resolve(Backup.BEFORE));
        out.println(
            "ember: "
                + home
                + " is as in "
                + file
                + (before ? "; what was there is " + Backup.BEFORE : ""));
      }
      return 0;
    } catch (RefusedFile e) {
      out.println("ember: " + e.getMessage() + ". Nothing was changed.");
    } catch (Refusal e) {
      out.println("ember: " + e.getMessage() + " Nothing was changed.");
    } catch (SQLException e) {
      out.println(
          "ember: the database in "
              + home
              + " cannot be opened: another process uses it, or it is not whole. Nothing was"
              + " changed.");
    } catch (IOException e) {
      out.println(
          "ember: "
              + e.getMessage()
              + " cannot be read or written; see that the folder is there and has room");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    return REFUSED;
  }

  private void backup(Path file) throws IOException, SQLException, InterruptedException {
    Path part = file.resolveSibling(file.getFileName() + ".part");
    try {
      URI running = running();
      if (running != null) {
        HttpResponse<Path> answer =
            client()
                .send(
                    HttpRequest.newBuilder(running.resolve("/api/backup")).build(),
                    BodyHandlers.ofFile(part));
        if (answer.statusCode() != 200) {
          throw new RefusedFile(detail(Files.readString(part)));
        }
      } else {
        try (Connection database =
            DriverManager.getConnection(Backup.url(home, Backup.NAME), Backup.USER, "")) {
          Backup.write(database, part);
        }
      }
      Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  private void restore(Path file) throws IOException, SQLException, InterruptedException {
    if (!Files.isRegularFile(file)) {
      throw new RefusedFile("there is no file " + file);
    }
    URI running = running();
    if (running != null) {
      HttpResponse<String> answer =
          client()
              .send(
                  HttpRequest.newBuilder(running.resolve("/api/restore"))
                      .header("content-type", "application/zip")
                      .POST(BodyPublishers.ofFile(file))
                      .build(),
                  BodyHandlers.ofString());
      if (answer.statusCode() != 204) {
        throw new RefusedFile(detail(answer.body()));
      }
      return;
    }
    Files.createDirectories(home);
    if (Files.exists(home.resolve(Backup.DATABASE))) {
      // Refused when another process has it open.
      DriverManager.getConnection(Backup.url(home, Backup.NAME), Backup.USER, "").close();
    }
    Backup.put(Backup.checked(file, home), home);
  }

  /** Where the application answers that has this data folder; null when none does. */
  private URI running() throws IOException, InterruptedException {
    Path note = home.resolve(RunningAddress.FILE);
    if (!Files.exists(note)) {
      return null;
    }
    URI address = URI.create(Files.readString(note).strip());
    try {
      HttpRequest asked =
          HttpRequest.newBuilder(address.resolve("/api/storage"))
              .timeout(Duration.ofSeconds(10))
              .build();
      return client().send(asked, BodyHandlers.discarding()).statusCode() == 200 ? address : null;
    } catch (IOException e) {
      // Left behind by a process that was killed.
      return null;
    }
  }

  private static HttpClient client() {
    return HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
  }

  private static String detail(String problem) {
    try {
      return JsonMapper.shared().readTree(problem).path("detail").stringValue(problem);
    } catch (tools.jackson.core.JacksonException e) {
      return problem;
    }
  }
}
