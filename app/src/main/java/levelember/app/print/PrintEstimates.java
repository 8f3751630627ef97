package levelember.app.print;

import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import levelember.app.problem.Refusal;
import levelember.app.storage.DiskSpace;
import levelember.denoise.Denoiser;
import levelember.document.ImpossibleValue;
import levelember.formats.movie.MovieFormat;
import levelember.printing.film.Bands;
import levelember.printing.frame.PrintPicture;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintName;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.shoot.Shoot;
import org.springframework.stereotype.Component;

/** What orders of prints would take, and why they cannot be taken. */
@Component
class PrintEstimates {
  /** Room on the disk, of what a print is expected to take, that must be free. */
  private static final double ROOM = 1.1;

  /** Of a file of a frame, at the most of usual ones. */
  private static final int BYTES_A_PIXEL = 3;

  private final PrintMapper mapper;
  private final PrintFolders folders;
  private final PrintQueue queue;
  private final DiskSpace space;

  PrintEstimates(PrintMapper mapper, PrintFolders folders, PrintQueue queue, DiskSpace space) {
    this.mapper = mapper;
    this.folders = folders;
    this.queue = queue;
    this.space = space;
  }

  /**
   * What an order would take.
   *
   * @param names of the first shot's files, in full
   * @param filmBytes on the disk for the film
   * @param memoryBytes for the film of a band, for denoising it, and for the picture where one must
   *     be whole
   * @param bands in which it is traced: 1 shows the whole frame at once, more fill it band by band
   * @param problems why it cannot be taken as it is; empty when it can
   */
  record Estimate(
      List<String> names, long filmBytes, long memoryBytes, int bands, List<String> problems) {}

  /** What an order of a shoot would take, and what is wrong with it. */
  Estimate estimate(Shoot of, PrintOrder ordered) {
    PrintOrder order = ordered;
    if (of.shot(order.shot()).isEmpty()) {
      throw Refusal.missing("There is no shot '" + order.shot() + "'.");
    }
    List<String> problems = new ArrayList<>();
    List<String> names = new ArrayList<>();
    try {
      order = withFreeNames(of, order);
      if (FramesRun.wantedBy(order)) {
        for (MovieFormat movie : order.frames().movies()) {
          names.add(base(of, order, PrintName.together(order.pattern())) + "." + movie.ending());
        }
      }
      for (PrintFormat format : order.formats()) {
        boolean second = format == PrintFormat.PNG16 && order.formats().contains(PrintFormat.PNG);
        names.add(base(of, order) + (second ? "-16." : ".") + format.ending());
      }
      folders.writable(base(of, order), order.folder());
    } catch (ImpossibleValue | Refusal e) {
      problems.add(e.getMessage());
    }
    problems.addAll(taken(of, ordered));
    long pixels = (long) order.width() * order.height();
    var kept = PrintPass.components(order.passes());
    Bands bands = Bands.of(order.width(), order.height(), of.lights().size(), kept, queue.memory());
    boolean frames = FramesRun.wantedBy(order);
    long oneFilm = Bands.bytes(pixels, of.lights().size(), kept);
    long band = oneFilm / order.height() * bands.rows();
    long denoising =
        order.denoise()
            ? Denoiser.bytes((long) order.width() * bands.rows(), of.lights().size())
            : 0;
    // Frames keep no films; what they take is their files.
    long film =
        frames
            ? order.frames().count() * pixels * BYTES_A_PIXEL * (1 + order.formats().size())
            : oneFilm;
    long whole =
        order.formats().stream().anyMatch(f -> f != PrintFormat.EXR)
            ? PrintPicture.bytes(pixels)
            : 0;
    long heap = Runtime.getRuntime().maxMemory();
    long memory = band + denoising + whole;
    if (memory > 0.7 * heap) {
      problems.add(
          "It would take %,d MB of memory; %,d MB can be given to it. OpenEXR alone takes less%s, and"
                  .formatted(
                      memory >> 20,
                      (long) (0.7 * heap) >> 20,
                      denoising > 0 ? ", and so do pictures that are not denoised" : "")
              + " EMBER_MEMORY_PERCENT gives the application more.");
    }
    if (ROOM * film + 12 * pixels > space.freeBytes()) {
      problems.add(
          "Its %s %,d MB on the disk; %,d MB are free."
              .formatted(
                  frames ? "frames take" : "film takes", film >> 20, space.freeBytes() >> 20));
    }
    return new Estimate(names, film, memory, bands.count(), problems);
  }

  /** The order with names that no file has yet: a number is added to them where one has. */
  PrintOrder withFreeNames(Shoot of, PrintOrder order) {
    List<UnaryOperator<String>> patterns = new ArrayList<>();
    patterns.add(PrintName::together);
    PrintOrder named = order;
    if (FramesRun.wantedBy(order)) {
      for (int frame : order.frames().inTurn()) {
        String number = String.format(Locale.ROOT, "%04d", frame);
        patterns.add(p -> PrintName.numbered(p).replace("{frame}", number));
      }
    }
    String free = PrintPlaces.freePattern(order, patterns, p -> base(of, named, p));
    return free.equals(order.pattern()) ? order : order.with(o -> o.pattern(free));
  }

  private Path base(Shoot shoot, PrintOrder order) {
    boolean frames = FramesRun.wantedBy(order);
    String pattern = frames ? PrintName.numbered(order.pattern()) : order.pattern();
    return base(shoot, order, pattern);
  }

  private Path base(Shoot shoot, PrintOrder order, String pattern) {
    return PrintName.in(
        folders.files(order.folder()),
        pattern,
        PrintRun.values(order, shoot, LocalDateTime.now(), nextNumber()));
  }

  private long nextNumber() {
    return mapper.all().stream().mapToLong(PrintMapper.Row::id).max().orElse(0) + 1;
  }

  /** Other jobs that would write files of the same name. */
  private List<String> taken(Shoot shoot, PrintOrder order) {
    if (order.pattern().contains("{job}") || order.pattern().contains("{time}")) {
      return List.of();
    }
    List<String> to = new ArrayList<>();
    for (PrintMapper.Row row : mapper.all()) {
      PrintState state = PrintState.of(row.state());
      if (state == PrintState.DONE || state == PrintState.STOPPED) {
        continue;
      }
      PrintOrder other = PrintRun.order(row);
      if (other.folder().equals(order.folder())
          && other.pattern().equals(order.pattern())
          && other.width() == order.width()
          && other.height() == order.height()
          && row.shootName().equals(shoot.name())
          && (other.shot().equals(order.shot()) || !order.pattern().contains("{shot}"))) {
        to.add("Print " + row.id() + " in the queue writes files of the same name.");
      }
    }
    return to;
  }
}
