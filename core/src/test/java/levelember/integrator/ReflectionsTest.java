package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.MirrorBounces;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.material.Reflections;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** An artist's hold of reflections: levers, who reflects whom, and how far mirrors are followed. */
class ReflectionsTest {
  private static final Material MIRROR = Material.metal("mirror", "Mirror", Rgb.grey(0.8), 0);
  private static final Material GLOSSY =
      Material.glossy("mirror", "Mirror", new Rgb(0.3, 0.3, 0.3), 0.3, 1.5);

  private static Light dome() {
    return Sets.light("dome", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 100, Unit.NIT);
  }

  private static Light card() {
    return Sets.light("lamp", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 100, Unit.NIT);
  }

  private static Picture render(Shoot shoot, int width, int height, int samples) {
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(width, height, view.layers());
    try (Renderer renderer = new Renderer(2, 24, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  private static Piece piece(String id, Shape shape, String material, Vec3 at, Visibility shows) {
    return new Piece(id, id, null, at, Vec3.ZERO, Vec3.ONE, shape, material, null, shows, true);
  }

  /** A mirror ahead, seen straight on, in an even dome. */
  private static double seen(Material ahead) {
    Shoot shoot =
        Sets.white(0.5)
            .material(ahead)
            .piece("wall", new Shape.Rectangle(2, 2), "mirror", Vec3.ZERO)
            .light(dome())
            .seen(new Vec3(0, 0, 3), Vec3.ZERO, 0.4)
            .shoot();
    return Sets.mean(render(shoot, 8, 6, 256));
  }

  @Test
  void levelWeighsWhatIsReflectedAndNothingElse() {
    double mirror = seen(MIRROR);
    assertThat(mirror).isCloseTo(80, within(1.0));
    assertThat(seen(MIRROR.withReflections(new Reflections(0.5, Rgb.WHITE, 0))))
        .isCloseTo(40, within(0.5));
    double glossy = seen(GLOSSY);
    double matte = seen(GLOSSY.withReflections(new Reflections(0, Rgb.WHITE, 0)));
    double twice = seen(GLOSSY.withReflections(new Reflections(2, Rgb.WHITE, 0)));
    // The base keeps what the face leaves it, so that the levels lie on a line.
    assertThat(glossy - matte).isBetween(3.0, 7.0);
    assertThat(twice - matte).isCloseTo(2 * (glossy - matte), within(0.06 * glossy));
  }

  @Test
  void tintColoursReflectionsAndRoughnessIsThatOfARougherSurface() {
    Shoot red =
        Sets.white(0.5)
            .material(MIRROR.withReflections(new Reflections(1, new Rgb(1, 0.5, 0.25), 0)))
            .piece("wall", new Shape.Rectangle(2, 2), "mirror", Vec3.ZERO)
            .light(dome())
            .seen(new Vec3(0, 0, 3), Vec3.ZERO, 0.4)
            .shoot();
    Picture p = render(red, 4, 4, 16);
    assertThat(p.get(1, 1, 1) / p.get(1, 1, 0)).isCloseTo(0.5f, within(0.01f));
    assertThat(p.get(1, 1, 2) / p.get(1, 1, 0)).isCloseTo(0.25f, within(0.01f));
    Picture lever = lamp(MIRROR.withReflections(new Reflections(1, Rgb.WHITE, 0.3)));
    assertThat(lever.rgb()).isEqualTo(lamp(MIRROR.rough(0.3)).rgb());
    assertThat(lever.rgb()).isNotEqualTo(lamp(MIRROR).rgb());
    assertThat(lamp(MIRROR.withReflections(Reflections.NATURAL)).rgb())
        .isEqualTo(lamp(MIRROR).rgb());
  }

  private static Picture lamp(Material ahead) {
    return render(mirrored(ahead, Visibility.ALL).shoot(), 12, 8, 8);
  }

  @Test
  void clearGlassKeepsWhatItLetsThroughAtAnyLevel() {
    Material glass = Material.glass("mirror", "Pane", 0, 1.5, clear());
    double all = seen(glass);
    double through = seen(glass.withReflections(new Reflections(0, Rgb.WHITE, 0)));
    assertThat(all).isCloseTo(100, within(0.5));
    // A thin pane reflects 2r / (1 + r) of r = 4 %.
    assertThat(through).isCloseTo(92.3, within(0.6));
  }

  private static Material.Glass clear() {
    return new Material.Glass(1, Rgb.WHITE, 1, true, 0);
  }

  /** A glowing card behind the camera, which sees it in a mirror. */
  private static Sets mirrored(Material ahead, Visibility shows) {
    return Sets.white(0.5)
        .material(ahead)
        .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
        .piece("wall", new Shape.Rectangle(2, 2), "mirror", Vec3.ZERO)
        .piece(piece("card", new Shape.Box(2, 2, 0.02, 0), "lamp", new Vec3(0, -1, 4), shows))
        .light(card())
        .seen(new Vec3(0, 0, 3), Vec3.ZERO, 0.4);
  }

  @Test
  void aPieceIsReflectedByThosePiecesAloneThatAreNamed() {
    double shown = Sets.mean(render(mirrored(MIRROR, Visibility.ALL).shoot(), 8, 6, 16));
    assertThat(shown).isCloseTo(80, within(1.5));
    Visibility others = Visibility.ALL.reflectedIn(Scope.allBut("wall"));
    assertThat(Sets.mean(render(mirrored(MIRROR, others).shoot(), 8, 6, 16))).isZero();
    Visibility same = Visibility.ALL.reflectedIn(Scope.only("wall"));
    assertThat(Sets.mean(render(mirrored(MIRROR, same).shoot(), 8, 6, 16)))
        .isCloseTo(80, within(1.5));
    // What is behind it is reflected in its place.
    Sets behind =
        mirrored(MIRROR, others)
            .material(Material.matte("other", "Other", Rgb.grey(0.5)))
            .piece("back", new Shape.Box(4, 4, 0.02, 0), "other", new Vec3(0, -2, 4.5))
            .light(dome());
    assertThat(Sets.mean(render(behind.shoot(), 8, 6, 64))).isGreaterThan(5);
  }

  @Test
  void aCardThatRoughGlossDoesNotReflectGivesItNoHighlightButItsDiffuseLight() {
    double both = Sets.mean(render(mirrored(GLOSSY, Visibility.ALL).shoot(), 8, 6, 256));
    Visibility others = Visibility.ALL.reflectedIn(Scope.allBut("wall"));
    double diffuse = Sets.mean(render(mirrored(GLOSSY, others).shoot(), 8, 6, 256));
    Material matte = GLOSSY.withReflections(new Reflections(0, Rgb.WHITE, 0));
    double base = Sets.mean(render(mirrored(matte, Visibility.ALL).shoot(), 8, 6, 256));
    assertThat(both).isGreaterThan(1.1 * base);
    assertThat(diffuse).isCloseTo(base, within(0.02 * base));
  }

  /** Two mirrors face to face, between which the camera looks at one aslant, under a dome. */
  private static Shoot hall(MirrorBounces mirrors) {
    return Sets.white(0.5)
        .material(MIRROR)
        .material(Material.matte("black", "Black", Rgb.grey(0)))
        .piece("ahead", new Shape.Box(60, 60, 0.02, 0), "mirror", new Vec3(0, -30, -1))
        .piece("behind", new Shape.Box(60, 60, 0.02, 0), "mirror", new Vec3(0, -30, 1))
        .light(dome())
        .seen(new Vec3(0, 0, 0.5), new Vec3(0.02, 0, -0.99), 0.02)
        .shoot()
        .with(Bounce.NATURAL.with(mirrors));
  }

  private static double hallway(int most, MirrorBounces.End end) {
    return Sets.mean(render(hall(new MirrorBounces(most, end, new Rgb(0.5, 0.5, 0.5))), 6, 4, 4));
  }

  @Test
  void mirrorsAreFollowedAsOftenAsSaidAndShowTheirEnd() {
    // A mirror gives back four fifths each time; the last shows the dome as if nothing were there,
    // but for the small MIS weight of drawing the dome, for which the mirrors are in the way.
    assertThat(hallway(0, MirrorBounces.End.SURROUNDINGS)).isCloseTo(80, within(0.008 * 80));
    assertThat(hallway(1, MirrorBounces.End.SURROUNDINGS)).isCloseTo(64, within(0.008 * 64));
    assertThat(hallway(3, MirrorBounces.End.SURROUNDINGS)).isCloseTo(40.96, within(0.008 * 41));
    assertThat(hallway(1, MirrorBounces.End.COLOUR)).isCloseTo(32, within(0.1));
    assertThat(hallway(1, MirrorBounces.End.BLACK)).isLessThan(1e-3);
  }

  @Test
  void mirrorInMirrorIsFreeOfNoise() {
    // Twelve mirrors on, seven hundredths are left: no chance has a part in it.
    Picture p =
        render(hall(new MirrorBounces(11, MirrorBounces.End.SURROUNDINGS, Rgb.WHITE)), 6, 4, 1);
    for (int i = 0; i < p.rgb().length; i++) {
      assertThat(p.rgb()[i]).isCloseTo((float) (100 * Math.pow(0.8, 12)), within(0.02f));
    }
  }

  @Test
  void mirrorsThatGiveBackMoreThanTheyGetEndAllTheSame() {
    Sets sets =
        Sets.white(0.5)
            .material(MIRROR.withReflections(new Reflections(4, Rgb.WHITE, 0)))
            .piece("ahead", new Shape.Box(60, 60, 0.02, 0), "mirror", new Vec3(0, -30, -1))
            .piece("behind", new Shape.Box(60, 60, 0.02, 0), "mirror", new Vec3(0, -30, 1))
            .light(dome())
            .seen(new Vec3(0, 0, 0.5), new Vec3(0.02, 0, -0.99), 0.02);
    assertThat(Sets.mean(render(sets.shoot(), 4, 4, 2))).isFinite();
  }
}
