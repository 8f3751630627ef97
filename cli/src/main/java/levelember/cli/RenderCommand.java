package levelember.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import levelember.formats.Limits;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.movie.MovieFormat;
import levelember.look.Development;
import levelember.math.Lanes;
import levelember.photometry.LayerWeights;
import levelember.printing.frame.FramePrinter;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintName;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.printing.order.ShutterMoments;
import levelember.scene.ShutterViews;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.compile.Clay;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.motion.Motion;
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
    description = "Renders shots of a shoot to .exr, .hdr, .png, .jpg or .tif files.",
    mixinStandardHelpOptions = true)
final class RenderCommand implements Callable<Integer> {
  private static final int MOST_FRAMES = 100_000;
  private static final Pattern FRAMES = Pattern.compile("(-?\\d{1,7})(?:-(-?\\d{1,7}))?");

  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "shoot, as .ember or .json")
  private Path file;

  @Option(
      names = "--shot",
      paramLabel = "NAME",
      split = ",",
      description =
          "id or name, or several; the first one if left out. Of several, --out has {shot} in it")
  private List<String> shotNames = List.of();

  @Option(
      names = "--frames",
      paramLabel = "A-B",
      description =
          "frames of the shoot's motion, as 1-72, or 'all' of its range; --out has {frame} in it,"
              + " or is a film."
              + " Left out, the shoot is rendered at rest")
  private String frames;

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
      names = "--minutes",
      paramLabel = "N",
      description = "ends after so much tracing; --samples is then the most")
  private double minutes;

  @Option(
      names = "--passes",
      paramLabel = "NAME",
      split = ",",
      description =
          "passes for compositing in an .exr: lights, banks, emission, diffuseDirect and the others that docs/prints.md lists, or all")
  private List<String> passNames = List.of();

  @Option(
      names = "--half",
      description = "keeps light in an .exr as half floats, up to 65504 cd/m²")
  private boolean half;

  @Option(
      names = "--resume",
      paramLabel = "FOLDER",
      description =
          "keeps the film in a folder and goes on from what is there, with the same bits; with"
              + " other targets it traces further")
  private Path resume;

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
      names = "--temporal-filter",
      description =
          "with --frames and --denoise: mixes every frame with those before it, so that they do not"
              + " flicker")
  private boolean temporalFilter;

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

  @Option(
      names = "--solo",
      paramLabel = "LIGHT",
      description = "traces only that light, by id or name")
  private String solo;

  @Option(
      names = "--out",
      paramLabel = "FILE",
      required = true,
      description =
          ".exr, .hdr (cd/m²), .png, .jpg or .tif (through the look); .mp4, .apng or .gif of frames")
  private Path out;

  @Option(names = "--stats", paramLabel = "FILE", description = "figures of the run, as JSON")
  private Path stats;

  @Override
  public Integer call() throws Exception {
    PrintFormat format = checked();
    if (frames == null && System.getProperty(Lanes.LOOK_PROPERTY) == null) {
      System.setProperty(Lanes.LOOK_PROPERTY, "1");
    }
    int[] pixels = pixels();
    ShootPackage pack = ShootPackage.read(Files.readAllBytes(file));
    Shoot shoot = pack.shoot();
    List<Shot> shots = new ArrayList<>();
    for (String name : shotNames) {
      shots.add(Named.of(spec.commandLine(), "shot", name, shoot.shots(), Shot::id, Shot::name));
    }
    if (shots.isEmpty()) {
      shots.add(shoot.shots().getFirst());
    }
    // What cannot be is said before hours of work.
    Set<Path> files = new HashSet<>();
    for (Shot shot : shots) {
      new Development(worn(shoot, shot), pack.files().luts());
      if (!files.add(named(shoot, shot, pixels, ""))) {
        throw wrong("of several shots --out needs {shot} in it");
      }
    }
    List<Map<String, Object>> figures = new ArrayList<>();
    ShotRender render =
        new ShotRender(spec.commandLine().getErr(), threads, resume, (long) (memory * (1 << 20)));
    List<Integer> wanted = frames(shoot.motion());
    MeasuredFrames measured = frames == null ? null : new MeasuredFrames(shoot, temporalFilter);
    render.frames(measured);
    try (MovieFiles movies =
        MovieFormat.of(out)
            .map(m -> new MovieFiles(m, shoot.motion().framesPerSecond(), wanted.size()))
            .orElse(null)) {
      for (Integer frame : wanted) {
        Shoot now =
            inClay(frame == null ? shoot : ShootAtTime.of(shoot, shoot.motion().seconds(frame)));
        Motion motion = shoot.motion();
        Shoot next = frame == null ? null : ShootAtTime.of(shoot, motion.seconds(frame + 1));
        String number = frame == null ? "" : String.format(Locale.ROOT, "%04d", frame);
        Light only = only(now);
        Shoot lit = only == null ? now : now.litBy(only);
        for (Shot still : shots) {
          Shot shot = now.shot(still.id()).orElseThrow();
          Path to = named(now, shot, pixels, movies == null ? number : "");
          Path file = movies == null ? to : MovieFiles.frame();
          PrintOrder order = order(shot, format, pixels);
          FramePrinter.Frame what =
              new FramePrinter.Frame(
                  frame == null ? 0 : frame,
                  lit,
                  shot,
                  worn(now, shot),
                  weights(lit, only),
                  next,
                  frame == null ? List.of() : moments(shoot, frame, order));
          figures.add(render.write(pack, what, number, order, file));
          if (movies != null) {
            movies.add(to, file);
          }
        }
      }
    }
    if (measured != null) {
      measured.lines().forEach(spec.commandLine().getOut()::println);
    }
    if (stats != null) {
      Object to = figures.size() == 1 ? figures.getFirst() : figures;
      Files.write(
          stats, JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsBytes(to));
    }
    return 0;
  }

  private List<ShutterViews.Moment> moments(Shoot moving, int frame, PrintOrder order) {
    return ShutterMoments.of(
        moving,
        moving.motion().seconds(frame),
        order,
        then -> {
          Shoot clad = inClay(then);
          Light light = only(clad);
          return light == null ? clad : clad.litBy(light);
        });
  }

  private Shoot inClay(Shoot shoot) {
    return clay == null ? shoot : Clay.of(shoot, clay, keepGlass, keepEmission);
  }

  /** The frames that are wanted; one null for the shoot at rest. */
  private List<Integer> frames(Motion motion) {
    if (frames == null) {
      return Collections.singletonList(null);
    }
    Matcher range = FRAMES.matcher(frames);
    if (!frames.equals("all") && !range.matches()) {
      throw wrong("--frames is " + frames + "; wanted: A-B as 1-72, one frame, or all");
    }
    boolean all = frames.equals("all");
    int first = all ? motion.firstFrame() : Integer.parseInt(range.group(1));
    int last =
        all
            ? motion.lastFrame()
            : range.group(2) == null ? first : Integer.parseInt(range.group(2));
    if (last < first || last - first >= MOST_FRAMES) {
      throw wrong("--frames is " + frames + "; wanted: from 1 to " + MOST_FRAMES + " of them");
    }
    if (last > first
        && MovieFormat.of(out).isEmpty()
        && !out.getFileName().toString().contains("{frame}")) {
      throw wrong("of several frames --out needs {frame} in it");
    }
    return IntStream.rangeClosed(first, last).boxed().toList();
  }

  /** The light that alone is wanted, or null. */
  private Light only(Shoot shoot) {
    return solo == null
        ? null
        : Named.of(spec.commandLine(), "light", solo, shoot.lights(), Light::id, Light::name);
  }

  private static float[] weights(Shoot shoot, Light only) {
    float[] weights = LayerWeights.of(shoot);
    if (only == null) {
      return weights;
    }
    float[] to = new float[weights.length];
    int k = shoot.lights().indexOf(only);
    System.arraycopy(LayerWeights.of(shoot, only), 0, to, 3 * k, 3);
    return to;
  }

  private PrintOrder order(Shot shot, PrintFormat format, int[] pixels) {
    TreeSet<PrintPass> passes = new TreeSet<>();
    for (String name : passNames) {
      if (name.equals("all")) {
        passes.addAll(List.of(PrintPass.values()));
      } else {
        passes.add(JsonMapper.shared().convertValue(name, PrintPass.class));
      }
    }
    if (layers) {
      passes.add(PrintPass.LIGHTS);
    }
    return PrintOrder.still(shot.id(), pixels[0], pixels[1], samples)
        .with(o ->
            o.noisePercent(noise)
                .minutes(minutes)
                .denoise(denoise)
                .cutOut(shot.cutOut())
                .passes(passes)
                .formats(new TreeSet<>(List.of(format)))
                .exrDepth(half ? PrintOrder.ExrDepth.HALF : PrintOrder.ExrDepth.FLOAT)
                .seed(seed));
  }

  /** Where the file of a shot goes. */
  private Path named(Shoot shoot, Shot shot, int[] pixels, String frame) {
    String name = out.getFileName().toString().replace("{frame}", frame);
    Path folder = out.toAbsolutePath().getParent();
    if (!name.contains("{")) {
      return folder.resolve(name);
    }
    PrintName.Values values =
        new PrintName.Values(
            shoot.name(), shot.name(), shot.look(), pixels[0], pixels[1], LocalDateTime.now(), 0);
    return PrintName.in(folder, name, values);
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

  private PrintFormat checked() {
    String name = out.getFileName().toString().toLowerCase(Locale.ROOT);
    PrintFormat format =
        switch (name.substring(name.lastIndexOf('.') + 1)) {
          case "exr" -> PrintFormat.EXR;
          case "hdr" -> PrintFormat.HDR;
          case "png" -> bits == 16 ? PrintFormat.PNG16 : PrintFormat.PNG;
          case "jpg", "jpeg" -> PrintFormat.JPEG;
          case "tif", "tiff" -> PrintFormat.TIFF;
          case "mp4", "apng", "gif" -> PrintFormat.PNG;
          default ->
              throw wrong(
                  "--out ends in .exr, .hdr, .png, .jpg, .tif, .mp4, .apng or .gif, not '"
                      + out.getFileName()
                      + "'");
        };
    if (temporalFilter && (frames == null || !denoise)) {
      throw wrong("--temporal-filter needs --frames and --denoise");
    }
    if (MovieFormat.of(out).isPresent() && frames == null) {
      throw wrong("a film needs --frames");
    }
    if ((layers || !passNames.isEmpty()) && format != PrintFormat.EXR) {
      throw wrong("--layers and --passes need --out with .exr");
    }
    for (String pass : passNames) {
      if (!pass.equals("all") && !known(pass)) {
        throw wrong("there is no pass '" + pass + "'; docs/prints.md lists them");
      }
    }
    if (!(minutes >= 0 && minutes <= 100_000)) {
      throw wrong("--minutes is 0 (as long as it takes) to 100000, not " + minutes);
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
    return format;
  }

  private static boolean known(String pass) {
    try {
      return JsonMapper.shared().convertValue(pass, PrintPass.class) != null;
    } catch (IllegalArgumentException | tools.jackson.core.JacksonException e) {
      return false;
    }
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
}
