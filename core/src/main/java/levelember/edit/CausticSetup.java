package levelember.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import levelember.geometry.Meshes;
import levelember.math.Vec3;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Visibility;

/**
 * Sets up what a light or a piece needs to throw caustics.
 *
 * @param shoot with it
 * @param steps what was done to it, and what stands in the way
 */
public record CausticSetup(Shoot shoot, List<CausticStep> steps) {
  /** Perceptual roughness up to which glass and metal throw caustics. */
  public static final double SMOOTH = 0.25;

  private static final double SMOOTHED = 0.1;

  /** Surfaces that light meets through a body of glass on its way from a floor to a lamp. */
  private static final int BOUNCES = 8;

  /** Apparent diameter up to which a lamp draws edges, radians: some twenty degrees. */
  private static final double SMALL = 0.35;

  /** What was done, or what cannot be. */
  public enum Kind {
    /** A light casts caustics now. */
    LIGHT_CASTS,
    /** A light was muted. */
    LIGHT_ON,
    /** The level of a light's caustics was 0. */
    LEVEL_RAISED,
    /** A small spot was added. */
    LIGHT_ADDED,
    /** A material casts caustics now. */
    MATERIAL_CASTS,
    /** A material was too rough; the value is what its roughness was. */
    MATERIAL_SMOOTHED,
    /** A piece was hidden from some light. */
    PIECE_SHOWN,
    /** Light could meet too few surfaces; the value is how many. */
    BOUNCES_RAISED,
    /** A piece is neither glass nor metal: nothing was done. */
    NOT_SMOOTH,
    /** No piece that the light lights is glass or polished metal. */
    NO_SMOOTH_PIECE
  }

  /**
   * One step.
   *
   * @param kind what it is
   * @param name of the light, material or piece; empty where there is none
   * @param value that it had before, where the kind says so; else 0
   */
  public record CausticStep(Kind kind, String name, double value) {}

  public CausticSetup {
    steps = List.copyOf(steps);
  }

  /** Whether a light has a place or a direction to throw caustics from; no dome or picture has. */
  public static boolean isLamp(Shoot shoot, Light light) {
    return Double.isFinite(CausticSpot.angularDiameter(shoot, light, Vec3.ZERO));
  }

  /**
   * Sets up a light.
   *
   * @param id of the light, which must be there
   */
  public static CausticSetup forLight(Shoot shoot, String id) {
    Changes changes = new Changes(shoot);
    Light light = shoot.light(id).orElseThrow();
    boolean[] lit = PieceTransforms.in(light.controls().lightLinking(), shoot.pieces());
    List<Piece> smooth = new ArrayList<>();
    for (int i = 0; i < shoot.pieces().size(); i++) {
      Piece piece = shoot.pieces().get(i);
      if ((lit == null || lit[i]) && piece.shown() && changes.isSmooth(piece)) {
        smooth.add(piece);
      }
    }
    changes.cast(light);
    if (smooth.isEmpty()) {
      changes.add(Kind.NO_SMOOTH_PIECE, "", 0);
    } else if (smooth.stream().noneMatch(p -> changes.material(p).castsCaustics())) {
      smooth.forEach(changes::materialCasts);
    }
    changes.bounces();
    return changes.done();
  }

  /**
   * Sets up a piece, with all that stands in it.
   *
   * @param id of the piece, which must be there
   * @param shot that a light is put in for where there is none
   */
  public static CausticSetup forPiece(Shoot shoot, String id, Shot shot, Meshes meshes) {
    Changes changes = new Changes(shoot);
    Set<String> own = SetDown.withAllIn(shoot.pieces(), id);
    List<Piece> glassy =
        shoot.pieces().stream()
            .filter(p -> own.contains(p.id()) && p.shape() != null)
            .filter(p -> glassOrMetal(changes.material(p)))
            .toList();
    WorldBox box = WorldBox.of(shoot.pieces(), id, meshes).orElse(null);
    if (glassy.isEmpty() || box == null) {
      changes.add(Kind.NOT_SMOOTH, changes.name(id), 0);
      return changes.done();
    }
    for (Piece piece : glassy) {
      changes.materialCasts(piece);
      changes.smooth(piece);
      changes.show(piece);
    }
    changes.lit(glassy.getFirst(), box, shot);
    changes.bounces();
    return changes.done();
  }

  private static boolean glassOrMetal(Material m) {
    return m != null
        && (m.metalness() >= 0.5 || (1 - m.metalness()) * m.glass().transmission() >= 0.5);
  }

  /** The shoot while it is changed. */
  private static final class Changes {
    private Shoot shoot;
    private final List<CausticStep> steps = new ArrayList<>();

    Changes(Shoot shoot) {
      this.shoot = shoot;
    }

    CausticSetup done() {
      return new CausticSetup(shoot, steps);
    }

    void add(Kind kind, String name, double value) {
      CausticStep step = new CausticStep(kind, name, value);
      if (!steps.contains(step)) {
        steps.add(step);
      }
    }

    String name(String piece) {
      return shoot.pieces().stream()
          .filter(p -> p.id().equals(piece))
          .map(Piece::name)
          .findFirst()
          .orElseThrow();
    }

    Material material(Piece piece) {
      return shoot.materials().stream()
          .filter(m -> m.id().equals(piece.material()))
          .findFirst()
          .orElse(null);
    }

    boolean isSmooth(Piece piece) {
      Material m = piece.shape() == null ? null : material(piece);
      return glassOrMetal(m) && m.roughness() <= SMOOTH;
    }

    void cast(Light light) {
      if (!light.controls().caustics().on()) {
        Caustics on = light.controls().caustics().withCast(Caustics.Cast.ON);
        put(light, l -> l.withControls(l.controls().withCaustics(on)));
        add(Kind.LIGHT_CASTS, light.name(), 0);
      }
      if (light.controls().caustics().level() == 0) {
        put(
            light,
            l -> l.withControls(l.controls().withCaustics(l.controls().caustics().withLevel(1))));
        add(Kind.LEVEL_RAISED, light.name(), 0);
      }
      if (light.muted()) {
        put(light, l -> l.withMuted(false));
        add(Kind.LIGHT_ON, light.name(), 0);
      }
    }

    private void put(Light light, UnaryOperator<Light> change) {
      List<Light> lights =
          shoot.lights().stream()
              .map(l -> l.id().equals(light.id()) ? change.apply(l) : l)
              .toList();
      shoot = changed(shoot.pieces(), shoot.materials(), lights, shoot.bounce());
    }

    private Shoot changed(
        List<Piece> pieces, List<Material> materials, List<Light> lights, Bounce bounce) {
      return new Shoot(
          shoot.name(),
          pieces,
          materials,
          lights,
          shoot.banks(),
          bounce,
          shoot.masterStops(),
          shoot.shots(),
          shoot.looks(),
          shoot.motion(),
          shoot.meter());
    }

    private void put(Material other) {
      List<Material> materials =
          shoot.materials().stream().map(m -> m.id().equals(other.id()) ? other : m).toList();
      shoot = changed(shoot.pieces(), materials, shoot.lights(), shoot.bounce());
    }

    void materialCasts(Piece piece) {
      Material m = material(piece);
      if (!m.castsCaustics()) {
        put(m.withCastsCaustics(true));
        add(Kind.MATERIAL_CASTS, m.name(), 0);
      }
    }

    void smooth(Piece piece) {
      Material m = material(piece);
      if (m.roughness() > SMOOTH) {
        put(m.withRoughness(SMOOTHED));
        add(Kind.MATERIAL_SMOOTHED, m.name(), m.roughness());
      }
    }

    void show(Piece piece) {
      Visibility v = piece.visibility();
      boolean toAll = v.reflection() && v.refraction() && v.bounce();
      if (toAll && v.reflectedIn().equals(Scope.ALL)) {
        return;
      }
      Visibility all = new Visibility(v.camera(), true, true, v.shadow(), true, v.shadowCatcher());
      List<Piece> pieces =
          shoot.pieces().stream()
              .map(p -> p.id().equals(piece.id()) ? p.withVisibility(all) : p)
              .toList();
      shoot = changed(pieces, shoot.materials(), shoot.lights(), shoot.bounce());
      add(Kind.PIECE_SHOWN, piece.name(), 0);
    }

    void bounces() {
      Bounce b = shoot.bounce();
      if (b.maxBounces() < BOUNCES) {
        Bounce more = new Bounce(BOUNCES, b.level(), b.fadesAtMetres(), b.overGloss(), b.mirrors());
        shoot = changed(shoot.pieces(), shoot.materials(), shoot.lights(), more);
        add(Kind.BOUNCES_RAISED, "", b.maxBounces());
      }
    }

    /** Has the lamps cast that draw edges there; else the smallest; else one that is added. */
    void lit(Piece piece, WorldBox box, Shot shot) {
      int index =
          shoot
              .pieces()
              .indexOf(
                  shoot.pieces().stream()
                      .filter(p -> p.id().equals(piece.id()))
                      .findFirst()
                      .orElseThrow());
      Predicate<Light> lights =
          l -> {
            boolean[] in = PieceTransforms.in(l.controls().lightLinking(), shoot.pieces());
            return in == null || in[index];
          };
      List<Light> lamps =
          shoot.lights().stream()
              .filter(l -> Double.isFinite(CausticSpot.angularDiameter(shoot, l, box.centre())))
              .filter(lights)
              .toList();
      if (lamps.isEmpty()) {
        addSpot(box, shot);
        return;
      }
      if (lamps.stream().anyMatch(l -> l.controls().caustics().on() && !l.muted())) {
        lamps.stream().filter(l -> l.controls().caustics().on()).forEach(this::cast);
        return;
      }
      List<Light> small =
          lamps.stream()
              .filter(
                  l -> CausticSpot.angularDiameter(shoot, l, box.centre()) <= SMALL && !l.muted())
              .toList();
      if (small.isEmpty()) {
        cast(
            lamps.stream()
                .min(
                    Comparator.comparingDouble(l ->
                        CausticSpot.angularDiameter(shoot, l, box.centre()) + (l.muted() ? 1 : 0)))
                .orElseThrow());
      } else {
        small.forEach(this::cast);
      }
    }

    private void addSpot(WorldBox box, Shot shot) {
      Light spot = CausticSpot.behind(box, shoot, shot);
      List<Light> all = new ArrayList<>(shoot.lights());
      all.add(spot);
      shoot = changed(shoot.pieces(), shoot.materials(), all, shoot.bounce());
      add(Kind.LIGHT_ADDED, spot.name(), spot.position().minus(spot.aim()).length());
    }
  }
}
