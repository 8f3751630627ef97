package levelember.app.print;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import javax.imageio.ImageIO;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.movie.Movie;
import levelember.formats.movie.MovieFormat;
import levelember.measure.FlickerFinder;
import levelember.printing.film.FilmStore;
import levelember.printing.film.PrintFolder;
import levelember.printing.film.PrintProgress;
import levelember.printing.film.PrintWatch;
import levelember.printing.film.WholeFile;
import levelember.printing.frame.FramePrinter;
import levelember.printing.frame.SequenceFilter;
import levelember.printing.order.FrameOrder;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintName;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;

/**
 * The frames of a shoot that moves, being printed. Each is kept as soon as its files are written,
 * so that after any end of the process only the frame in hand is made again.
 */
final class FramesRun implements PrintWork {
  /** What the next frame needs of those before it, where they are mixed. */
  private static final String BEFORE = "before.bin";

  /** Frames after one that is made again that it is mixed into. */
  private static final int MIXED = 8;

  /** Times within a shutter at which two states of a shoot are compared. */
  private static final int SHUTTER_TIMES = 4;

  private final PrintMapper.Row row;
  private final Path folder;
  private final long memory;
  private final PrintFolders folders;
  private final PrintOrder order;
  private final ShootPackage pack;
  private final FinishedFrames marks;
  private final FrameForecast pace;
  private final SequenceFilter sequence;

  private volatile PrintProgress progress;
  private volatile String doing = "";
  private volatile byte[] picture;
  private volatile long pictures;
  private volatile double samples;
  private volatile double noise = Double.NaN;

  /** Takes up a job where it was left. */
  FramesRun(PrintMapper.Row row, Path folder, long memory, PrintFolders folders)
      throws IOException {
    this.row = row;
    this.folder = folder;
    this.memory = memory;
    this.folders = folders;
    order = PrintRun.order(row);
    pack = ShootPackage.read(Files.readAllBytes(folder.resolve(PrintRun.SHOOT)));
    marks = new FinishedFrames(folder);
    pace = new FrameForecast(row.tracedSeconds());
    sequence = new SequenceFilter(pack.shoot(), order.shot());
    picture = PrintRun.keptPicture(folder);
    samples = row.samples();
    noise = row.noise() == null ? Double.NaN : row.noise();
  }

  /** Whether an order is one of frames rather than of a still. */
  static boolean wantedBy(PrintOrder order) {
    FrameOrder frames = order.frames();
    return frames != null && (frames.count() > 1 || !frames.movies().isEmpty());
  }

  @Override
  public Job job() {
    return Job.of(row, order, folder);
  }

  @Override
  public long id() {
    return row.id();
  }

  @Override
  public int bandRows() {
    return order.height();
  }

  @Override
  public PrintProgress progress() {
    return progress;
  }

  @Override
  public String doing() {
    return doing;
  }

  @Override
  public double samples() {
    return samples;
  }

  @Override
  public double noise() {
    return noise;
  }

  @Override
  public double tracedSeconds() {
    return pace.tracedSeconds();
  }

  @Override
  public byte[] picture() {
    return picture;
  }

  @Override
  public long pictureRevision() {
    return pictures;
  }

  @Override
  public boolean trace(
      SeededRenderers renderers, BooleanSupplier stop, BooleanSupplier givesWay, Runnable told)
      throws IOException {
    FrameOrder frames = order.frames();
    List<Integer> left = new ArrayList<>();
    for (int frame : frames.inTurn()) {
      if (marks.files(frame).isEmpty()) {
        left.add(frame);
      }
    }
    FramePrinter printer = new FramePrinter(pack.files(), memory, FramesRun.class);
    printer.measureWith(sequence, frames.temporalFilter());
    int seed = Integer.MIN_VALUE;
    for (int i = 0; i < left.size(); i++) {
      int frame = left.get(i);
      if (seed != frames.seed(order.seed(), frame)) {
        seed = frames.seed(order.seed(), frame);
        printer.otherSeed();
      }
      doing = "frame " + frame;
      int open = left.size() - i;
      PrintWatch watch = watch(frames.count() - open, frames.count(), stop, givesWay, told);
      if (stop.getAsBoolean() || !printed(frame, printer, renderers, seed, watch)) {
        return false;
      }
      pace.made(left.size() - i - 1);
      progress = progress(frames.count() - open + 1, frames.count(), 0);
      told.run();
    }
    doing = "";
    return true;
  }

  private PrintWatch watch(
      int done, int all, BooleanSupplier stop, BooleanSupplier givesWay, Runnable told) {
    return PrintWatch.of(
        stop,
        givesWay,
        (band, now) -> {
          pace.tracing(now.tracedSeconds());
          samples = now.samples();
          noise = now.noise();
          progress = progress(done, all, now.done());
          told.run();
        },
        band -> {});
  }

  private PrintProgress progress(int done, int all, double part) {
    return new PrintProgress(
        (done + 0.9 * part) / all,
        samples,
        noise,
        pace.tracedSeconds(),
        pace.secondsLeft(part),
        pace.factor(),
        0,
        0);
  }

  /** Prints a frame and writes its files; false when it was stopped. */
  private boolean printed(
      int frame, FramePrinter printer, SeededRenderers renderers, int seed, PrintWatch watch)
      throws IOException {
    pace.begun();
    PrintOrder own = order.ofFrame(frame);
    FramePrinter.PrintedFrame printed =
        printer.print(
            FramePrinter.Frame.of(pack.shoot(), frame, own),
            own,
            (bands, kept) -> bands.count() == 1 ? FilmStore.NONE : onDisk(),
            film -> film.trace(renderers.of(seed), own.target(), watch));
    if (!printed.made().done()) {
      return false;
    }
    if (order.frames().temporalFilter()) {
      sequence.resume(folder.resolve(BEFORE), frame);
    }
    List<Path> written =
        printed.writeWithPicture(PrintPlaces.free(frameBase(frame), job(), folders));
    if (order.frames().temporalFilter()) {
      sequence.keep(folder.resolve(BEFORE));
    }
    marks.light(frame, printed.light());
    marks.done(frame, written, printed.encoded(PrintFormat.PNG));
    picture = printed.encoded(PrintFormat.JPEG);
    pictures++;
    return true;
  }

  /** Bands of a frame that is too large for memory. */
  private FilmStore onDisk() {
    try {
      Path film = folder.resolve("film");
      if (Files.exists(film)) {
        try (var all = Files.list(film)) {
          for (Path one : all.toList()) {
            Files.delete(one);
          }
        }
      }
      return new PrintFolder(film, Runtime.getRuntime().maxMemory() / 2);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private Path frameBase(int frame) {
    return PrintName.in(
        folders.files(order.folder()),
        PrintName.numbered(order.pattern()),
        values().ofFrame(frame));
  }

  private PrintName.Values values() {
    return PrintRun.values(
        order,
        pack.shoot(),
        row.created().atZoneSameInstant(ZoneId.systemDefault()).toLocalDateTime(),
        row.id());
  }

  @Override
  public boolean measure() throws IOException {
    for (int frame : order.frames().inTurn()) {
      if (!marks.files(frame).isEmpty()) {
        return true;
      }
    }
    return false;
  }

  /** Films of the frames that there are; the films first, then all frames' files. */
  @Override
  public List<Path> write(Path to) throws IOException {
    List<Path> frames = new ArrayList<>(), pictures = new ArrayList<>();
    for (int frame = order.frames().first(); frame <= order.frames().last(); frame++) {
      List<Path> files = marks.files(frame);
      if (!files.isEmpty()) {
        frames.addAll(files);
        pictures.add(marks.picture(frame));
      }
    }
    List<Path> all = new ArrayList<>();
    for (MovieFormat format : order.frames().movies()) {
      doing = "writing the film";
      if (!pictures.isEmpty()) {
        all.add(movie(format, to, pictures));
      }
    }
    doing = "";
    all.addAll(frames);
    return all;
  }

  private Path movie(MovieFormat format, Path to, List<Path> frames) throws IOException {
    Path file = to.resolveSibling(to.getFileName() + "." + format.ending());
    Path fresh = Path.of(WholeFile.fresh(to) + "." + format.ending());
    Files.createDirectories(file.getParent());
    double rate = pack.shoot().motion().framesPerSecond();
    try {
      try (Movie movie = format.open(fresh, rate, frames.size())) {
        for (Path frame : frames) {
          BufferedImage image = ImageIO.read(frame.toFile());
          movie.add(image);
        }
      }
      WholeFile.place(fresh, file);
    } finally {
      Files.deleteIfExists(fresh);
    }
    return file;
  }

  @Override
  public void keepPicture(boolean whole) throws IOException {
    if (picture != null) {
      PrintRun.keepPicture(folder, picture);
    }
  }

  @Override
  public Path base(PrintFolders of) {
    return PrintName.in(of.files(order.folder()), PrintName.together(order.pattern()), values());
  }

  /**
   * Takes another state of the shoot for a job that is not in hand: only frames that look other in
   * it are made again.
   *
   * @return how many those are
   */
  static int refresh(PrintMapper.Row row, Path folder, ShootPackage now) throws IOException {
    PrintOrder order = PrintRun.order(row);
    Path kept = folder.resolve(PrintRun.SHOOT);
    Shoot before = ShootPackage.read(Files.readAllBytes(kept)).shoot(), after = now.shoot();
    FinishedFrames marks = new FinishedFrames(folder);
    int stale = 0, touched = Integer.MIN_VALUE;
    for (int frame = order.frames().first(); frame <= order.frames().last(); frame++) {
      if (differs(before, after, frame)) {
        touched = frame;
      }
      if (touched == frame || order.frames().temporalFilter() && frame - touched <= MIXED) {
        marks.stale(frame);
      }
      stale += marks.files(frame).isEmpty() ? 1 : 0;
    }
    WholeFile.write(kept, now.write());
    return stale;
  }

  /** Whether two states of a shoot differ at a frame, at any time at which its shutter is open. */
  private static boolean differs(Shoot before, Shoot after, int frame) {
    double was = before.motion().seconds(frame), is = after.motion().seconds(frame);
    double[] open = before.motion().shutterTimes(was, SHUTTER_TIMES);
    double[] opens = after.motion().shutterTimes(is, SHUTTER_TIMES);
    boolean differs = differs(before, was, after, is) || open.length != opens.length;
    for (int i = 0; !differs && i < open.length; i++) {
      differs = differs(before, open[i], after, opens[i]);
    }
    return differs;
  }

  private static boolean differs(Shoot before, double was, Shoot after, double is) {
    return !still(ShootAtTime.of(before, was)).equals(still(ShootAtTime.of(after, is)));
  }

  private static Shoot still(Shoot shoot) {
    return shoot.with(levelember.shoot.motion.Motion.NONE);
  }

  /** What is known of the light of a job's frames, in their order. */
  static List<FlickerFinder.FrameLight> lights(PrintOrder order, Path folder) throws IOException {
    FinishedFrames marks = new FinishedFrames(folder);
    List<FlickerFinder.FrameLight> to = new ArrayList<>();
    for (int frame = order.frames().first(); frame <= order.frames().last(); frame++) {
      FlickerFinder.FrameLight light = marks.light(frame);
      if (light != null && !marks.files(frame).isEmpty()) {
        to.add(light);
      }
    }
    return to;
  }
}
