package levelember.bench;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.demo.DemoShoots;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.FilmBytes;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.texture.Picture;

/**
 * How far few samples are from many, as traced and denoised, with all light over gloss: what is
 * softened has another limit at each number of samples. Errors are taken against two references of
 * other seeds, E[(x − a)(x − b)], so that their own noise does not count.
 */
final class CleanFigures {
  static final int WIDTH = 320, HEIGHT = 180;
  private static final int REFERENCE = 128;
  private static final int[] SAMPLES = {2, 8, 32};

  private CleanFigures() {}

  /**
   * A shot of a shoot.
   *
   * @param view with all light over gloss
   * @param shown as the shoot says it
   */
  record Case(String name, View view, View shown, float[] weights, double fullScale) {}

  /**
   * @param shoots names of the demo shoots; all when empty
   * @param kept folder where films are kept and found again, or null
   * @param others pictures on which nothing was tuned: the second shots
   */
  static Map<String, Object> measured(Set<String> shoots, Path kept, boolean others) {
    Map<String, Object> to = new LinkedHashMap<>();
    Map<String, double[]> sums = new LinkedHashMap<>();
    for (Case of : cases(shoots, others)) {
      Map<String, Object> figures = new LinkedHashMap<>();
      Picture a = reference(of, 2, kept), b = reference(of, 3, kept);
      for (int n : SAMPLES) {
        Film film = film(of, 1, n, kept);
        put(figures, sums, n + " samples, traced", display(of, film), a, b);
        long begin = System.nanoTime();
        Film clean = Denoiser.denoised(film);
        double seconds = (System.nanoTime() - begin) / 1e9;
        put(figures, sums, n + " samples, denoised", display(of, clean), a, b);
        figures.put(n + " samples, denoised in s", seconds);
      }
      to.put(of.name(), figures);
    }
    Map<String, Object> means = new LinkedHashMap<>();
    sums.forEach((name, sum) -> means.put(name, sum[0] / sum[1]));
    to.put("mean", means);
    return to;
  }

  static Picture reference(Case of, int seed, Path kept) {
    return display(of, film(of, seed, REFERENCE, kept));
  }

  static List<Case> cases(Set<String> shoots, boolean others) {
    List<Case> to = new ArrayList<>();
    for (String name : DemoShoots.withoutMistakes()) {
      if (!shoots.isEmpty() && !shoots.contains(name)) {
        continue;
      }
      ShootPackage pack = DemoShoots.make(name);
      Shoot shoot = pack.shoot();
      List<Shot> shots = shoot.shots();
      for (Shot shot : others ? shots.subList(1, shots.size()) : shots.subList(0, 1)) {
        to.add(
            new Case(
                name + ", " + shot.name(),
                View.of(
                    shoot.with(shoot.bounce().with(LightOverGloss.EVERYTHING)), shot, pack.files()),
                View.of(shoot, shot, pack.files()),
                LayerWeights.of(shoot),
                DisplayCurve.fullScale(shoot.lookOf(shot).ev())));
      }
    }
    return to;
  }

  static void put(
      Map<String, Object> figures,
      Map<String, double[]> sums,
      String name,
      Picture x,
      Picture a,
      Picture b) {
    add(figures, sums, name + ", RMSE percent", error(x, a, b));
    add(figures, sums, name + ", gradient RMSE percent", error(steps(x), steps(a), steps(b)));
  }

  private static void add(
      Map<String, Object> figures, Map<String, double[]> sums, String name, double value) {
    figures.put(name, value);
    double[] sum = sums.computeIfAbsent(name, n -> new double[2]);
    sum[0] += value;
    sum[1]++;
  }

  private static Film film(Case of, int seed, int samples, Path kept) {
    Path file =
        kept == null
            ? null
            : kept.resolve(
                of.name().replaceAll("[^\\p{L}\\p{N}]+", "-") + "-" + seed + "-" + samples);
    try {
      if (file != null && Files.exists(file)) {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16)) {
          return FilmBytes.read((to, n) -> read(in, to, n), Runtime.getRuntime().maxMemory());
        }
      }
      Film film = new Film(WIDTH, HEIGHT, of.view().layers());
      int cores = Runtime.getRuntime().availableProcessors();
      try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, seed)) {
        renderer.trace(of.view(), film, samples, () -> false);
      }
      if (file != null) {
        Files.createDirectories(kept);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16)) {
          FilmBytes.write(film, (bytes, n) -> write(out, bytes, n));
        }
      }
      return film;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static boolean read(InputStream in, byte[] to, int count) {
    try {
      return in.readNBytes(to, 0, count) == count;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void write(OutputStream out, byte[] bytes, int count) {
    try {
      out.write(bytes, 0, count);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The picture as a display shows it, nearly: square roots of exposed light, cut at 1. */
  private static Picture display(Case of, Film film) {
    return display(of, LayerMix.picture(film, of.weights()));
  }

  /** The same of a picture in cd/m², which is changed. */
  static Picture display(Case of, Picture picture) {
    float[] rgb = picture.rgb();
    for (int i = 0; i < rgb.length; i++) {
      rgb[i] = (float) Math.sqrt(Math.clamp(rgb[i] / of.fullScale(), 0, 1));
    }
    return picture;
  }

  /** Differences of each pixel to the next in its row and in its column, a picture each. */
  private static Picture steps(Picture of) {
    int w = of.width(), h = of.height();
    Picture to = Picture.black(w, 2 * h);
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        for (int c = 0; c < 3; c++) {
          int at = 3 * (y * w + x) + c;
          to.rgb()[at] = x + 1 < w ? of.rgb()[at + 3] - of.rgb()[at] : 0;
          to.rgb()[at + 3 * w * h] = y + 1 < h ? of.rgb()[at + 3 * w] - of.rgb()[at] : 0;
        }
      }
    }
    return to;
  }

  private static double error(Picture x, Picture a, Picture b) {
    double sum = 0;
    for (int i = 0; i < x.rgb().length; i++) {
      sum += (x.rgb()[i] - a.rgb()[i]) * (double) (x.rgb()[i] - b.rgb()[i]);
    }
    return 100 * Math.sqrt(Math.max(0, sum / x.rgb().length));
  }
}
