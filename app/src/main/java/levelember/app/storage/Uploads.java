package levelember.app.storage;

import jakarta.annotation.PostConstruct;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Semaphore;
import java.util.stream.Stream;
import levelember.app.problem.Refusal;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Files on their way in. A body is streamed to disk as it comes and taken into memory only when it
 * is all there, one at a time, so that slow or many uploads cost no memory.
 */
@Component
public class Uploads {
  private static final int BUFFER = 1 << 16, SMALL = 1 << 20;
  private final DiskSpace space;
  private final Semaphore reading = new Semaphore(1, true);

  private final JsonMapper mapper;

  Uploads(DiskSpace space, JsonMapper mapper) {
    this.space = space;
    this.mapper = mapper;
  }

  /** What is done with an upload. */
  public interface Use<T> {
    T of(byte[] bytes);
  }

  /** What is done with an upload's file. */
  interface FileUse<T> {
    T of(Path file) throws IOException;
  }

  private Path folder() {
    return space.home().resolve("uploads");
  }

  /** What an earlier process left behind goes. */
  @PostConstruct
  void empty() throws IOException {
    if (Files.isDirectory(folder()) && space.obstacle() == null) {
      try (Stream<Path> left = Files.list(folder())) {
        for (Path file : left.toList()) {
          Files.deleteIfExists(file);
        }
      }
    }
  }

  /**
   * Takes a request's body and reads it; the file is gone after that.
   *
   * @throws RefusedFile when it is larger than {@link Limits#MOST_PACKAGE}
   */
  public <T> T read(HttpServletRequest request, Use<T> use) throws IOException {
    return read(request, Limits.MOST_PACKAGE, use);
  }

  /**
   * The same of a body that has a limit of its own. A small one, by what its request says, is not
   * put on the disk.
   *
   * @param most bytes
   * @throws RefusedFile when it is larger
   */
  public <T> T read(HttpServletRequest request, long most, Use<T> use) throws IOException {
    long length = request.getContentLengthLong();
    if (length >= 0 && length <= Math.min(most, SMALL)) {
      return use.of(request.getInputStream().readNBytes((int) length));
    }
    return stored(
        request,
        most,
        file -> {
          reading.acquireUninterruptibly();
          try {
            Limits.memory("the file", Files.size(file));
            return use.of(Files.readAllBytes(file));
          } finally {
            reading.release();
          }
        });
  }

  /**
   * Reads a request's body as JSON.
   *
   * @throws Refusal when it is none, or not of that form
   */
  public <T> T json(HttpServletRequest request, Class<T> form) throws IOException {
    return read(
        request,
        Limits.MOST_DOCUMENT,
        bytes -> {
          try {
            T read = mapper.readValue(bytes, form);
            if (read == null) {
              throw notThatForm("it is empty");
            }
            return read;
          } catch (JacksonException e) {
            throw notThatForm(e.getOriginalMessage());
          }
        });
  }

  private static Refusal notThatForm(String why) {
    return new Refusal(
        HttpStatus.BAD_REQUEST,
        "request",
        "The body of the request cannot be read: " + why,
        "The shoot is as it was.",
        "Send what the interface describes.");
  }

  /** Takes a request's body to disk for some use; the file is gone after that. */
  <T> T stored(HttpServletRequest request, long most, FileUse<T> use) throws IOException {
    space.check();
    if (request.getContentLengthLong() > most) {
      throw tooLarge(most);
    }
    Files.createDirectories(folder());
    Path file = Files.createTempFile(folder(), "upload-", "");
    try {
      receive(request.getInputStream(), file, most);
      return use.of(file);
    } finally {
      Files.deleteIfExists(file);
    }
  }

  private void receive(InputStream from, Path file, long most) throws IOException {
    byte[] buffer = new byte[BUFFER];
    long size = 0;
    try (OutputStream to = Files.newOutputStream(file)) {
      for (int n = from.read(buffer); n >= 0; n = from.read(buffer)) {
        if ((size += n) > most) {
          throw tooLarge(most);
        }
        to.write(buffer, 0, n);
      }
    } catch (java.nio.file.FileSystemException e) {
      throw e;
    } catch (IOException e) {
      space.check();
      throw e;
    }
  }

  private static RefusedFile tooLarge(long most) {
    return new RefusedFile("the file is larger than " + (most >> 20) + " MB");
  }
}
