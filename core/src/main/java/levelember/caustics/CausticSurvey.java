package levelember.caustics;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Arrays;
import levelember.math.Vec3;
import levelember.path.SurfaceInteraction;
import levelember.scene.Scene;
import levelember.shoot.Shoot;
import levelember.shoot.piece.FineRipples;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.texture.RippleNormals;

/**
 * Where a light's photons come from and go, by a few thousand of them: what there is to say of
 * caustics that are not seen. Shares are of the flux that leaves casters, means over that which
 * lands.
 *
 * @param casters pieces and copies that throw caustics where they are smooth
 * @param lit whether any of the light arrives at one
 * @param deposited share that falls on rough surfaces, 0…1
 * @param escaped share that leaves the set, 0…1
 * @param absorbed share that tinted glass takes on the way, 0…1
 * @param reflectance of the matte base where photons land, 0…1
 * @param metres from the last smooth surface to there
 * @param angularDiameter apparent diameter of the light from the casters, radians
 * @param pattern metres across that half of the photons fall on
 * @param piece number of the piece that throws most, or −1
 * @param focus how its waves bundle light, where that piece is water; else null
 */
@RecordBuilder
public record CausticSurvey(
    int casters,
    boolean lit,
    double deposited,
    double escaped,
    double absorbed,
    double reflectance,
    double metres,
    double angularDiameter,
    double pattern,
    int piece,
    Focus focus)
    implements CausticSurveyBuilder.With {
  private static final int PHOTONS = 1 << 12, ANGLES = 1 << 8;
  private static final int SURVEYING = 0x3C6EF372;

  /** Mean distance of two points of a disc, in diameters (Santaló 1976). */
  private static final double CHORD = 128 / (90 * Math.PI);

  private static final CausticSurvey NOTHING =
      new CausticSurvey(0, false, 0, 0, 0, 0, 0, 0, 0, -1, null);

  /**
   * Surveys a light of a scene.
   *
   * @param light number of the light
   */
  public static CausticSurvey of(Scene scene, int light) {
    CasterSurfaces surfaces = new CasterSurfaces(scene);
    if (surfaces.count() == 0) {
      return NOTHING;
    }
    PhotonTracer tracer = new PhotonTracer(scene);
    CausticLight casters = CausticLight.selecting(light, surfaces, tracer);
    if (casters == null) {
      return NOTHING.withCasters(surfaces.count());
    }
    Count count = new Count(new double[scene.shoot().pieces().size()]);
    for (int i = 0; i < PHOTONS; i++) {
      count.add(tracer, tracer.trace(light, casters, i, SURVEYING, 1.0 / PHOTONS, count.deposits));
    }
    return count
        .survey(surfaces, angle(tracer, light, casters))
        .focused(scene.shoot(), count.depth());
  }

  private static double angle(PhotonTracer tracer, int light, CausticLight casters) {
    double sum = 0;
    int n = 0;
    for (int i = 0; i < ANGLES; i++) {
      double angle = tracer.angleOfLight(light, casters, i, SURVEYING);
      if (!Double.isNaN(angle)) {
        sum += angle;
        n++;
      }
    }
    return n == 0 ? 0 : sum / n / CHORD;
  }

  private CausticSurvey focused(Shoot shoot, double depth) {
    if (piece < 0 || !(shoot.pieces().get(piece).shape() instanceof Shape.Water water)) {
      return this;
    }
    Piece on = shoot.pieces().get(piece);
    double ior =
        shoot.materials().stream()
            .filter(m -> m.id().equals(on.material()))
            .findFirst()
            .orElseThrow()
            .ior();
    Focus waves = new Focus(depth, focalLength(water, ior));
    return withFocus(waves);
  }

  /**
   * Focal length below a crest of water as one refracting surface, metres: n R / (n − 1), R being
   * the radius of curvature of the sharpest of its waves, rings and fine ripples; 0 for still
   * water.
   */
  static double focalLength(Shape.Water water, double ior) {
    double curvature = curvature(water.waves().height(), water.waves().length());
    for (RippleRing ring : water.rings()) {
      curvature = Math.max(curvature, curvature(ring.height(), ring.length()));
    }
    FineRipples fine = water.fine();
    if (fine != null) {
      double slope = RippleNormals.SLOPES * fine.strength();
      double number = 2 * Math.PI * RippleNormals.MIDDLE / fine.size();
      curvature = Math.max(curvature, slope * number);
    }
    return curvature > 0 && ior > 1 ? ior / (ior - 1) / curvature : 0;
  }

  /** Curvature of a cosine's crest, 1/m. */
  private static double curvature(double height, double length) {
    double k = 2 * Math.PI / length;
    return height / 2 * k * k;
  }

  /**
   * Waves of water as lenses.
   *
   * @param depth metres that light goes from the surface to where it falls
   * @param focalLength metres below a crest at which straight light meets; 0 for still water
   */
  public record Focus(double depth, double focalLength) {}

  /** Width that the light's own size blurs edges over, metres. */
  public double penumbra() {
    return metres * angularDiameter;
  }

  /** Sums while photons are traced. */
  private static final class Count {
    final PhotonMap.Deposits deposits = new PhotonMap.Deposits();
    private final double[] byPiece;
    private double all, deposited, escaped, absorbed, reflected, metres, refracted, depth;

    Count(double[] byPiece) {
      this.byPiece = byPiece;
    }

    void add(PhotonTracer tracer, PhotonTracer.Outcome outcome) {
      if (outcome == PhotonTracer.Outcome.UNLIT) {
        return;
      }
      double flux = tracer.flux();
      all += flux + tracer.absorbed();
      absorbed += tracer.absorbed();
      if (outcome == PhotonTracer.Outcome.ESCAPED) {
        escaped += flux;
      } else if (outcome == PhotonTracer.Outcome.DEPOSITED) {
        SurfaceInteraction at = tracer.landing();
        deposited += flux;
        reflected += flux * at.surface.diffuseReflectance(at.scattering);
        metres += flux * tracer.distance();
        byPiece[tracer.firstCaster()] += flux;
        if (tracer.isRefracted()) {
          refracted += flux;
          depth += flux * tracer.distance();
        }
      }
    }

    /** How far what has gone through the last smooth surface goes on, metres. */
    double depth() {
      return refracted > 0 ? depth / refracted : 0;
    }

    CausticSurvey survey(CasterSurfaces surfaces, double angle) {
      return NOTHING.with(to ->
          to.casters(surfaces.count())
              .lit(true)
              .deposited(all > 0 ? deposited / all : 0)
              .escaped(all > 0 ? escaped / all : 0)
              .absorbed(all > 0 ? absorbed / all : 0)
              .reflectance(deposited > 0 ? reflected / deposited : 0)
              .metres(deposited > 0 ? metres / deposited : 0)
              .angularDiameter(angle)
              .pattern(pattern())
              .piece(brightest()));
    }

    /** The piece whose photons carry most, or −1. */
    private int brightest() {
      int most = -1;
      for (int i = 0; i < byPiece.length; i++) {
        most = byPiece[i] > 0 && (most < 0 || byPiece[i] > byPiece[most]) ? i : most;
      }
      return most;
    }

    /** Twice the distance from the middle of all photons within which half of them lie. */
    private double pattern() {
      int n = deposits.count;
      if (n == 0) {
        return 0;
      }
      Vec3 middle = Vec3.ZERO;
      for (int i = 0; i < n; i++) {
        middle = middle.plus(place(i).times(1.0 / n));
      }
      double[] away = new double[n];
      for (int i = 0; i < n; i++) {
        away[i] = place(i).minus(middle).length();
      }
      Arrays.sort(away);
      return 2 * away[n / 2];
    }

    private Vec3 place(int i) {
      int a = PhotonMap.FLOATS * i;
      return new Vec3(deposits.values[a], deposits.values[a + 1], deposits.values[a + 2]);
    }
  }
}
