package levelember.printing.film;

import java.io.IOException;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;

/**
 * Puts files in their places whole: each is written beside its place under a name that nothing has,
 * and then renamed, so that the end of the process at any moment leaves the old file or the new one
 * and no link is written through.
 */
public final class WholeFile {
  private WholeFile() {}

  /** A name beside a file that nothing has. */
  public static Path fresh(Path file) {
    String unique = UUID.randomUUID().toString().substring(0, 8);
    return file.resolveSibling(file.getFileName() + "." + unique + ".part");
  }

  /** Opens a file of a fresh name. */
  public static SeekableByteChannel open(Path fresh) throws IOException {
    return Files.newByteChannel(fresh, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
  }

  /** Gives a file that was written under a fresh name its own; what had it is replaced. */
  public static void place(Path fresh, Path file) throws IOException {
    Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
  }

  /** Writes a file; nothing is left of it when that does not succeed. */
  public static void write(Path file, byte[] bytes) throws IOException {
    Path fresh = fresh(file);
    try {
      Files.write(fresh, bytes, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
      place(fresh, file);
    } finally {
      Files.deleteIfExists(fresh);
    }
  }
}
