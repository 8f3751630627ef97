package levelember.printing.frame;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import levelember.film.Component;
import levelember.look.DisplayCurve;
import levelember.path.RayCount;
import levelember.printing.film.Bands;
import levelember.printing.film.FilmStore;
import levelember.printing.film.PrintFilm;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.scene.SceneAssets;
import levelember.scene.ShutterViews;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.look.Look;

/**
 * Films of one shot frame after frame. Of what stays from a frame to the next nothing is made
 * again: the compiled set, the layers of lights that did not move, first hits; so frames that
 * differ in levels, colours and look alone trace no ray. Every frame has the same bits as made by
 * itself. Not for several threads.
 */
public final class FrameFilms {
  private final SceneAssets files;
  private final long memory;
  private Made last;
  private Shot lastShot;
  private boolean reusable;

  /**
   * Begins without a frame.
   *
   * @param files that the shoot needs
   * @param memory bytes for the film of a band
   */
  public FrameFilms(SceneAssets files, long memory) {
    this.files = files;
    this.memory = memory;
  }

  /**
   * What is to be made.
   *
   * @param shoot at its time, with the lights that are wanted
   * @param weights of the layers, three each
   * @param moments while the shutter is open, or none
   */
  public record Wanted(
      Shoot shoot,
      Shot shot,
      Look look,
      float[] weights,
      PrintOrder order,
      List<ShutterViews.Moment> moments) {
    /** Of a single time. */
    public Wanted(Shoot shoot, Shot shot, Look look, float[] weights, PrintOrder order) {
      this(shoot, shot, look, weights, order, List.of());
    }
  }

  /**
   * A frame.
   *
   * @param hits first hits, kept while set and camera stay
   * @param denoised layers, kept while the film stays
   * @param rays that were walked for it
   * @param done false when tracing was stopped before its target
   * @param compileSeconds that its set took
   */
  public record Made(
      PrintFilm film,
      FirstHitCache hits,
      DenoisedCache denoised,
      RayCount rays,
      boolean done,
      double compileSeconds) {}

  /** Brings a film to the target of its order. */
  public interface Tracing {
    /** Returns false when it was stopped before. */
    boolean trace(PrintFilm film);
  }

  /** Says where the film of a frame is kept; films that are kept elsewhere are not used again. */
  public interface Stores {
    /** The place, or {@link FilmStore#NONE}. */
    FilmStore of(Bands bands, Set<Component> kept);
  }

  /** The compiled set of the frame made last, or null. */
  public View view() {
    return last == null ? null : last.film.view();
  }

  /** From now on films are traced with other seeds: those that there are do not serve any more. */
  public void otherSeed() {
    reusable = false;
  }

  /** Makes the next frame. */
  public Made next(Wanted wanted, Stores stores, Tracing tracing) {
    long begin = System.nanoTime();
    View before = view();
    EditCost cost =
        before == null
            ? null
            : EditCost.between(before.shoot(), lastShot, wanted.shoot, wanted.shot);
    View view =
        before == null
            ? View.of(wanted.shoot, wanted.shot, files)
            : before.next(wanted.shoot, wanted.shot, files, cost);
    ShutterViews shutter = ShutterViews.during(view, wanted.shot, wanted.moments, files);
    boolean still = shutter.count() == 1;
    reusable &= still;
    double compileSeconds = (System.nanoTime() - begin) / 1e9;
    PrintOrder order = wanted.order;
    boolean stays = before != null && reusable && cost.keeps(before.layers());
    if (stays) {
      last = new Made(last.film, last.hits, last.denoised, RayCount.NONE, true, compileSeconds);
    } else {
      Set<Component> kept = PrintPass.components(order.passes());
      Bands bands = Bands.of(order.width(), order.height(), view.layers(), kept, memory);
      FilmStore store = stores.of(bands, kept);
      boolean again = store == FilmStore.NONE && reusable && cost != null && keepsSome(cost);
      FilmStore from =
          again ? FilmStore.beginningWith(last.film.rows(0, bands.height()), cost.from()) : store;
      double fullScale = DisplayCurve.fullScale(wanted.look.ev());
      PrintFilm film = new PrintFilm(view, bands, kept, from, wanted.weights, fullScale);
      film.setShutter(shutter);
      boolean done = tracing.trace(film);
      FirstHitCache hits = cost != null && cost.nothing() ? last.hits : new FirstHitCache();
      last = new Made(film, hits, new DenoisedCache(), film.rays(), done, compileSeconds);
      boolean bySamples = order.noisePercent() == 0 && order.minutes() == 0;
      reusable = still && done && bySamples && store == FilmStore.NONE && bands.count() == 1;
    }
    lastShot = wanted.shot;
    return last;
  }

  private static boolean keepsSome(EditCost cost) {
    return Arrays.stream(cost.from()).anyMatch(layer -> layer >= 0);
  }
}
