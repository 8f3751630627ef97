package levelember.cli;

import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.texture.Pictures;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Entry of the command line. Exit codes: 0 done, 1 failed or refused input, 2 wrong usage. */
@Command(
    name = "ember",
    description = "Lights product, studio and interior scenes.",
    mixinStandardHelpOptions = true,
    version = "Level Ember 0.1.0",
    subcommands = {
      RenderCommand.class,
      DemoCommand.class,
      ImportCommand.class,
      ExportCommand.class,
      GradeCommand.class,
      ProfileCommand.class,
      PrintCommand.class,
      MeterCommand.class,
      SecondLookCommand.class
    })
public final class Main implements Runnable {
  @CommandLine.Spec private CommandLine.Model.CommandSpec spec;

  public static void main(String[] args) {
    System.exit(line().execute(args));
  }

  static CommandLine line() {
    return new CommandLine(new Main())
        .setExecutionExceptionHandler((e, line, parsed) -> {
          line.getErr().println("ember: " + said(e));
          return 1;
        });
  }

  private static String said(Exception e) {
    return switch (e) {
      case RefusedFile r -> "refused: " + r.getMessage();
      case ImpossibleValue v -> "refused: " + v.getMessage();
      case Pictures.MissingPicture m -> "refused: " + m.getMessage();
      case levelember.geometry.Meshes.MissingMesh m -> "refused: " + m.getMessage();
      case java.nio.file.NoSuchFileException n -> "no such file: " + n.getFile();
      case java.io.IOException i -> "cannot read or write: " + i.getMessage();
      default ->
          "it met an error of its own" + (e.getMessage() == null ? "" : ": " + e.getMessage());
    };
  }

  @Override
  public void run() {
    throw new CommandLine.ParameterException(
        spec.commandLine(), "say what to do: render, print, meter, second-look, demo or import");
  }
}
