package levelember.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Light;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;

/**
 * Finds flicker: frames in which the light of a region jumps though no key says so. A jump is what
 * a frame is off the mean of its neighbours, so that what moves evenly is none; it is measured for
 * every light by itself, of unit light, so that levels that are keyed are none either.
 */
public final class FlickerFinder {
  /** Share of a region's light by which a frame must be off to be seen. */
  public static final double SEEN = 0.02;

  /**
   * Of the mean of the brightest frame, the light below which a region is too dark for its flicker
   * to be seen.
   */
  private static final double DARK = 0.05;

  /** Stops by which a light that fades differs from frame to frame. */
  private static final double FADES_STOPS = 0.25;

  private FlickerFinder() {}

  /**
   * What is known of a frame.
   *
   * @param frame its number
   * @param perFrame mean luminance of every layer by regions, as denoised by itself, of unit light
   * @param filtered the same after the temporal filter, where that is wanted; else the same
   * @param weights luminance of every light in the frame, of unit light
   */
  public record FrameLight(int frame, float[][] perFrame, float[][] filtered, float[] weights) {}

  /** Why a light flickers. */
  public enum Reason {
    /** Its noise is not settled. */
    FEW_SAMPLES,
    /** What it throws through glass and water has few photons. */
    CAUSTIC,
    /** It fades, and what little it gives has the noise of a full light. */
    FADING
  }

  /**
   * A light that flickers.
   *
   * @param light id of it
   * @param frames in which it does
   * @param worst the frame in which it does most
   * @param x of the region in which it does most, 0…1 from the left
   * @param y of it, 0…1 from the top
   * @param perFrame by how much, of the region's light, without the temporal filter
   * @param filtered the same with it
   */
  public record Flicker(
      String light,
      Reason reason,
      List<Integer> frames,
      int worst,
      double x,
      double y,
      double perFrame,
      double filtered) {}

  /**
   * Lights that flicker as the frames are shown, the worst first.
   *
   * @param shoot as it moves
   * @param frames in their order; only those whose two neighbours are there are looked at
   */
  public static List<Flicker> find(Shoot shoot, List<FrameLight> frames) {
    List<Flicker> to = new ArrayList<>();
    for (int k = 0; k < shoot.lights().size(); k++) {
      Flicker one = of(shoot, frames, k);
      if (one != null) {
        to.add(one);
      }
    }
    to.sort(Comparator.comparingDouble((Flicker f) -> -f.filtered()));
    return to;
  }

  private static Flicker of(Shoot shoot, List<FrameLight> frames, int k) {
    Light light = shoot.lights().get(k);
    List<Integer> in = new ArrayList<>();
    double dark = dark(frames);
    double worst = 0, perFrameThere = 0;
    int worstFrame = 0, worstRegion = 0;
    boolean fades = false;
    for (int i = 1; i + 1 < frames.size(); i++) {
      FrameLight a = frames.get(i - 1), b = frames.get(i), c = frames.get(i + 1);
      if (a.frame() != b.frame() - 1
          || c.frame() != b.frame() + 1
          || jumpsByKey(shoot, light, b.frame())) {
        continue;
      }
      double[] whole = whole(b);
      double most = 0;
      for (int r = 0; r < whole.length; r++) {
        double of = Math.max(whole[r], dark);
        double jump =
            of > 0 ? b.weights()[k] * off(a.filtered(), b.filtered(), c.filtered(), k, r) / of : 0;
        most = Math.max(most, jump);
        if (jump > worst) {
          worst = jump;
          perFrameThere = b.weights()[k] * off(a.perFrame(), b.perFrame(), c.perFrame(), k, r) / of;
          worstFrame = b.frame();
          worstRegion = r;
        }
      }
      if (most > SEEN) {
        in.add(b.frame());
        fades |= Math.abs(Math.log(a.weights()[k] / b.weights()[k]) / Math.log(2)) > FADES_STOPS;
      }
    }
    if (in.isEmpty()) {
      return null;
    }
    Reason reason =
        fades
            ? Reason.FADING
            : light.controls().caustics().on() && throwsCaustics(shoot)
                ? Reason.CAUSTIC
                : Reason.FEW_SAMPLES;
    return new Flicker(
        light.id(),
        reason,
        in,
        worstFrame,
        (worstRegion % RegionLuminance.COLUMNS + 0.5) / RegionLuminance.COLUMNS,
        (worstRegion / RegionLuminance.COLUMNS + 0.5) / RegionLuminance.ROWS,
        perFrameThere,
        worst);
  }

  private static boolean throwsCaustics(Shoot shoot) {
    return shoot.materials().stream().anyMatch(m -> m.castsCaustics());
  }

  private static double off(float[][] a, float[][] b, float[][] c, int k, int r) {
    return Math.abs(b[k][r] - (a[k][r] + c[k][r]) / 2);
  }

  private static double dark(List<FrameLight> frames) {
    double most = 0;
    for (FrameLight frame : frames) {
      most = Math.max(most, Arrays.stream(whole(frame)).average().orElse(0));
    }
    return DARK * most;
  }

  private static double[] whole(FrameLight frame) {
    double[] to = new double[frame.filtered()[0].length];
    for (int k = 0; k < frame.weights().length; k++) {
      for (int r = 0; r < to.length; r++) {
        to[r] += frame.weights()[k] * frame.filtered()[k][r];
      }
    }
    return to;
  }

  /**
   * Whether a key makes a jump of what the light lights: one of the set, the camera or the light
   * itself but its level, colour and mute, which unit light does not know.
   */
  private static boolean jumpsByKey(Shoot shoot, Light light, int frame) {
    Motion motion = shoot.motion();
    for (Track track : motion.tracks()) {
      String place = track.place();
      boolean own = place.startsWith("lights/" + light.id() + "/");
      boolean weighs =
          place.endsWith("/levelStops")
              || place.endsWith("/muted")
              || place.endsWith("/solo")
              || place.contains("/colour/")
              || place.startsWith("looks/")
              || place.startsWith("banks/")
              || place.equals("masterStops");
      if (weighs || place.startsWith("lights/") && !own) {
        continue;
      }
      for (Key key : track.keys()) {
        double at = key.seconds() * motion.framesPerSecond();
        // A frame beside one that jumps is off the mean of its neighbours too.
        if (Math.abs(at - frame) < 1.001) {
          return true;
        }
      }
    }
    return false;
  }

  /**
   * Temporal noise of frames: the root of the mean square by which regions are off the mean of
   * their neighbours, of their light.
   *
   * @param filtered after the temporal filter, else before it
   */
  public static double noise(List<FrameLight> frames, boolean filtered) {
    double sum = 0;
    long n = 0;
    double dark = dark(frames);
    for (int i = 1; i + 1 < frames.size(); i++) {
      FrameLight a = frames.get(i - 1), b = frames.get(i), c = frames.get(i + 1);
      if (a.frame() != b.frame() - 1 || c.frame() != b.frame() + 1) {
        continue;
      }
      double[] whole = whole(b);
      for (int r = 0; r < whole.length; r++) {
        double jump = 0;
        for (int k = 0; k < b.weights().length; k++) {
          float[][] x = filtered ? a.filtered() : a.perFrame();
          float[][] y = filtered ? b.filtered() : b.perFrame();
          float[][] z = filtered ? c.filtered() : c.perFrame();
          jump += b.weights()[k] * (y[k][r] - (x[k][r] + z[k][r]) / 2);
        }
        double of = Math.max(whole[r], dark);
        if (of > 0) {
          sum += jump / of * jump / of;
          n++;
        }
      }
    }
    return n == 0 ? 0 : Math.sqrt(sum / n);
  }
}
