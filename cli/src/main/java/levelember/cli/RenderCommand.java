package levelember.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import levelember.film.Convergence;
import levelember.film.Denoiser;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.film.Noise;
import levelember.formats.LayerNames;
import levelember.formats.Limits;
import levelember.formats.OpenExr;
import levelember.formats.PngFile;
import levelember.formats.RadianceHdr;
import levelember.formats.ShootPackage;
import levelember.light.LayerWeights;
import levelember.look.DisplayCurve;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.texture.Picture;
import levelember.transport.RayCount;
import levelember.transport.Renderer;
import levelember.transport.Scene;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.databind.json.JsonMapper;

/** Renders a shot of a shoot to a file. */
@Command(
    name = "render",
    description = "Renders a shot of a shoot to an .exr, .hdr or .png file.",
    mixinStandardHelpOptions = true)
final class RenderCommand implements Callable<Integer> {
  private static final int EVEN_SAMPLES = 8;

  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "shoot, as .ember or .json")
  private Path file;

  @Option(
      names = "--shot",
      paramLabel = "NAME",
      description = "id or name; the first one if left out")
  private String shotName;

  @Option(
      names = "--size",
      paramLabel = "WxH",
      defaultValue = "960x540",
      description = "pixels (${DEFAULT-VALUE})")
  private String size;

  @Option(
      names = "--samples",
      paramLabel = "N",
      defaultValue = "64",
      description = "paths a pixel (${DEFAULT-VALUE})")
  private int samples;

  @Option(
      names = "--noise",
      paramLabel = "PERCENT",
      description =
          "goes on, where it is noisiest, until the picture has no more than this;"
              + " --samples is then the most")
  private double noise;

  @Option(
      names = "--seed",
      paramLabel = "N",
      defaultValue = "1",
      description = "other seeds give other noise (${DEFAULT-VALUE})")
  private int seed;

  @Option(
      names = "--threads",
      paramLabel = "N",
      description = "all cores if left out; the picture has the same bits with any number")
  private int threads = Runtime.getRuntime().availableProcessors();

  @Option(
      names = "--bits",
      paramLabel = "N",
      defaultValue = "8",
      description = "bits a channel of a .png, 8 or 16 (${DEFAULT-VALUE})")
  private int bits;

  @Option(names = "--layers", description = "also every light's layer, in an .exr")
  private boolean layers;

  @Option(names = "--denoise", description = "takes noise out of every layer at the end")
  private boolean denoise;

  @Option(names = "--alone", paramLabel = "LIGHT", description = "only that light, by id or name")
  private String alone;

  @Option(
      names = "--out",
      paramLabel = "FILE",
      required = true,
      description = ".exr, .hdr (cd/m²) or .png (through the look)")
  private Path out;

  @Option(names = "--stats", paramLabel = "FILE", description = "figures of the run, as JSON")
  private Path stats;

  @Override
  public Integer call() throws Exception {
    String kind = checked();
    int[] pixels = pixels();
    byte[] bytes = Files.readAllBytes(file);
    ShootPackage pack = ShootPackage.read(bytes);
    Shoot shoot = pack.shoot();
    Shot shot =
        shotName == null
            ? shoot.shots().getFirst()
            : shoot
                .shot(shotName)
                .orElseThrow(() ->
                    wrong(
                        "no shot is called '"
                            + shotName
                            + "'; there are "
                            + shoot.shots().stream().map(Shot::name).toList()));
    int only = -1;
    if (alone != null) {
      only =
          shoot
              .light(alone)
              .map(shoot.lights()::indexOf)
              .orElseThrow(() ->
                  wrong(
                      "no light is called '"
                          + alone
                          + "'; there are "
                          + shoot.lights().stream().map(l -> l.name()).toList()));
    }
    long begin = System.nanoTime();
    Scene scene = Scene.of(shoot, shot, pack.pictures());
    long compiled = System.nanoTime();
    Film film = new Film(pixels[0], pixels[1], scene.layers());
    float[] weights = LayerWeights.of(shoot);
    if (only >= 0) {
      float[] one = LayerWeights.of(shoot.lights().get(only), shoot.masterStops());
      weights = new float[weights.length];
      System.arraycopy(one, 0, weights, 3 * only, 3);
    }
    double fullScale = DisplayCurve.fullScale(shoot.lookOf(shot).ev());
    RayCount rays = traced(scene, film, weights, fullScale);
    long traced = System.nanoTime();
    Film shown = denoise ? Denoiser.denoised(film) : film;
    long denoised = System.nanoTime();
    Picture picture = LayerMix.picture(shown, weights);
    Files.write(out, encoded(kind, picture, shown, weights, shoot, shot));
    long written = System.nanoTime();
    if (stats != null) {
      Map<String, Object> to = new LinkedHashMap<>();
      to.put("shoot", shoot.name());
      to.put("shot", shot.name());
      to.put("width", pixels[0]);
      to.put("height", pixels[1]);
      to.put("samples", film.meanSamples());
      double left = Noise.of(film, weights, fullScale).whole();
      to.put("noisePercent", Double.isFinite(left) ? 100 * left : null);
      to.put("seed", seed);
      to.put("threads", threads);
      to.put("layers", film.layers());
      to.put("triangles", scene.hierarchy().triangles());
      to.put("primaryRays", rays.primary());
      to.put("bouncedRays", rays.bounced());
      to.put("shadowRays", rays.shadow());
      to.put("rays", rays.all());
      to.put("compileSeconds", (compiled - begin) / 1e9);
      to.put("traceSeconds", (traced - compiled) / 1e9);
      to.put("denoised", denoise);
      to.put("denoiseSeconds", (denoised - traced) / 1e9);
      to.put("writeSeconds", (written - denoised) / 1e9);
      to.put("raysPerSecond", Math.round(rays.all() / ((traced - compiled) / 1e9)));
      to.put("filmBytes", film.bytes());
      Files.write(
          stats, JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsBytes(to));
    }
    return 0;
  }

  private ParameterException wrong(String message) {
    return new ParameterException(spec.commandLine(), message);
  }

  private String checked() {
    String name = out.getFileName().toString().toLowerCase(Locale.ROOT);
    String kind = name.substring(name.lastIndexOf('.') + 1);
    if (!kind.equals("exr") && !kind.equals("hdr") && !kind.equals("png")) {
      throw wrong("--out ends in .exr, .hdr or .png, not '" + out.getFileName() + "'");
    }
    if (layers && !kind.equals("exr")) {
      throw wrong("--layers needs --out with .exr");
    }
    if (bits != 8 && bits != 16) {
      throw wrong("--bits is 8 or 16, not " + bits);
    }
    if (!(noise >= 0 && noise <= 100)) {
      throw wrong("--noise is a percentage from 0 (none wanted) to 100, not " + noise);
    }
    if (samples < 1 || samples > 1_000_000) {
      throw wrong("--samples is 1 to 1000000, not " + samples);
    }
    if (threads < 1 || threads > 1024) {
      throw wrong("--threads is 1 to 1024, not " + threads);
    }
    return kind;
  }

  private int[] pixels() {
    String[] parts = size.split("[xX×]");
    try {
      int w = Integer.parseInt(parts[0].trim()), h = Integer.parseInt(parts[1].trim());
      if (parts.length == 2 && w > 0 && h > 0 && (long) w * h <= Limits.MOST_PIXELS) {
        return new int[] {w, h};
      }
    } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
      throw wrong("--size is WIDTHxHEIGHT, such as 960x540, not '" + size + "'");
    }
    throw wrong("--size is 1x1 to " + Limits.MOST_PIXELS + " pixels, not '" + size + "'");
  }

  private RayCount traced(Scene scene, Film film, float[] weights, double fullScale) {
    PrintWriter err = spec.commandLine().getErr();
    boolean terminal = System.console() != null && System.console().isTerminal();
    long begin = System.nanoTime();
    RayCount rays = RayCount.NONE;
    try (Renderer renderer = new Renderer(threads, Renderer.USUAL_BOUNCES, seed)) {
      int even = noise > 0 ? Math.min(EVEN_SAMPLES, samples) : samples;
      for (int i = 1; i <= even; i++) {
        rays = rays.plus(renderer.trace(scene, film, i, () -> false));
        if (terminal) {
          double seconds = (System.nanoTime() - begin) / 1e9;
          err.printf(
              Locale.ROOT,
              "\r%d of %d samples, %.0f s, %.0f s to go ",
              i,
              even,
              seconds,
              seconds / i * (even - i));
          err.flush();
        }
      }
      Convergence convergence = new Convergence();
      for (RayCount pass = rays; noise > 0 && pass.all() > 0; rays = rays.plus(pass)) {
        Noise now = Noise.of(film, weights, fullScale);
        double seconds = (System.nanoTime() - begin) / 1e9;
        convergence.note(seconds, now.whole());
        if (terminal) {
          err.printf(
              Locale.ROOT,
              "\r%.2f %% noise, %.0f s, %.0f s to go      ",
              100 * now.whole(),
              seconds,
              convergence.secondsTo(noise / 100));
          err.flush();
        }
        pass = renderer.refine(scene, film, now, noise / 100, samples, () -> false);
      }
    }
    if (terminal) {
      err.println();
    }
    return rays;
  }

  private byte[] encoded(
      String kind, Picture picture, Film film, float[] weights, Shoot shoot, Shot shot) {
    return switch (kind) {
      case "hdr" -> RadianceHdr.write(picture);
      case "png" -> PngFile.write(picture, new DisplayCurve(shoot.lookOf(shot)), bits);
      default ->
          OpenExr.write(picture, layers ? LayerNames.pictures(shoot, film, weights) : Map.of());
    };
  }
}
