package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.edit.Placing;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.lighting.Profile;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lights, their shapers and their links against answers known from outside the renderer. */
class RigTest {
  private static final Vec3 UNDER = new Vec3(0, 0, 0);

  /** A floor of albedo 0.8 seen from the side round one of its points. */
  private static Sets floor(double x) {
    return Sets.white(0.8)
        .piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO)
        .seen(new Vec3(x + 2, 1.5, 0.3), new Vec3(x, 0, 0), 0.004);
  }

  private static double lux(Shoot shoot, int samples) {
    return lux(shoot, samples, null);
  }

  private static double lux(Shoot shoot, int samples, Picture picture) {
    View view = View.of(shoot, shoot.shots().getFirst(), name -> picture);
    Film film = new Film(4, 4, view.layers());
    try (Renderer renderer = new Renderer(2, 1, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return Sets.mean(LayerMix.picture(film, LayerWeights.of(shoot))) * Math.PI / 0.8;
  }

  private static Light spot(Emitter.Spot spot, Vec3 place, double candela) {
    return Sets.light("spot", spot, place, UNDER, candela, Unit.CANDELA);
  }

  private static Emitter.Spot cone(double degrees, double feather, double radius) {
    return new Emitter.Spot(degrees, feather, radius, 0.25, null, null, null);
  }

  @ParameterizedTest
  @CsvSource({"0.3, 1", "0.5, 2", "0.05, 0.7"})
  void aDiscLightsWhatIsUnderItByItsSquaredRatio(double radius, double d) {
    Emitter.Disc disc = new Emitter.Disc(radius, false, 180, null);
    Light light = Sets.light("disc", disc, new Vec3(0, d, 0), UNDER, 100, Unit.NIT);
    double wanted = Math.PI * 100 * radius * radius / (radius * radius + d * d);
    assertThat(lux(floor(0).light(light).shoot(), 256)).isCloseTo(wanted, within(0.005 * wanted));
  }

  @Test
  void aLongTubeLightsAsALineSource() {
    // Beneath the middle of a thin tube of length 2a: E = L·d·(sinβ·cosβ + β)/h, tanβ = a/h.
    double a = 1, h = 1.5, radius = 0.01;
    Light light =
        Sets.light(
            "tube", new Emitter.Tube(2 * a, radius), new Vec3(0, h, 0), UNDER, 1000, Unit.NIT);
    double beta = Math.atan(a / h);
    double wanted = 1000 * 2 * radius * (Math.sin(beta) * Math.cos(beta) + beta) / h;
    assertThat(lux(floor(0).light(light).shoot(), 256)).isCloseTo(wanted, within(0.01 * wanted));
  }

  @Test
  void aSpotGivesItsCandelaOverTheSquareOfTheDistanceAndNothingBesideItsCone() {
    Light light = spot(cone(40, 0, 0), new Vec3(0, 2, 0), 500);
    assertThat(lux(floor(0).light(light).shoot(), 16)).isCloseTo(125, within(0.7));
    // At 15° the way is longer by 1/cos and the floor turned by cos: together cos³.
    double x = 2 * Math.tan(Math.toRadians(15)), c = Math.cos(Math.toRadians(15));
    assertThat(lux(floor(x).light(light).shoot(), 16)).isCloseTo(125 * c * c * c, within(0.7));
    double beside = 2 * Math.tan(Math.toRadians(21));
    assertThat(lux(floor(beside).light(light).shoot(), 16)).isZero();
  }

  @Test
  void aSpotSaidInLumensGivesThemAll() {
    // A hard cone of half angle a holds 2π(1 − cos a) sr.
    double a = Math.toRadians(20);
    Light light =
        Sets.light(
            "spot",
            cone(40, 0, 0),
            new Vec3(0, 2, 0),
            UNDER,
            500 * 2 * Math.PI * (1 - Math.cos(a)),
            Unit.LUMEN);
    assertThat(lux(floor(0).light(light).shoot(), 16)).isCloseTo(125, within(0.7));
  }

  @Test
  void aLargerSourceGivesTheSameLightOnTheAxisAndASofterEdge() {
    double edge = 2 * Math.tan(Math.toRadians(20));
    Light small = spot(cone(40, 0, 0.001), new Vec3(0, 2, 0), 500);
    Light large = spot(cone(40, 0, 0.02), new Vec3(0, 2, 0), 500);
    assertThat(lux(floor(0).light(large).shoot(), 256)).isCloseTo(125, within(1.5));
    // The gate at 0.25 m throws a penumbra of 2 · 0.02 · 1.75/0.25 = 0.28 m: a tenth of a metre
    // beyond the edge the small source gives nothing and the large one still some.
    assertThat(lux(floor(edge + 0.1).light(small).shoot(), 64)).isZero();
    double beyond = lux(floor(edge + 0.1).light(large).shoot(), 1024);
    assertThat(beyond).isBetween(1.0, 40.0);
  }

  @Test
  void aProfileGivesItsCandelaByDirection() {
    Profile p =
        new Profile("p", List.of(0.0, 30.0, 90.0), List.of(0.0), List.of(400.0, 200.0, 0.0));
    Light light =
        Sets.light("l", new Emitter.Point(p), new Vec3(0, 1, 0), UNDER, 400, Unit.CANDELA);
    assertThat(lux(floor(0).light(light).shoot(), 16)).isCloseTo(400, within(2.0));
    double a = Math.toRadians(15), c = Math.cos(a);
    assertThat(lux(floor(Math.tan(a)).light(light).shoot(), 16))
        .isCloseTo(300 * c * c * c, within(3.0));
  }

  /** A beam of one degree, measured by the tenth of it: its axis, its slope, and nothing beside. */
  @Test
  void aNarrowBeamKeepsTheAnglesOfItsFile() {
    Profile p =
        new Profile(
            "p", List.of(0.0, 0.4, 0.5, 90.0), List.of(0.0), List.of(400.0, 400.0, 0.0, 0.0));
    Light light =
        Sets.light("l", new Emitter.Point(p), new Vec3(0, 2, 0), UNDER, 400, Unit.CANDELA);
    assertThat(lux(floor(0).light(light).shoot(), 16)).isCloseTo(100, within(0.5));
    assertThat(lux(floor(2 * Math.tan(Math.toRadians(0.25))).light(light).shoot(), 256))
        .isCloseTo(100, within(0.5));
    assertThat(lux(floor(2 * Math.tan(Math.toRadians(1))).light(light).shoot(), 16)).isZero();
  }

  @Test
  void aProfilesLumensAreItsIntensitiesOverTheSphere() {
    // 100 cd all over the lower half sphere.
    Profile p = new Profile("p", List.of(0.0, 90.0), List.of(0.0), List.of(100.0, 100.0));
    assertThat(p.lumens()).isCloseTo(200 * Math.PI, within(2 * Math.PI));
  }

  @Test
  void aPatternInTheGateTintsAndDarkensItsPartOfTheCone() {
    Picture half = Picture.black(64, 64);
    for (int y = 0; y < 64; y++) {
      for (int x = 32; x < 64; x++) {
        half.set(x, y, 0.5, 0.5, 0.5);
      }
    }
    Emitter.Spot spot = new Emitter.Spot(40, 0, 0, 0.25, null, Gobo.of("half"), null);
    Light light = spot(spot, new Vec3(0, 2, 0), 500);
    // Looking down with −Z up the page, the lamp's right is +X.
    double at = 0.2, c = 2 / Math.hypot(2, at), wanted = 0.5 * 125 * c * c * c;
    assertThat(lux(floor(at).light(light).shoot(), 16, half)).isCloseTo(wanted, within(0.5));
    assertThat(lux(floor(-at).light(light).shoot(), 16, half)).isZero();
  }

  @Test
  void aBarnDoorCutsTheConeWhereItsLeafEnds() {
    Emitter.Doors doors = new Emitter.Doors(5, 90, 90, 90);
    Emitter.Spot spot = new Emitter.Spot(60, 0, 0, 0.25, null, null, doors);
    Light light = spot(spot, new Vec3(0, 2, 0), 500);
    double leaf = 2 * Math.tan(Math.toRadians(5));
    assertThat(lux(floor(-leaf + 0.02).light(light).shoot(), 16)).isGreaterThan(100);
    assertThat(lux(floor(-leaf - 0.02).light(light).shoot(), 16)).isZero();
  }

  @ParameterizedTest
  @CsvSource({"0", "0.53", "8"})
  void aSunGivesItsLuxSquareToItWhateverItsSize(double size) {
    Light sun = Sets.light("sun", new Emitter.Sun(size), new Vec3(0, 2, 2), UNDER, 1000, Unit.LUX);
    double wanted = 1000 * Math.sqrt(0.5);
    assertThat(lux(floor(0).light(sun).shoot(), 256)).isCloseTo(wanted, within(0.005 * wanted));
  }

  @Test
  void anEggCrateLeavesTheAxisAloneAndCutsTheSide() {
    Light open =
        Sets.light(
            "l", new Emitter.Rectangle(0.02, 0.02, false), new Vec3(0, 2, 0), UNDER, 1e5, Unit.NIT);
    Light crated =
        Sets.light(
            "l",
            new Emitter.Rectangle(0.02, 0.02, false, 60, null),
            new Vec3(0, 2, 0),
            UNDER,
            1e5,
            Unit.NIT);
    double axis = lux(floor(0).light(open).shoot(), 64);
    // A ray that leans by x for each unit out is let through by 1 − x/tan 30°.
    assertThat(lux(floor(0).light(crated).shoot(), 64)).isCloseTo(axis, within(0.01 * axis));
    double side = lux(floor(0.5).light(open).shoot(), 64);
    double wanted = side * (1 - 0.25 / Math.tan(Math.toRadians(30)));
    assertThat(lux(floor(0.5).light(crated).shoot(), 64)).isCloseTo(wanted, within(0.02 * wanted));
    assertThat(lux(floor(1.3).light(crated).shoot(), 64)).isZero();
  }

  /** A floor under a lamp with a card between, and the camera on the floor's shadow. */
  private static Sets shaded() {
    return floor(0)
        .piece(
            "card", new Shape.Rectangle(0.5, 0.5), "white", new Vec3(0, 1, 0), new Vec3(90, 0, 0));
  }

  private static Light lamp(Emitter emitter, LightControls controls) {
    Unit unit = emitter instanceof Emitter.Point ? Unit.CANDELA : Unit.NIT;
    return Sets.light("lamp", emitter, new Vec3(0, 2, 0), UNDER, 400, unit).withControls(controls);
  }

  @ParameterizedTest
  @CsvSource({"true", "false"})
  void aLightLinkedToNothingLightsNothing(boolean ball) {
    Emitter e = ball ? new Emitter.Sphere(0.1) : new Emitter.Point();
    Light none = lamp(e, LightControls.WHOLE.linked(Scope.NONE, Scope.ALL));
    assertThat(lux(floor(0).light(none).shoot(), 64)).isZero();
    Light other = lamp(e, LightControls.WHOLE.linked(Scope.allBut("floor"), Scope.ALL));
    assertThat(lux(floor(0).light(other).shoot(), 64)).isZero();
    Light own = lamp(e, LightControls.WHOLE.linked(Scope.only("floor"), Scope.ALL));
    Light plain = lamp(e, LightControls.WHOLE);
    assertThat(lux(floor(0).light(own).shoot(), 64))
        .isEqualTo(lux(floor(0).light(plain).shoot(), 64));
  }

  @ParameterizedTest
  @CsvSource({"true", "false"})
  void whatCastsNoShadowOfALightLetsAllOfItThrough(boolean ball) {
    Emitter e = ball ? new Emitter.Sphere(0.1) : new Emitter.Point();
    assertThat(lux(shaded().light(lamp(e, LightControls.WHOLE)).shoot(), 64)).isZero();
    double free = lux(floor(0).light(lamp(e, LightControls.WHOLE)).shoot(), 256);
    Light through = lamp(e, LightControls.WHOLE.linked(Scope.ALL, Scope.allBut("card")));
    assertThat(lux(shaded().light(through).shoot(), 256)).isCloseTo(free, within(0.003 * free));
  }

  @Test
  void aShadowsDepthAndColourAreWhatIsLeftInIt() {
    Emitter e = new Emitter.Sphere(0.1);
    double free = lux(floor(0).light(lamp(e, LightControls.WHOLE)).shoot(), 256);
    Light half = lamp(e, LightControls.WHOLE.shadowed(0.5, new Rgb(0, 0, 0)));
    assertThat(lux(shaded().light(half).shoot(), 256)).isCloseTo(free / 2, within(0.003 * free));
    Light blue = lamp(e, LightControls.WHOLE.shadowed(1, new Rgb(0, 0, 1)));
    assertThat(lux(shaded().light(blue).shoot(), 256))
        .isCloseTo(0.0722 * free, within(0.003 * free));
  }

  @Test
  void aLightFadesToNothingAtItsReach() {
    Emitter e = new Emitter.Point();
    double free = lux(floor(0).light(lamp(e, LightControls.WHOLE)).shoot(), 16);
    double fourth = Math.pow(2 / 2.5, 4), wanted = free * (1 - fourth);
    assertThat(lux(floor(0).light(lamp(e, LightControls.WHOLE.fading(2.5))).shoot(), 16))
        .isCloseTo(wanted, within(0.01 * wanted));
    assertThat(lux(floor(0).light(lamp(e, LightControls.WHOLE.fading(1.9))).shoot(), 16)).isZero();
  }

  @Test
  void matteAndGlossOfALightAddUpToTheWhole() {
    Sets glossy =
        new Sets()
            .material(Material.glossy("white", "White", Rgb.grey(0.5), 0.3, 1.5))
            .piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO)
            .seen(new Vec3(2, 2, 0), Vec3.ZERO, 0.05);
    Light both = Sets.light("l", new Emitter.Sphere(0.3), new Vec3(-2, 2, 0), UNDER, 100, Unit.NIT);
    Light matte = named(both, "m", LightControls.WHOLE.levelled(1, 0));
    Light gloss = named(both, "g", LightControls.WHOLE.levelled(0, 1));
    double whole = Sets.mean(Sets.render(glossy.light(both).shoot(), 8, 8, 256, 1));
    double matteOnly = mean(glossy, matte), glossOnly = mean(glossy, gloss);
    assertThat(matteOnly).isGreaterThan(0.01 * whole);
    assertThat(glossOnly).isGreaterThan(0.01 * whole);
    assertThat(matteOnly + glossOnly).isCloseTo(whole, within(0.01 * whole));
  }

  private static double mean(Sets sets, Light light) {
    Shoot s = sets.shoot();
    Shoot one =
        new Shoot(s.name(), s.pieces(), s.materials(), List.of(light), 0, s.shots(), s.looks());
    return Sets.mean(Sets.render(one, 8, 8, 256, 1));
  }

  private static Light named(Light l, String id, LightControls controls) {
    return new Light(
            id,
            id,
            l.emitter(),
            l.position(),
            l.aim(),
            0,
            l.brightness(),
            0,
            l.colour(),
            false,
            false,
            false)
        .withControls(controls);
  }

  @ParameterizedTest
  @CsvSource({"true", "false"})
  void aPaneLetsASmallLightThroughWithItsLoss(boolean ball) {
    Material pane =
        Material.glass("pane", "Pane", 0, 1.5, new Material.Glass(1, Rgb.WHITE, 1, true, 0));
    Sets glazed =
        floor(0)
            .material(pane)
            .piece("pane", new Shape.Rectangle(3, 3), "pane", new Vec3(0, 1, 0), new Vec3(90, 0, 0))
            .seen(new Vec3(1.2, 0.8, 0.3), Vec3.ZERO, 0.004);
    Emitter e = ball ? new Emitter.Sphere(0.05) : new Emitter.Point();
    double free = lux(floor(0).light(lamp(e, LightControls.WHOLE)).shoot(), 256);
    // Straight on, a pane of index n passes 2n/(n² + 1) of the light.
    double wanted = free * 2 * 1.5 / (1.5 * 1.5 + 1);
    assertThat(lux(glazed.light(lamp(e, LightControls.WHOLE)).shoot(), 1024))
        .isCloseTo(wanted, within(0.01 * wanted));
  }

  @Test
  void ofASurfaceThatIsHalfHolesHalfTheLightComesThrough() {
    Picture grey = Picture.black(2, 2);
    for (int i = 0; i < grey.rgb().length; i++) {
      grey.rgb()[i] = 0.5f;
    }
    Material mesh =
        Material.matte("mesh", "Mesh", Rgb.grey(0))
            .with(Maps.NONE.withOpacity(Texture.once("grey")));
    Sets sets =
        floor(0)
            .material(mesh)
            .piece(
                "mesh",
                new Shape.Rectangle(0.5, 0.5),
                "mesh",
                new Vec3(0, 1, 0),
                new Vec3(90, 0, 0));
    Emitter e = new Emitter.Sphere(0.05);
    double free = lux(floor(0).light(lamp(e, LightControls.WHOLE)).shoot(), 256);
    assertThat(lux(sets.light(lamp(e, LightControls.WHOLE)).shoot(), 1024, grey))
        .isCloseTo(free / 2, within(0.01 * free));
  }

  @Test
  void gearIsUnseenAndStillShades() {
    Piece card = shaded().shoot().pieces().getLast();
    Piece flag =
        new Piece(
            card.id(),
            card.name(),
            null,
            card.position(),
            card.rotationDegrees(),
            card.scale(),
            card.shape(),
            card.material(),
            null,
            Visibility.GEAR,
            true);
    Sets over =
        Sets.white(0.8)
            .piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO)
            .piece(flag)
            .seen(new Vec3(0, 3, 0.001), Vec3.ZERO, 0.004);
    // Looking down through the flag the floor is seen, in its shadow.
    Light beside =
        Sets.light("l", new Emitter.Point(), new Vec3(3, 2, 0), UNDER, 400, Unit.CANDELA);
    double seen = Sets.mean(Sets.render(over.light(beside).shoot(), 4, 4, 16, 1));
    double wanted = 0.8 / Math.PI * 400 * 2 / Math.pow(13, 1.5);
    assertThat(seen).isCloseTo(wanted, within(0.01 * wanted));
    Sets under = Sets.white(0.8).piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO);
    Light above = lamp(new Emitter.Point(), LightControls.WHOLE);
    under.piece(flag).seen(new Vec3(2, 1.5, 0.3), Vec3.ZERO, 0.004).light(above);
    assertThat(Sets.mean(Sets.render(under.shoot(), 4, 4, 16, 1))).isZero();
  }

  @Test
  void aCatcherShowsWhatIsBehindItLessItsShadow() {
    Piece floor = floor(0).shoot().pieces().getFirst();
    Piece catcher =
        new Piece(
            "floor",
            "floor",
            null,
            Vec3.ZERO,
            Vec3.ZERO,
            Vec3.ONE,
            floor.shape(),
            "white",
            null,
            new Visibility(true, true, true, true, true, true),
            true);
    Sets lit = Sets.white(0.8).piece(catcher).seen(new Vec3(2, 1.5, 0.3), Vec3.ZERO, 0.004);
    Light dome = Sets.dome(100);
    Light lamp = lamp(new Emitter.Point(), LightControls.WHOLE);
    Shoot open = lit.light(dome).light(lamp).shoot();
    // Nothing but the floor itself stands over it: the dome behind is seen as it is.
    assertThat(Sets.mean(Sets.render(open, 4, 4, 64, 2))).isCloseTo(100, within(0.5));
    Sets under = Sets.white(0.8).piece(catcher).piece(shaded().shoot().pieces().getLast());
    under.seen(new Vec3(2, 1.5, 0.3), Vec3.ZERO, 0.004).light(dome);
    double ambient = Sets.mean(Sets.render(under.shoot(), 4, 4, 64, 2));
    under.light(lamp);
    // In the lamp's shadow its light on the floor is missing.
    double missing = 0.8 / Math.PI * 400 / 4;
    assertThat(ambient - Sets.mean(Sets.render(under.shoot(), 4, 4, 64, 2)))
        .isCloseTo(missing, within(0.01 * missing));
    // Where nothing is behind it, nothing can be taken.
    Sets black = Sets.white(0.8).piece(catcher).piece(shaded().shoot().pieces().getLast());
    black.seen(new Vec3(2, 1.5, 0.3), Vec3.ZERO, 0.004).light(lamp);
    assertThat(Sets.render(black.shoot(), 4, 4, 64, 2).rgb()).containsOnly(0f);
    // The layer by itself has what it takes from others, so that layers add up to the picture.
    View view = View.of(black.shoot(), black.shoot().shots().getFirst(), Pictures.NONE);
    Film film = new Film(4, 4, 1);
    try (Renderer renderer = new Renderer(2, 2, 1)) {
      renderer.trace(view, film, 64, () -> false);
    }
    double taken = -Sets.mean(LayerMix.layer(film, 0, LayerWeights.of(black.shoot())));
    assertThat(taken).isCloseTo(missing, within(0.01 * missing));
  }

  @Test
  void bouncedLightFollowsItsLevel() {
    Sets corner =
        Sets.white(0.8)
            .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
            .piece("wall", new Shape.Rectangle(4, 2), "white", new Vec3(0, 1, -0.5), Vec3.ZERO)
            .light(lamp(new Emitter.Point(), LightControls.WHOLE))
            .seen(new Vec3(1, 1, 1), Vec3.ZERO, 0.05);
    double direct = bounced(corner, 64, 0, 0), whole = bounced(corner, 64, 1, 0);
    // A path of one turn sees the floor by its direct light alone.
    assertThat(bounced(corner, 1, 1, 0)).isCloseTo(direct, within(0.01 * direct));
    assertThat(whole).isGreaterThan(1.05 * direct);
    // With one bounce more than the direct light, half the level is half the difference.
    double one = bounced(corner, 2, 1, 0);
    assertThat(bounced(corner, 2, 0.5, 0)).isCloseTo((direct + one) / 2, within(0.01 * one));
    assertThat(bounced(corner, 64, 1, 0.1)).isLessThan(direct + 0.2 * (whole - direct));
  }

  private static double bounced(Sets sets, int most, double level, double fades) {
    Shoot s = sets.shoot();
    Shoot so =
        new Shoot(
            s.name(),
            s.pieces(),
            s.materials(),
            s.lights(),
            List.of(),
            new Bounce(most, level, fades),
            0,
            s.shots(),
            s.looks());
    return Sets.mean(Sets.render(so, 4, 4, 2048, 64));
  }

  @Test
  void aLightTiedToAPieceMovesWithIt() {
    Sets moved =
        floor(1)
            .piece(
                new Piece(
                    "stand",
                    "stand",
                    null,
                    new Vec3(1, 0, 0),
                    Vec3.ZERO,
                    Vec3.ONE,
                    null,
                    null,
                    null,
                    true));
    Light l = lamp(new Emitter.Point(), LightControls.WHOLE);
    Light tied =
        new Light(
            "lamp",
            "lamp",
            l.emitter(),
            l.position(),
            l.aim(),
            0,
            l.brightness(),
            0,
            l.colour(),
            false,
            false,
            false,
            LightControls.WHOLE,
            "stand",
            null,
            null,
            null);
    assertThat(lux(moved.light(tied).shoot(), 16)).isCloseTo(100, within(0.5));
  }

  @Test
  void theOtherSideIsTheMirrorImageAndFollowsItsLevel() {
    Light l = Sets.light("lamp", new Emitter.Point(), new Vec3(1, 2, 0), UNDER, 400, Unit.CANDELA);
    Light image =
        new Light(
            "image",
            "image",
            new Emitter.Sphere(1),
            Vec3.ZERO,
            UNDER,
            0,
            new levelember.shoot.lighting.Brightness(3, Unit.NIT),
            1,
            l.colour(),
            false,
            false,
            false,
            LightControls.WHOLE,
            null,
            null,
            null,
            new Light.Mirror("lamp", Vec3.ZERO, new Vec3(1, 0, 0)));
    double one = lux(floor(1).light(l).shoot(), 16);
    // At the mirror image of the place, one stop brighter, less what the lamp gives there itself.
    double across = lux(floor(-1).light(l).shoot(), 16);
    assertThat(lux(floor(-1).light(l).light(image).shoot(), 16) - across)
        .isCloseTo(2 * one, within(0.02 * one));
  }

  @Test
  void aPlateFillsTheFrameBehindEverythingAndLightsNothing() {
    Picture p = Picture.black(8, 4);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = 0.5f;
    }
    Light plate = Sets.light("plate", new Emitter.Plate("p"), Vec3.ZERO, UNDER, 100, Unit.NIT);
    Shoot empty =
        Sets.white(0.8).seen(new Vec3(0, 1, 5), new Vec3(0, 1, 0), 1).light(plate).shoot();
    assertThat(lux(empty, 16, p) * 0.8 / Math.PI).isCloseTo(50, within(0.1));
    assertThat(lux(floor(0).light(plate).shoot(), 16, p)).isZero();
  }

  @Test
  void aHighlightStandsWhereTheCameraSeesItsMirrorImage() {
    Vec3 camera = new Vec3(0.4, 1.3, 3), at = new Vec3(0.1, 0.2, -0.4);
    Vec3 normal = new Vec3(0.2, 1, 0.3).unit();
    Shoot shoot = floor(0).light(lamp(new Emitter.Sphere(0.1), LightControls.WHOLE)).shoot();
    Light light = shoot.lights().getFirst();
    Placing p = Placing.highlight(shoot, light, camera, at, normal);
    Vec3 in = camera.minus(at).unit(), out = p.position().minus(at).unit();
    // The normal halves the angle, and all three lie in one plane.
    assertThat(in.plus(out).unit().minus(normal).length()).isLessThan(1e-9);
    assertThat(p.position().minus(at).length()).isCloseTo(2, within(1e-9));
    assertThat(p.aim()).isEqualTo(at);
  }

  @Test
  void aShadowFallsWhereItWasPointed() {
    Shoot shoot = shaded().light(lamp(new Emitter.Point(), LightControls.WHOLE)).shoot();
    Light light = shoot.lights().getFirst();
    Vec3 wanted = new Vec3(0.9, 0, 0.4);
    Placing p = Placing.shadow(shoot, light, new Vec3(0, 1, 0), wanted);
    Light moved = light.standing(p.position(), p.aim());
    // The middle of the card's shadow is dark there, and light a little way off its edge.
    Sets there = shaded().seen(wanted.plus(new Vec3(1.4, 1.2, 0.3)), wanted, 0.004);
    assertThat(lux(there.light(moved).shoot(), 16)).isZero();
    Vec3 off = wanted.plus(new Vec3(0.9, 0, 0));
    Sets beside = shaded().seen(off.plus(new Vec3(1.4, 1.2, 0.3)), off, 0.004);
    assertThat(lux(beside.light(moved).shoot(), 16)).isPositive();
  }

  @Test
  void aRimGrazesTheEdgeFromBehind() {
    Shoot shoot = floor(0).light(lamp(new Emitter.Sphere(0.1), LightControls.WHOLE)).shoot();
    Vec3 camera = new Vec3(0, 1, 4), at = new Vec3(0.5, 1, 0);
    Vec3 edge = new Vec3(1, 0, 0.05).unit();
    Placing p = Placing.rim(shoot, shoot.lights().getFirst(), camera, at, edge);
    Vec3 to = p.position().minus(at).unit(), view = camera.minus(at).unit();
    assertThat(to.dot(view)).isLessThan(-0.8);
    assertThat(to.dot(edge)).isBetween(0.1, 0.6);
  }

  @Test
  void aDisplacedFloorRisesByItsPicture() {
    Picture grey = Picture.black(4, 4);
    for (int i = 0; i < grey.rgb().length; i++) {
      grey.rgb()[i] = 0.5f;
    }
    Material pushed =
        Material.matte("pushed", "Pushed", Rgb.grey(0.8))
            .with(Maps.NONE.withDisplacement(Texture.once("grey"), 0.4));
    Sets sets =
        new Sets()
            .material(pushed)
            .piece("floor", new Shape.Floor(20, 20), "pushed", Vec3.ZERO)
            .seen(new Vec3(2, 1.5, 0.3), new Vec3(0, 0.2, 0), 0.004);
    Light light = spot(cone(90, 0, 0), new Vec3(0, 2.2, 0), 400);
    // Pushed up by half of 0.4 m, the floor is two metres under the lamp.
    assertThat(lux(sets.light(light).shoot(), 16, grey)).isCloseTo(100, within(0.7));
  }

  @Test
  void manyLightsGiveTogetherWhatEachGivesAlone() {
    Sets all = shaded();
    double wanted = 0;
    java.util.Random random = new java.util.Random(4);
    for (int i = 0; i < 60; i++) {
      Vec3 at =
          new Vec3(6 * random.nextDouble() - 3, 1.5 + random.nextDouble(), 6 * random.nextDouble());
      Emitter e = i % 2 == 0 ? new Emitter.Sphere(0.05) : new Emitter.Point();
      Unit unit = i % 2 == 0 ? Unit.NIT : Unit.CANDELA;
      double value = (i % 2 == 0 ? 1e4 : 20) * (1 + i % 7);
      Light light = Sets.light("l" + i, e, at, UNDER, value, unit);
      all.light(light);
      wanted += lux(shaded().light(light).shoot(), 128);
    }
    assertThat(lux(all.shoot(), 4096)).isCloseTo(wanted, within(0.01 * wanted));
  }

  @Test
  void aLinkedLightThatIsHiddenStaysSoBehindAPane() {
    Material pane =
        Material.glass("pane", "Pane", 0, 1.5, new Material.Glass(1, Rgb.WHITE, 1, true, 0));
    LightControls linked = LightControls.WHOLE.linked(Scope.only("pane"), Scope.ALL);
    Light hidden = named(Sets.dome(100), "hidden", linked);
    Sets sets =
        new Sets()
            .material(pane)
            .piece("pane", new Shape.Rectangle(3, 3), "pane", Vec3.ZERO)
            .light(hidden)
            .seen(new Vec3(0, 0, 2), Vec3.ZERO, 0.004);
    // What is left is the dome in the pane's reflection: all but the 2n/(n² + 1) that pass.
    double wanted = 100 * (1 - 2 * 1.5 / (1.5 * 1.5 + 1));
    assertThat(Sets.mean(Sets.render(sets.shoot(), 8, 8, 1024, 8)))
        .isCloseTo(wanted, within(0.05 * wanted));
  }

  @Test
  void twoHundredLightsLinkedToFiveHundredPiecesAreTraced() {
    Sets sets = Sets.white(0.5).piece("floor", new Shape.Floor(30, 30), "white", Vec3.ZERO);
    for (int i = 0; i < 500; i++) {
      Vec3 at = new Vec3(i % 25 - 12, 0, i / 25 - 10);
      sets.piece("box-" + i, new Shape.Box(0.3, 0.5, 0.3, 0), "white", at);
    }
    for (int i = 0; i < 200; i++) {
      Scope own = i % 2 == 0 ? Scope.only("floor", "box-" + i) : Scope.allBut("box-" + 2 * i);
      Emitter e = i % 3 == 0 ? new Emitter.Point() : new Emitter.Sphere(0.1);
      Unit unit = i % 3 == 0 ? Unit.CANDELA : Unit.NIT;
      Vec3 at = new Vec3(i % 20 - 10, 3, i / 20.0 - 5);
      sets.light(
          Sets.light("l" + i, e, at, new Vec3(0, -1, 0), 100, unit)
              .withControls(LightControls.WHOLE.linked(own, Scope.ALL)));
    }
    sets.seen(new Vec3(0, 12, 20), Vec3.ZERO, 20);
    Shoot shoot = sets.shoot();
    Film film = Sets.film(shoot, 32, 18, 4, 4, 2);
    assertThat(film.layers()).isEqualTo(200);
    assertThat(Sets.mean(LayerMix.picture(film, LayerWeights.of(shoot)))).isPositive();
  }

  @ParameterizedTest
  @CsvSource({"1", "-1"})
  void aPictureOnAShiningPieceLightsFromWhereItIsBright(double mirror) {
    // Bright on the picture's left half alone, which a mirrored piece has on its other side.
    Picture half = Picture.black(64, 8);
    for (int y = 0; y < 8; y++) {
      for (int x = 0; x < 32; x++) {
        half.set(x, y, 1, 1, 1);
      }
    }
    Piece card =
        new Piece(
            "card",
            "card",
            null,
            new Vec3(0, 1, 0),
            new Vec3(90, 0, 0),
            new Vec3(mirror, 1, 1),
            new Shape.Rectangle(2, 0.5),
            "lamp",
            null,
            true);
    Emitter shining = new Emitter.Emissive("lamp", "half");
    Light light = Sets.light("l", shining, Vec3.ZERO, Vec3.UP, 100, Unit.NIT);
    double left = under(-0.6, card, light, half), right = under(0.6, card, light, half);
    double bright = mirror > 0 ? left : right, dark = mirror > 0 ? right : left;
    assertThat(bright).isGreaterThan(3 * dark);
    // The bright half is a rectangle light of its own.
    Light same =
        Sets.light(
            "same",
            new Emitter.Rectangle(1, 0.5, false),
            new Vec3(-0.5 * mirror, 1, 0),
            new Vec3(-0.5 * mirror, 0, 0),
            100,
            Unit.NIT);
    double wanted = lux(floor(-0.6 * mirror).light(same).shoot(), 512);
    assertThat(bright).isCloseTo(wanted, within(0.02 * wanted));
  }

  private static double under(double x, Piece card, Light light, Picture picture) {
    Sets sets =
        floor(x)
            .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
            .piece(card)
            .seen(new Vec3(x + 0.3, 0.6, 0.9), new Vec3(x, 0, 0), 0.004);
    return lux(sets.light(light).shoot(), 1024, picture);
  }
}
