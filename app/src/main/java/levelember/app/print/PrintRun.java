package levelember.app.print;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import levelember.film.Component;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.printing.film.Bands;
import levelember.printing.film.PrintFilm;
import levelember.printing.film.PrintFolder;
import levelember.printing.film.PrintProgress;
import levelember.printing.film.PrintWatch;
import levelember.printing.film.WholeFile;
import levelember.printing.frame.PrintFiles;
import levelember.printing.frame.PrintText;
import levelember.printing.order.PrintName;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.printing.order.ShutterMoments;
import levelember.scene.ShutterViews;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;
import levelember.texture.Luts;
import tools.jackson.databind.json.JsonMapper;

/** One job being printed: its shoot, its film and its picture as far as they are. */
final class PrintRun implements PrintWork {
  /** File of a job's shoot in its folder. */
  static final String SHOOT = "shoot.ember";

  private static final String PICTURE = "picture.jpg";
  private static final long PREVIEW_NANOS = 1_500_000_000L;

  private final PrintMapper.Row row;
  private final Path folder;
  private final PrintOrder order;
  private final ShootPackage pack;
  private final Shoot shoot;
  private final Shot shot;
  private final float[] weights;
  private final PrintPreview preview;
  private final PrintFilm film;
  private volatile PrintProgress progress;
  private volatile String doing = "";
  private long previewNanos;

  /**
   * Takes up a job where it was left.
   *
   * @param memory bytes for the film of a band, where the job has none yet
   */
  PrintRun(PrintMapper.Row row, Path folder, long memory) throws IOException {
    this.row = row;
    this.folder = folder;
    order = order(row);
    doing = "preparing the set";
    pack = ShootPackage.read(Files.readAllBytes(folder.resolve(SHOOT)));
    shoot = atItsTime(pack.shoot());
    shot = shoot.shot(order.shot()).orElseThrow().withCutOut(order.cutOut());
    weights = LayerWeights.of(shoot);
    Look look = shoot.lookOf(shot);
    preview =
        new PrintPreview(
            order.width(), order.height(), weights, new Development(look, pack.files().luts()));
    View view = View.of(shoot, shot, pack.files());
    Set<Component> kept = PrintPass.components(order.passes());
    Bands bands =
        row.bandRows() > 0
            ? new Bands(order.width(), order.height(), row.bandRows())
            : Bands.of(order.width(), order.height(), view.layers(), kept, memory);
    film =
        new PrintFilm(
            view,
            bands,
            kept,
            new PrintFolder(folder.resolve("film"), Runtime.getRuntime().maxMemory() / 2),
            weights,
            DisplayCurve.fullScale(look.ev()));
    film.setShutter(ShutterViews.during(view, shot, moments(pack.shoot()), pack.files()));
    film.resumedAfter(row.tracedSeconds());
  }

  /** The shoot as it is at the frame that is ordered, or at rest. */
  private Shoot atItsTime(Shoot of) {
    return order.frames() == null
        ? of
        : ShootAtTime.of(of, of.motion().seconds(order.frames().first()));
  }

  private List<ShutterViews.Moment> moments(Shoot of) {
    return order.frames() == null
        ? List.of()
        : ShutterMoments.of(of, of.motion().seconds(order.frames().first()), order, s -> s);
  }

  @Override
  public Job job() {
    return Job.of(row, order, folder);
  }

  /** The order of a job. */
  static PrintOrder order(PrintMapper.Row row) {
    return JsonMapper.shared().readValue(row.printOrder(), PrintOrder.class);
  }

  @Override
  public long id() {
    return row.id();
  }

  @Override
  public int bandRows() {
    return film.bands().rows();
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
  public byte[] picture() {
    return preview.jpeg();
  }

  @Override
  public long pictureRevision() {
    return preview.revision();
  }

  @Override
  public double samples() {
    return film.samples();
  }

  @Override
  public double noise() {
    return film.noise();
  }

  @Override
  public double tracedSeconds() {
    return film.tracedSeconds();
  }

  @Override
  public boolean trace(
      SeededRenderers renderers, BooleanSupplier stop, BooleanSupplier givesWay, Runnable told) {
    Renderer renderer = renderers.of(order.seed());
    if (row.tracedSeconds() == 0) {
      doing = "";
      coarse(renderer, stop);
    } else {
      doing = "reading what was traced";
      film.measure(preview::take);
      doing = "";
    }
    return film.trace(
        renderer,
        order.target(),
        PrintWatch.of(
            stop,
            givesWay,
            (band, now) -> {
              progress = now;
              if (System.nanoTime() - previewNanos > PREVIEW_NANOS) {
                preview.take(band);
                previewNanos = System.nanoTime();
              }
              told.run();
            },
            preview::take));
  }

  /** The whole frame at once, small, so that it can be judged while its pixels are traced. */
  private void coarse(Renderer renderer, BooleanSupplier stop) {
    Film small = new Film(preview.width(), preview.height(), film.view().layers());
    for (int samples = 1; samples <= 2 && !stop.getAsBoolean(); samples++) {
      renderer.trace(film.view(), small, samples, stop);
      preview.coarse(small);
    }
  }

  @Override
  public boolean measure() {
    film.measure(preview::take);
    return film.samples() > 0;
  }

  @Override
  public List<Path> write(Path to) throws IOException {
    return write(to, shoot, shoot.lookOf(shot), pack.files().luts(), weights);
  }

  /**
   * Writes files with other levels and another look.
   *
   * @param now the shoot with the levels, whose lights are found by their ids
   */
  List<Path> developed(Path to, Shoot now, Luts luts) throws IOException {
    Shoot by = atItsTime(now);
    float[] other = new float[weights.length];
    List<String> ids = by.lights().stream().map(l -> l.id()).toList();
    float[] theirs = LayerWeights.of(by);
    for (int k = 0; k < shoot.lights().size(); k++) {
      int from = ids.indexOf(shoot.lights().get(k).id());
      if (from >= 0) {
        System.arraycopy(theirs, 3 * from, other, 3 * k, 3);
      }
    }
    Look look = by.shot(order.shot()).map(by::lookOf).orElseGet(() -> shoot.lookOf(shot));
    return write(to, shoot, look, luts, other);
  }

  private List<Path> write(Path to, Shoot by, Look look, Luts luts, float[] levels)
      throws IOException {
    doing = "writing files";
    Map<String, String> text = PrintText.of(PrintRun.class, film, by, shot, look, order);
    PrintFiles print = new PrintFiles(film, by, look, luts, order, levels, text);
    if (order.frames() != null) {
      Shoot of = pack.shoot();
      Shoot next = ShootAtTime.of(of, of.motion().seconds(order.frames().first() + 1));
      print.moving(next, next.shot(order.shot()).orElseThrow());
    }
    List<Path> files = print.write(to);
    doing = "";
    return files;
  }

  @Override
  public void keepPicture(boolean whole) throws IOException {
    if (whole) {
      film.measure(preview::take);
    }
    keepPicture(folder, preview.jpeg());
  }

  /** Keeps a picture of a job. */
  static void keepPicture(Path folder, byte[] jpeg) throws IOException {
    if (jpeg != null) {
      WholeFile.write(folder.resolve(PICTURE), jpeg);
    }
  }

  /** The kept picture of a job, or null. */
  static byte[] keptPicture(Path folder) throws IOException {
    Path kept = folder.resolve(PICTURE);
    return Files.exists(kept) ? Files.readAllBytes(kept) : null;
  }

  /** What the name of its files is filled with. */
  static PrintName.Values values(PrintOrder order, Shoot shoot, LocalDateTime at, long job) {
    Shot shot = shoot.shot(order.shot()).orElseThrow();
    PrintName.Values values =
        new PrintName.Values(
            shoot.name(),
            shot.name(),
            shoot.lookOf(shot).name(),
            order.width(),
            order.height(),
            at,
            job);
    return order.frames() == null ? values : values.ofFrame(order.frames().first());
  }

  @Override
  public Path base(PrintFolders folders) {
    LocalDateTime at = row.created().atZoneSameInstant(ZoneId.systemDefault()).toLocalDateTime();
    return PrintName.in(
        folders.files(order.folder()), order.pattern(), values(order, shoot, at, row.id()));
  }
}
