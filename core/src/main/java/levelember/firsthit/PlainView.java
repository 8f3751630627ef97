package levelember.firsthit;

import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import levelember.lens.Camera;
import levelember.lens.ThinLens;
import levelember.math.Colour;
import levelember.math.GradientNoise;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.Shot;
import levelember.shoot.compile.Origin;
import levelember.trace.RayWalk;

/**
 * Quick pictures of a set without its light: one ray or four a pixel and no bounces. They show the
 * forms, the colours, the triangles or the pieces, all sharp at every distance.
 */
public final class PlainView {
  /** What is shown. */
  public enum Kind {
    /** The materials' colours, shaded as by a lamp at the camera. */
    SOLID,
    /** The materials' colours and nothing else. */
    UNLIT,
    /** The edges of the triangles. */
    WIRE,
    /** Every piece in a colour of its own. */
    PIECES
  }

  private static final int NOTHING = 0x6F;
  private static final double LINE_PIXELS = 0.7;

  private final Scene scene;
  private final Kind kind;
  private final Shot shot;

  /** A view of a scene through its shot. */
  public PlainView(View view, Kind kind) {
    scene = view.scene();
    this.kind = kind;
    shot = view.shot();
  }

  /** A view of a scene through another shot. */
  public PlainView(View view, Kind kind, Shot shot) {
    scene = view.scene();
    this.kind = kind;
    this.shot = Origin.from(scene.origin(), shot);
  }

  /**
   * Draws the picture.
   *
   * @param step pixels of the picture that one drawn spans either way
   * @param samples 1, or 4 for smooth edges
   * @param stop ends it early
   * @return red, green and blue codes of {@code ceil(width / step) × ceil(height / step)} pixels,
   *     or null when it was stopped
   */
  public byte[] codes(int width, int height, int step, int samples, BooleanSupplier stop) {
    int columns = (width + step - 1) / step, rows = (height + step - 1) / step;
    ThinLens lens = new ThinLens(sharp(shot), width, height, step);
    double pixel = shot.sensorWidthMm() / shot.focalLengthMm() / width * step;
    byte[] to = new byte[3 * columns * rows];
    int band = 8;
    IntStream.range(0, (rows + band - 1) / band)
        .parallel()
        .forEach(b -> {
          Painter painter = new Painter(lens, pixel);
          for (int y = b * band; y < Math.min(rows, (b + 1) * band) && !stop.getAsBoolean(); y++) {
            for (int x = 0; x < columns; x++) {
              painter.pixel(x, y, samples, to, 3 * (y * columns + x));
            }
          }
        });
    return stop.getAsBoolean() ? null : to;
  }

  private static Shot sharp(Shot s) {
    return s.with(c ->
        c.fStop(0)
            .focusDistance(0)
            .blades(0)
            .bladeRotationDegrees(0)
            .exposureStops(0)
            .cropAspect(0)
            .cutOut(false));
  }

  /** What one thread draws with. */
  private final class Painter {
    private final ThinLens lens;
    private final double perPixel;
    private final CameraHit hit = new CameraHit(scene);
    private final Camera.Ray ray = new Camera.Ray();
    private final float[] rgb = new float[3];
    private final float[] edges = new float[6];

    Painter(ThinLens lens, double perPixel) {
      this.lens = lens;
      this.perPixel = perPixel;
    }

    void pixel(int x, int y, int samples, byte[] to, int at) {
      int r = 0, g = 0, b = 0;
      for (int i = 0; i < samples; i++) {
        float u = samples == 1 ? 0.5f : (i & 1) == 0 ? 0.28f : 0.72f;
        float v = samples == 1 ? 0.5f : i < 2 ? 0.28f : 0.72f;
        lens.ray(x, y, u, v, 0, 0, ray);
        int code = code();
        r += code >> 16;
        g += code >> 8 & 0xFF;
        b += code & 0xFF;
      }
      to[at] = (byte) (r / samples);
      to[at + 1] = (byte) (g / samples);
      to[at + 2] = (byte) (b / samples);
    }

    private int code() {
      if (!hit.trace(ray)) {
        return NOTHING << 16 | NOTHING << 8 | NOTHING;
      }
      int piece = hit.piece();
      double shade = 0.35 + 0.65 * Math.abs(hit.cosine(ray));
      switch (kind) {
        case PIECES -> {
          int hue = GradientNoise.hash(piece, 3, 5), light = GradientNoise.hash(piece, 9, 1);
          return hued(hue / 255.0, (0.55 + 0.35 * light / 255.0) * shade);
        }
        case WIRE -> {
          double grey = 0.62 * shade;
          return grey(near() ? 0.08 : grey);
        }
        default -> {
          hit.albedo(ray, rgb);
          double by = kind == Kind.SOLID ? shade : 1;
          return of(rgb[0] * by) << 16 | of(rgb[1] * by) << 8 | of(rgb[2] * by);
        }
      }
    }

    /** Whether the hit lies within a line's width of an edge of its triangle. */
    private boolean near() {
      RayWalk walk = hit.walk();
      walk.edgesInMesh(edges);
      walk.intoWorld(edges, 0);
      walk.intoWorld(edges, 3);
      double x = (double) edges[1] * edges[5] - (double) edges[2] * edges[4];
      double y = (double) edges[2] * edges[3] - (double) edges[0] * edges[5];
      double z = (double) edges[0] * edges[4] - (double) edges[1] * edges[3];
      double twice = Math.sqrt(x * x + y * y + z * z);
      double ab = length(edges[0], edges[1], edges[2]);
      double ac = length(edges[3], edges[4], edges[5]);
      double bc = length(edges[3] - edges[0], edges[4] - edges[1], edges[5] - edges[2]);
      double wide = LINE_PIXELS * perPixel * hit.distance();
      float a = 1 - walk.b - walk.c;
      return a * twice < wide * bc || walk.b * twice < wide * ac || walk.c * twice < wide * ab;
    }
  }

  private static double length(double x, double y, double z) {
    return Math.sqrt(x * x + y * y + z * z);
  }

  private static int of(double linear) {
    return (int) Math.round(255 * Colour.encodeSrgb(Math.clamp(linear, 0, 1)));
  }

  private static int grey(double code) {
    int c = (int) Math.round(255 * Math.clamp(code, 0, 1));
    return c << 16 | c << 8 | c;
  }

  /** A colour of a hue 0…1 and a brightness. */
  private static int hued(double hue, double light) {
    int to = 0;
    for (int k = 0; k < 3; k++) {
      double c = 0.65 + 0.35 * StrictMath.cos(2 * Math.PI * (hue - k / 3.0));
      to = to << 8 | (int) Math.round(255 * Math.clamp(light * c, 0, 1));
    }
    return to;
  }
}
