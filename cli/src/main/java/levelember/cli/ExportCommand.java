package levelember.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import levelember.formats.exchange.GltfExport;
import levelember.formats.exchange.ShootPackage;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes a shoot as glTF, and a glTF of ours as a shoot. */
@Command(
    name = "export",
    description =
        "Writes a shoot as one glTF file (.glb) that reads back the same, or as .ember by the"
            + " ending of --out.",
    mixinStandardHelpOptions = true)
final class ExportCommand implements Callable<Integer> {
  @Parameters(paramLabel = "SHOOT", description = "an .ember, a .json, or a .glb written by this")
  private Path shoot;

  @Option(names = "--out", paramLabel = "FILE", required = true, description = "a .glb or .ember")
  private Path out;

  @Override
  public Integer call() throws Exception {
    ShootPackage pack = ShootPackage.read(Files.readAllBytes(shoot));
    boolean glb = out.getFileName().toString().endsWith(".glb");
    Files.write(out, glb ? GltfExport.write(pack) : pack.write());
    return 0;
  }
}
