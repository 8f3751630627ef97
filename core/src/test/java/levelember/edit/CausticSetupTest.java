package levelember.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.edit.CausticSetup.CausticStep;
import levelember.edit.CausticSetup.Kind;
import levelember.geometry.Meshes;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import org.junit.jupiter.api.Test;

class CausticSetupTest {
  private static final Material GLASS = Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 1);

  private static Light lamp(String id, double radius) {
    return Sets.light(
        id, new Emitter.Disc(radius, false, 180, null), new Vec3(0, 2, 0), Vec3.ZERO, 5, Unit.NIT);
  }

  private static Sets ball(Material material) {
    return Sets.white(0.5)
        .material(material)
        .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.2), material.id(), new Vec3(0, 0.2, 0));
  }

  private static CausticSetup forBall(Shoot shoot) {
    return CausticSetup.forPiece(shoot, "ball", shoot.shots().getFirst(), Meshes.NONE);
  }

  private static Caustics of(CausticSetup setup, String light) {
    return setup.shoot().light(light).orElseThrow().controls().caustics();
  }

  @Test
  void aLightIsSwitchedOnWithItsCausticsAndMaterialsThatCastNone() {
    LightControls none = LightControls.WHOLE.withCaustics(new Caustics(Caustics.Cast.OFF, 0, 0));
    Shoot shoot =
        ball(GLASS.withCastsCaustics(false))
            .light(lamp("key", 0.1).withMuted(true).withControls(none))
            .shoot()
            .with(new Bounce(2, 1, 0));
    CausticSetup setup = CausticSetup.forLight(shoot, "key");
    assertThat(setup.steps())
        .containsExactly(
            new CausticStep(Kind.LIGHT_CASTS, "key", 0),
            new CausticStep(Kind.LEVEL_RAISED, "key", 0),
            new CausticStep(Kind.LIGHT_ON, "key", 0),
            new CausticStep(Kind.MATERIAL_CASTS, "Glass", 0),
            new CausticStep(Kind.BOUNCES_RAISED, "", 2));
    assertThat(of(setup, "key")).isEqualTo(Caustics.CAST);
    assertThat(setup.shoot().light("key").orElseThrow().muted()).isFalse();
    assertThat(setup.shoot().bounce().maxBounces()).isEqualTo(8);
    // All there: nothing more to do.
    assertThat(CausticSetup.forLight(setup.shoot(), "key").steps()).isEmpty();
  }

  @Test
  void aLightWithoutSmoothPiecesInItsLinksSaysSo() {
    Light linked =
        lamp("key", 0.1).withControls(LightControls.WHOLE.withLightLinking(Scope.allBut("ball")));
    assertThat(CausticSetup.forLight(ball(GLASS).light(linked).shoot(), "key").steps())
        .contains(new CausticStep(Kind.NO_SMOOTH_PIECE, "", 0));
    Shoot rough = ball(GLASS.rough(0.6)).light(lamp("key", 0.1)).shoot();
    assertThat(CausticSetup.forLight(rough, "key").steps())
        .contains(new CausticStep(Kind.NO_SMOOTH_PIECE, "", 0));
  }

  @Test
  void aPieceHasSmallLampsCastAndLeavesLargeOnes() {
    Shoot shoot = ball(GLASS).light(lamp("small", 0.1)).light(lamp("large", 1)).shoot();
    CausticSetup setup = forBall(shoot);
    assertThat(setup.steps()).containsExactly(new CausticStep(Kind.LIGHT_CASTS, "small", 0));
    assertThat(of(setup, "large").on()).isFalse();
    // Without a small one the smallest has to do.
    Shoot wide = ball(GLASS).light(lamp("wide", 0.9)).light(lamp("large", 1)).shoot();
    assertThat(forBall(wide).steps()).containsExactly(new CausticStep(Kind.LIGHT_CASTS, "wide", 0));
  }

  @Test
  void aPieceThatIsRoughOrHiddenIsPutRight() {
    Visibility hidden = new Visibility(true, false, true, true, false, false);
    Piece ball =
        new Piece(
            "ball",
            "Ball",
            null,
            Vec3.UP,
            Vec3.ZERO,
            Vec3.ONE,
            new Shape.Sphere(0.2),
            "glass",
            null,
            hidden.reflectedIn(Scope.NONE),
            true);
    Shoot shoot =
        Sets.white(0.5).material(GLASS.rough(0.5)).piece(ball).light(lamp("key", 0.1)).shoot();
    CausticSetup setup = forBall(shoot);
    assertThat(setup.steps())
        .containsExactly(
            new CausticStep(Kind.MATERIAL_SMOOTHED, "Glass", 0.5),
            new CausticStep(Kind.PIECE_SHOWN, "Ball", 0),
            new CausticStep(Kind.LIGHT_CASTS, "key", 0));
    assertThat(setup.shoot().pieces().getFirst().visibility()).isEqualTo(Visibility.ALL);
  }

  @Test
  void aMattePieceIsLeftAlone() {
    Shoot shoot = ball(Material.matte("clay", "Clay", Rgb.grey(0.5))).light(lamp("a", 1)).shoot();
    CausticSetup setup = forBall(shoot);
    assertThat(setup.steps()).containsExactly(new CausticStep(Kind.NOT_SMOOTH, "ball", 0));
    assertThat(setup.shoot()).isEqualTo(shoot);
  }

  @Test
  void aSpotIsPutBehindThePieceWhereThereIsNoLamp() {
    Shoot shoot =
        ball(GLASS)
            .light(Sets.light("dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 9, Unit.NIT))
            .seen(new Vec3(0, 1, 3), Vec3.ZERO, 2)
            .shoot();
    CausticSetup setup = forBall(shoot);
    Light spot = setup.shoot().lights().getLast();
    assertThat(setup.steps()).extracting(CausticStep::kind).containsExactly(Kind.LIGHT_ADDED);
    assertThat(spot.name()).isEqualTo("Caustic spot");
    assertThat(spot.position().z()).isNegative();
    assertThat(spot.position().y()).isGreaterThan(0.5);
    assertThat(spot.controls().caustics().on()).isTrue();
    // Half as much again as mid grey on a matte grey at the ball.
    double far = spot.position().minus(spot.aim()).length();
    double lux = spot.brightness().value() / (far * far);
    double full = 1.2 * Math.pow(2, shoot.lookOf(shoot.shots().getFirst()).ev());
    assertThat(lux / Math.PI).isCloseTo(1.5 * full, within(1e-6 * full));
    assertThat(forBall(setup.shoot()).steps()).isEmpty();
  }
}
