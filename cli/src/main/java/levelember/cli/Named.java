package levelember.cli;

import java.util.List;
import java.util.function.Function;
import picocli.CommandLine;
import picocli.CommandLine.ParameterException;

/** Finds things by what the user calls them. */
final class Named {
  private Named() {}

  /**
   * The one of that id or name.
   *
   * @param what it is, as the user reads it
   * @throws ParameterException when there is none; says which there are
   */
  static <T> T of(
      CommandLine line,
      String what,
      String said,
      List<T> all,
      Function<T, String> id,
      Function<T, String> name) {
    return all.stream()
        .filter(t -> id.apply(t).equals(said) || name.apply(t).equals(said))
        .findFirst()
        .orElseThrow(() ->
            new ParameterException(
                line,
                "no "
                    + what
                    + " is called '"
                    + said
                    + "'; there are "
                    + all.stream().map(name).toList()));
  }
}
