package levelember.app.print;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import levelember.formats.movie.MovieFormat;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintName;
import levelember.printing.order.PrintOrder;

/**
 * Names for files of prints that no other file has: a print takes the place of its own files alone,
 * those that its job has claimed in its folder before it wrote them.
 */
final class PrintPlaces {
  private static final String CLAIMED = "claimed.txt";

  private PrintPlaces() {}

  /**
   * The pattern of an order, with a number where files of its names are there already.
   *
   * @param base gives the files' name, without ending, by the pattern
   */
  static String freePattern(PrintOrder order, List<UnaryOperator<String>> patterns, Base base) {
    for (int n = 1; ; n++) {
      String pattern = n == 1 ? order.pattern() : PrintName.again(order.pattern(), n);
      boolean taken = false;
      for (UnaryOperator<String> of : patterns) {
        taken |= taken(base.of(of.apply(pattern)), order, Set.of());
      }
      if (!taken) {
        return pattern;
      }
    }
  }

  /** A name by a pattern. */
  interface Base {
    Path of(String pattern);
  }

  /**
   * The name itself, or with a number where another's file has it.
   *
   * @throws levelember.app.problem.Refusal when the folder cannot be written to
   */
  static Path free(Path base, PrintWork.Job job, PrintFolders folders) throws IOException {
    folders.writable(base, job.order().folder());
    if (!Files.exists(job.folder().resolve(CLAIMED))) {
      claim(job.folder(), job.written());
    }
    Set<String> own = claimed(job.folder());
    Path to = base;
    for (int n = 2; taken(to, job.order(), own); n++) {
      to = base.resolveSibling(base.getFileName() + "-" + n);
    }
    claim(job.folder(), names(to, job.order()));
    return to;
  }

  private static boolean taken(Path base, PrintOrder order, Set<String> own) {
    for (String name : names(base, order)) {
      if (!own.contains(name)
          && Files.exists(Path.of(name), java.nio.file.LinkOption.NOFOLLOW_LINKS)) {
        return true;
      }
    }
    return false;
  }

  /** All files that an order may write under a name; of files by pass those that are there. */
  private static List<String> names(Path base, PrintOrder order) {
    List<String> to = new ArrayList<>();
    for (PrintFormat format : order.formats()) {
      to.add(base + "." + format.ending());
    }
    to.add(base + "-16.png");
    if (order.frames() != null) {
      for (MovieFormat movie : order.frames().movies()) {
        to.add(base + "." + movie.ending());
      }
    }
    Path folder = base.getParent();
    if (order.filePerPass() && Files.isDirectory(folder)) {
      try (Stream<Path> all = Files.list(folder)) {
        all.map(Path::toString)
            .filter(f -> f.startsWith(base + "-") && f.endsWith(".exr"))
            .forEach(to::add);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return to;
  }

  private static Set<String> claimed(Path job) throws IOException {
    Path list = job.resolve(CLAIMED);
    return Files.exists(list) ? new HashSet<>(Files.readAllLines(list)) : Set.of();
  }

  private static void claim(Path job, List<String> names) throws IOException {
    Set<String> own = claimed(job);
    List<String> more = names.stream().filter(n -> !own.contains(n)).toList();
    Files.write(job.resolve(CLAIMED), more, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
  }
}
