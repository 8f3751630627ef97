package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import levelember.app.SmallShoot;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.PageView;
import levelember.formats.document.ShootDocument;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.grade.LutFiles;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import levelember.texture.Texels;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Sessions of one shoot compile it once. */
class SharedCompilationTest {
  private final AtomicInteger read = new AtomicInteger();
  private final SharedCompilation compilation =
      new SharedCompilation(
          new SceneAssets(new Counting(), new GltfMeshes(n -> null), new LutFiles(n -> null)),
          null);

  private final class Counting implements Pictures {
    @Override
    public Picture picture(String name) {
      read.incrementAndGet();
      return new Picture(8, 4, new float[8 * 4 * 3]);
    }

    @Override
    public Texels texels(String name, boolean colour) {
      return Texels.of(picture(name));
    }
  }

  private static DesiredFrame frame(double masterStops, String picture) {
    Shoot ball = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));
    JsonNode tree = ShootDocument.tree(ball);
    ((ObjectNode) tree).put("masterStops", masterStops);
    ((ObjectNode) tree.at("/lights/0"))
        .putObject("emitter")
        .put("kind", "environment")
        .put("picture", picture);
    return new DesiredState(ShootDocument.read(tree), 1, PageView.FIRST.withSize(64, 64)).wanted();
  }

  @Test
  void sessionsThatOpenTogetherWaitForOneCompilation() throws Exception {
    DesiredFrame wanted = frame(0, "sky.hdr");
    List<Callable<View>> tasks = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      tasks.add(() -> compilation.of(wanted, null));
    }
    try (ExecutorService threads = Executors.newFixedThreadPool(8)) {
      for (Future<View> made : threads.invokeAll(tasks)) {
        assertThat(made.get().shoot()).isEqualTo(wanted.shoot());
      }
    }
    assertThat(read.get()).isEqualTo(1);
  }

  @Test
  void anEditIsCompiledOnceForAll() {
    View a = compilation.of(frame(0, "sky.hdr"), null);
    View b = compilation.of(frame(0, "sky.hdr"), null);
    DesiredFrame edited = frame(0, "dusk.hdr");
    View first = compilation.of(edited, a), second = compilation.of(edited, b);
    assertThat(first.shoot()).isEqualTo(edited.shoot());
    assertThat(second.shoot()).isEqualTo(edited.shoot());
    assertThat(read.get()).isEqualTo(2);
  }

  @Test
  void aSessionThatShowsAnotherStateGoesOnFromItsOwn() {
    View kept = compilation.of(frame(0, "sky.hdr"), null);
    compilation.of(frame(0, "dusk.hdr"), kept);
    View mixed = compilation.of(frame(1, "sky.hdr"), kept);
    assertThat(read.get()).isEqualTo(2);
    assertThat(mixed.shoot().masterStops()).isEqualTo(1);
  }
}
