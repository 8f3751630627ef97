package levelember.printing.frame;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Set;
import java.util.stream.Collectors;
import levelember.denoise.TemporalFilter;
import levelember.film.Film;
import levelember.film.SurfaceData;
import levelember.firsthit.ScreenMotion;
import levelember.firsthit.SurfaceDataTracer;
import levelember.look.DisplayCurve;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.measure.FlickerFinder.FrameLight;
import levelember.measure.RegionLuminance;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.material.Material;

/**
 * Frames one after the other without flicker, and what they are found to flicker by. A frame has
 * the same bits however often the making of those before it was stopped.
 */
public final class SequenceFilter {
  private static final int SAMPLES = 2;

  /** Of ambient occlusion, which is not wanted here. */
  private static final double NEAR = 1e-4;

  /** Pixels that a surface moves from frame to frame below which it counts as still. */
  private static final double LEAST_MOTION = 0.02;

  /** Roughness of metal and glass below which what they show does not go with them. */
  private static final double MIRROR_ROUGHNESS = 0.5;

  private final Shoot shoot;
  private final String shot;
  private final TemporalFilter filter = new TemporalFilter();

  /** The frame that the filter has, when it has one. */
  private int has;

  /**
   * Frames of a shot.
   *
   * @param shoot as it moves
   * @param shot id of it
   */
  public SequenceFilter(Shoot shoot, String shot) {
    this.shoot = shoot;
    this.shot = shot;
  }

  /**
   * Measures a frame, and mixes it with those before it.
   *
   * @param filtered whether it is to be mixed
   * @param shown the frame denoised; its layers are changed
   */
  public FrameLight take(
      int frame, View view, Film traced, Film shown, float[] weights, boolean filtered) {
    float[][] display = displayWeights(view, shown);
    float[][] own = regions(shown, display);
    float[][] mixed = own;
    if (filtered) {
      SurfaceData now =
          new SurfaceDataTracer(view, SAMPLES, NEAR)
              .rows(shown.width(), shown.height(), 0, shown.height());
      if (!filter.begun() || has != frame - 1) {
        filter.forget();
      }
      Shoot then = ShootAtTime.of(shoot, shoot.motion().seconds(frame - 1));
      filter.mix(traced, shown, now, reprojection(then, view, now));
      has = frame;
      mixed = regions(shown, display);
    }
    float[] luminances = new float[weights.length / 3];
    for (int k = 0; k < luminances.length; k++) {
      luminances[k] = Colour.luminance(weights[3 * k], weights[3 * k + 1], weights[3 * k + 2]);
    }
    return new FrameLight(frame, own, mixed, luminances);
  }

  private float[][] displayWeights(View view, Film shown) {
    // Of the look at rest, so that an exposure that is keyed makes no difference.
    double fullScale = DisplayCurve.fullScale(shoot.lookOf(shoot.shot(shot).orElseThrow()).ev());
    float[][] to = new float[shown.layers()][];
    for (int k = 0; k < to.length; k++) {
      float[] own = LayerWeights.own(view.shoot().lights().get(k));
      to[k] = RegionLuminance.displayWeights(shown, k, own, fullScale);
    }
    return to;
  }

  private static float[][] regions(Film film, float[][] display) {
    float[][] to = new float[film.layers()][];
    for (int k = 0; k < to.length; k++) {
      to[k] = RegionLuminance.means(film, k, display[k]);
    }
    return to;
  }

  private TemporalFilter.Reprojection reprojection(Shoot then, View view, SurfaceData now) {
    Shot shotThen = then.shot(shot).orElseThrow();
    ScreenMotion motion =
        ScreenMotion.between(view.shoot(), view.shot(), then, shotThen, now.width(), now.rows());
    boolean[] mirrors = mirrors(view.shoot());
    return (x, y, to) -> {
      int at = y * now.width() + x;
      int piece = now.pieces()[SurfaceData.RANKS * at];
      int p = SurfaceData.PLANES * at + SurfaceData.POSITION;
      Vec3 place = new Vec3(now.data()[p], now.data()[p + 1], now.data()[p + 2]);
      if (!motion.reproject(piece, place, x + 0.5f, y + 0.5f, to)) {
        return false;
      }
      boolean moves = Math.hypot(to[0] - x - 0.5f, to[1] - y - 0.5f) > LEAST_MOTION;
      return !(moves && piece >= 0 && mirrors[piece]);
    };
  }

  /** Pieces whose light is mostly reflected or refracted, which does not go with their surface. */
  private static boolean[] mirrors(Shoot shoot) {
    Set<String> materials =
        shoot.materials().stream()
            .filter(SequenceFilter::mirrors)
            .map(Material::id)
            .collect(Collectors.toSet());
    boolean[] to = new boolean[shoot.pieces().size()];
    for (int i = 0; i < to.length; i++) {
      to[i] = materials.contains(shoot.pieces().get(i).material());
    }
    return to;
  }

  private static boolean mirrors(Material m) {
    boolean specular = m.metalness() > 0.5 || m.glass().transmission() > 0.5;
    return specular && m.roughness() < MIRROR_ROUGHNESS;
  }

  /** Keeps what the next frame needs in a file. */
  public void keep(Path file) throws IOException {
    Path fresh = file.resolveSibling(file.getFileName() + ".part");
    try (DataOutputStream to =
        new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(fresh), 1 << 16))) {
      TemporalFilterFile.write(has, filter.state(), to);
    }
    Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING);
  }

  /** Goes on from a file, where it is of the frame before one. */
  public void resume(Path file, int frame) throws IOException {
    if (has == frame - 1 && filter.begun() || !Files.exists(file)) {
      return;
    }
    try (DataInputStream from =
        new DataInputStream(new BufferedInputStream(Files.newInputStream(file), 1 << 16))) {
      int of = from.readInt();
      if (of == frame - 1) {
        filter.resume(TemporalFilterFile.read(from));
        has = of;
      }
    }
  }
}
