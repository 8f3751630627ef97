package levelember.film;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import levelember.Sets;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.path.RayCount;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.look.Look;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.texture.Pictures;
import levelember.upsampling.Ladder;
import org.junit.jupiter.api.Test;

/** Each row of the invalidation table: the same bits as from scratch, and no ray too many. */
class EditCostTest {
  private static final int SAMPLES = 3;
  private final Shoot before = shoot();
  private View view;
  private Film film;

  private static Shoot shoot() {
    return Sets.white(0.5)
        .material(Material.metal("brass", "Brass", new Rgb(0.9, 0.7, 0.4), 0.3))
        .piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.5), "brass", new Vec3(0, 0.5, 0))
        .light(
            Sets.light(
                "key",
                new Emitter.Rectangle(1, 1, false),
                new Vec3(2, 2, 1),
                Vec3.ZERO,
                900,
                Unit.LUMEN))
        .light(
            Sets.light("p", new Emitter.Point(), new Vec3(0, 2, -1), Vec3.ZERO, 20, Unit.CANDELA))
        .light(Sets.dome(2))
        .seen(new Vec3(0, 1.5, 4), new Vec3(0, 0.4, 0), 3)
        .shoot();
  }

  private Shoot lights(List<Light> lights) {
    return new Shoot(
        before.name(),
        before.pieces(),
        before.materials(),
        lights,
        0,
        before.shots(),
        before.looks());
  }

  private Shoot key(Light key) {
    List<Light> lights = new ArrayList<>(before.lights());
    lights.set(0, key);
    return lights(lights);
  }

  private Light moved(Light l, Vec3 place, double stops, LightColour colour, boolean muted) {
    return new Light(
        l.id(),
        l.name() + " moved",
        l.emitter(),
        place,
        l.aim(),
        0,
        l.brightness(),
        stops,
        colour,
        muted,
        !muted,
        l.seenDirectly());
  }

  /** Goes from the state before to the one after, and compares with a picture from scratch. */
  private RayCount edit(Shoot after, Shot shotAfter) {
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      Shot shot = before.shots().getFirst();
      view = View.of(before, shot, Pictures.NONE);
      film = new Film(36, 24, view.layers());
      renderer.trace(view, film, SAMPLES, () -> false);
      EditCost cost = EditCost.between(before, shot, after, shotAfter);
      View next = view.next(after, shotAfter, Pictures.NONE, cost);
      Film kept = film.withLayers(cost.from());
      RayCount rays = renderer.trace(next, kept, SAMPLES, () -> false);
      View fresh = View.of(after, shotAfter, Pictures.NONE);
      Film whole = new Film(36, 24, fresh.layers());
      renderer.trace(fresh, whole, SAMPLES, () -> false);
      assertThat(LayerMix.picture(kept, LayerWeights.of(after)).rgb())
          .containsExactly(LayerMix.picture(whole, LayerWeights.of(after)).rgb());
      return rays;
    }
  }

  private RayCount edit(Shoot after) {
    return edit(after, after.shots().getFirst());
  }

  private long raysOfEverything() {
    Shoot other =
        new Shoot(
            "x",
            before.pieces(),
            List.of(Material.matte("white", "W", Rgb.grey(0.4)), before.materials().get(1)),
            before.lights(),
            0,
            before.shots(),
            before.looks());
    return edit(other).all();
  }

  @Test
  void levelColourMuteAloneNamesAndLookTraceNothing() {
    Light key = before.lights().getFirst();
    Shoot after =
        key(moved(key, key.position(), 2.5, new LightColour(3200, 4, new Rgb(1, 0.5, 0)), true));
    after =
        new Shoot(
            "Other name",
            after.pieces(),
            after.materials(),
            after.lights(),
            -1,
            after.shots(),
            List.of(new Look("look", "Brighter", 3, 0.2, 4)));
    assertThat(edit(after).all()).isZero();
  }

  @Test
  void aMovedLightIsTracedAloneIntoItsOwnLayer() {
    Light key = before.lights().getFirst();
    Shoot after = key(moved(key, new Vec3(-2, 1, 1), 0, LightColour.NEUTRAL, false));
    Shot shot = before.shots().getFirst();
    EditCost cost = EditCost.between(before, shot, after, shot);
    assertThat(cost.from()).containsExactly(-1, 1, 2);
    long rays = edit(after).all();
    assertThat(rays).isPositive().isLessThan(raysOfEverything());
  }

  @Test
  void anAddedLightIsTracedAloneAndATakenOneCostsNothing() {
    List<Light> more = new ArrayList<>(before.lights());
    more.add(
        1, Sets.light("new", new Emitter.Sphere(0.2), new Vec3(1, 1, 2), Vec3.ZERO, 50, Unit.NIT));
    Shot shot = before.shots().getFirst();
    assertThat(EditCost.between(before, shot, lights(more), shot).from())
        .containsExactly(0, -1, 1, 2);
    assertThat(edit(lights(more)).all()).isPositive();
    assertThat(edit(lights(before.lights().subList(1, 3))).all()).isZero();
    assertThat(edit(lights(before.lights().reversed())).all()).isZero();
    assertThat(keeps(lights(more))).isFalse();
    assertThat(keeps(lights(before.lights().subList(0, 2)))).isFalse();
    assertThat(keeps(lights(before.lights().reversed()))).isFalse();
    assertThat(keeps(before)).isTrue();
  }

  private boolean keeps(Shoot after) {
    Shot shot = before.shots().getFirst();
    return EditCost.between(before, shot, after, shot).keeps(before.lights().size());
  }

  @Test
  void aMaterialOrTheCameraTracesEverythingButKeepsTheHierarchy() {
    Shot shot = Sets.camera(new Vec3(1, 1, 4), Vec3.ZERO, 3);
    EditCost cost = EditCost.between(before, before.shots().getFirst(), before, shot);
    assertThat(cost.everything()).isTrue();
    assertThat(cost.geometry()).isFalse();
    assertThat(edit(before, shot).all()).isPositive();
    assertThat(raysOfEverything()).isPositive();
  }

  @Test
  void aMovedPieceBuildsTheHierarchyAnewAndARenamedOneDoesNot() {
    Piece ball = before.pieces().get(1);
    Piece up =
        new Piece(
            ball.id(),
            ball.name(),
            null,
            new Vec3(0, 0.8, 0),
            Vec3.ZERO,
            Vec3.ONE,
            ball.shape(),
            ball.material(),
            null,
            true);
    Piece renamed =
        new Piece(
            ball.id(),
            "Pearl",
            null,
            ball.position(),
            Vec3.ZERO,
            Vec3.ONE,
            ball.shape(),
            ball.material(),
            null,
            true);
    Shot shot = before.shots().getFirst();
    assertThat(EditCost.between(before, shot, pieces(up), shot).geometry()).isTrue();
    assertThat(edit(pieces(up)).all()).isPositive();
    assertThat(EditCost.between(before, shot, pieces(renamed), shot).nothing()).isTrue();
    assertThat(edit(pieces(renamed)).all()).isZero();
  }

  private Shoot pieces(Piece second) {
    return new Shoot(
        before.name(),
        List.of(before.pieces().getFirst(), second),
        before.materials(),
        before.lights(),
        0,
        before.shots(),
        before.looks());
  }

  @Test
  void theLadderShowsAMovedLightFromTheCoarseFilmAndTheOthersFromTheFine() {
    Shot shot = before.shots().getFirst();
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      View first = View.of(before, shot, Pictures.NONE);
      Ladder ladder = new Ladder(32, 24, first.layers());
      assertThat(ladder.step()).isZero();
      for (Ladder.Step i = ladder.next(2, true); i != null; i = ladder.next(2, true)) {
        renderer.trace(first, i.film(), i.samples(), () -> false);
      }
      assertThat(ladder.step()).isEqualTo(1);
      Light key = before.lights().getFirst();
      Shoot after = key(moved(key, new Vec3(-2, 1, 1), 0, LightColour.NEUTRAL, false));
      EditCost cost = EditCost.between(before, shot, after, shot);
      Ladder next = ladder.withLayers(cost.from());
      View second = first.next(after, shot, Pictures.NONE, cost);
      assertThat(next.next(2, true)).isEqualTo(new Ladder.Step(next.film(0), 1));
      renderer.trace(second, next.film(0), 1, () -> false);
      assertThat(next.step()).isEqualTo(8);
      float[] keyOnly = {1, 1, 1, 0, 0, 0, 0, 0, 0};
      float[] others = {0, 0, 0, 1, 1, 1, 1, 1, 1};
      assertThat(Sets.mean(next.mix(keyOnly))).isPositive();
      assertThat(next.mix(others).rgb()).containsExactly(ladder.mix(others).rgb());
    }
  }

  private Shoot more(List<Light> more, List<Bank> banks, Bounce bounce) {
    List<Light> lights = new ArrayList<>(before.lights());
    lights.addAll(more);
    return new Shoot(
        before.name(),
        before.pieces(),
        before.materials(),
        lights,
        banks,
        bounce,
        0,
        before.shots(),
        before.looks());
  }

  @Test
  void aLightLinkedOrShadowedOtherwiseTracesItsOwnLayer() {
    Light key = before.lights().getFirst();
    long all = raysOfEverything();
    for (LightControls controls :
        List.of(
            LightControls.WHOLE.linked(Scope.allBut("ball"), Scope.ALL),
            LightControls.WHOLE.linked(Scope.ALL, Scope.NONE),
            LightControls.WHOLE.shadowed(0.5, new Rgb(0, 0, 1)),
            LightControls.WHOLE.levelled(1, 0.2),
            LightControls.WHOLE.fading(4))) {
      RayCount rays = edit(key(key.withControls(controls)));
      assertThat(rays.all()).as(controls.toString()).isPositive().isLessThan(all);
    }
  }

  @Test
  void aBankTracesNothingAndHowLightBouncesTracesEverything() {
    List<Light> lights = new ArrayList<>(before.lights());
    Light p = lights.get(1);
    lights.set(
        1,
        new Light(
            p.id(),
            p.name(),
            p.emitter(),
            p.position(),
            p.aim(),
            0,
            p.brightness(),
            0,
            p.colour(),
            false,
            false,
            true,
            LightControls.WHOLE,
            null,
            null,
            "b",
            null));
    Shoot banked =
        new Shoot(
            "x",
            before.pieces(),
            before.materials(),
            lights,
            List.of(new Bank("b", "B", -2, new Rgb(1, 0.5, 0.2), false, false)),
            Bounce.NATURAL,
            0,
            before.shots(),
            before.looks());
    assertThat(edit(banked).all()).isZero();
    assertThat(edit(more(List.of(), List.of(), new Bounce(2, 0.5, 0))).all()).isPositive();
  }

  @Test
  void aSunFollowsItsSkyAndTheOtherLightsStay() {
    Shot shot = before.shots().getFirst();
    Shoot morning = more(List.of(sky(20), sun()), List.of(), Bounce.NATURAL);
    Shoot noon = more(List.of(sky(50), sun()), List.of(), Bounce.NATURAL);
    assertThat(EditCost.between(morning, shot, noon, shot).from()).containsExactly(0, 1, 2, -1, -1);
    assertThat(EditCost.between(noon, shot, noon, shot).nothing()).isTrue();
  }

  private static Light sky(double height) {
    Emitter sky = new Emitter.Sky(Daylight.of(90, height, 3));
    return Sets.light("sky", sky, Vec3.ZERO, Vec3.UP, 1, Unit.TIMES);
  }

  private static Light sun() {
    return Sets.light("sun", new Emitter.SkySun("sky", 0.5), Vec3.ZERO, Vec3.UP, 1, Unit.TIMES);
  }

  @Test
  void aSurfacePushedOtherwiseBuildsTheHierarchyAnew() {
    Shot shot = before.shots().getFirst();
    Material white = before.materials().getFirst();
    Maps low = Maps.NONE.withDisplacement(Texture.once("p"), 0.1);
    Maps high = Maps.NONE.withDisplacement(Texture.once("p"), 0.2);
    Shoot flat = materials(white),
        one = materials(white.with(low)),
        two = materials(white.with(high));
    assertThat(EditCost.between(flat, shot, one, shot).geometry()).isTrue();
    assertThat(EditCost.between(one, shot, two, shot).geometry()).isTrue();
    Shoot grey = materials(Material.matte("white", "W", Rgb.grey(0.2)).with(low));
    assertThat(EditCost.between(one, shot, grey, shot).geometry()).isFalse();
  }

  private Shoot materials(Material first) {
    return new Shoot(
        "x",
        before.pieces(),
        List.of(first, before.materials().get(1)),
        before.lights(),
        0,
        before.shots(),
        before.looks());
  }
}
