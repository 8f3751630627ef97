package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import levelember.app.EmberApplication;
import levelember.app.asset.Assets;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.shoot.Shoot;
import levelember.texture.Picture;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Databases that earlier versions wrote open after every migration. Each holds the shoot "Fixture":
 * a ball with a ramp on it, a dome that is soloed, a LUT, six edits of which the last is undone,
 * and a kept look.
 */
class OlderDatabaseTest {
  @TempDir Path home;

  private ConfigurableApplicationContext opened(String version) throws IOException {
    try (InputStream old = getClass().getResourceAsStream("/databases/" + version + ".mv.db")) {
      Files.copy(old, home.resolve(Backup.DATABASE));
    }
    return SpringApplication.run(
        EmberApplication.class, "--ember.home=" + home, "--server.port=0", "--ember.demo=false");
  }

  @ParameterizedTest
  @ValueSource(strings = {"version-2"})
  void anOlderDatabaseOpensWithAllThatItHolds(String version) throws IOException {
    try (ConfigurableApplicationContext application = opened(version)) {
      Shoots shoots = application.getBean(Shoots.class);
      Assets assets = application.getBean(Assets.class);
      Shoots.State state = shoots.state("fixture");
      Shoot shoot = shoots.shoot("fixture");
      assertThat(shoot.name()).isEqualTo("Fixture");
      assertThat(shoot.pieces().getFirst().position().x()).isEqualTo(0.2);
      assertThat(shoot.looks().getFirst().lut()).contains("warm.cube");
      assertThat(state.undo()).isEqualTo("Grade with warm");
      assertThat(state.redo()).isEqualTo("Name");
      Picture ramp = assets.files("fixture").pictures().picture("ramp.png");
      assertThat(ramp.width()).isEqualTo(16);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"version-2"})
  void everyEditOfAnOlderDatabaseCanBeUndoneAndRedone(String version) throws IOException {
    try (ConfigurableApplicationContext application = opened(version)) {
      Shoots shoots = application.getBean(Shoots.class);
      ShootEdits edits = application.getBean(ShootEdits.class);
      Shoots.State state = shoots.state("fixture");
      var document = state.document();
      int undone = 0;
      while (state.undo() != null) {
        state = edits.undo("fixture", state.revision());
        undone++;
      }
      assertThat(undone).isEqualTo(5);
      assertThat(shoots.shoot("fixture").pieces()).isEmpty();
      for (int i = 0; i < undone; i++) {
        state = edits.redo("fixture", state.revision());
      }
      assertThat(state.document()).isEqualTo(document);
      assertThat(edits.redo("fixture", state.revision()).document().get("name").stringValue())
          .isEqualTo("Fixture of version 2");
    }
  }
}
