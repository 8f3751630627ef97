package levelember.app.storage;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The state of the data folder, backup and restore over HTTP. */
@RestController
class StorageController {
  private static final long MOST_BACKUP = 1L << 40;

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
   */
  record Storage(
      boolean keeps,
      @Schema(types = {"string", "null"}) String why,
      long freeBytes,
      long databaseBytes) {}

  @GetMapping("/api/storage")
  ResponseEntity<Storage> state() throws IOException {
    String obstacle = space.obstacle();
    Path file = space.home().resolve(Backup.DATABASE);
    long bytes = Files.exists(file) ? Files.size(file) : 0;
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(new Storage(obstacle == null, obstacle, space.freeBytes(), bytes));
  }

  /** A backup of everything; edits go on meanwhile. */
  @GetMapping("/api/backup")
  void backup(HttpServletResponse response) throws IOException, SQLException {
    space.check();
    Path folder = Files.createTempDirectory(space.home(), "backup-");
    Path zip = folder.resolve("ember-backup.zip");
    try {
      try (Connection database = source.getConnection()) {
        Backup.write(database, zip);
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
