package levelember.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import levelember.demo.DemoShoots;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.printing.film.FilmStore;
import levelember.printing.frame.FramePrinter;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Piece;

/** What a frame of an animation takes, from its keys to its PNG, 640×360, denoised. */
final class FrameFigures {
  private static final int WIDTH = 640, HEIGHT = 360, FRAMES = 72;

  /** Samples a frame that is denoised. */
  private static final int SAMPLES = 8;

  private FrameFigures() {}

  /**
   * Measures both animations.
   *
   * @param rounds frames of the turntable
   */
  static Map<String, Object> measured(int rounds) {
    Map<String, Object> to = new LinkedHashMap<>();
    ShootPackage lamp = DemoShoots.make("signal-lamp");
    to.put("signal lamp, levels and look keyed, s a frame", frames(lamp, levels(lamp), FRAMES));
    ShootPackage armillary = DemoShoots.make("armillary");
    to.put("armillary on a turntable, s a frame", frames(armillary, turning(armillary), rounds));
    return to;
  }

  /** All levels go up and down, and the exposure. */
  private static Motion levels(ShootPackage pack) {
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i < pack.shoot().lights().size(); i++) {
      String place = "lights/" + pack.shoot().lights().get(i).id() + "/levelStops";
      tracks.add(
          Track.of(place, Key.of(0, Key.Span.EASED, -1.0 * i), Key.of(3, Key.Span.EASED, 1.0 - i)));
    }
    String look = "looks/" + pack.shoot().looks().getFirst().id() + "/";
    double ev = pack.shoot().looks().getFirst().ev();
    tracks.add(
        Track.of(
            look + "ev", Key.of(0, Key.Span.STRAIGHT, ev), Key.of(3, Key.Span.STRAIGHT, ev + 1)));
    return Motion.NONE.with(tracks);
  }

  /** All pieces that hold the instrument turn. */
  private static Motion turning(ShootPackage pack) {
    List<Track> tracks = new ArrayList<>();
    for (Piece piece : pack.shoot().pieces()) {
      if (piece.parent() == null && !piece.id().equals("sweep")) {
        double x = piece.rotationDegrees().x(), z = piece.rotationDegrees().z();
        double y = piece.rotationDegrees().y();
        tracks.add(
            Track.of(
                "pieces/" + piece.id() + "/rotationDegrees",
                Key.of(0, Key.Span.STRAIGHT, x, y, z),
                Key.of(3, Key.Span.STRAIGHT, x, y + 360, z)));
      }
    }
    return Motion.NONE.with(tracks);
  }

  /** Seconds of the first frame, and of those after it. */
  private static Map<String, Object> frames(ShootPackage pack, Motion motion, int frames) {
    Shoot moving = pack.shoot().with(motion);
    FramePrinter printer = new FramePrinter(pack.files(), 1L << 30, FrameFigures.class);
    double[] after = new double[frames - 1];
    double first = 0;
    Path folder = folder();
    try (Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, 1)) {
      for (int i = 0; i < frames; i++) {
        long begin = System.nanoTime();
        frame(moving, i + 1, printer, renderer, folder);
        double seconds = (System.nanoTime() - begin) / 1e9;
        if (i == 0) {
          first = seconds;
        } else {
          after[i - 1] = seconds;
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } finally {
      deleted(folder);
    }
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("first", first);
    to.put("each after it", Spread.of(after));
    return to;
  }

  private static void frame(
      Shoot moving, int frame, FramePrinter printer, Renderer renderer, Path folder)
      throws IOException {
    PrintOrder order =
        PrintOrder.still(moving.shots().getFirst().id(), WIDTH, HEIGHT, SAMPLES).withDenoise(true);
    printer
        .print(
            FramePrinter.Frame.of(moving, frame, order),
            order,
            (bands, kept) -> FilmStore.NONE,
            film -> film.trace(renderer, order.target(), () -> false))
        .write(folder.resolve("frame-" + frame));
  }

  private static Path folder() {
    try {
      return Files.createTempDirectory("ember-frames");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void deleted(Path folder) {
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(one);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
