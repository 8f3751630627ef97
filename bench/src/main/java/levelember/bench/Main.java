package levelember.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Measures the renderer on this machine and prints what it found. */
@Command(
    name = "ember bench",
    mixinStandardHelpOptions = true,
    description = "Measures the renderer on this machine: medians, with the least and the most.")
public final class Main implements Callable<Integer> {
  @Option(
      names = "--rounds",
      description = "repeats of each measurement (default ${DEFAULT-VALUE})")
  private int rounds = 7;

  @Option(
      names = "--only",
      split = ",",
      description =
          "of kernel, build, tracer, edits, sampling, lights, denoise, look, frames, noise,"
              + " forecast,"
              + " caustics, efficiency (variance times time), clean, mean (the amount of light"
              + " after denoising, also with othermean),"
              + " ladder (the same at each step of the page's picture, also with otherladder),"
              + " sharp (the steps of the page's picture; both on pictures nothing was tuned on:"
              + " other, othersharp)")
  private Set<String> only = new TreeSet<>();

  @Option(names = "--films", description = "folder where traced references are kept and found")
  private Path films;

  @Option(
      names = "--shoots",
      split = ",",
      description = "shoots of efficiency, clean, mean, ladder and sharp (default all)")
  private Set<String> shoots = new TreeSet<>();

  @Option(names = "--pictures", description = "folder for what each step of sharp shows")
  private Path pictures;

  @Option(names = "--out", description = "write all figures as JSON")
  private Path out;

  public static void main(String[] args) {
    System.exit(new CommandLine(new Main()).execute(args));
  }

  @Override
  public Integer call() throws Exception {
    if (rounds < 1) {
      System.err.println("ember: --rounds is 1 or more");
      return 2;
    }
    Map<String, Supplier<Map<String, Object>>> parts = new LinkedHashMap<>();
    parts.put("kernel", () -> KernelFigures.measured(rounds));
    parts.put("build", () -> BuildFigures.measured(rounds));
    parts.put("tracer", () -> TracerFigures.measured("armillary", rounds));
    parts.put("edits", () -> EditFigures.measured(rounds));
    parts.put("sampling", () -> SamplingFigures.measured(rounds));
    parts.put("lights", () -> ManyLightsFigures.measured(rounds));
    parts.put("denoise", () -> DenoiseFigures.measured(rounds));
    parts.put("look", () -> LookFigures.measured(rounds));
    parts.put("frames", () -> FrameFigures.measured(rounds));
    parts.put("noise", NoiseFigures::measured);
    parts.put("forecast", ForecastFigures::measured);
    parts.put("caustics", CausticFigures::measured);
    parts.put("efficiency", () -> EfficiencyFigures.measured(shoots));
    parts.put("clean", () -> CleanFigures.measured(shoots, films, false));
    parts.put("mean", () -> MeanFigures.measured(shoots, false));
    parts.put("othermean", () -> MeanFigures.measured(shoots, true));
    parts.put("ladder", () -> LadderFigures.measured(shoots, films, false));
    parts.put("otherladder", () -> LadderFigures.measured(shoots, films, true));
    parts.put("sharp", () -> SharpFigures.measured(shoots, films, false, pictures));
    parts.put("other", () -> CleanFigures.measured(shoots, films, true));
    parts.put("othersharp", () -> SharpFigures.measured(shoots, films, true, pictures));
    for (String part : only) {
      if (!parts.containsKey(part)) {
        System.err.println("ember: --only takes " + String.join(", ", parts.keySet()));
        return 2;
      }
    }
    Map<String, Object> all = new LinkedHashMap<>();
    all.put("machine", machine());
    for (var part : parts.entrySet()) {
      if (only.isEmpty() || only.contains(part.getKey())) {
        Map<String, Object> figures = part.getValue().get();
        all.put(part.getKey(), figures);
        System.out.println(part.getKey());
        print(figures, "  ");
      }
    }
    Runtime r = Runtime.getRuntime();
    all.put("heapMegabytesNow", (r.totalMemory() - r.freeMemory()) >> 20);
    if (out != null) {
      JsonMapper mapper = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
      Files.write(out, mapper.writeValueAsBytes(all));
    }
    return 0;
  }

  private static Map<String, Object> machine() {
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("java", System.getProperty("java.vm.name") + " " + Runtime.version());
    to.put("system", System.getProperty("os.name") + " " + System.getProperty("os.arch"));
    to.put("cores", Runtime.getRuntime().availableProcessors());
    to.put("heapMegabytes", Runtime.getRuntime().maxMemory() >> 20);
    return to;
  }

  private static void print(Map<?, ?> figures, String indent) {
    figures.forEach((name, value) -> {
      if (value instanceof Spread s) {
        System.out.printf(
            Locale.ROOT,
            "%s%-36s %10.3f   (%.3f to %.3f)%n",
            indent,
            name,
            s.median(),
            s.least(),
            s.most());
      } else if (value instanceof Map<?, ?> m) {
        System.out.println(indent + name);
        print(m, indent + "  ");
      } else if (value instanceof Double d) {
        System.out.printf(Locale.ROOT, "%s%-36s %10.3f%n", indent, name, d);
      } else {
        System.out.printf("%s%-36s %10s%n", indent, name, value);
      }
    });
  }
}
