package levelember.app.print;

import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import levelember.app.problem.Refusal;

/** Why a print failed, in words for a person: what to do, and no Java. */
final class PrintFailure {
  private PrintFailure() {}

  static String said(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof OutOfMemoryError) {
        return "There was not enough memory. Print it smaller or with fewer passes, close other"
            + " shoots, or give the application more with EMBER_MEMORY_PERCENT.";
      }
      if (t instanceof Refusal r) {
        return r.getMessage() + " " + r.todo();
      }
      if (t instanceof IOException io) {
        return file(io);
      }
    }
    return e instanceof UncheckedIOException || e.getMessage() == null
        ? "The renderer met an error of its own; the application's log says more."
        : e.getMessage();
  }

  private static String file(IOException e) {
    String name = e instanceof FileSystemException f && f.getFile() != null ? named(f) : "";
    if (e instanceof NoSuchFileException || e instanceof FileNotFoundException) {
      return "A folder or file that the print needs is gone" + name + ". Order it again.";
    }
    if (e instanceof AccessDeniedException) {
      return "The folder cannot be written to"
          + name
          + ". Choose another, or let the application write there.";
    }
    if (e instanceof FileAlreadyExistsException) {
      return "There is a file of that name already" + name + ". Choose another name.";
    }
    return "A file could not be written"
        + name
        + ". Make room on that disk, or choose a folder that takes files, then try again.";
  }

  private static String named(FileSystemException e) {
    String file = e.getFile();
    return " (" + (file.endsWith(".part") ? file.substring(0, file.length() - 5) : file) + ")";
  }
}
