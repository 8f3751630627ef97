package levelember.printing.order;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import levelember.document.ImpossibleValue;

/**
 * Names of a print's files by a pattern: text with {@code {shoot}}, {@code {shot}}, {@code {look}},
 * {@code {width}}, {@code {height}}, {@code {date}}, {@code {time}}, {@code {job}} and {@code
 * {frame}} in it, and slashes for folders below the folder of the order.
 */
public final class PrintName {
  /** The pattern when nothing is said. */
  public static final String USUAL = "{shoot}/{shot}-{width}x{height}";

  private static final Pattern FIELD = Pattern.compile("\\{([^{}]*)}");
  private static final int LONGEST = 120;

  private PrintName() {}

  /** What a pattern is filled with. */
  public record Values(
      String shoot,
      String shot,
      String look,
      int width,
      int height,
      LocalDateTime at,
      long job,
      String frame) {
    /** Of a still, or of all frames together. */
    public Values(
        String shoot, String shot, String look, int width, int height, LocalDateTime at, long job) {
      this(shoot, shot, look, width, height, at, job, "");
    }

    /** The same of one frame. */
    public Values ofFrame(int number) {
      return new Values(
          shoot, shot, look, width, height, at, job, String.format(Locale.ROOT, "%04d", number));
    }

    private Map<String, String> byField() {
      return Map.of(
          "shoot", plain(shoot),
          "shot", plain(shot),
          "look", plain(look),
          "width", Integer.toString(width),
          "height", Integer.toString(height),
          "date", DateTimeFormatter.ISO_LOCAL_DATE.format(at),
          "time", DateTimeFormatter.ofPattern("HHmm").format(at),
          "job", Long.toString(job),
          "frame", frame);
    }
  }

  /** Letters and digits of a name; everything else that files may not have becomes a hyphen. */
  private static String plain(String name) {
    String plain = name.trim().toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}._]+", "-");
    plain = plain.replaceAll("^[-.]+|[-.]+$", "");
    return plain.isEmpty() ? "print" : plain.substring(0, Math.min(LONGEST, plain.length()));
  }

  /** A pattern whose files of frames have their numbers: these come last where it has none. */
  public static String numbered(String pattern) {
    return pattern.contains("{frame}") ? pattern : pattern + "-{frame}";
  }

  /** The pattern of what frames make together: without their numbers and what parts these off. */
  public static String together(String pattern) {
    String plain = pattern.replaceAll("[-_. ]*\\{frame}", "");
    return plain.isBlank() || plain.endsWith("/") ? plain + "film" : plain;
  }

  /** The pattern of a further print of the same name: the number comes before that of the frame. */
  public static String again(String pattern, int number) {
    int frame = pattern.lastIndexOf("{frame}");
    if (frame < 0) {
      return pattern + "-" + number;
    }
    int at = frame;
    while (at > 0 && "-_. ".indexOf(pattern.charAt(at - 1)) >= 0) {
      at--;
    }
    boolean begins = at == 0 || pattern.charAt(at - 1) == '/';
    return begins
        ? pattern.substring(0, at) + number + "-" + pattern.substring(frame)
        : pattern.substring(0, at) + "-" + number + pattern.substring(at);
  }

  /**
   * The name of the files, without ending, within a folder.
   *
   * @throws ImpossibleValue when the pattern has an unknown field, or leads out of the folder
   */
  public static Path in(Path folder, String pattern, Values values) {
    Map<String, String> fields = values.byField();
    Matcher m = FIELD.matcher(pattern);
    StringBuilder name = new StringBuilder();
    while (m.find()) {
      String value = fields.get(m.group(1));
      if (value == null) {
        throw new ImpossibleValue(
            "pattern",
            m.group(),
            "one of {shoot}, {shot}, {look}, {width}, {height}, {date}, {time}, {job}, {frame}");
      }
      m.appendReplacement(name, Matcher.quoteReplacement(value));
    }
    m.appendTail(name);
    String text = name.toString();
    if (text.isBlank() || text.endsWith("/") || text.length() > 4 * LONGEST) {
      throw new ImpossibleValue("pattern", pattern, "the name of a file");
    }
    if (!text.matches("[^\\\\:*?\"<>|\\p{Cntrl}]*")) {
      throw new ImpossibleValue("pattern", pattern, "without \\ : * ? \" < > |");
    }
    try {
      Path base = folder.toAbsolutePath().normalize();
      Path to = base.resolve(text).normalize();
      if (Path.of(text).isAbsolute() || !to.startsWith(base) || to.equals(base)) {
        throw new ImpossibleValue("pattern", pattern, "a name that stays in the folder");
      }
      return to;
    } catch (InvalidPathException e) {
      throw new ImpossibleValue("pattern", pattern, "a name that this machine's files can have");
    }
  }
}
