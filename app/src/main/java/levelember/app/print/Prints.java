package levelember.app.print;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.app.storage.DiskSpace;
import levelember.formats.exchange.ShootPackage;
import levelember.look.Development;
import levelember.measure.FlickerFinder;
import levelember.printing.film.PrintProgress;
import levelember.printing.film.WholeFile;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Orders of prints: checked before they are taken, and changed while they wait. */
@Service
class Prints {
  private final PrintEstimates estimates;
  private final PrintMapper mapper;
  private final PrintFolders folders;
  private final PrintQueue queue;
  private final Shoots shoots;
  private final DiskSpace space;
  private final TransactionTemplate transaction;

  Prints(
      PrintEstimates estimates,
      PrintMapper mapper,
      PrintFolders folders,
      PrintQueue queue,
      Shoots shoots,
      DiskSpace space,
      TransactionTemplate transaction) {
    this.estimates = estimates;
    this.mapper = mapper;
    this.folders = folders;
    this.queue = queue;
    this.shoots = shoots;
    this.space = space;
    this.transaction = transaction;
  }

  /**
   * A job.
   *
   * @param done share of its work, 0…1
   * @param noisePercent of the picture, or null while it has none
   * @param secondsLeft of tracing, or null before it can be told
   * @param factor by which that may be longer or shorter
   * @param doing what it does besides tracing, or what it waits for; else null
   * @param detail why it failed, or null
   * @param filmBytes that it takes in the data folder
   * @param picture changes when its picture does
   */
  record Job(
      long id,
      String shoot,
      String shootName,
      String shotName,
      PrintOrder order,
      PrintState state,
      long place,
      String created,
      @Nullable String ended,
      double done,
      double samples,
      @Nullable Double noisePercent,
      double tracedSeconds,
      @Nullable Double secondsLeft,
      @Nullable Double factor,
      @Nullable String doing,
      @Nullable String detail,
      List<String> files,
      long filmBytes,
      long picture) {}

  List<Job> all() {
    List<Job> to = new ArrayList<>();
    String before = null;
    List<PrintMapper.Row> rows = mapper.all();
    for (PrintMapper.Row row : rows) {
      if (row.state().equals(PrintState.PRINTING.word())) {
        before = row.shootName() + " · " + row.shotName();
      }
    }
    for (PrintMapper.Row row : rows) {
      to.add(job(row, before));
    }
    return to;
  }

  Job one(long id) {
    return job(row(id), null);
  }

  private PrintMapper.Row row(long id) {
    PrintMapper.Row row = mapper.one(id);
    if (row == null) {
      throw Refusal.missing("There is no print " + id + ".");
    }
    return row;
  }

  private Job job(PrintMapper.Row row, String before) {
    PrintState state = PrintState.of(row.state());
    PrintWork run = queue.running(row.id()).orElse(null);
    PrintProgress p = run == null ? null : run.progress();
    double noise = p != null ? p.noise() : row.noise() == null ? Double.NaN : row.noise();
    String doing =
        run != null
            ? run.doing().isEmpty() ? null : run.doing()
            : switch (state) {
              case WAITING -> waitsFor(before);
              case PRINTING -> space.obstacle() == null ? "preparing the set" : space.obstacle();
              default -> null;
            };
    return new Job(
        row.id(),
        row.shoot(),
        row.shootName(),
        row.shotName(),
        PrintRun.order(row),
        state,
        row.place(),
        row.created().toInstant().toString(),
        row.ended() == null ? null : row.ended().toInstant().toString(),
        p == null ? row.done() : p.done(),
        p == null ? row.samples() : p.samples(),
        Double.isFinite(noise) ? 100 * noise : null,
        p == null ? row.tracedSeconds() : p.tracedSeconds(),
        p == null || !Double.isFinite(p.secondsLeft()) ? null : p.secondsLeft(),
        p == null ? null : p.factor(),
        doing,
        row.detail(),
        JsonMapper.shared().readerForListOf(String.class).readValue(row.files()),
        folders.bytes(row.folder()),
        run == null ? 0 : run.pictureRevision());
  }

  private String waitsFor(String before) {
    String obstacle = space.obstacle();
    return obstacle != null ? obstacle : before == null ? null : "waits for " + before;
  }

  /** What an order of a shoot would take, and what is wrong with it. */
  PrintEstimates.Estimate estimate(String shoot, PrintOrder order) {
    return estimates.estimate(shoots.shoot(shoot), order);
  }

  /** Takes an order of a shoot as it is now; answers the job. */
  Job order(String shoot, PrintOrder order) {
    Shoot of = shoots.shoot(shoot);
    Shot shot =
        of.shot(order.shot())
            .orElseThrow(() -> Refusal.missing("There is no shot '" + order.shot() + "'."));
    space.check();
    PrintEstimates.Estimate estimate = estimates.estimate(of, order);
    if (!estimate.problems().isEmpty()) {
      throw refused(String.join(" ", estimate.problems()));
    }
    ShootPackage pack = shoots.pack(shoot);
    // A LUT or picture that is not there is said now and not after hours.
    new Development(of.lookOf(shot), pack.files().luts());
    String folder = folders.fresh();
    try {
      WholeFile.write(folders.job(folder).resolve(PrintRun.SHOOT), pack.write());
    } catch (IOException e) {
      folders.delete(folder);
      throw DiskSpace.notKept("The order could not be kept. " + PrintFailure.said(e));
    }
    PrintMapper.Fresh fresh =
        new PrintMapper.Fresh(
            folder,
            shoot,
            of.name(),
            shot.name(),
            JsonMapper.shared().writeValueAsString(estimates.withFreeNames(of, order)),
            mapper.lastPlace() + 1);
    transaction.executeWithoutResult(s -> mapper.insert(fresh));
    queue.changed();
    return one(fresh.id);
  }

  private static Refusal refused(String why) {
    return new Refusal(
        HttpStatus.CONFLICT, "order", why, "Nothing was ordered.", "Change the order.");
  }

  /** What can be done with a job. */
  enum Action {
    PAUSE,
    RESUME,
    STOP,
    RETRY,
    FIRST
  }

  /** Does something with a job. */
  Job act(long id, Action action) {
    PrintMapper.Row row = row(id);
    PrintState state = PrintState.of(row.state());
    boolean open = state == PrintState.WAITING || state == PrintState.PRINTING;
    switch (action) {
      case PAUSE -> require(open, "Only a job that waits or prints can be paused.");
      case RESUME -> require(state == PrintState.PAUSED, "Only a paused job can go on.");
      case STOP ->
          require(
              open || state == PrintState.PAUSED, "Only a job that is not ended can be stopped.");
      case RETRY ->
          require(
              state == PrintState.FAILED || state == PrintState.STOPPED,
              "Only a job that failed or was stopped can be tried again.");
      case FIRST -> require(open, "Only a job that waits can be moved.");
    }
    transaction.executeWithoutResult(s -> {
      switch (action) {
        case PAUSE -> mapper.state(id, PrintState.PAUSED.word(), null);
        case RESUME, RETRY -> mapper.state(id, PrintState.WAITING.word(), null);
        case STOP -> mapper.state(id, PrintState.STOPPING.word(), null);
        case FIRST -> {
          mapper.place(id, mapper.firstPlace() - 1);
          if (state == PrintState.WAITING) {
            mapper.waiting();
          }
        }
      }
    });
    queue.changed();
    return one(id);
  }

  private static void require(boolean holds, String why) {
    if (!holds) {
      throw new Refusal(
          HttpStatus.CONFLICT, "state", why, "The job is as it was.", "Look at the queue again.");
    }
  }

  /** Prints an ended job further, from what it has. */
  Job further(long id, int samples, double noisePercent, double minutes) {
    PrintMapper.Row row = row(id);
    PrintState state = PrintState.of(row.state());
    require(
        state == PrintState.DONE || state == PrintState.STOPPED || state == PrintState.PAUSED,
        "Only a job that has ended or rests can be printed further.");
    stillOnly(row);
    PrintOrder next = PrintRun.order(row).withTarget(samples, noisePercent, minutes);
    transaction.executeWithoutResult(s -> {
      mapper.order(id, JsonMapper.shared().writeValueAsString(next));
      mapper.place(id, mapper.lastPlace() + 1);
      mapper.state(id, PrintState.WAITING.word(), null);
    });
    queue.changed();
    return one(id);
  }

  /** Writes the files of a job anew with the levels and looks that its shoot has now. */
  List<String> develop(long id) {
    PrintMapper.Row row = row(id);
    require(queue.running(id).isEmpty(), "The job is being printed; pause or stop it first.");
    stillOnly(row);
    ShootPackage now = shoots.pack(row.shoot());
    try {
      PrintRun run = new PrintRun(row, folders.job(row.folder()), queue.memory());
      require(run.measure(), "Nothing is traced of it yet.");
      Path base = run.base(folders);
      folders.writable(base, run.job().order().folder());
      Path fresh = free(base);
      List<String> files =
          run.developed(fresh, now.shoot(), now.files().luts()).stream()
              .map(Path::toString)
              .toList();
      List<String> all = new ArrayList<>(one(id).files());
      all.addAll(files);
      transaction.executeWithoutResult(
          s -> mapper.files(id, JsonMapper.shared().writeValueAsString(all)));
      return files;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void stillOnly(PrintMapper.Row row) {
    require(
        !FramesRun.wantedBy(PrintRun.order(row)),
        "Frames keep no films: print again what has changed in the shoot, or order anew.");
  }

  /** Prints frames again that look other in the shoot as it is now; answers the job. */
  Job refresh(long id) {
    PrintMapper.Row row = row(id);
    require(FramesRun.wantedBy(PrintRun.order(row)), "Only frames can be printed again.");
    require(queue.running(id).isEmpty(), "The job is being printed; pause or stop it first.");
    try {
      FramesRun.refresh(row, folders.job(row.folder()), shoots.pack(row.shoot()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    transaction.executeWithoutResult(s -> {
      mapper.place(id, mapper.lastPlace() + 1);
      mapper.state(id, PrintState.WAITING.word(), null);
    });
    queue.changed();
    return one(id);
  }

  /**
   * How much frames flicker.
   *
   * @param frames that were measured
   * @param perFrame temporal noise before the temporal filter, 1 for 100 percent
   * @param filtered the same after it
   * @param lights that flicker, the worst first
   */
  record FrameFlicker(
      int frames, double perFrame, double filtered, List<FlickerFinder.Flicker> lights) {}

  /** Looks for flicker in the frames of a job that are done. */
  FrameFlicker flicker(long id) {
    PrintMapper.Row row = row(id);
    PrintOrder order = PrintRun.order(row);
    require(FramesRun.wantedBy(order), "Only frames can flicker.");
    try {
      Path folder = folders.job(row.folder());
      Shoot shoot = ShootPackage.read(Files.readAllBytes(folder.resolve(PrintRun.SHOOT))).shoot();
      List<FlickerFinder.FrameLight> lights = FramesRun.lights(order, folder);
      return new FrameFlicker(
          lights.size(),
          FlickerFinder.noise(lights, false),
          FlickerFinder.noise(lights, true),
          FlickerFinder.find(shoot, lights));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A name beside the one before. */
  private static Path free(Path base) throws IOException {
    for (int n = 2; ; n++) {
      String stem = base.getFileName() + "-" + n;
      try (var all =
          Files.exists(base.getParent())
              ? Files.list(base.getParent())
              : java.util.stream.Stream.<Path>empty()) {
        if (all.noneMatch(f -> f.getFileName().toString().startsWith(stem))) {
          return base.resolveSibling(stem);
        }
      }
    }
  }

  /** Makes a new shoot of the state that a job was ordered of. */
  JsonNode open(long id) {
    PrintMapper.Row row = row(id);
    try {
      byte[] kept = Files.readAllBytes(folders.job(row.folder()).resolve(PrintRun.SHOOT));
      return JsonMapper.shared().valueToTree(shoots.add(ShootPackage.read(kept)));
    } catch (IOException e) {
      throw Refusal.missing("The shoot of print " + id + " is gone.");
    }
  }

  /** Deletes a job with its film; its files stay. */
  void delete(long id) {
    PrintMapper.Row row = row(id);
    transaction.executeWithoutResult(s -> mapper.delete(id));
    queue.changed();
    queue.ended(id);
    folders.delete(row.folder());
  }

  /** The picture of a job as far as it is, as JPEG. */
  Optional<byte[]> picture(long id) {
    PrintMapper.Row row = row(id);
    Optional<byte[]> live = queue.running(id).map(PrintWork::picture);
    try {
      return live.isPresent()
          ? live
          : Optional.ofNullable(PrintRun.keptPicture(folders.job(row.folder())));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  /** A file of a job. */
  Path file(long id, int number) {
    List<String> files = one(id).files();
    if (number < 0 || number >= files.size() || !Files.isRegularFile(Path.of(files.get(number)))) {
      throw Refusal.missing("There is no such file of print " + id + " any more.");
    }
    return Path.of(files.get(number));
  }
}
