package levelember.printing.order;

import com.fasterxml.jackson.annotation.JsonProperty;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import levelember.document.ImpossibleValue;
import levelember.formats.Limits;
import levelember.formats.exr.ExrWriter;
import levelember.printing.film.PrintTarget;
import org.jspecify.annotations.Nullable;

/**
 * What is ordered of a shot.
 *
 * @param shot id of the shot
 * @param width pixels, 1…16384
 * @param height pixels, 1…16384
 * @param samples of a pixel, 1…1000000; the most where a noise or a time is wanted
 * @param noisePercent of the picture, 0…100; 0 for even samples
 * @param minutes of tracing after which it ends, 0…100000; 0 for as long as it takes
 * @param denoise takes the rest of the noise out of the picture and of the light passes
 * @param cutOut leaves out what lies behind the set, and gives an alpha
 * @param lightLevels passes of lights and banks as the desk has them; else every light at its own
 *     brightness, without levels, mutes, solos and banks
 * @param occlusionMetres within which surfaces occlude each other in that pass, more than 0
 * @param passes besides the picture, in OpenEXR
 * @param filePerPass writes every pass into a file of its own
 * @param formats at least one
 * @param exrDepth of the channels of light; ids, depth and position are always floats
 * @param folder where files go: absolute, or within the application's folder of prints
 * @param pattern of their names, see {@link PrintName}
 * @param seed other seeds give other noise
 * @param frames of a shoot that moves, or null for a still of it at rest
 */
@RecordBuilder
public record PrintOrder(
    String shot,
    int width,
    int height,
    int samples,
    double noisePercent,
    double minutes,
    boolean denoise,
    boolean cutOut,
    boolean lightLevels,
    double occlusionMetres,
    SortedSet<PrintPass> passes,
    boolean filePerPass,
    SortedSet<PrintFormat> formats,
    ExrDepth exrDepth,
    ExrPacking exrPacking,
    String folder,
    String pattern,
    int seed,
    @Nullable FrameOrder frames)
    implements PrintOrderBuilder.With {
  private static final int MOST_SIDE = 16384;

  /** How channels of light are kept in OpenEXR. */
  public enum ExrDepth {
    @JsonProperty("half")
    HALF,
    @JsonProperty("float")
    FLOAT;

    public ExrWriter.Depth depth() {
      return this == HALF ? ExrWriter.Depth.HALF : ExrWriter.Depth.FLOAT;
    }
  }

  /** How OpenEXR is packed, without loss. */
  public enum ExrPacking {
    @JsonProperty("none")
    NONE,
    @JsonProperty("zip")
    ZIP,
    @JsonProperty("piz")
    PIZ;

    public ExrWriter.Packing packing() {
      return ExrWriter.Packing.valueOf(name());
    }
  }

  /** A picture of a shot as PNG, of even samples, as the shot is at rest. */
  public static PrintOrder still(String shot, int width, int height, int samples) {
    return new PrintOrder(
        shot,
        width,
        height,
        samples,
        0,
        0,
        false,
        false,
        true,
        1,
        new TreeSet<>(),
        false,
        new TreeSet<>(List.of(PrintFormat.PNG)),
        ExrDepth.HALF,
        ExrPacking.ZIP,
        "",
        PrintName.USUAL,
        1,
        null);
  }

  public PrintOrder {
    range("width", width, 1, MOST_SIDE);
    range("height", height, 1, MOST_SIDE);
    if ((long) width * height > Limits.MOST_PIXELS) {
      throw new ImpossibleValue(
          "size", width + "×" + height, "at most " + Limits.MOST_PIXELS + " pixels");
    }
    range("samples", samples, 1, 1_000_000);
    range("noisePercent", noisePercent, 0, 100);
    range("minutes", minutes, 0, 100_000);
    range("occlusionMetres", occlusionMetres, 1e-4, 1000);
    passes = passes == null ? new TreeSet<>() : new TreeSet<>(passes);
    formats = formats == null ? new TreeSet<>() : new TreeSet<>(formats);
    if (formats.isEmpty()) {
      throw new ImpossibleValue("formats", "none", "one or more");
    }
    if (!passes.isEmpty() && !formats.contains(PrintFormat.EXR)) {
      throw new ImpossibleValue("passes", passes, "none without OpenEXR among the formats");
    }
    if (frames != null && frames.temporalFilter() && !denoise) {
      throw new ImpossibleValue(
          "frames.temporalFilter", true, "false where frames are not denoised");
    }
    exrDepth = exrDepth == null ? ExrDepth.HALF : exrDepth;
    exrPacking = exrPacking == null ? ExrPacking.ZIP : exrPacking;
    folder = folder == null ? "" : folder;
    pattern = pattern == null || pattern.isBlank() ? PrintName.USUAL : pattern;
  }

  private static void range(String field, double value, double least, double most) {
    if (!(value >= least && value <= most)) {
      throw new ImpossibleValue(field, value, least + " to " + most);
    }
  }

  /** When it is done. */
  public PrintTarget target() {
    return new PrintTarget(samples, noisePercent / 100, 60 * minutes);
  }

  /** The same order with another target. */
  public PrintOrder withTarget(int mostSamples, double noise, double moreMinutes) {
    return with(o -> o.samples(mostSamples).noisePercent(noise).minutes(moreMinutes));
  }

  /** The order of one frame of it. */
  public PrintOrder ofFrame(int frame) {
    return with(o -> o.seed(frames.seed(seed, frame)).frames(null));
  }

  /** Whether a format that needs the whole picture in memory is among the formats. */
  public boolean whole() {
    return formats.stream().anyMatch(PrintFormat::whole);
  }

  public Set<PrintPass> ofSurface() {
    SortedSet<PrintPass> to = new TreeSet<>(passes);
    to.removeIf(p -> !p.ofSurface());
    return to;
  }
}
