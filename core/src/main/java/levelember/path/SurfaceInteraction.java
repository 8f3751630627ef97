package levelember.path;

import levelember.light.ReferencePoint;
import levelember.math.OrthonormalFrame;
import levelember.math.Vec3;
import levelember.scene.Scene;
import levelember.scene.TexturedMaterial;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.trace.RayWalk;

/**
 * Where a ray meets the set: geometry, shading frame and material of the hit. The one place that
 * knows of holes, panes and textured materials, for paths, shadow rays, first hits and pickers
 * alike. One a thread; holds the last hit of its walk until the next ray is walked.
 */
public final class SurfaceInteraction {
  /** Cosine of the shading normal below which the geometric one takes its place. */
  private static final float LEAST_FACING = 1e-4f;

  /** Cosine of both normals above which the surface counts as flat. */
  private static final float FLAT = 0.99999f;

  private final Scene scene;
  private final RayWalk walk;
  private final TexturedMaterial.Lookup lookup = new TexturedMaterial.Lookup();
  private final float[] place = new float[3];
  private final float[] face = new float[3];
  private final float[] normal = new float[3];

  /** What the surface answers; its material at the point once {@link #shade} was called. */
  public final Scattering scattering = new Scattering();

  public int piece;

  /** Which copy of it, as the hierarchy counts. */
  public int instance;

  /** The ray comes from outside. */
  public boolean outside;

  public LayeredSurface surface;

  /** The surface is smooth and seen from rougher ones; see {@code PathRegularization}. */
  public boolean overGloss;

  /** Whether the material varies over the piece. */
  public boolean textured;

  private TexturedMaterial textures;

  /** Geometric normal: outwards until {@link #orient}, then on the side of the ray. */
  public float gx, gy, gz;

  /** The point. */
  public float x, y, z;

  /** Origin of a ray that leaves the surface; set by {@link #offsetOrigin}. */
  public float ox, oy, oz;

  /** About the shading normal on the ray's side, once {@link #orient} was called. */
  public final OrthonormalFrame shading = new OrthonormalFrame();

  /** Direction to where the ray comes from, in that frame. */
  public float lx, ly, lz;

  /** Direction in which the path goes on, in the world, once {@link #sampledToWorld} was called. */
  public float dx, dy, dz;

  /** Cosine between that direction and the geometric normal. */
  public float leaving;

  /** Whether it was on the wrong side before, so that no light sampling gives it. */
  public boolean mirroredBack;

  public SurfaceInteraction(Scene scene, RayWalk walk) {
    this.scene = scene;
    this.walk = walk;
  }

  /** Takes over the walk's last hit by a ray of the given direction. */
  public void hit(float dx, float dy, float dz) {
    piece = walk.piece();
    instance = walk.instance;
    walk.faceNormal(face);
    gx = face[0];
    gy = face[1];
    gz = face[2];
    outside = gx * dx + gy * dy + gz * dz < 0;
    surface = scene.surfaces[piece];
    textures = scene.textured[piece];
    textured = textures != null;
    walk.place(place);
    x = place[0];
    y = place[1];
    z = place[2];
  }

  /** A surface that is not in the set: a point, its normal, and the piece that links go by. */
  public void receive(Vec3 point, Vec3 facing, int on, LayeredSurface receiver) {
    piece = on;
    outside = true;
    surface = receiver;
    textures = null;
    textured = false;
    overGloss = false;
    x = (float) point.x();
    y = (float) point.y();
    z = (float) point.z();
    gx = normal[0] = (float) facing.x();
    gy = normal[1] = (float) facing.y();
    gz = normal[2] = (float) facing.z();
    surface.material(scattering);
  }

  /** How much of the surface is there: 0 in a hole … 1. */
  public float opacity() {
    return pierced() ? textures.opacity(walk, lookup) : 1;
  }

  /** Whether the surface has holes. */
  public boolean pierced() {
    return textures != null && textures.pierced();
  }

  /** The same that gives the surface, null for a piece without one. */
  public LayeredSurface material(float dx, float dy, float dz) {
    shade(dx, dy, dz);
    return surface;
  }

  /** Finds the material and the shading normal at the point. */
  public void shade(float dx, float dy, float dz) {
    walk.shadingNormal(normal);
    if (textures == null) {
      if (surface != null) {
        surface.material(scattering);
      }
      return;
    }
    textures.bendNormal(walk, normal, lookup);
    float cos = normal[0] * dx + normal[1] * dy + normal[2] * dz;
    surface = textures.prepare(walk, cos, lookup, scattering);
  }

  /**
   * What passes straight through as through a pane, by channel; false for a surface that is none.
   *
   * @param to three floats; left as they are for a surface that is no pane
   */
  public boolean straight(float dx, float dy, float dz, float[] to) {
    if (surface == null || !surface.pane()) {
      return false;
    }
    shade(dx, dy, dz);
    if (!surface.pane()) {
      return false;
    }
    boolean turned = normal[0] * gx + normal[1] * gy + normal[2] * gz < 0;
    float cos = (turned == outside ? -1 : 1) * (normal[0] * dx + normal[1] * dy + normal[2] * dz);
    if (!(-cos > LEAST_FACING)) {
      cos = gx * dx + gy * dy + gz * dz;
    }
    surface.straight(scattering, cos, outside, to);
    return true;
  }

  /** Turns both normals to the side that the ray comes from, and builds the shading frame. */
  public void orient(float dx, float dy, float dz) {
    if (!outside) {
      gx = -gx;
      gy = -gy;
      gz = -gz;
    }
    float nx = normal[0], ny = normal[1], nz = normal[2];
    if (nx * gx + ny * gy + nz * gz < 0) {
      nx = -nx;
      ny = -ny;
      nz = -nz;
    }
    float facing = -(nx * dx + ny * dy + nz * dz);
    if (!(facing > LEAST_FACING)) {
      nx = gx;
      ny = gy;
      nz = gz;
      facing = Math.max(1e-6f, -(nx * dx + ny * dy + nz * dz));
    }
    shading.about(nx, ny, nz);
    shading.toLocal(-dx, -dy, -dz);
    lx = shading.x;
    ly = shading.y;
    lz = facing;
  }

  /**
   * Factor of light that comes from a direction of the world and is reflected, once oriented: where
   * the shading normal leans away from the geometric one, light fades out before the geometry cuts
   * it off (Chiang, Li and Burley 2019, "Taming the Shadow Terminator"). Glass keeps all its light.
   */
  public float terminator(float wx, float wy, float wz) {
    float nx = shading.nx, ny = shading.ny, nz = shading.nz;
    float both = nx * gx + ny * gy + nz * gz;
    float cosine = nx * wx + ny * wy + nz * wz;
    if (both > FLAT || cosine <= 0 || surface.transmits()) {
      return 1;
    }
    float part = (gx * wx + gy * wy + gz * wz) / (cosine * Math.max(1e-3f, both));
    if (part >= 1) {
      return 1;
    }
    return part <= 0 ? 0 : part * (1 + part * (1 - part));
  }

  /**
   * Moves the origin of the next ray off the surface.
   *
   * @param side 1 for the side that the geometric normal points to, −1 for the other
   */
  public void offsetOrigin(float side) {
    ox = RayOffset.off(x, side * gx);
    oy = RayOffset.off(y, side * gy);
    oz = RayOffset.off(z, side * gz);
  }

  /** The same for a ray that passes the surface straight, before that is oriented. */
  public void offsetOriginBehind() {
    offsetOrigin(outside ? -1 : 1);
  }

  /** Makes the point that lights are sampled for, once oriented. */
  public void toReferencePoint(ReferencePoint to) {
    offsetOrigin(1);
    // Light from behind counts only where the surface scatters it through.
    boolean sided = !surface.transmitsDiffusely(scattering);
    to.set(ox, oy, oz, sided ? shading.nx : 0, sided ? shading.ny : 0, sided ? shading.nz : 0);
  }

  /**
   * Evaluates the BSDF and its density for light that comes from a direction of the world, into
   * {@link #scattering}.
   *
   * @return false where the shading normal and the geometric one see it on different sides, so that
   *     nothing is scattered
   */
  public boolean evaluate(float wx, float wy, float wz) {
    shading.toLocal(wx, wy, wz);
    boolean behind = wx * gx + wy * gy + wz * gz < 0;
    if (behind != shading.z < 0) {
      return false;
    }
    surface.evaluate(shading.x, shading.y, shading.z, scattering);
    return true;
  }

  /**
   * Finds where the sampled direction goes in the world; false where it leaves an opaque surface on
   * its wrong side. Relief on glass would lose that light: the next facet turns it back.
   */
  public boolean sampledToWorld() {
    Scattering s = scattering;
    shading.toWorld(s.x, s.y, s.z);
    dx = shading.x;
    dy = shading.y;
    dz = shading.z;
    leaving = dx * gx + dy * gy + dz * gz;
    mirroredBack = s.through ? leaving >= 0 : leaving <= 0;
    if (mirroredBack) {
      if (!surface.transmits() || leaving == 0) {
        return false;
      }
      dx -= 2 * leaving * gx;
      dy -= 2 * leaving * gy;
      dz -= 2 * leaving * gz;
      leaving = -leaving;
    }
    return true;
  }
}
