package levelember.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the documents name by a class's name is there. */
class DocumentedNamesTest {
  private static final Path PROJECT = Path.of("..").toAbsolutePath().normalize();
  private static final List<String> MODULES =
      List.of("core", "formats", "printing", "demo", "app", "cli", "bench", "e2e", "web/src");

  /** Types of Java and of TypeScript, and the page's components. */
  private static final Pattern DECLARED =
      Pattern.compile("\\b(?:class|record|interface|enum|type|function)\\s+([A-Z]\\w*)");

  /** A name in the form of code: two words and more, so that no other term is meant. */
  private static final Pattern NAMED =
      Pattern.compile("`([A-Z][a-z0-9]+(?:[A-Z][A-Za-z0-9]*)+)(?:[.#]\\w+)*(?:\\(\\))?`");

  private static final Set<String> OF_THE_PLATFORM = Set.of("StrictMath");

  private static List<Path> files(Path in, String... endings) throws IOException {
    try (Stream<Path> all = Files.walk(in)) {
      return all.filter(p -> !p.toString().contains("/target/"))
          .filter(p -> Stream.of(endings).anyMatch(p.toString()::endsWith))
          .toList();
    }
  }

  private static Set<String> declared() throws IOException {
    Set<String> to = new HashSet<>(OF_THE_PLATFORM);
    for (String module : MODULES) {
      for (Path file : files(PROJECT.resolve(module), ".java", ".ts", ".tsx")) {
        Matcher m = DECLARED.matcher(Files.readString(file));
        while (m.find()) {
          to.add(m.group(1));
        }
      }
    }
    return to;
  }

  @Test
  void everyClassThatTheDocumentsNameExists() throws IOException {
    Set<String> declared = declared();
    assertThat(declared).contains("PathTracer", "NumberOf");
    List<String> unknown = new ArrayList<>();
    int named = 0;
    List<Path> documents = new ArrayList<>(files(PROJECT.resolve("docs"), ".md"));
    documents.add(PROJECT.resolve("README.md"));
    documents.add(PROJECT.resolve("CONTRIBUTING.md"));
    for (Path document : documents) {
      Matcher m = NAMED.matcher(Files.readString(document));
      while (m.find()) {
        named++;
        if (!declared.contains(m.group(1))) {
          unknown.add(PROJECT.relativize(document) + " names " + m.group(1));
        }
      }
    }
    assertThat(named).isGreaterThan(100);
    assertThat(unknown).isEmpty();
  }
}
