package levelember.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import levelember.formats.LayerNames;
import levelember.formats.Limits;
import levelember.formats.OpenExr;
import levelember.formats.PngFile;
import levelember.formats.RadianceHdr;
import levelember.formats.ShootPackage;
import levelember.look.Development;
import levelember.look.DisplayCurve;
import levelember.look.LookInputsMaker;
import levelember.photometry.LayerWeights;
import levelember.shoot.Clay;
import levelember.shoot.Light;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.texture.Picture;
import levelember.transport.Renderer;
import levelember.transport.View;
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
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "shoot, as .ember or .json")
  private Path file;

  @Option(
      names = "--shot",
      paramLabel = "NAME",
      description = "id or name; the first one if left out")
  private String shotName;

  @Option(
      names = "--look",
      paramLabel = "NAME",
      description = "id or name of another look of the shoot; the shot's own if left out")
  private String lookName;

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

  @Option(names = "--denoise", description = "denoises every layer at the end")
  private boolean denoise;

  @Option(
      names = "--clay",
      paramLabel = "REFLECTANCE",
      description = "every material one matte grey of this reflectance, 0 to 1")
  private Double clay;

  @Option(
      names = "--keep-glass",
      negatable = true,
      defaultValue = "true",
      fallbackValue = "true",
      description = "with --clay: glass stays as it is, unless --no-keep-glass is given")
  private boolean keepGlass;

  @Option(
      names = "--keep-emission",
      negatable = true,
      defaultValue = "true",
      fallbackValue = "true",
      description =
          "with --clay: emissive pieces stay as they are, unless --no-keep-emission is given")
  private boolean keepEmission;

  @Option(
      names = "--memory",
      paramLabel = "MB",
      description =
          "for the layers while they are traced: a picture that needs more is made in bands, with"
              + " the same bits; two fifths of what the program may have if left out")
  private double memory = Runtime.getRuntime().maxMemory() * 0.4 / (1 << 20);

  @Option(names = "--solo", paramLabel = "LIGHT", description = "only that light, by id or name")
  private String solo;

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
    Shoot shoot =
        clay == null ? pack.shoot() : Clay.of(pack.shoot(), clay, keepGlass, keepEmission);
    Shot shot =
        shotName == null
            ? shoot.shots().getFirst()
            : Named.of(spec.commandLine(), "shot", shotName, shoot.shots(), Shot::id, Shot::name);
    int only = -1;
    if (solo != null) {
      List<Light> lights = shoot.lights();
      only =
          lights.indexOf(
              Named.of(spec.commandLine(), "light", solo, lights, Light::id, Light::name));
    }
    long begin = System.nanoTime();
    View view = View.of(shoot, shot, pack.files());
    long compiled = System.nanoTime();
    float[] weights = LayerWeights.of(shoot);
    if (only >= 0) {
      float[] one = LayerWeights.of(shoot, shoot.lights().get(only));
      weights = new float[weights.length];
      System.arraycopy(one, 0, weights, 3 * only, 3);
    }
    Look look = worn(shoot, shot);
    // A LUT that is not there is said before hours of work.
    Development development = new Development(look, pack.files().luts());
    LookInputsMaker maker = new LookInputsMaker(shoot, look, pixels[0], pixels[1], weights);
    Print print =
        new Print(
            view,
            pixels[0],
            pixels[1],
            weights,
            DisplayCurve.fullScale(look.ev()),
            layers,
            maker.mixes(),
            (long) (memory * (1 << 20)));
    trace(print);
    long traced = System.nanoTime();
    Files.write(
        out,
        kind.equals("png")
            ? PngFile.write(
                print.picture(), print.aids(maker, shoot, look), development, bits, print.alpha())
            : encoded(kind, print, shoot));
    if (print.rays().dropped() > 0) {
      spec.commandLine()
          .getErr()
          .println(print.rays().dropped() + " contributions were no finite numbers: left out");
    }
    long written = System.nanoTime();
    if (stats != null) {
      Map<String, Object> to = new LinkedHashMap<>();
      to.put("shoot", shoot.name());
      to.put("shot", shot.name());
      to.put("width", pixels[0]);
      to.put("height", pixels[1]);
      to.put("samples", print.samples());
      double left = print.noise();
      to.put("noisePercent", Double.isFinite(left) ? 100 * left : null);
      to.put("seed", seed);
      to.put("threads", threads);
      to.put("layers", view.layers());
      to.put("triangles", view.scene().triangles());
      to.put("primaryRays", print.rays().primary());
      to.put("bouncedRays", print.rays().bounced());
      to.put("shadowRays", print.rays().shadow());
      to.put("rays", print.rays().all());
      to.put("droppedContributions", print.rays().dropped());
      to.put("compileSeconds", (compiled - begin) / 1e9);
      to.put("traceSeconds", (traced - compiled) / 1e9);
      to.put("denoised", denoise);
      to.put("denoiseSeconds", print.denoiseSeconds());
      to.put("writeSeconds", (written - traced) / 1e9);
      to.put("raysPerSecond", Math.round(print.rays().all() / ((traced - compiled) / 1e9)));
      to.put("filmBytes", print.filmBytes());
      to.put("bands", print.bands());
      Files.write(
          stats, JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsBytes(to));
    }
    return 0;
  }

  private Look worn(Shoot shoot, Shot shot) {
    if (lookName == null) {
      return shoot.lookOf(shot);
    }
    Look look = Named.of(spec.commandLine(), "look", lookName, shoot.looks(), Look::id, Look::name);
    return shot.exposureStops() == 0 ? look : look.exposed(shot.exposureStops());
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
    if (!(memory > 0)) {
      throw wrong("--memory is more than 0, not " + memory);
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

  private void trace(Print print) {
    PrintWriter err = spec.commandLine().getErr();
    boolean terminal = System.console() != null && System.console().isTerminal();
    try (Renderer renderer = new Renderer(threads, Renderer.USUAL_BOUNCES, seed)) {
      print.trace(
          renderer,
          samples,
          noise / 100,
          denoise,
          line -> {
            if (terminal) {
              err.print("\r" + line + "      ");
              err.flush();
            }
          });
    }
    if (terminal) {
      err.println();
    }
  }

  private byte[] encoded(String kind, Print print, Shoot shoot) {
    Picture picture = print.picture();
    return switch (kind) {
      case "hdr" -> RadianceHdr.write(picture);
      default -> {
        Map<String, Picture> named = new LinkedHashMap<>();
        for (int i = 0; layers && i < print.layers().size(); i++) {
          named.put(LayerNames.of(shoot).get(i), print.layers().get(i));
        }
        yield OpenExr.write(picture, named, print.alpha());
      }
    };
  }
}
