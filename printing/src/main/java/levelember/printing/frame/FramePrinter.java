package levelember.printing.frame;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import levelember.measure.FlickerFinder.FrameLight;
import levelember.photometry.LayerWeights;
import levelember.printing.film.PrintFilm;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.ShutterMoments;
import levelember.scene.SceneAssets;
import levelember.scene.ShutterViews;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;

/**
 * Prints frames of one shot one after the other, or a still: compiles, traces, denoises, filters
 * over time and makes the files. What stays from a frame to the next is not made again ({@link
 * FrameFilms}). Not for several threads.
 */
public final class FramePrinter {
  private final SceneAssets assets;
  private final Class<?> program;
  private final FrameFilms films;
  private SequenceFilter sequence;
  private boolean filtered;

  /**
   * Begins without a frame.
   *
   * @param assets that the shoot needs
   * @param memory bytes for the film of a band
   * @param program whose package's version the files tell
   */
  public FramePrinter(SceneAssets assets, long memory, Class<?> program) {
    this.assets = assets;
    this.program = program;
    films = new FrameFilms(assets, memory);
  }

  /**
   * What is printed.
   *
   * @param number of the frame; 0 for a shoot at rest
   * @param shoot at its time, with the lights that are wanted
   * @param weights of the layers, three each
   * @param next the shoot at the frame after it, for the pass of motion; or null
   * @param moments while the shutter is open, or none
   */
  public record Frame(
      int number,
      Shoot shoot,
      Shot shot,
      Look look,
      float[] weights,
      Shoot next,
      List<ShutterViews.Moment> moments) {
    /** A shoot as it is, at rest. */
    public static Frame still(Shoot shoot, Shot shot) {
      return new Frame(0, shoot, shot, shoot.lookOf(shot), LayerWeights.of(shoot), null, List.of());
    }

    /** A frame of a shoot that moves, through the shot of an order. */
    public static Frame of(Shoot moving, int number, PrintOrder order) {
      double seconds = moving.motion().seconds(number);
      Shoot shoot = ShootAtTime.of(moving, seconds);
      Shot shot = shoot.shot(order.shot()).orElseThrow().withCutOut(order.cutOut());
      return new Frame(
          number,
          shoot,
          shot,
          shoot.lookOf(shot),
          LayerWeights.of(shoot),
          ShootAtTime.of(moving, moving.motion().seconds(number + 1)),
          ShutterMoments.of(moving, seconds, order, s -> s));
    }
  }

  /** A frame that is traced, and its files to be. */
  public static final class PrintedFrame {
    private final FrameFilms.Made made;
    private final PrintFiles files;
    private FrameLight light;

    private PrintedFrame(FrameFilms.Made made, PrintFiles files) {
      this.made = made;
      this.files = files;
    }

    public PrintFilm film() {
      return made.film();
    }

    /** What was traced for it, and whether that was done. */
    public FrameFilms.Made made() {
      return made;
    }

    /** Writes all files; see {@link PrintFiles#write}. */
    public List<Path> write(Path base) throws IOException {
      return files.write(base);
    }

    /** Writes all files, and puts the whole picture together, whichever formats are ordered. */
    public List<Path> writeWithPicture(Path base) throws IOException {
      files.withPicture();
      return files.write(base);
    }

    /** The picture that was put together when files were written. */
    public byte[] encoded(PrintFormat format) {
      return files.encoded(format);
    }

    /** The picture alone, in memory, in a format that holds nothing but it. */
    public byte[] picture(PrintFormat format) throws IOException {
      return files.picture(format);
    }

    /** Light of the frame by regions, once files were written; null where it was not measured. */
    public FrameLight light() {
      return light;
    }

    public double denoiseSeconds() {
      return files.denoiseSeconds();
    }
  }

  /**
   * Has frames measured for flicker from now on, where they are whole and denoised.
   *
   * @param by of the same shot
   * @param mixed whether each is mixed with those before it too
   */
  public void measureWith(SequenceFilter by, boolean mixed) {
    sequence = by;
    filtered = mixed;
  }

  /** From now on films are traced with other seeds: those that there are do not serve any more. */
  public void otherSeed() {
    films.otherSeed();
  }

  /** Traces the next frame; its files are made when they are written. */
  public PrintedFrame print(
      Frame frame, PrintOrder order, FrameFilms.Stores stores, FrameFilms.Tracing tracing) {
    FrameFilms.Made made =
        films.next(
            new FrameFilms.Wanted(
                frame.shoot, frame.shot, frame.look, frame.weights, order, frame.moments),
            stores,
            tracing);
    PrintFiles files =
        new PrintFiles(
            made.film(),
            frame.shoot,
            frame.look,
            assets.luts(),
            order,
            frame.weights,
            PrintText.of(program, made.film(), frame.shoot, frame.shot, frame.look, order));
    files.keeping(made);
    if (frame.next != null) {
      files.moving(frame.next, frame.next.shot(frame.shot.id()).orElseThrow());
    }
    PrintedFrame printed = new PrintedFrame(made, files);
    if (sequence != null) {
      View view = made.film().view();
      files.afterDenoising((traced, shown) -> {
        if (traced != shown && traced.height() == traced.fullHeight()) {
          printed.light = sequence.take(frame.number, view, traced, shown, frame.weights, filtered);
        }
      });
    }
    return printed;
  }
}
