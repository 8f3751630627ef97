package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import levelember.Sets;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.math.Lanes;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** A film has the same bits however many boxes, triangles and pixels are worked on at a time. */
class LanesTest {
  /** Traces and denoises a set that has something of everything, and prints a hash of the film. */
  static final class Traced {
    public static void main(String[] arguments) throws NoSuchAlgorithmException {
      MessageDigest hash = MessageDigest.getInstance("SHA-256");
      for (int lights : new int[] {3, 30}) {
        Shoot shoot = shoot(lights);
        View view = View.of(shoot, shoot.shots().getFirst(), name -> sky());
        Film film = new Film(36, 24, view.layers());
        try (Renderer renderer = new Renderer(2, 12, 5)) {
          renderer.trace(view, film, 3, () -> false);
        }
        add(film, hash);
        add(Denoiser.denoised(film), hash);
      }
      System.out.println(HexFormat.of().formatHex(hash.digest()));
    }

    private static void add(Film film, MessageDigest hash) {
      for (int layer = 0; layer < film.layers(); layer++) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * film.sums(layer).length);
        bytes.asFloatBuffer().put(film.sums(layer));
        hash.update(bytes.array());
      }
    }

    private static Picture sky() {
      Picture sky = Picture.black(32, 16);
      for (int i = 0; i < 512; i++) {
        double v = i % 37 == 5 ? 20 : 0.3;
        sky.set(i % 32, i / 32, v, 0.8 * v, 0.6 * v);
      }
      return sky;
    }

    private static Shoot shoot(int lamps) {
      Piece.Copies row = new Piece.Copies(5, new Vec3(0.45, 0, 0.03), new Vec3(0, 17, 0));
      Sets sets =
          Sets.white(0.7)
              .material(Material.metal("metal", "Metal", new Rgb(0.9, 0.7, 0.5), 0.3))
              .material(Material.glass("glass", "Glass", 1.5, Rgb.grey(0.9), 1))
              .piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO)
              .piece("block", new Shape.Box(0.6, 0.5, 0.3, 0.03), "metal", new Vec3(-0.6, 0.25, 0))
              .piece("ball", new Shape.Sphere(0.3), "glass", new Vec3(0.3, 0.3, 0.4))
              .piece(
                  new Piece(
                      "ring",
                      "Ring",
                      null,
                      new Vec3(-0.9, 0.15, -0.7),
                      Vec3.ZERO,
                      Vec3.ONE,
                      new Shape.Torus(0.15, 0.05),
                      "white",
                      row,
                      true));
      for (Light light : lights(lamps)) {
        sets.light(light);
      }
      return sets.seen(new Vec3(0.2, 1.1, 3), new Vec3(0, 0.2, 0), 1.6).shoot();
    }

    private static List<Light> lights(int count) {
      List<Light> to = new ArrayList<>();
      to.add(
          Sets.light(
              "sky",
              new Emitter.Environment("sky", 30),
              Vec3.ZERO,
              new Vec3(0, 0, -1),
              1,
              Unit.NIT));
      for (int i = 1; i < count; i++) {
        Emitter emitter =
            i % 2 == 0 ? new Emitter.Sphere(0.02) : new Emitter.Rectangle(0.2, 0.1, false);
        double turn = 0.7 * i;
        Vec3 at = new Vec3(2 * StrictMath.cos(turn), 1 + 0.03 * i, 2 * StrictMath.sin(turn));
        Light light = Sets.light("l" + i, emitter, at, Vec3.ZERO, 30, Unit.NIT);
        // One throws caustics by photons.
        to.add(
            i == 1 ? light.withControls(LightControls.WHOLE.withCaustics(Caustics.CAST)) : light);
      }
      return to;
    }
  }

  @Test
  void theSameBitsWithAnyNumberOfLanes() throws IOException, InterruptedException {
    String plain = hash(1);
    assertThat(plain).hasSize(64);
    for (int lanes : new int[] {4, 8, 16}) {
      assertThat(hash(lanes)).as("%d lanes", lanes).isEqualTo(plain);
    }
  }

  private static String hash(int lanes) throws IOException, InterruptedException {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--add-modules",
                "jdk.incubator.vector",
                "-D" + Lanes.PROPERTY + "=" + lanes,
                "-cp",
                System.getProperty(
                    "surefire.test.class.path", System.getProperty("java.class.path")),
                Traced.class.getName())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).as(said).isZero();
    return said.strip();
  }
}
