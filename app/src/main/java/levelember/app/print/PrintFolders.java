package levelember.app.print;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.UUID;
import java.util.stream.Stream;
import levelember.app.problem.Refusal;
import levelember.app.storage.DiskSpace;
import levelember.document.ImpossibleValue;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Where prints lie: what is traced of them in the data folder, and their files. */
@Component
class PrintFolders {
  private final Path jobs;
  private final Path prints;

  PrintFolders(DiskSpace space, @Value("${ember.prints}") String prints) {
    jobs = space.home().resolve("print-jobs");
    this.prints = Path.of(prints).toAbsolutePath().normalize();
  }

  /** The folder of prints, when no other is said. */
  Path prints() {
    return prints;
  }

  /**
   * A folder for files: absolute, or within the folder of prints.
   *
   * @throws ImpossibleValue when it is none
   */
  Path files(String folder) {
    try {
      Path to = prints.resolve(folder).normalize();
      if (!Path.of(folder).isAbsolute() && !to.startsWith(prints)) {
        throw new ImpossibleValue(
            "folder", folder, "a folder within the folder of prints, or absolute");
      }
      return to;
    } catch (InvalidPathException e) {
      throw new ImpossibleValue("folder", folder, "a folder that this machine can have");
    }
  }

  /**
   * Passes when files can be written there.
   *
   * @throws Refusal when they cannot
   */
  void writable(Path folder) {
    Path there = folder;
    while (there != null && !Files.exists(there)) {
      there = there.getParent();
    }
    if (there == null || !Files.isDirectory(there) || !Files.isWritable(there)) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "folder",
          "The folder '" + folder + "' cannot be written to.",
          "Nothing was ordered.",
          "Choose another folder, or let the application write there.");
    }
  }

  /**
   * Passes when files can be written there, within the folder of their order: no link leads out.
   *
   * @param files name of the files, without ending
   * @param folder of the order, as {@link #files} takes it
   * @throws Refusal when they cannot
   */
  void writable(Path files, String folder) {
    Path root = Path.of(folder).isAbsolute() ? files(folder) : prints;
    Path there = files.getParent();
    writable(there);
    while (!Files.exists(there)) {
      there = there.getParent();
    }
    try {
      if (Files.exists(root) && !there.toRealPath().startsWith(root.toRealPath())) {
        throw new Refusal(
            HttpStatus.CONFLICT,
            "folder",
            "A link in '" + files.getParent() + "' leads out of '" + root + "'.",
            "Nothing was written there.",
            "Choose the folder that the link leads to, or remove the link.");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A new folder for a job. */
  String fresh() {
    String name = UUID.randomUUID().toString();
    try {
      Files.createDirectories(jobs.resolve(name));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return name;
  }

  Path job(String name) {
    return jobs.resolve(name);
  }

  /** Bytes that a job takes in the data folder. */
  long bytes(String name) {
    try (Stream<Path> all = Files.walk(job(name))) {
      return all.mapToLong(f -> f.toFile().isFile() ? f.toFile().length() : 0).sum();
    } catch (IOException | UncheckedIOException e) {
      return 0;
    }
  }

  void delete(String name) {
    try (Stream<Path> all = Files.walk(job(name))) {
      for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(one);
      }
    } catch (IOException e) {
      // What is left takes room and harms nothing.
    }
  }
}
