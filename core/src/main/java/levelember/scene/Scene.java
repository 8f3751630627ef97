package levelember.scene;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import levelember.geometry.SetGeometry;
import levelember.light.DomeLight;
import levelember.light.EmissiveLight;
import levelember.light.EnvironmentLight;
import levelember.light.LightSource;
import levelember.light.PlateLight;
import levelember.light.PortalLight;
import levelember.math.Colour;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.shoot.Bounce;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.compile.Origin;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Visibility;
import levelember.surface.LayeredSurface;
import levelember.texture.Pictures;
import levelember.trace.Hierarchy;

/**
 * A shoot compiled, without its shots and looks: the hierarchy of the set, a surface and an
 * emission layer for every piece, and the lights at unit value. Immutable; threads share it.
 */
public final class Scene {
  /** GGX alpha up to which glass and metal are smooth: a roughness of a quarter. */
  public static final float SMOOTH_ALPHA = 0.0625f;

  public final SetGeometry set;
  public final Hierarchy hierarchy;
  public final LayeredSurface[] surfaces;

  /** For every piece what varies over it, or null. */
  public final TexturedMaterial[] textured;

  /** Which pieces give whose light. */
  public final EmissivePieces emissive;

  /** For every piece the kinds of ray that it shows to, as bits of {@link Hierarchy}. */
  private final int[] kinds;

  /** Whether a piece shows to bounced light and not to reflections, or the other way round. */
  public final boolean bounceVisibilityDiffers;

  /**
   * Whether some piece of an emissive light is hidden from rays of a kind, or has holes, so that
   * its light is told by the place that was sampled.
   */
  private final boolean[] dependsOnPlace;

  public final LightSource[] lights;

  /** Numbers of the lights that every ray is tried against; of many, those without a place. */
  public final int[] hittable;

  /** The lights that have a place. */
  public final RigTree rig;

  /** Whether there are so many lights that those with a place are looked for in the tree. */
  public final boolean many;

  /** For every light its non-physical controls, or null. */
  public final CompiledControls[] controls;

  /** Whether the shadows of any light are other than physics has them. */
  public final boolean customShadows;

  /** Whether a light is found by light sampling alone, as not every ray may meet it. */
  private final boolean[] onlyLightSampled;

  /** For every piece whether the camera sees nothing of it but shadows. */
  public final boolean[] catches;

  /** Which pieces each piece is reflected in; null where all of them. */
  private final long[][] reflectedIn;

  /** Whether some piece is reflected in some pieces alone. */
  public final boolean reflectionLinks;

  /** For every piece whether its material casts caustics, where it is smooth. */
  private final boolean[] casters;

  /** Whether light passes straight through some piece. */
  public final boolean clear;

  public final Bounce bounce;

  /** Whether light between diffuse surfaces is other than physics has it. */
  public final boolean bounceControls;

  private final Shoot shoot;

  /** Where the frame that it is traced in begins in the world. */
  private final Vec3 origin;

  /** The shoot in that frame. */
  final Shoot traced;

  private final MaterialCache materials;

  /** What is computed from it at the first use. */
  private final DerivedData derived;

  private Scene(
      Shoot shoot,
      SetGeometry set,
      Hierarchy hierarchy,
      LightSource[] lights,
      MaterialCache materials,
      DerivedData derived) {
    this.set = set;
    this.shoot = shoot;
    origin = Origin.of(shoot);
    traced = Origin.from(origin, shoot);
    this.lights = lights;
    this.materials = materials;
    this.derived = derived;
    List<Piece> pieces = shoot.pieces();
    surfaces = new LayeredSurface[pieces.size()];
    textured = new TexturedMaterial[pieces.size()];
    boolean[] coloured = new boolean[pieces.size()];
    set.placed().forEach(p -> coloured[p.piece()] |= p.mesh().colours() != null);
    for (int i = 0; i < surfaces.length; i++) {
      surfaces[i] = materials.surface(pieces.get(i).material());
      textured[i] = materials.textured(pieces.get(i), coloured[i]);
    }
    emissive = new EmissivePieces(pieces, set, hierarchy, lights);
    many = lights.length > LightSelection.FEW;
    rig = new RigTree(lights, brightness(shoot));
    hittable =
        IntStream.range(0, lights.length)
            .filter(k -> lights[k].hittable() && !(many && rig.has(k)))
            .toArray();
    controls = new CompiledControls[lights.length];
    onlyLightSampled = new boolean[lights.length];
    for (int k = 0; k < lights.length; k++) {
      controls[k] = CompiledControls.of(shoot.lights().get(k).controls(), pieces);
      onlyLightSampled[k] =
          lights[k] instanceof EmissiveLight && controls[k] != null && controls[k].customShadow();
    }
    customShadows = Stream.of(controls).anyMatch(l -> l != null && l.customShadow());
    catches = new boolean[pieces.size()];
    casters = new boolean[pieces.size()];
    Set<String> still =
        shoot.materials().stream()
            .filter(m -> !m.castsCaustics())
            .map(Material::id)
            .collect(Collectors.toSet());
    for (int i = 0; i < casters.length; i++) {
      casters[i] = !still.contains(pieces.get(i).material());
    }
    kinds = new int[pieces.size()];
    dependsOnPlace = new boolean[lights.length];
    reflectedIn = new long[pieces.size()][];
    boolean anyClear = false, apart = false, links = false;
    for (int i = 0; i < kinds.length; i++) {
      Visibility shows = pieces.get(i).visibility();
      boolean clearPiece =
          surfaces[i] != null && surfaces[i].pane() || textured[i] != null && textured[i].pierced();
      // What marks an opening and is opaque itself would close it.
      kinds[i] = shows.portal() && solid(i) ? 0 : kinds(shows, clearPiece);
      anyClear |= clearPiece;
      catches[i] = shows.shadowCatcher();
      reflectedIn[i] = CompiledControls.bits(PieceTransforms.in(shows.reflectedIn(), pieces));
      links |= reflectedIn[i] != null;
      apart |= shows.bounce() != shows.reflection() || reflectedIn[i] != null;
      boolean holes = textured[i] != null && textured[i].pierced();
      int layer = emissive.layer(i);
      boolean toAll = shows.reflection() && shows.refraction() && shows.bounce();
      if (layer >= 0 && (holes || !toAll || reflectedIn[i] != null)) {
        dependsOnPlace[layer] = true;
      }
    }
    clear = anyClear;
    bounceVisibilityDiffers = apart;
    reflectionLinks = links;
    this.hierarchy = hierarchy.showing(kinds);
    bounce = shoot.bounce();
    bounceControls = bounce.level() != 1 || bounce.fadesAtMetres() > 0;
  }

  /**
   * Luminance of what each light's layer is weighted by at its own brightness: what is traced does
   * not depend on faders.
   */
  private static float[] brightness(Shoot shoot) {
    float[] to = new float[shoot.lights().size()];
    for (int k = 0; k < to.length; k++) {
      float[] weight = LayerWeights.own(TracedLight.original(shoot, shoot.lights().get(k)));
      to[k] = Colour.luminance(weight[0], weight[1], weight[2]);
    }
    return to;
  }

  /** Bits of the kinds of ray that a piece shows to. */
  private static int kinds(Visibility s, boolean clear) {
    return (s.camera() || s.shadowCatcher() ? Hierarchy.CAMERA : 0)
        | (s.reflection() ? Hierarchy.REFLECTION : 0)
        | (s.refraction() ? Hierarchy.REFRACTION : 0)
        | (s.shadow() ? clear ? Hierarchy.CLEAR : Hierarchy.SHADOW : 0)
        | (s.bounce() ? Hierarchy.BOUNCE : 0);
  }

  /** Whether rays of a kind see a piece. */
  public boolean shows(int piece, int kind) {
    return (kinds[piece] & kind) != 0;
  }

  /** Whether a piece, as far as it shows in reflections at all, is reflected by all others. */
  public boolean reflectedByAll(int piece) {
    return reflectedIn[piece] == null;
  }

  /** Whether a piece, as far as it shows in reflections at all, is reflected by another. */
  public boolean reflects(int by, int piece) {
    long[] in = reflectedIn[piece];
    return in == null || by >= 0 && (in[by >> 6] >>> (by & 63) & 1) != 0;
  }

  /** Whether the light of a layer is told by the place that was sampled. */
  public boolean dependsOnPlace(int light) {
    return dependsOnPlace[light];
  }

  public boolean onlyLightSampled(int light) {
    return onlyLightSampled[light];
  }

  /** What is left of light that has gone from one diffuse surface to the next. */
  public float bounced(float distance) {
    if (bounce.fadesAtMetres() == 0) {
      return (float) bounce.level();
    }
    double part = StrictMath.pow(distance / bounce.fadesAtMetres(), 4);
    return part >= 1 ? 0 : (float) (bounce.level() * (1 - part));
  }

  /**
   * Compiles a shoot.
   *
   * @throws Pictures.MissingPicture when a light names a picture that is not there
   * @throws levelember.geometry.Meshes.MissingMesh when a piece names a model that is not there
   * @throws levelember.document.ImpossibleValue when the set is too large
   */
  public static Scene of(Shoot shoot, SceneAssets files) {
    MaterialCache materials = new MaterialCache(shoot, files.pictures(), null);
    Shoot traced = Origin.from(Origin.of(shoot), shoot);
    SetGeometry set = SetGeometry.of(traced.pieces(), files.meshes(), materials);
    return new Scene(
        shoot,
        set,
        Hierarchy.of(set),
        SceneLights.of(traced, set, files.pictures(), null),
        materials,
        new DerivedData());
  }

  /** Compiles the next state of a shoot, keeping what the edit does not touch. */
  public Scene next(Shoot after, SceneAssets files, EditCost cost) {
    MaterialCache nextMaterials = new MaterialCache(after, files.pictures(), materials);
    Shoot next = Origin.from(Origin.of(after), after);
    SetGeometry nextSet = cost.geometry() ? set.next(next.pieces(), nextMaterials) : set;
    Hierarchy h = cost.geometry() ? hierarchy.next(nextSet, n -> {}) : hierarchy;
    return new Scene(
        after,
        nextSet,
        h,
        SceneLights.of(next, nextSet, files.pictures(), this),
        nextMaterials,
        derived.next());
  }

  /** What is computed from this scene at the first use and kept with it. */
  public DerivedData derived() {
    return derived;
  }

  /** The number that the same light, with the same reach, had in another scene; or −1. */
  public int same(int light, Scene other) {
    for (int k = 0; k < other.lights.length; k++) {
      if (surroundings(other.lights[k]) == surroundings(lights[light])) {
        boolean reach =
            other.shoot.lights().get(k).controls().equals(shoot.lights().get(light).controls());
        return reach ? k : -1;
      }
    }
    return -1;
  }

  /** A light without the openings that it is drawn through. */
  public static LightSource surroundings(LightSource light) {
    return light instanceof PortalLight p ? p.surroundings() : light;
  }

  /** Whether a light is a picture or a dome all about the set, or a plate behind it. */
  public boolean surrounds(int light) {
    LightSource source = surroundings(lights[light]);
    return source instanceof EnvironmentLight
        || source instanceof DomeLight
        || source instanceof PlateLight;
  }

  /** Whether set and surfaces are those of another scene. */
  public boolean scattersAs(Scene other) {
    return set == other.set
        && Arrays.equals(surfaces, other.surfaces)
        && Arrays.equals(textured, other.textured)
        && Arrays.equals(kinds, other.kinds)
        && Arrays.deepEquals(reflectedIn, other.reflectedIn)
        && Arrays.equals(casters, other.casters)
        && Arrays.equals(catches, other.catches);
  }

  /** A light's caustics; as physics has them where it is not said that photons carry them. */
  public Caustics caustics(int light) {
    Caustics said = shoot.lights().get(light).controls().caustics();
    return said.on() ? said : Caustics.NONE.withCast(said.cast());
  }

  /**
   * Whether photons may carry a light's caustics: always, or where a pilot pass says so, which is
   * asked for as long as there are not {@link #many} lights.
   */
  public boolean castsCaustics(int light) {
    boolean may =
        switch (caustics(light).cast()) {
          case ON -> true;
          case AUTOMATIC -> !many && bounce.overGloss() != LightOverGloss.NONE;
          case OFF -> false;
        };
    return may && !(lights[light] instanceof PlateLight);
  }

  /**
   * Whether a piece throws caustics where a point of it is smooth: by its material, and if it shows
   * to rays of every kind that light paths stand for.
   */
  public boolean isCaster(int piece) {
    LayeredSurface surface = surfaces[piece];
    return casters[piece]
        && reflectedIn[piece] == null
        && surface != null
        && shows(piece, Hierarchy.BOUNCE)
        && shows(piece, Hierarchy.REFLECTION)
        && shows(piece, Hierarchy.REFRACTION)
        && (surface.mayBeNarrow(SMOOTH_ALPHA) || textured[piece] != null && surface.metalOrGlass());
  }

  /** Whether light arrives at the same places of the set as in another scene. */
  public boolean transmitsAs(Scene other) {
    if (set != other.set
        || !Arrays.equals(kinds, other.kinds)
        || !Arrays.equals(catches, other.catches)) {
      return false;
    }
    for (int i = 0; i < kinds.length; i++) {
      boolean solid = solid(i) && other.solid(i);
      boolean same = surfaces[i] == other.surfaces[i] && textured[i] == other.textured[i];
      if (!same && (!solid || surfaces[i].specular() != other.surfaces[i].specular())) {
        return false;
      }
    }
    return true;
  }

  /** Whether a piece is opaque and without holes. */
  public boolean solid(int piece) {
    return surfaces[piece] != null
        && !surfaces[piece].transmits()
        && (textured[piece] == null || !textured[piece].pierced());
  }

  /** Bytes of memory that the pictures of materials take. */
  public long pictureBytes() {
    long sum = materials.pictureBytes();
    for (LightSource light : lights) {
      sum += light.bytes();
    }
    return sum;
  }

  /** Triangles of the set, copies counted. */
  public long triangles() {
    return set.triangles();
  }

  public Shoot shoot() {
    return shoot;
  }

  /** Where the frame that is traced in begins in the world, metres. */
  public Vec3 origin() {
    return origin;
  }

  /** Meshes and where they stand. */
  public SetGeometry set() {
    return set;
  }

  public Hierarchy hierarchy() {
    return hierarchy;
  }

  /** How many layers a film of this scene has. */
  public int layers() {
    return lights.length;
  }
}
