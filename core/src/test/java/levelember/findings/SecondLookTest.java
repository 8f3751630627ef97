package levelember.findings;

import static levelember.findings.Studio.inSurrounding;
import static levelember.findings.Studio.lamp;
import static levelember.findings.Studio.light;
import static levelember.findings.Studio.look;
import static levelember.findings.Studio.piece;
import static levelember.findings.Studio.surrounding;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.UnaryOperator;
import levelember.Sets;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.ScaledSet;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

/**
 * Every finding in a studio that has the fault and in one that just has not; every mend heals what
 * it is offered for.
 */
class SecondLookTest {
  @Test
  void aGoodSetHasNoFindings() {
    assertThat(new Studio().findings()).isEmpty();
  }

  @Test
  void burntAreasAreOfTheLightThatBurnsThem() {
    Studio hot = new Studio().with("key", l -> l.withLevelStops(6));
    Finding burnt = hot.found(Finding.Kind.BURNT);
    assertThat(burnt.light()).isEqualTo("key");
    assertThat(burnt.region()).isNotNull();
    assertThat(burnt.mends()).hasSize(2);
    new Studio().with("key", l -> l.withLevelStops(1)).hasNo(Finding.Kind.BURNT);
  }

  @Test
  void crushedBlacksAreOpenedByTheLightThatReachesThem() {
    UnaryOperator<Light> faint = l -> l.withLevelStops(-9);
    Studio dark = new Studio().with("fill", faint).with("dome", faint);
    dark.found(Finding.Kind.CRUSHED);
    new Studio().with("fill", l -> l.withLevelStops(-3)).hasNo(Finding.Kind.CRUSHED);
  }

  @Test
  void lightsThatGiveNextToNothing() {
    Studio faint = new Studio();
    faint.lights.add(lamp("extra", new Vec3(0, 3, 1), 1));
    assertThat(faint.found(Finding.Kind.FAINT_LIGHT).light()).isEqualTo("extra");
    Studio some = new Studio();
    some.lights.add(lamp("extra", new Vec3(0, 3, 1), 40));
    some.hasNo(Finding.Kind.FAINT_LIGHT);
  }

  @Test
  void lightsLinkedToNothing() {
    UnaryOperator<Light> none = l -> l.withControls(l.controls().linked(Scope.NONE, Scope.ALL));
    new Studio().with("key", none).found(Finding.Kind.LINKED_TO_NOTHING);
    UnaryOperator<Light> ball =
        l -> l.withControls(l.controls().linked(Scope.only("ball"), Scope.ALL));
    new Studio().with("key", ball).hasNo(Finding.Kind.LINKED_TO_NOTHING);
  }

  @Test
  void lampsThatAreSeen() {
    Studio seen = new Studio();
    Light bulb =
        light(
            "bulb",
            new Emitter.Sphere(0.1),
            new Vec3(0.8, 1, 0),
            Vec3.ZERO,
            50,
            Brightness.Unit.NIT);
    seen.lights.add(bulb.withSeenDirectly(true));
    assertThat(seen.found(Finding.Kind.LAMP_SEEN).light()).isEqualTo("bulb");
    Studio behind = new Studio();
    behind.lights.add(bulb.withSeenDirectly(true).withPosition(new Vec3(0, 0.6, -1.5)));
    behind.hasNo(Finding.Kind.LAMP_SEEN);
  }

  @Test
  void lampsClosedIn() {
    Studio closed = new Studio();
    closed.more.add(piece("shade", new Shape.Box(0.4, 0.4, 0.4, 0), "grey", new Vec3(1, 1.3, 0)));
    closed.lights.add(
        light(
            "bulb",
            new Emitter.Sphere(0.05),
            new Vec3(1, 1.5, 0),
            Vec3.ZERO,
            9000,
            Brightness.Unit.NIT));
    Finding found = closed.found(Finding.Kind.LAMP_CLOSED_IN);
    assertThat(found.what()).contains("bulb").contains("shade");
    Studio open = new Studio();
    open.lights.add(
        light(
            "bulb",
            new Emitter.Sphere(0.05),
            new Vec3(1, 1.5, 0),
            Vec3.ZERO,
            9000,
            Brightness.Unit.NIT));
    open.hasNo(Finding.Kind.LAMP_CLOSED_IN);
  }

  private static Light sun(String id, double x) {
    return light(id, new Emitter.Sun(0.5), new Vec3(x, 3, 2), Vec3.ZERO, 30, Brightness.Unit.LUX);
  }

  @Test
  void twoSuns() {
    Studio two = new Studio();
    two.lights.add(sun("sun-1", -2));
    two.lights.add(sun("sun-2", 2));
    two.found(Finding.Kind.TWO_SUNS);
    Studio one = new Studio();
    one.lights.add(sun("sun-1", -2));
    one.hasNo(Finding.Kind.TWO_SUNS);
  }

  @Test
  void setsAHundredTimesTooLarge() {
    Studio studio = new Studio();
    Shoot right = studio.shoot();
    Shoot large = ScaledSet.of(right, 200);
    List<Finding> found = look(large, Pictures.NONE);
    Finding size =
        found.stream()
            .filter(f -> f.kind() == Finding.Kind.IMPROBABLE_SIZE)
            .findFirst()
            .orElseThrow();
    assertThat(size.what()).contains("198 m");
    Shoot healed = size.mends().getFirst().after();
    assertThat(look(healed, Pictures.NONE)).noneMatch(f -> f.key().equals(size.key()));
    assertThat(look(ScaledSet.of(right, 20), Pictures.NONE))
        .noneMatch(f -> f.kind() == Finding.Kind.IMPROBABLE_SIZE);
  }

  @Test
  void aSetAtAnotherScaleLooksTheSame() {
    Studio studio = new Studio();
    Emitter bulb = new Emitter.Sphere(0.1);
    studio.lights.add(
        light("bulb", bulb, new Vec3(1, 1.5, 1), Vec3.ZERO, 200, Brightness.Unit.LUMEN));
    studio.lights.add(sun("sun", -2));
    Shoot shoot = studio.shoot();
    double mean = Sets.mean(Sets.render(shoot, 32, 18, 64, 8));
    double scaled = Sets.mean(Sets.render(ScaledSet.of(shoot, 40), 32, 18, 64, 8));
    assertThat(scaled).isCloseTo(mean, within(0.02 * mean));
  }

  @Test
  void oneHardShadowAmongSoftOnes() {
    Studio mixed = new Studio();
    mixed.lights.add(lamp("top", new Vec3(0, 3, 1), 500));
    mixed.with(
        "key",
        l ->
            l.withEmitter(new Emitter.Disc(0.02, false, 180, null))
                .withBrightness(new Brightness(1200 * Math.PI, Brightness.Unit.LUMEN)));
    assertThat(mixed.found(Finding.Kind.SOURCE_SIZE).light()).isEqualTo("key");
    Studio alike = new Studio();
    alike.lights.add(lamp("top", new Vec3(0, 3, 1), 500));
    alike.hasNo(Finding.Kind.SOURCE_SIZE);
  }

  private static Studio withGobo(double scale, double source) {
    Studio studio = new Studio();
    studio.pictures = n -> surrounding(16, p -> p);
    Gobo gobo = new Gobo("leaves.png", 0, 0, 0, scale, Gobo.Edge.BLACK, 1, 1, false, 0);
    Emitter spot = new Emitter.Spot(30, 0, source, 0.1, null, gobo, null);
    studio.lights.add(
        light("spot", spot, new Vec3(0, 2.5, 3), new Vec3(0, 0.3, 0), 500, Brightness.Unit.LUMEN));
    return studio;
  }

  @Test
  void edgesOfPatternsInTheShot() {
    withGobo(0.4, 0.001).found(Finding.Kind.GOBO_EDGE);
    withGobo(1.5, 0.001).hasNo(Finding.Kind.GOBO_EDGE);
  }

  @Test
  void patternsSharperThanShadows() {
    withGobo(1.5, 0.00001).found(Finding.Kind.GOBO_SHARPNESS);
    withGobo(1.5, 0.002).hasNo(Finding.Kind.GOBO_SHARPNESS);
  }

  @Test
  void tooMuchContactShade() {
    Studio dirty = new Studio();
    dirty.look = l -> l.with(new ContactShade(0.95, 0.5));
    dirty.found(Finding.Kind.CONTACT_SHADE);
    Studio some = new Studio();
    some.look = l -> l.with(new ContactShade(0.5, 0.5));
    some.hasNo(Finding.Kind.CONTACT_SHADE);
  }

  private static Studio withLampOnTheFloor(double nits, boolean glow) {
    Studio studio = new Studio();
    studio.materials.add(Material.matte("glass", "Glass", Rgb.grey(0.5)));
    studio.more.add(piece("lantern", new Shape.Sphere(0.15), "glass", new Vec3(0.9, 0.15, 0.4)));
    studio.lights.add(
        light(
                "lantern",
                new Emitter.Emissive("glass"),
                Vec3.ZERO,
                Vec3.UP,
                nits,
                Brightness.Unit.NIT)
            .withSeenDirectly(true));
    if (glow) {
      studio.look = l -> l.with(Glow.bloom("g", "Glow", 0.3, 5).from(Glow.Source.EMISSION, -2, 1));
    }
    return studio;
  }

  @Test
  void glowingThingsThatOtherLightDrowns() {
    withLampOnTheFloor(6, false).found(Finding.Kind.EMISSION_DROWNED);
    withLampOnTheFloor(300, false).hasNo(Finding.Kind.EMISSION_DROWNED);
  }

  @Test
  void glowOnWhatLightsNothingAboutIt() {
    Studio pasted = withLampOnTheFloor(400, true);
    pasted.with("lantern", l -> l.withControls(LightControls.WHOLE.levelled(0.0005, 0.0005)));
    assertThat(pasted.found(Finding.Kind.GLOW_WITHOUT_LIGHT).mends())
        .extracting(Finding.Mend::text)
        .containsExactly("Turn off Glow");
    Studio faint = withLampOnTheFloor(400, true);
    faint.with("lantern", l -> l.withControls(LightControls.WHOLE.levelled(0.004, 0.004)));
    assertThat(faint.found(Finding.Kind.GLOW_WITHOUT_LIGHT).mends()).hasSize(2);
    withLampOnTheFloor(400, true).hasNo(Finding.Kind.GLOW_WITHOUT_LIGHT);
  }

  private static Studio withLens(double dome) {
    Studio studio = new Studio();
    studio.materials.add(Material.glass("clear", "Clear", 1.5, Rgb.WHITE, 1));
    studio.ball = new Vec3(0, 20, 0);
    studio.more.add(piece("lens", new Shape.Sphere(0.4), "clear", new Vec3(0, 0.6, 0)));
    Light spot =
        light("sun", new Emitter.Sun(0.5), new Vec3(-2, 3, 1), Vec3.ZERO, 100, Brightness.Unit.LUX);
    studio.lights.clear();
    studio.lights.add(spot.withControls(LightControls.WHOLE.withCaustics(Caustics.CAST)));
    studio.lights.add(
        light("dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, dome, Brightness.Unit.NIT));
    return studio;
  }

  @Test
  void causticsThatOtherLightDrowns() {
    withLens(6000).found(Finding.Kind.CAUSTICS_DROWNED);
    withLens(5).hasNo(Finding.Kind.CAUSTICS_DROWNED);
  }

  @Test
  void tiltedHorizons() {
    Studio tilted = inSurrounding("a.hdr", surrounding(2048, p -> p), true);
    tilted.with("around", l -> l.withEmitter(new Emitter.Environment("a.hdr", 0, 4, 0, 0)));
    tilted.found(Finding.Kind.HORIZON_TILTED);
    inSurrounding("a.hdr", surrounding(2048, p -> p), true).hasNo(Finding.Kind.HORIZON_TILTED);
  }

  @Test
  void focusOnNothing() {
    Studio off = new Studio();
    off.shot = s -> s.withFStop(1.4).withFocusDistance(1);
    off.found(Finding.Kind.FOCUS_ON_NOTHING);
    Studio on = new Studio();
    on.shot = s -> s.withFStop(1.4).withFocusDistance(4.6);
    on.hasNo(Finding.Kind.FOCUS_ON_NOTHING);
  }

  @Test
  void aDepthOfFieldThatEatsTheSubject() {
    Studio thin = new Studio();
    thin.shot = s -> s.withFStop(1).withFocusDistance(5.5);
    thin.found(Finding.Kind.SUBJECT_OUT_OF_FOCUS);
    Studio deep = new Studio();
    deep.shot = s -> s.withFStop(16).withFocusDistance(4.6);
    deep.hasNo(Finding.Kind.SUBJECT_OUT_OF_FOCUS);
  }

  @Test
  void edgesThatDoNotPart() {
    // All but white in even light all round: nothing stands out.
    Studio lost = new Studio();
    lost.albedo = 0.98;
    lost.lights.clear();
    lost.lights.add(
        light("dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 14, Brightness.Unit.NIT)
            .withSeenDirectly(true));
    lost.lights.add(lamp("side", new Vec3(3, 1, 0.5), 160));
    lost.found(Finding.Kind.EDGE_LOST);
    new Studio().hasNo(Finding.Kind.EDGE_LOST);
  }

  @Test
  void keysAsStrongAsTheFill() {
    new Studio().with("fill", l -> l.withLevelStops(1.7)).found(Finding.Kind.FLAT_KEY);
    new Studio().with("fill", l -> l.withLevelStops(0.5)).hasNo(Finding.Kind.FLAT_KEY);
  }

  @Test
  void thingsThatFloat() {
    Studio floating = new Studio();
    floating.ball = new Vec3(0, 0.56, 0);
    assertThat(floating.found(Finding.Kind.FLOATING).what()).contains("6 cm");
    Studio stands = new Studio();
    stands.ball = new Vec3(0, 0.5005, 0);
    stands.hasNo(Finding.Kind.FLOATING);
  }

  @Test
  void aFindingKeepsItsKeyWhileItsNumbersChange() {
    Finding a = new Studio().with("key", l -> l.withLevelStops(6)).found(Finding.Kind.BURNT);
    Finding b = new Studio().with("key", l -> l.withLevelStops(6.5)).found(Finding.Kind.BURNT);
    assertThat(a.what()).isNotEqualTo(b.what());
    assertThat(a.key()).isEqualTo(b.key()).isEqualTo("burnt:key");
  }
}
