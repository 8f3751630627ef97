package levelember.formats.document;

import java.util.List;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Bounce;
import levelember.shoot.FaderRange;
import levelember.shoot.Meter;
import levelember.shoot.MirrorBounces;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.Silenced;
import levelember.shoot.Target;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.lighting.Profile;
import levelember.shoot.look.Look;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Reflections;
import levelember.shoot.material.Texture;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.FineRipples;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.shoot.piece.Waves;

/** A shoot that has every field of the document. */
public final class WholeShoot {
  private WholeShoot() {}

  private static Piece piece(int i, Shape shape) {
    return new Piece(
        "p" + i,
        "Piece " + i,
        i > 0 ? "p0" : null,
        new Vec3(i, 0.5, -1),
        new Vec3(10, 20, 30),
        new Vec3(1, 2, -1),
        shape,
        "glass",
        i == 2
            ? new Piece.Copies(
                3,
                new Vec3(0.1, 0, 0),
                new Vec3(0, 5, 0),
                new Piece.Scatter(4, Vec3.ONE, new Vec3(0, 90, 0), 0.8, 1.2))
            : null,
        i == 4 ? Visibility.GEAR.reflectedIn(Scope.only("p0")) : Visibility.ALL,
        i != 3);
  }

  private static Motion motion() {
    Key free = new Key(1, List.of(-2.0), null, Key.Span.FREE, List.of(0.5), List.of(-0.5));
    return new Motion(
        25,
        -5,
        200,
        172.8,
        List.of(
            new Track(
                "lights/l0/levelStops",
                Track.After.PING_PONG,
                List.of(Key.of(0, Key.Span.EASED, 1.0), free)),
            Track.of("lights/l1/position", Key.of(0.5, Key.Span.STRAIGHT, 0.0, 1.0, 2.0)),
            Track.of("bounce/overGloss", Key.of(0, "none"))),
        List.of());
  }

  public static Light light(int i, Emitter emitter, Brightness.Unit unit) {
    return new Light(
        "l" + i,
        "Light " + i,
        emitter,
        new Vec3(0, i + 1, 0),
        new Vec3(1, 0, 0),
        12,
        new Brightness(100.5, unit),
        -1 / 3.0,
        new LightColour(3200, 4, new Rgb(1, 0.5, 0.25)),
        i == 1,
        i == 2,
        i == 3,
        new LightControls(
            new Scope(i == 1, List.of("p0")),
            new Scope(i == 2, List.of("p1", "p2")),
            0.5,
            2,
            0.4,
            new Rgb(0.1, 0.2, 0.3),
            i,
            new Caustics(Caustics.Cast.values()[i % 3], 0.25 * i, 2 * i, 0.05 * i, 3 * i)),
        i == 1 ? "p0" : null,
        i == 2 ? "p3" : null,
        i == 3 ? "b" : null,
        i == 4 ? new Light.Mirror("l1", Vec3.UP, Vec3.ONE) : null);
  }

  private static Profile profile() {
    return new Profile(
        "Lamp", List.of(0., 45., 90.), List.of(0., 180.), List.of(9., 5., 1., 8., 4., 0.));
  }

  private static Emitter.Spot spot() {
    return new Emitter.Spot(
        35,
        0.4,
        0.03,
        0.5,
        profile(),
        new Gobo("sky.hdr", 0.1, -0.2, 30, 1.5, Gobo.Edge.REPEAT, 1.2, 0.9, true, 0.05),
        new Emitter.Doors(10, 20, 30, -5));
  }

  private static Daylight daylight() {
    return new Daylight(
        20,
        30,
        new Daylight.When(54.1, 0.3, 2026, 6, 21, 18.5, 1, 12),
        4,
        Rgb.grey(0.2),
        2,
        0.3,
        new Rgb(0.1, 0.2, 0.4),
        0.01,
        0.2,
        0.8);
  }

  public static Shoot everything() {
    List<Shape> shapes = shapes();
    List<Piece> pieces =
        java.util.stream.IntStream.range(0, shapes.size())
            .mapToObj(i -> piece(i, shapes.get(i)))
            .toList();
    return new Shoot(
        "Everything",
        pieces,
        List.of(material()),
        lights(),
        List.of(new Bank("b", "Bank", 1, new Rgb(1, 0.5, 0.2), true, true)),
        new Bounce(4, 0.5, 3)
            .with(new MirrorBounces(3, MirrorBounces.End.COLOUR, new Rgb(0.1, 0.2, 0.3))),
        1.5,
        List.of(
            new Shot(
                "s",
                "Shot",
                new Vec3(0, 1, 4),
                Vec3.ZERO,
                85,
                24,
                2.8,
                3.5,
                "k",
                true,
                7,
                15,
                -0.5,
                1.5)),
        List.of(new Look("k", "Look", 9.5, 0.4, 2)),
        motion(),
        meter());
  }

  private static List<Shape> shapes() {
    return List.of(
        new Shape.Floor(2, 3),
        new Shape.Model("chair.glb", 1, 2),
        new Shape.Cone(0.5, 0.25, 1),
        new Shape.Sweep(2, 3, 2, 0.5),
        new Shape.Box(1, 2, 3, 0.1),
        new Shape.Sphere(0.3),
        new Shape.Cylinder(0.2, 1, 0.01),
        new Shape.Torus(1, 0.1),
        new Shape.Lathe(List.of(new Shape.Corner(0, 0), new Shape.Corner(1, 1)), true, 20),
        new Shape.Rectangle(1, 2),
        new Shape.Card(1, 2, 90),
        new Shape.Room(
            4, 3, 2.5, 0.3, List.of(new Shape.Opening(Shape.Wall.LEFT, 0.5, 0.9, 1, 1.2))),
        new Shape.Tube(List.of(Vec3.ZERO, Vec3.UP, Vec3.ONE), 0.02, true),
        new Shape.Water(
            2,
            1,
            0.3,
            new Waves(0.02, 0.4, 30, 0.6, 1.5, 7),
            List.of(new RippleRing(0.1, -0.2, 0.004, 0.05, 0.3)),
            new FineRipples(null, 0.4, 1.2, 20, 0.05),
            1.5),
        new Shape.Ground(9, 8, 1, 2, 0.4, 3),
        new Shape.Text("Saltmere", 0.3, 0.05, 0.01, 0.1),
        new Shape.Struts(new Shape.Sphere(0.4), 0.01),
        new Shape.Smooth(new Shape.Model("chair.glb", 0, 1), 50, 2),
        new Shape.Mesh(
            List.of(0., 0., 0., 1., 0., 0., 0., 1., 0.),
            List.of(0., 0., 1., 0., 0., 1., 0., 0., 1.),
            List.of(0, 1, 2)));
  }

  private static Material material() {
    return Material.glass(
            "glass", "Glass", 0.2, 1.6, new Material.Glass(0.9, Rgb.grey(0.95), 0.02, true, 40, 3))
        .with(new Material.Coat(0.5, 0.2, 1.4))
        .with(new Material.Sheen(new Rgb(0.1, 0.2, 0.3), 0.7))
        .with(new Material.Index(Rgb.grey(0.2), new Rgb(3, 2, 1)))
        .with(maps())
        .withCastsCaustics(false)
        .withReflections(new Reflections(1.5, new Rgb(1, 0.9, 0.8), -0.2));
  }

  private static List<Light> lights() {
    return List.of(
        light(0, new Emitter.Rectangle(1, 2, true, 60, "sky.hdr"), Brightness.Unit.LUX),
        light(1, new Emitter.Sphere(0.1), Brightness.Unit.WATT),
        light(2, new Emitter.Point(profile()), Brightness.Unit.LUMEN),
        light(3, new Emitter.Environment("sky.hdr", 45, 10, 3, 0.1), Brightness.Unit.NIT),
        light(4, new Emitter.Dome(new Rgb(0.1, 0.2, 0.3), Rgb.WHITE), Brightness.Unit.NIT),
        light(5, new Emitter.Emissive("glass", "sky.hdr"), Brightness.Unit.NIT),
        light(6, new Emitter.Disc(0.4, true, 90, null), Brightness.Unit.CANDELA),
        light(7, new Emitter.Tube(1.2, 0.02), Brightness.Unit.LUMEN),
        light(8, spot(), Brightness.Unit.LUMEN),
        light(9, new Emitter.Sun(0.6), Brightness.Unit.LUX),
        light(10, new Emitter.Sky(daylight()), Brightness.Unit.TIMES),
        light(11, new Emitter.SkySun("l10", 1), Brightness.Unit.TIMES),
        light(12, new Emitter.Plate("sky.hdr"), Brightness.Unit.NIT));
  }

  private static Meter meter() {
    return new Meter(
        List.of(
            new Pin("spot", "Spot", "p0", new Vec3(1, 2, 3), Vec3.UP, 0),
            new Pin("area", "Area", null, Vec3.ZERO, new Vec3(0, 0, 1), 0.2)),
        List.of(
            new Target("a", Target.Kind.RATIO, "spot", "area", 2, 3),
            new Target("b", Target.Kind.CEILING, null, null, 4, 1)),
        List.of(new FaderRange("lights/l1/levelStops", -1, 2, true, 3000, 6000)),
        true,
        List.of(new Silenced("burnt-areas", "It is the sun")));
  }

  private static Maps maps() {
    return new Maps(
        new Texture(
            "sky.hdr",
            Texture.Mapping.METRES,
            0.1,
            -0.2,
            3,
            -4,
            30,
            Texture.Edge.MIRROR,
            Texture.Edge.CLAMP),
        List.of(new Maps.RampStop(0.1, Rgb.grey(0.2)), new Maps.RampStop(0.9, Rgb.WHITE)),
        new Texture(
            "sky.hdr",
            Texture.Mapping.SECOND,
            0,
            0,
            1,
            1,
            0,
            Texture.Edge.CLAMP,
            Texture.Edge.REPEAT),
        Texture.once("sky.hdr"),
        Texture.once("sky.hdr"),
        Texture.once("sky.hdr"),
        Texture.once("sky.hdr"),
        2,
        Texture.once("sky.hdr"),
        -0.01,
        Texture.once("sky.hdr"),
        0.2,
        Texture.once("sky.hdr"),
        new Maps.Rim(Rgb.grey(0.7), 0.5, 4));
  }
}
