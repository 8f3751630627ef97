package levelember.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.grade.CdlFile;
import levelember.formats.grade.CubeFile;
import levelember.look.Grading;
import levelember.shoot.look.Look;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Takes the grade of a look out, for other programs. */
@Command(
    name = "grade",
    description = "Writes the grade of a look as a .cube LUT, or its wheels as an ASC CDL (.cdl).",
    mixinStandardHelpOptions = true)
final class GradeCommand implements Callable<Integer> {
  private static final int EDGE = 33;

  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "shoot, as .ember or .json")
  private Path file;

  @Option(
      names = "--look",
      paramLabel = "NAME",
      description = "id or name; the first shot's look if left out")
  private String lookName;

  @Option(names = "--out", paramLabel = "FILE", required = true, description = ".cube or .cdl")
  private Path out;

  @Override
  public Integer call() throws Exception {
    ShootPackage pack = ShootPackage.read(Files.readAllBytes(file));
    String name = lookName == null ? pack.shoot().shots().getFirst().look() : lookName;
    Look look =
        Named.of(spec.commandLine(), "look", name, pack.shoot().looks(), Look::id, Look::name);
    String end = out.getFileName().toString().toLowerCase(Locale.ROOT);
    if (end.endsWith(".cube")) {
      Grading grading = new Grading(look.grade(), pack.files().luts());
      Files.write(out, CubeFile.write(grading.baked(EDGE), look.name()));
    } else if (end.endsWith(".cdl")) {
      Files.write(out, CdlFile.write(look.grade().wheels(), look.id()));
    } else {
      throw new ParameterException(
          spec.commandLine(), "--out ends in .cube or .cdl, not '" + out.getFileName() + "'");
    }
    return 0;
  }
}
