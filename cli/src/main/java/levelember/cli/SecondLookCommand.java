package levelember.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import levelember.findings.SecondLook;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import tools.jackson.databind.json.JsonMapper;

/** Looks a shot over for what is probably not meant, and mends it. */
@Command(
    name = "second-look",
    description =
        "Prints what is probably not meant in the light of a shot, as JSON; with --mend the first"
            + " mend of each finding is made, what matters most first.",
    mixinStandardHelpOptions = true)
final class SecondLookCommand implements Callable<Integer> {
  private static final int MOST_MENDS = 50;

  @Spec private CommandSpec spec;
  @Mixin private SmallPicture picture = new SmallPicture();

  @Option(names = "--mend", description = "makes the first mend of each finding")
  private boolean mend;

  @Option(names = "--out", paramLabel = "FILE", description = "where the mended shoot is written")
  private Path out;

  @Override
  public Integer call() throws Exception {
    picture.trace(spec.commandLine());
    List<Finding> found = look();
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("shot", picture.shot().name());
    to.put("findings", found.stream().map(SecondLookCommand::shown).toList());
    if (mend) {
      List<String> made = new ArrayList<>();
      List<Finding> left = mended(found, made);
      to.put("mended", made);
      to.put("left", left.stream().map(Finding::what).toList());
      if (out != null) {
        picture.write(picture.view().shoot(), out);
      }
    }
    spec.commandLine()
        .getOut()
        .println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(to));
    return 0;
  }

  /** Findings that are not silenced. */
  private List<Finding> look() {
    Set<String> silenced = new HashSet<>();
    picture.view().shoot().meter().silenced().forEach(s -> silenced.add(s.finding()));
    Inspection in =
        new Inspection(
            picture.view(), picture.shot(), picture.film(), picture.film(), picture.pack().files());
    return SecondLook.at(in).stream().filter(f -> !silenced.contains(f.key())).toList();
  }

  private static Map<String, Object> shown(Finding finding) {
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("finding", finding.key());
    to.put("weight", finding.weight());
    to.put("what", finding.what());
    to.put("why", finding.why());
    to.put("mends", finding.mends().stream().map(Finding.Mend::text).toList());
    return to;
  }

  /** Mends one finding after the other; the picture is traced anew after each. */
  private List<Finding> mended(List<Finding> found, List<String> made) {
    List<Finding> left = found;
    for (int i = 0; i < MOST_MENDS; i++) {
      Optional<Finding> next = left.stream().filter(f -> !f.mends().isEmpty()).findFirst();
      if (next.isEmpty()) {
        break;
      }
      Finding.Mend first = next.get().mends().getFirst();
      made.add(first.text());
      picture.again(first.after());
      left = look();
    }
    return left;
  }
}
