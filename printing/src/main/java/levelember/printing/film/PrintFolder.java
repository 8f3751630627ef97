package levelember.printing.film;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.CheckedOutputStream;
import levelember.film.Film;
import levelember.film.FilmBytes;

/**
 * Films of a print in a folder. A file is written beside the one before, forced to the device, and
 * put in its place by one rename, so that after a kill there is one of the two.
 */
public final class PrintFolder implements FilmStore {
  private final Path folder;
  private final long mostBytes;

  /**
   * A folder of a print, which is made where there is none.
   *
   * @param mostBytes that a film may take in memory
   */
  public PrintFolder(Path folder, long mostBytes) {
    this.folder = folder;
    this.mostBytes = mostBytes;
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Path film(int band) {
    return folder.resolve("film-" + band + ".bin");
  }

  /** Writes what must be whole. */
  private interface Body {
    void write(FileChannel to) throws IOException;
  }

  private void put(Path file, Body body) {
    Path fresh = file.resolveSibling(file.getFileName() + ".new");
    try {
      try (FileChannel to =
          FileChannel.open(
              fresh,
              StandardOpenOption.CREATE,
              StandardOpenOption.TRUNCATE_EXISTING,
              StandardOpenOption.WRITE)) {
        body.write(to);
        to.force(true);
      }
      Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void save(int band, Film film) {
    put(
        film(band),
        to -> {
          ByteBuffer buffer = ByteBuffer.allocate(1 << 22);
          FilmBytes.write(
              film,
              (bytes, count) -> {
                if (buffer.remaining() < count) {
                  drain(buffer, to);
                }
                buffer.put(bytes, 0, count);
              });
          drain(buffer, to);
        });
  }

  private static void drain(ByteBuffer buffer, FileChannel to) {
    buffer.flip();
    try {
      while (buffer.hasRemaining()) {
        to.write(buffer);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    buffer.clear();
  }

  @Override
  public Film load(int band) {
    if (!Files.exists(film(band))) {
      return null;
    }
    try (InputStream from = new BufferedInputStream(Files.newInputStream(film(band)), 1 << 22)) {
      return FilmBytes.read(
          (to, count) -> {
            try {
              return from.readNBytes(to, 0, count) == count;
            } catch (IOException e) {
              throw new UncheckedIOException(e);
            }
          },
          mostBytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void save(Round round) {
    put(
        folder.resolve("round.bin"),
        to -> {
          CheckedOutputStream sum =
              new CheckedOutputStream(
                  new java.io.BufferedOutputStream(Channels.newOutputStream(to)), new CRC32());
          DataOutputStream out = new DataOutputStream(sum);
          out.writeDouble(round.tracedSeconds());
          out.writeInt(round.targets().length);
          for (int target : round.targets()) {
            out.writeInt(target);
          }
          out.writeLong(sum.getChecksum().getValue());
          out.flush();
        });
  }

  @Override
  public Round round() {
    Path file = folder.resolve("round.bin");
    if (!Files.exists(file)) {
      return null;
    }
    try (CheckedInputStream sum =
            new CheckedInputStream(
                new BufferedInputStream(Files.newInputStream(file)), new CRC32());
        DataInputStream in = new DataInputStream(sum)) {
      double seconds = in.readDouble();
      int n = in.readInt();
      if (n < 0 || 4L * n > Files.size(file)) {
        throw new IOException("the print's round has been harmed");
      }
      int[] targets = new int[n];
      for (int i = 0; i < n; i++) {
        targets[i] = in.readInt();
      }
      long whole = sum.getChecksum().getValue();
      if (in.readLong() != whole) {
        throw new IOException("the print's round has been harmed");
      }
      return new Round(targets, seconds);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
