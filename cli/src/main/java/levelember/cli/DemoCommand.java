package levelember.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import levelember.demo.DemoShoots;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Writes a demo shoot as a package. */
@Command(
    name = "demo",
    description = "Writes a demo shoot as an .ember file.",
    mixinStandardHelpOptions = true)
final class DemoCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "NAME", description = "name of the shoot, such as armillary")
  private String name;

  @Option(names = "--out", paramLabel = "FILE", required = true, description = "file to write")
  private Path out;

  @Override
  public Integer call() throws Exception {
    byte[] file;
    try {
      file = DemoShoots.make(name).write();
    } catch (IllegalArgumentException e) {
      throw new picocli.CommandLine.ParameterException(spec.commandLine(), e.getMessage(), e);
    }
    Files.write(out, file);
    return 0;
  }
}
