package levelember.app.storage;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.stream.Stream;
import javax.sql.DataSource;
import levelember.app.problem.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.util.FileSystemUtils;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The state of the data folder, backup and restore over HTTP. */
@RestController
class StorageController {
  private static final Logger LOG = LoggerFactory.getLogger(StorageController.class);
  private static final long MOST_BACKUP = 1L << 40;
  private static final String BACKUP = "backup-";

  private final DataSource source;
  private final DiskSpace space;
  private final Restore restore;
  private final Uploads uploads;

  StorageController(DataSource source, DiskSpace space, Restore restore, Uploads uploads) {
    this.source = source;
    this.space = space;
    this.restore = restore;
    this.uploads = uploads;
  }

  /**
   * Whether changes are kept.
   *
   * @param keeps false when nothing can be written
   * @param why nothing can, or null
   * @param freeBytes on the disk with the data folder
   * @param databaseBytes of the database file
   * @param notice what a person should know of how it is kept, or null
   */
  record Storage(
      boolean keeps,
      @Schema(types = {"string", "null"}) String why,
      long freeBytes,
      long databaseBytes,
      @Schema(types = {"string", "null"}) String notice) {}

  @GetMapping("/api/storage")
  ResponseEntity<Storage> state() throws IOException {
    String obstacle = space.obstacle();
    Path file = space.home().resolve(Backup.DATABASE);
    long bytes = Files.exists(file) ? Files.size(file) : 0;
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(new Storage(obstacle == null, obstacle, space.freeBytes(), bytes, H2File.notice()));
  }

  /** A backup of everything; edits go on meanwhile. */
  @GetMapping("/api/backup")
  void backup(HttpServletResponse response) throws IOException {
    space.check();
    long database = Files.size(space.home().resolve(Backup.DATABASE));
    if (space.freeBytes() - database < space.reserveBytes()) {
      throw noRoom(database);
    }
    Path folder = Files.createTempDirectory(space.home(), BACKUP);
    Path zip = folder.resolve("ember-backup.zip");
    try {
      try (Connection connection = source.getConnection()) {
        Backup.write(connection, zip);
      } catch (SQLException e) {
        LOG.error("The backup could not be written", e);
        throw noRoom(database);
      }
      response.setContentType("application/zip");
      response.setContentLengthLong(Files.size(zip));
      response.setHeader(
          HttpHeaders.CONTENT_DISPOSITION,
          ContentDisposition.attachment().filename("ember-backup.zip").build().toString());
      Files.copy(zip, response.getOutputStream());
    } finally {
      Files.deleteIfExists(zip);
      Files.deleteIfExists(folder);
    }
  }

  private Refusal noRoom(long bytes) {
    return new Refusal(
        HttpStatus.INSUFFICIENT_STORAGE,
        "not-kept",
        "There is no room to make the backup: it may take %,d MB, %,d MB are free."
            .formatted(bytes >> 20, space.freeBytes() >> 20),
        "Everything is as it was.",
        "Make room on the disk with the data folder, then try again.");
  }

  /** Backups and restores that did not come to their end, as the process was killed, go. */
  @EventListener(ApplicationReadyEvent.class)
  void sweep() throws IOException {
    if (Files.isWritable(space.home())) {
      Backup.deleteUnpacked(space.home());
      try (Stream<Path> all = Files.list(space.home())) {
        for (Path left : all.filter(f -> f.getFileName().toString().startsWith(BACKUP)).toList()) {
          FileSystemUtils.deleteRecursively(left);
        }
      }
    }
  }

  /** Replaces everything by a backup. */
  @PostMapping("/api/restore")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void restore(HttpServletRequest request) throws IOException {
    uploads.stored(
        request,
        MOST_BACKUP,
        zip -> {
          restore.from(zip);
          return null;
        });
  }
}
