package levelember.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.shoot.look.Tone;
import levelember.shoot.look.WhiteBalance;
import levelember.shoot.shelf.GradeShelf;
import levelember.texture.Picture;

/** What the look takes, part by part, from the linear picture to codes. */
final class LookFigures {
  private static final int WARM = 25;

  private LookFigures() {}

  static Map<String, Object> measured(int rounds) {
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("1920x1080, ms", sized(1920, 1080, rounds));
    to.put("960x540, ms", sized(960, 540, rounds));
    return to;
  }

  private static Map<String, Object> sized(int width, int height, int rounds) {
    Picture picture = lamps(width, height);
    Look plain = new Look("l", "Look", 3, 0.45, 2.5);
    Glow bloom = Glow.bloom("b", "Bloom", 0.2, 4);
    Glow starRays =
        bloom.with(Glow.Bloom.OFF).with(new Glow.StarRays(true, 0.05, 6, 15, 20, Glow.Halo.OWN));
    Glow lensFlare =
        bloom.with(Glow.Bloom.OFF).with(new Glow.LensFlare(true, 0.05, 4, 1, Glow.Halo.OWN));
    Grade grade = GradeShelf.all().getFirst().grade();
    Look worn =
        plain
            .with(new WhiteBalance(4800, 3))
            .with(Tone.of(Tone.Curve.NEGATIVE, 4).shaped(0.002, 1.1, 1.05))
            .with(Optics.vignette(0.5));
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("exposure and shoulder", timed(plain, picture, rounds));
    to.put("balance, curve, vignette", timed(worn, picture, rounds));
    to.put("the same with a grade", timed(worn.with(grade), picture, rounds));
    to.put("bloom alone", timed(plain.with(bloom), picture, rounds));
    to.put("star rays alone", timed(plain.with(starRays), picture, rounds));
    to.put("lens flare alone", timed(plain.with(lensFlare), picture, rounds));
    to.put(
        "balance, curve, vignette, grade, bloom",
        timed(worn.with(grade).with(bloom), picture, rounds));
    to.put("sharpening alone", timed(plain.with(Optics.NONE.sharpened(0.5)), picture, rounds));
    to.put(
        "distortion and fringing alone",
        timed(
            plain.with(Optics.NONE.with(o -> o.distortion(0.03).fringing(0.1))), picture, rounds));
    to.put("grain alone", timed(plain.with(Optics.NONE.grained(0.02, 0.3)), picture, rounds));
    return to;
  }

  private static Spread timed(Look look, Picture picture, int rounds) {
    Development ready = new Development(look);
    for (int i = 0; i < WARM; i++) {
      ready.codes(picture, LookInputs.NONE);
    }
    double[] ms = new double[Math.max(rounds, 9)];
    for (int i = 0; i < ms.length; i++) {
      long begin = System.nanoTime();
      ready.codes(picture, LookInputs.NONE);
      ms[i] = (System.nanoTime() - begin) / 1e6;
    }
    return Spread.of(ms);
  }

  /** A dusk gradient with lamps in it. */
  private static Picture lamps(int width, int height) {
    Picture p = Picture.black(width, height);
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        double grain = 0.9 + 0.2 * ((x * 7919 + y * 104729) % 101) / 101.0;
        double v = (0.3 + 2.0 * y / height) * grain;
        p.set(x, y, v, 0.8 * v, 0.7 * v);
      }
    }
    for (int i = 0; i < 9; i++) {
      int cx = width * (2 * i + 1) / 18, cy = height / 4 + (i % 3) * height / 12;
      int r = height / 40;
      for (int y = -r; y <= r; y++) {
        for (int x = -r; x <= r; x++) {
          if (x * x + y * y <= r * r) {
            p.set(cx + x, cy + y, 600, 380, 160);
          }
        }
      }
    }
    return p;
  }
}
