package levelember.app.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import levelember.app.problem.Refusal;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Whether the data folder can take more: refuses to begin what could not be finished, before H2
 * meets a full device and closes its store.
 */
@Component
public class DiskSpace {
  private final Path home;
  private final long reserveBytes;

  DiskSpace(
      @Value("${ember.home}") Path home, @Value("${ember.reserve-megabytes}") long megabytes) {
    this.home = home.toAbsolutePath();
    reserveBytes = megabytes << 20;
  }

  /** The folder that holds the database. */
  public Path home() {
    return home;
  }

  /** Bytes that can be written, the reserve included. */
  public long freeBytes() {
    try {
      return Files.getFileStore(home).getUsableSpace();
    } catch (IOException e) {
      return 0;
    }
  }

  /** Bytes that stay free for what must be kept. */
  long reserveBytes() {
    return reserveBytes;
  }

  /** Why nothing can be kept now; null when something can. */
  public String obstacle() {
    if (!Files.isDirectory(home)) {
      return "The data folder is gone.";
    }
    if (!Files.isWritable(home) || !databaseWritable()) {
      return "The data folder cannot be written to.";
    }
    return freeBytes() < reserveBytes
        ? "The disk with the data folder is full: "
            + (freeBytes() >> 20)
            + " MB are free, "
            + (reserveBytes >> 20)
            + " MB are needed."
        : null;
  }

  private boolean databaseWritable() {
    Path file = home.resolve(Backup.DATABASE);
    return !Files.exists(file) || Files.isWritable(file);
  }

  /**
   * Passes when something can be kept.
   *
   * @throws Refusal when nothing can
   */
  public void check() {
    String obstacle = obstacle();
    if (obstacle != null) {
      throw notKept(obstacle);
    }
  }

  /** The refusal of a change that cannot be kept. */
  public static Refusal notKept(String why) {
    return new Refusal(
        HttpStatus.INSUFFICIENT_STORAGE,
        "not-kept",
        why,
        "Nothing that you change now is kept; everything before is.",
        "Make room, or let the application write to its data folder; then go on.");
  }
}
