package levelember.transport;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.film.EditCost;
import levelember.geometry.Meshes;
import levelember.geometry.SetGeometry;
import levelember.light.DomeLight;
import levelember.light.EmissiveLight;
import levelember.light.EnvironmentLight;
import levelember.light.LightSource;
import levelember.light.PointLight;
import levelember.light.RectangleLight;
import levelember.light.SphereLight;
import levelember.math.Vec3;
import levelember.shoot.Emitter;
import levelember.shoot.Light;
import levelember.shoot.Piece;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.surface.LayeredSurface;
import levelember.texture.Pictures;
import levelember.trace.Hierarchy;

/**
 * A shoot seen through one shot, compiled: the hierarchy of the set, a surface and an emission
 * layer for every piece, and the lights at unit value. Immutable; threads share it.
 */
public final class Scene {
  final SetGeometry set;
  final Hierarchy hierarchy;
  final LayeredSurface[] surfaces;

  /** For every piece what varies over it, or null. */
  final Dress[] dresses;

  final int[] emissionLayer;

  /** For every place of the set, where its triangles begin among those of its emissive light. */
  final int[] emissionFirst;

  final LightSource[] lights;
  private final Shoot shoot;
  private final Shot shot;
  private final Finishes finishes;

  private Scene(
      Shoot shoot,
      Shot shot,
      SetGeometry set,
      Hierarchy hierarchy,
      LightSource[] lights,
      Finishes finishes) {
    this.set = set;
    this.shoot = shoot;
    this.shot = shot;
    this.hierarchy = hierarchy;
    this.lights = lights;
    this.finishes = finishes;
    List<Piece> pieces = shoot.pieces();
    surfaces = new LayeredSurface[pieces.size()];
    dresses = new Dress[pieces.size()];
    boolean[] coloured = new boolean[pieces.size()];
    set.placed().forEach(p -> coloured[p.piece()] |= p.mesh().colours() != null);
    emissionLayer = new int[pieces.size()];
    for (int i = 0; i < surfaces.length; i++) {
      surfaces[i] = finishes.surface(pieces.get(i).material());
      dresses[i] = finishes.dress(pieces.get(i).material(), coloured[i]);
      emissionLayer[i] = -1;
      for (int k = lights.length - 1; k >= 0; k--) {
        if (lights[k] instanceof EmissiveLight e && e.material().equals(pieces.get(i).material())) {
          emissionLayer[i] = k;
        }
      }
    }
    emissionFirst = new int[set.placed().size()];
    int[] used = new int[lights.length];
    for (int i = 0; i < emissionFirst.length; i++) {
      SetGeometry.Placed p = set.placed().get(i);
      int layer = emissionLayer[p.piece()];
      if (layer >= 0) {
        emissionFirst[i] = used[layer];
        used[layer] += p.mesh().count();
      }
    }
  }

  /**
   * Compiles a shoot.
   *
   * @throws Pictures.MissingPicture when a light names a picture that is not there
   * @throws levelember.geometry.Meshes.MissingMesh when a piece names a model that is not there
   * @throws levelember.shoot.ImpossibleValue when the set is too large
   */
  public static Scene of(Shoot shoot, Shot shot, Files files) {
    SetGeometry set = SetGeometry.of(shoot.pieces(), files.meshes());
    return new Scene(
        shoot,
        shot,
        set,
        Hierarchy.of(set),
        lights(shoot, set, files.pictures(), null),
        new Finishes(shoot, files.pictures(), null));
  }

  /** Compiles a shoot without models. */
  public static Scene of(Shoot shoot, Shot shot, Pictures pictures) {
    return of(shoot, shot, new Files(pictures, Meshes.NONE));
  }

  /** Compiles the next state of a shoot, keeping what the edit does not touch. */
  public Scene next(Shoot after, Shot shotAfter, Files files, EditCost cost) {
    SetGeometry nextSet = cost.geometry() ? set.next(after.pieces()) : set;
    Hierarchy h = cost.geometry() ? hierarchy.next(nextSet, n -> {}) : hierarchy;
    return new Scene(
        after,
        shotAfter,
        nextSet,
        h,
        lights(after, nextSet, files.pictures(), this),
        new Finishes(after, files.pictures(), finishes));
  }

  /** The next state of a shoot without models. */
  public Scene next(Shoot after, Shot shotAfter, Pictures pictures, EditCost cost) {
    return next(after, shotAfter, new Files(pictures, Meshes.NONE), cost);
  }

  private static LightSource[] lights(
      Shoot shoot, SetGeometry set, Pictures pictures, Scene before) {
    Map<Light, LightSource> ready = new HashMap<>();
    for (int i = 0; before != null && i < before.lights.length; i++) {
      if (before.set == set || !(before.lights[i] instanceof EmissiveLight)) {
        ready.put(before.shoot.lights().get(i).withoutWeights(), before.lights[i]);
      }
    }
    List<LightSource> lights = new ArrayList<>();
    for (Light light : shoot.lights()) {
      LightSource source = ready.get(light.withoutWeights());
      if (source instanceof EmissiveLight e && e.shines() != owns(shoot, light)) {
        source = null;
      }
      lights.add(source == null ? compiled(light, shoot, set, pictures) : source);
    }
    return lights.toArray(LightSource[]::new);
  }

  private static LightSource compiled(
      Light light, Shoot shoot, SetGeometry set, Pictures pictures) {
    return switch (light.emitter()) {
      case Emitter.Rectangle r -> new RectangleLight(light, r);
      case Emitter.Sphere s -> new SphereLight(light, s);
      case Emitter.Point p -> new PointLight(light);
      case Emitter.Environment e -> new EnvironmentLight(light, e, pictures.picture(e.picture()));
      case Emitter.Dome d -> new DomeLight(light);
      case Emitter.Emissive e -> {
        boolean owns = owns(shoot, light);
        float[] none = {};
        yield new EmissiveLight(light, e, owns ? shining(shoot, set, e.material()) : none);
      }
    };
  }

  /** World corners of all triangles of a material, place after place. */
  private static float[] shining(Shoot shoot, SetGeometry set, String material) {
    List<SetGeometry.Placed> own =
        set.placed().stream()
            .filter(p -> material.equals(shoot.pieces().get(p.piece()).material()))
            .toList();
    int count = own.stream().mapToInt(p -> p.mesh().count()).sum();
    float[] to = new float[9 * count];
    int at = 0;
    for (SetGeometry.Placed p : own) {
      boolean mirrored = p.map().determinant() < 0;
      for (int i = 0; i < p.mesh().count(); i++) {
        for (int k = 0; k < 3; k++) {
          Vec3 corner = p.map().point(p.mesh().position(p.mesh().index(i, mirrored ? 2 - k : k)));
          to[at++] = (float) corner.x();
          to[at++] = (float) corner.y();
          to[at++] = (float) corner.z();
        }
      }
    }
    return to;
  }

  /** Of several lights of one material the first has its pieces. */
  private static boolean owns(Shoot shoot, Light light) {
    return shoot.lights().stream()
        .filter(l -> l.emitter().equals(light.emitter()))
        .findFirst()
        .map(l -> l.id().equals(light.id()))
        .orElse(false);
  }

  public Shoot shoot() {
    return shoot;
  }

  public Shot shot() {
    return shot;
  }

  public Hierarchy hierarchy() {
    return hierarchy;
  }

  /** How many layers a film of this scene has. */
  public int layers() {
    return lights.length;
  }
}
