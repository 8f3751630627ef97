package levelember.app.storage;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import levelember.app.patch.StoredDocument;
import levelember.app.problem.Refusal;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.formats.document.ShootDocument;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;

/**
 * Copies of the whole database: a zip of H2's file, as H2's own online backup writes it. Works on
 * connections and files alone, with the application running or not.
 */
final class Backup {
  /** Name of the database without the ending that H2 gives it. */
  static final String NAME = "ember";

  static final String USER = "ember";
  static final String DATABASE = NAME + ".mv.db";

  /** What was there before the last restore. */
  static final String BEFORE = NAME + "-before-restore.mv.db";

  private static final String RESTORING = "ember-restoring";

  /** Room that must stay when a backup is unpacked. */
  private static final long RESERVE_BYTES = 64L << 20;

  private Backup() {}

  /** The address of a database that must be there. */
  static String url(Path folder, String name) {
    return "jdbc:h2:file:" + folder.toAbsolutePath().resolve(name) + ";IFEXISTS=TRUE";
  }

  /** Writes a backup while others read and write. */
  static void write(Connection database, Path to) throws SQLException {
    try (PreparedStatement backup = database.prepareStatement("BACKUP TO ?")) {
      backup.setString(1, to.toAbsolutePath().toString());
      backup.execute();
    }
  }

  /**
   * Unpacks a backup beside the database, brings it to this version and reads every shoot in it.
   *
   * @return the database file, to be put in place by {@link #put}
   * @throws RefusedFile when the file is no backup, or a shoot in it cannot be read
   * @throws Refusal when there is no room for it
   */
  static Path checked(Path zip, Path home) throws IOException {
    return checked(zip, home, RESERVE_BYTES);
  }

  /** The same with other room that must stay free. */
  static Path checked(Path zip, Path home, long reserveBytes) throws IOException {
    Path unpacked = home.resolve(RESTORING + ".mv.db");
    boolean whole = false;
    try {
      unpack(zip, unpacked, reserveBytes);
      migrateAndRead(home);
      whole = true;
      return unpacked;
    } catch (SQLException | FlywayException e) {
      throw new RefusedFile("the backup's database cannot be opened", e);
    } finally {
      if (!whole) {
        deleteUnpacked(home);
      }
    }
  }

  private static void migrateAndRead(Path home) throws SQLException {
    String url = url(home, RESTORING);
    Flyway.configure().dataSource(url, USER, "").javaMigrations(new FieldNames()).load().migrate();
    try (Connection database = DriverManager.getConnection(url, USER, "");
        Statement statement = database.createStatement();
        ResultSet shoots = statement.executeQuery("select id, document from shoot")) {
      while (shoots.next()) {
        String id = shoots.getString(1);
        try {
          ShootDocument.read(StoredDocument.replayed(shoots.getString(2), changes(database, id)));
        } catch (RefusedFile | ImpossibleValue | Refusal e) {
          throw new RefusedFile("the shoot '" + id + "' in it: " + e.getMessage(), e);
        }
      }
    }
  }

  /** Deletes what a restore that did not come to its end has left in the data folder. */
  static void deleteUnpacked(Path home) throws IOException {
    try (Stream<Path> all = Files.list(home)) {
      for (Path file : all.filter(f -> f.getFileName().toString().startsWith(RESTORING)).toList()) {
        Files.deleteIfExists(file);
      }
    }
  }

  private static List<String> changes(Connection database, String shoot) throws SQLException {
    List<String> to = new ArrayList<>();
    try (PreparedStatement query =
        database.prepareStatement(
            "select operations from shoot_patch where shoot_id = ? order by revision")) {
      query.setString(1, shoot);
      try (ResultSet rows = query.executeQuery()) {
        while (rows.next()) {
          to.add(rows.getString(1));
        }
      }
    }
    return to;
  }

  /** Unpacks the database where there is room for it; never more than the zip says it has. */
  private static void unpack(Path zip, Path to, long reserveBytes) throws IOException {
    try (ZipFile file = new ZipFile(zip.toFile())) {
      ZipEntry database = file.getEntry(DATABASE);
      if (database == null) {
        throw new RefusedFile("the file is no backup: it holds no " + DATABASE);
      }
      long free = Files.getFileStore(to.getParent()).getUsableSpace();
      if (database.getSize() > free - reserveBytes) {
        throw DiskSpace.notKept(
            "The backup takes %,d MB unpacked and %,d MB must stay free; %,d MB are free."
                .formatted(database.getSize() >> 20, reserveBytes >> 20, free >> 20));
      }
      try (InputStream from = file.getInputStream(database);
          OutputStream unpacked = Files.newOutputStream(to)) {
        byte[] buffer = new byte[1 << 16];
        long size = 0;
        for (int n = from.read(buffer); n >= 0; n = from.read(buffer)) {
          if ((size += n) > database.getSize()) {
            throw new RefusedFile("the backup holds more than it says");
          }
          unpacked.write(buffer, 0, n);
        }
      }
    } catch (ZipException | EOFException e) {
      throw new RefusedFile("the file is no zip, or a broken one", e);
    } catch (NoSuchFileException e) {
      throw new RefusedFile("there is no file " + zip, e);
    }
  }

  /**
   * Puts a checked database in the place of the present one, which nobody may have open; that one
   * stays beside it. The end of the process at any moment leaves one or the other whole.
   */
  static void put(Path checked, Path home) throws IOException {
    Path database = home.resolve(DATABASE);
    if (Files.exists(database)) {
      Path before = home.resolve(BEFORE);
      Files.deleteIfExists(before);
      try {
        Files.createLink(before, database);
      } catch (UnsupportedOperationException | IOException e) {
        Files.copy(database, before);
      }
    }
    Files.move(
        checked, database, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
  }
}
