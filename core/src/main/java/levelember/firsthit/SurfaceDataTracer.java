package levelember.firsthit;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.film.SurfaceData;
import levelember.lens.Camera;
import levelember.math.OrthonormalFrame;
import levelember.math.Sampler;
import levelember.math.Vec3;
import levelember.path.RayOffset;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.piece.Piece;
import levelember.trace.Hierarchy;

/**
 * Fills {@link SurfaceData}: rays from the camera with the pixel filter and lens of the picture,
 * and from what each meets one ray into the open, drawn by the cosine, for ambient occlusion.
 */
public final class SurfaceDataTracer {
  private static final int SEED = 0x6D1A;
  private static final int PIXEL = 1, LENS = 2, OPEN = 3;

  private final View view;
  private final int samples;
  private final float reach;
  private final int[] materials;

  /**
   * A tracer of a view.
   *
   * @param samples of every pixel
   * @param reach metres within which a surface occludes another
   */
  public SurfaceDataTracer(View view, int samples, double reach) {
    this.view = view;
    this.samples = samples;
    this.reach = (float) reach;
    materials = materials(view.shoot());
  }

  /** Number of every piece's material among the shoot's; −1 for none. */
  private static int[] materials(Shoot shoot) {
    int[] to = new int[shoot.pieces().size()];
    for (int i = 0; i < to.length; i++) {
      Piece piece = shoot.pieces().get(i);
      to[i] = -1;
      for (int m = 0; m < shoot.materials().size(); m++) {
        if (shoot.materials().get(m).id().equals(piece.material())) {
          to[i] = m;
        }
      }
    }
    return to;
  }

  /** Rows of a picture of the given size. */
  public SurfaceData rows(int width, int height, int first, int last) {
    SurfaceData to = new SurfaceData(width, first, last - first);
    Camera.Rays lens = view.camera().rays(width, height, 1);
    IntStream.range(first, last)
        .parallel()
        .forEach(y -> {
          Eye eye = new Eye(lens, to);
          for (int x = 0; x < width; x++) {
            eye.look(x, y);
          }
        });
    return to;
  }

  /** What one row is looked at with. */
  private final class Eye {
    private final Camera.Rays lens;
    private final SurfaceData to;
    private final CameraHit hit = new CameraHit(view.scene());
    private final Camera.Ray ray = new Camera.Ray();
    private final Sampler points = new Sampler(true);
    private final OrthonormalFrame frame = new OrthonormalFrame();
    private final int[] met = new int[samples];
    private final float[][] values = new float[samples][SurfaceData.PLANES];
    private final float[] albedo = new float[3];
    private final float[] lie = new float[6];

    Eye(Camera.Rays lens, SurfaceData to) {
      this.lens = lens;
      this.to = to;
    }

    void look(int x, int y) {
      int at = to.at(x, y);
      float r = 0, g = 0, b = 0, open = 0;
      for (int i = 0; i < samples; i++) {
        points.start(SEED, y * to.width() + x, i);
        points.pair(PIXEL);
        float fu = points.u, fv = points.v;
        points.pair(LENS);
        float across = points.u, down = points.v;
        lens.ray(x, y, fu, fv, across, down, ray);
        met[i] = -1;
        if (!hit.trace(ray)) {
          open++;
          continue;
        }
        met[i] = hit.piece();
        data(values[i]);
        hit.albedo(ray, albedo);
        r += albedo[0];
        g += albedo[1];
        b += albedo[2];
        open += occluded(values[i]) ? 0 : 1;
      }
      to.albedo()[3 * at] = r / samples;
      to.albedo()[3 * at + 1] = g / samples;
      to.albedo()[3 * at + 2] = b / samples;
      to.unoccluded()[at] = open / samples;
      rank(met, to.pieces(), to.pieceShares(), SurfaceData.RANKS * at);
      mean(to.pieces()[SurfaceData.RANKS * at], SurfaceData.PLANES * at);
      for (int i = 0; i < samples; i++) {
        met[i] = met[i] < 0 ? -1 : materials[met[i]];
      }
      rank(met, to.materials(), to.materialShares(), SurfaceData.RANKS * at);
    }

    private void data(float[] value) {
      Vec3 p = hit.position().plus(view.origin());
      value[SurfaceData.DEPTH] = hit.distance();
      value[SurfaceData.POSITION] = (float) p.x();
      value[SurfaceData.POSITION + 1] = (float) p.y();
      value[SurfaceData.POSITION + 2] = (float) p.z();
      float side = hit.cosine(ray) > 0 ? -1 : 1;
      Vec3 n = hit.normal();
      value[SurfaceData.NORMAL] = side * (float) n.x();
      value[SurfaceData.NORMAL + 1] = side * (float) n.y();
      value[SurfaceData.NORMAL + 2] = side * (float) n.z();
      float[] places = hit.walk().mesh().places();
      if (places == null) {
        lie[0] = lie[1] = 0;
      } else {
        hit.walk().uv(places, lie);
      }
      value[SurfaceData.UV] = lie[0];
      value[SurfaceData.UV + 1] = lie[1];
    }

    /** Whether one direction of the open is closed within reach. */
    private boolean occluded(float[] value) {
      float nx = value[SurfaceData.NORMAL], ny = value[SurfaceData.NORMAL + 1];
      float nz = value[SurfaceData.NORMAL + 2];
      points.pair(OPEN);
      float radius = (float) Math.sqrt(points.u);
      double phi = 2 * Math.PI * points.v;
      float a = radius * (float) StrictMath.cos(phi), c = radius * (float) StrictMath.sin(phi);
      float up = (float) Math.sqrt(Math.max(0, 1 - points.u));
      frame.about(nx, ny, nz);
      frame.toWorld(a, c, up);
      Vec3 at = hit.position();
      return hit.walk()
          .closestHit(
              RayOffset.off((float) at.x(), nx),
              RayOffset.off((float) at.y(), ny),
              RayOffset.off((float) at.z(), nz),
              frame.x,
              frame.y,
              frame.z,
              reach,
              Hierarchy.SHADOW);
    }

    /** Means over the samples that have met a piece. */
    private void mean(int piece, int at) {
      int n = 0;
      for (int i = 0; piece >= 0 && i < samples; i++) {
        if (met[i] == piece) {
          n++;
          for (int k = 0; k < SurfaceData.PLANES; k++) {
            to.data()[at + k] += values[i][k];
          }
        }
      }
      for (int k = 0; n > 0 && k < SurfaceData.PLANES; k++) {
        to.data()[at + k] /= n;
      }
    }

    /** Tells apart what was met, by how often; equal ones by their number. */
    private void rank(int[] numbers, int[] ids, float[] shares, int at) {
      Arrays.fill(ids, at, at + SurfaceData.RANKS, -1);
      int[] sorted = numbers.clone();
      Arrays.sort(sorted);
      for (int i = 0; i < samples; ) {
        int j = i;
        while (j < samples && sorted[j] == sorted[i]) {
          j++;
        }
        if (sorted[i] >= 0) {
          insert(sorted[i], (float) (j - i) / samples, ids, shares, at);
        }
        i = j;
      }
    }

    private void insert(int id, float share, int[] ids, float[] shares, int at) {
      int k = SurfaceData.RANKS;
      while (k > 0 && share > shares[at + k - 1]) {
        k--;
      }
      for (int i = SurfaceData.RANKS - 1; i > k; i--) {
        ids[at + i] = ids[at + i - 1];
        shares[at + i] = shares[at + i - 1];
      }
      if (k < SurfaceData.RANKS) {
        ids[at + k] = id;
        shares[at + k] = share;
      }
    }
  }
}
