package levelember.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** A small picture of a shot, traced to be measured. */
final class SmallPicture {
  private static final int RATIO_ACROSS = 16, RATIO_DOWN = 9;

  @Parameters(paramLabel = "FILE", description = "shoot, .ember")
  private Path file;

  @Option(names = "--shot", paramLabel = "NAME", description = "by id or name; the first if none")
  private String shotName;

  @Option(
      names = "--samples",
      defaultValue = "32",
      description = "of a pixel, 2 to 4096; ${DEFAULT-VALUE} if none are said")
  private int samples;

  @Option(
      names = "--width",
      defaultValue = "480",
      description = "of the picture, 64 to 4096 pixels; ${DEFAULT-VALUE} if none is said")
  private int width;

  private ShootPackage pack;
  private View view;
  private Film film;

  /** Reads the shoot and traces it. */
  void trace(CommandLine line) throws Exception {
    if (samples < 2 || samples > 4096 || width < 64 || width > 4096) {
      throw new CommandLine.ParameterException(
          line, "--samples are 2 to 4096 and --width is 64 to 4096");
    }
    pack = ShootPackage.read(Files.readAllBytes(file));
    List<Shot> shots = pack.shoot().shots();
    Shot shot =
        shotName == null
            ? shots.getFirst()
            : Named.of(line, "shot", shotName, shots, Shot::id, Shot::name);
    trace(pack.shoot(), shot);
  }

  private void trace(Shoot shoot, Shot shot) {
    view = View.of(shoot, shot, pack.files());
    film = new Film(width, width * RATIO_DOWN / RATIO_ACROSS, view.layers());
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
  }

  /** Traces another state of the shoot, which needs no other files. */
  void again(Shoot shoot) {
    trace(shoot, shoot.shot(shot().id()).orElseThrow());
  }

  /** Writes a state of the shoot with its files. */
  void write(Shoot shoot, Path to) throws java.io.IOException {
    Files.write(to, new ShootPackage(shoot, pack.assets()).write());
  }

  ShootPackage pack() {
    return pack;
  }

  View view() {
    return view;
  }

  Film film() {
    return film;
  }

  /** The shot in the world. */
  Shot shot() {
    return view.shoot().shot(view.shot().id()).orElseThrow();
  }
}
