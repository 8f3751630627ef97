package levelember.demo;

import java.util.List;
import levelember.math.Rgb;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Glow.Source;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.Tone;
import levelember.shoot.look.Tone.Curve;
import levelember.shoot.look.WhiteBalance;
import levelember.shoot.shelf.GradeShelf;

/** What the shots of the demo wear. */
final class DemoLooks {
  private DemoLooks() {}

  private static Look plain(String id, String name, double ev) {
    return new Look(id, name, ev, 0.45, 2.5);
  }

  /** A bloom of its own colour. */
  private static Glow.Bloom bloom(double level, double size, Rgb colour, double share) {
    return new Glow.Bloom(true, level, size, new Glow.Halo(colour, share));
  }

  /** A float's glow: from what the piece shows, in a colour of its own. */
  private static Glow halo(String id, String name, String piece, Rgb colour) {
    return Glow.bloom(id, name, 0.4, 5)
        .from(from(Source.Kind.PIECES, piece), -1, 2)
        .with(bloom(0.4, 5, colour, 0.7));
  }

  /** A part of a grade of the shelf. */
  private static Grade some(String preset, double amount) {
    Grade g = GradeShelf.preset(preset).orElseThrow().grade();
    return new Grade(true, amount, g.wheels(), g.curves(), null, 1);
  }

  private static Source from(Source.Kind kind, String... of) {
    return new Source(kind, List.of(of));
  }

  /** Brass for a catalogue: clean, a breath of bloom on the highlights. */
  static List<Look> armillary() {
    Glow sparkle = Glow.bloom("sparkle", "Sparkle", 0.1, 2.5).from(Source.PICTURE, 0, 1);
    return List.of(
        plain("day", "Catalogue", 9.3)
            .with(Tone.of(Curve.PLAIN, 3).shaped(0.004, 1.08, 1.04))
            .with(sparkle)
            .with(Optics.vignette(0.25).sharpened(0.25))
            .with(some("crisp", 0.8)),
        plain("scales", "Old brass", 9.3)
            .with(Tone.of(Curve.NEGATIVE, 3.5).shaped(0.004, 1.1, 1))
            .with(sparkle)
            .with(Optics.vignette(0.45).grained(0.008, 0.25))
            .with(some("brass-hour", 0.7)));
  }

  /** Glass in cool morning light. */
  static List<Look> tideLens() {
    Glow glint = Glow.bloom("glint", "Glint", 0.14, 3).from(Source.PICTURE, 0.3, 1);
    return List.of(
        plain("tide", "Low tide", 8.2)
            .with(Tone.of(Curve.PLAIN, 3).shaped(0.006, 1.15, 1.05))
            .with(glint)
            .with(Optics.vignette(0.3))
            .with(some("tide-clear", 0.7)),
        plain("clear", "Clear glass", 8.2)
            .with(Tone.of(Curve.SLIDE, 3.5))
            .with(glint.with(new Glow.StarRays(true, 0.04, 6, 20, 8, Glow.Halo.OWN)))
            .with(Optics.vignette(0.4).sharpened(0.2)));
  }

  /** Soft morning light in a room, corners that close. */
  static List<Look> readingRoom() {
    Glow veil = Glow.bloom("veil", "Window veil", 0.16, 6).from(Source.PICTURE, 0.3, 1.5);
    return List.of(
        plain("morning", "Morning", 9.1)
            .with(Tone.of(Curve.NEGATIVE, 4).shaped(0.003, 1.08, 1.05))
            .with(veil)
            .with(new ContactShade(0.45, 0.35))
            .with(some("linen", 0.6)),
        plain("lamplight", "Lamplight", 9.1)
            .with(new WhiteBalance(5600, 0))
            .with(Tone.of(Curve.NEGATIVE, 4).shaped(0.004, 1.12, 1.05))
            .with(veil)
            .with(new ContactShade(0.5, 0.25))
            .with(Optics.vignette(0.4))
            .with(some("brass-hour", 0.5)));
  }

  /** Lanterns that bloom and streak, a sign that glows red, blue round them. */
  static List<Look> nightTerrace() {
    Glow lanterns =
        Glow.bloom("lanterns", "Lanterns", 0.2, 5)
            .from(
                from(Source.Kind.LIGHTS, "lanterns-left", "lanterns-middle", "lanterns-right"),
                0,
                1)
            .with(new Glow.StarRays(true, 0.07, 4, 8, 16, Glow.Halo.OWN));
    Glow sign =
        Glow.bloom("sign", "Tube sign", 0.3, 3.5)
            .from(from(Source.Kind.LIGHTS, "sign"), 0, 1)
            .with(bloom(0.3, 3.5, new Rgb(1, 0.16, 0.2), 0.5));
    Look late =
        plain("late", "Late evening", 3.1)
            .with(Tone.of(Curve.NEGATIVE, 4.5).shaped(0.006, 1.1, 1.08))
            .with(lanterns, sign)
            .with(new ContactShade(0.5, 0.4))
            .with(Optics.vignette(0.5).grained(0.01, 0.22))
            .with(some("slate-night", 0.6));
    Look telescope =
        late.named("brass", "Brass at night")
            .with(Tone.of(Curve.NEGATIVE, 4.5).shaped(0.004, 1.05, 1.1))
            .with(some("ember", 0.4));
    return List.of(late, telescope);
  }

  /** A turning lamp and two net floats, each with a halo of its own colour. */
  static List<Look> signalLamp() {
    Glow core =
        Glow.bloom("core", "Lamp", 0.22, 4)
            .from(from(Source.Kind.LIGHTS, "core"), 0.5, 1)
            .with(new Glow.StarRays(true, 0.05, 6, 0, 12, Glow.Halo.OWN));
    Glow teal = halo("teal", "Teal halo", "teal-float-light", new Rgb(0.05, 0.9, 0.75));
    Glow violet = halo("violet", "Violet halo", "violet-float-light", new Rgb(0.75, 0.2, 1));
    Look watch =
        plain("watch", "Night watch", 4.4)
            .with(Tone.of(Curve.NEGATIVE, 4.5).shaped(0.005, 1.1, 1.1))
            .with(core, teal, violet)
            .with(new ContactShade(0.4, 0.12))
            .with(Optics.vignette(0.5));
    return List.of(watch, watch.named("float", "Float light").with(some("verdigris", 0.4)));
  }
}
