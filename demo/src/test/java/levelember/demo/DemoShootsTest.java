package levelember.demo;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.picture.PictureFile;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DemoShootsTest {
  static Iterable<String> names() {
    return DemoShoots.names();
  }

  static Iterable<String> withoutMistakes() {
    return DemoShoots.withoutMistakes();
  }

  @ParameterizedTest
  @MethodSource("names")
  void aShootIsTheSameAtEveryMakingAndReadsBack(String name) {
    byte[] file = DemoShoots.make(name).write();
    assertThat(DemoShoots.make(name).write()).isEqualTo(file);
    assertThat(ShootPackage.read(file).shoot()).isEqualTo(DemoShoots.make(name).shoot());
  }

  @ParameterizedTest
  @MethodSource("withoutMistakes")
  void surroundingsHaveTheRangeToLight(String name) {
    ShootPackage pack = DemoShoots.make(name);
    pack.shoot().lights().stream()
        .map(Light::emitter)
        .filter(Emitter.Environment.class::isInstance)
        .map(e -> pack.assets().get(((Emitter.Environment) e).picture()))
        .forEach(file -> {
          Picture p = PictureFile.read(file);
          assertThat(p.width()).isEqualTo(2 * p.height());
          float most = 0, least = Float.MAX_VALUE;
          for (float v : p.rgb()) {
            most = Math.max(most, v);
            least = Math.min(least, v);
          }
          assertThat(most / least).isGreaterThan(64);
        });
  }

  @ParameterizedTest
  @MethodSource("withoutMistakes")
  void everyShotIsExposedAndEveryLightGivesSomething(String name) {
    ShootPackage pack = DemoShoots.make(name);
    for (Shot shot : pack.shoot().shots()) {
      View view = View.of(pack.shoot(), shot, pack.files());
      Film film = new Film(96, 54, view.layers());
      try (Renderer renderer = new Renderer(2, 8, 1)) {
        renderer.trace(view, film, 8, () -> false);
      }
      float[] weights = LayerWeights.of(pack.shoot());
      Picture p = LayerMix.picture(film, weights);
      DisplayCurve curve = new DisplayCurve(pack.shoot().lookOf(shot));
      double sum = 0;
      int burnt = 0;
      for (float v : p.rgb()) {
        double shown = curve.display(v);
        sum += shown;
        burnt += shown > 0.995 ? 1 : 0;
      }
      assertThat(sum / p.rgb().length).as(shot.name()).isBetween(0.08, 0.7);
      assertThat(burnt).as("burnt in " + shot.name()).isLessThan(p.rgb().length / 30);
      for (int k = 0; k < film.layers(); k++) {
        float most = 0;
        for (float v : LayerMix.layer(film, k, weights).rgb()) {
          most = Math.max(most, v);
        }
        assertThat(most)
            .as(pack.shoot().lights().get(k).name())
            .isGreaterThan((float) DisplayCurve.fullScale(pack.shoot().lookOf(shot).ev()) / 200);
      }
    }
  }
}
