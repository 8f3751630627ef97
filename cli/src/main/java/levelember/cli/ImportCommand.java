package levelember.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import levelember.formats.exchange.ModelFiles;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.gltf.GltfImport;
import levelember.formats.gltf.ModelEdit;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Brings a model into a shoot, or makes a shoot round it. */
@Command(
    name = "import",
    description = "Brings a glTF or OBJ model into a shoot, or makes a shoot round it.",
    mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;

  @Parameters(
      paramLabel = "MODEL",
      description =
          "a .glb, a .gltf with its data in it, an .obj, or a .zip of a model and its files")
  private Path model;

  @Option(
      names = "--into",
      paramLabel = "SHOOT",
      description = "an .ember or .json; a new shoot under an even dome if left out")
  private Path into;

  @Option(
      names = "--metres-per-unit",
      paramLabel = "N",
      defaultValue = "1",
      description = "for a model that is not in metres: 0.001 for millimetres (${DEFAULT-VALUE})")
  private double metresPerUnit;

  @Option(names = "--out", paramLabel = "FILE", required = true, description = "an .ember to write")
  private Path out;

  @Override
  public Integer call() throws Exception {
    ModelFiles.Model read =
        ModelFiles.read(model.getFileName().toString(), Files.readAllBytes(model));
    byte[] bytes = read.bytes();
    String file = read.name();
    ShootPackage pack =
        into == null
            ? new ShootPackage(Shoot.begun(file, true), new TreeMap<>())
            : ShootPackage.read(Files.readAllBytes(into));
    String name = file;
    for (int i = 2; pack.assets().containsKey(name); i++) {
      int dot = file.lastIndexOf('.');
      name = dot > 0 ? file.substring(0, dot) + "-" + i + file.substring(dot) : file + "-" + i;
    }
    GltfImport.Brought brought = GltfImport.read(name, bytes, pack.shoot(), metresPerUnit);
    Shoot shoot = ModelEdit.applied(pack.shoot(), brought);
    if (into == null) {
      shoot = framed(shoot, brought);
    }
    TreeMap<String, byte[]> assets = new TreeMap<>(pack.assets());
    if (shoot.models().contains(name)) {
      assets.put(name, bytes);
    }
    assets.putAll(brought.pictures());
    Files.write(out, new ShootPackage(shoot, assets).write());
    tell(brought, read.left());
    return 0;
  }

  private void tell(GltfImport.Brought brought, List<String> left) {
    PrintWriter to = spec.commandLine().getOut();
    brought.came().forEach(line -> to.println("came: " + line));
    Vec3 s = brought.sizeMetres();
    to.printf(Locale.ROOT, "size: %.3g × %.3g × %.3g m%n", s.x(), s.y(), s.z());
    left.forEach(line -> to.println("left: " + line));
    brought.left().forEach(line -> to.println("left: " + line));
    brought.hints().forEach(line -> to.println("look: " + line));
    to.flush();
  }

  /** The new shoot's own shot, with all of the model in it. */
  private static Shoot framed(Shoot shoot, GltfImport.Brought brought) {
    Vec3 size = brought.sizeMetres(), middle = brought.middle();
    double radius = Math.max(0.01, 0.5 * size.length());
    Vec3 away = new Vec3(0.5, 0.35, 1).unit().times(radius / Math.tan(Math.toRadians(10.5)));
    List<Shot> shots = new java.util.ArrayList<>(shoot.shots());
    Shot own = shots.getFirst();
    shots.set(0, own.withName("Whole").withPosition(middle.plus(away)).withAim(middle));
    return shoot.with(shots);
  }
}
