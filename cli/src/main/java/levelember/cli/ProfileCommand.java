package levelember.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import levelember.formats.document.ShootDocument;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.photometric.EulumdatFile;
import levelember.formats.photometric.IesFile;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.Profile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Reads a photometric file, for the emitter of a shoot document or of a light. */
@Command(
    name = "profile",
    description =
        "Prints the intensities of a photometric file (.ies, .ldt) as the profile of an emitter, or"
            + " gives them to a light of a shoot.",
    mixinStandardHelpOptions = true)
final class ProfileCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "LM-63 (.ies) or EULUMDAT (.ldt)")
  private Path file;

  @Option(names = "--shoot", paramLabel = "FILE", description = "shoot to give it to")
  private Path shootFile;

  @Option(names = "--light", paramLabel = "NAME", description = "point or spot, by id or name")
  private String lightName;

  @Option(names = "--out", paramLabel = "FILE", description = "where that shoot is written, .ember")
  private Path out;

  @Override
  public Integer call() throws Exception {
    String name = file.getFileName().toString();
    byte[] bytes = Files.readAllBytes(file);
    Profile profile =
        EulumdatFile.named(name) ? EulumdatFile.read(bytes, name) : IesFile.read(bytes, name);
    if (shootFile == null) {
      spec.commandLine()
          .getOut()
          .println(
              JsonMapper.shared()
                  .writerWithDefaultPrettyPrinter()
                  .writeValueAsString(ShootDocument.tree(profile)));
      return 0;
    }
    if (lightName == null || out == null) {
      throw new ParameterException(spec.commandLine(), "--shoot needs --light and --out");
    }
    ShootPackage pack = ShootPackage.read(Files.readAllBytes(shootFile));
    List<Light> lights = pack.shoot().lights();
    Light light = Named.of(spec.commandLine(), "light", lightName, lights, Light::id, Light::name);
    if (!(light.emitter() instanceof Emitter.Point || light.emitter() instanceof Emitter.Spot)) {
      throw new ParameterException(
          spec.commandLine(), "'" + light.name() + "' is neither a point nor a spot");
    }
    JsonNode document = ShootDocument.tree(pack.shoot());
    ObjectNode emitter = (ObjectNode) document.at("/lights/" + lights.indexOf(light) + "/emitter");
    emitter.set("profile", ShootDocument.tree(profile));
    Files.write(out, new ShootPackage(ShootDocument.read(document), pack.assets()).write());
    return 0;
  }
}
