package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import levelember.app.SmallShoot;
import levelember.app.live.message.ScopesMessage;
import levelember.app.live.schedule.TracingScheduler;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.PageView;
import levelember.formats.document.ShootDocument;
import levelember.formats.gltf.GltfMeshes;
import levelember.formats.grade.LutFiles;
import levelember.integrator.Renderer;
import levelember.scene.SceneAssets;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import levelember.texture.Texels;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A session whose renderer meets an error says so, and can be opened again. */
class LiveSessionTest {
  private final Renderer renderer = new Renderer(1, 4, 1);
  private final FilmMemory<LiveSession> memory = new FilmMemory<>(1L << 28, other -> false);
  private final AtomicReference<Throwable> fault = new AtomicReference<>();
  private volatile boolean failsOnce;
  private final Watching page = new Watching();
  private LiveSession session;

  /** A page that notes what comes. */
  private static final class Watching implements FrameListener {
    final BlockingQueue<JsonNode> messages = new LinkedBlockingQueue<>();
    final BlockingQueue<byte[]> frames = new LinkedBlockingQueue<>();

    @Override
    public void watches(LiveSession session) {}

    @Override
    public void frame(LiveSession from, byte[] frame, DesiredFrame state) {
      frames.add(frame);
    }

    @Override
    public void scopes(LiveSession from, byte[] scopes) {}

    @Override
    public void message(String json) {
      messages.add(JsonMapper.shared().readTree(json));
    }

    @Override
    public boolean paused() {
      return false;
    }

    @Override
    public ScopesMessage.Of scopesOf() {
      return ScopesMessage.Of.OFF;
    }

    JsonNode told(String type) throws InterruptedException {
      for (JsonNode m = messages.poll(30, TimeUnit.SECONDS);
          m != null;
          m = messages.poll(30, TimeUnit.SECONDS)) {
        if (m.path("type").stringValue("").equals(type)) {
          return m;
        }
      }
      throw new AssertionError("no message " + type);
    }
  }

  /** A picture of one grey, unless there is a fault. */
  private final class Faulty implements Pictures {
    @Override
    public Picture picture(String name) {
      Throwable now = failsOnce ? fault.getAndSet(null) : fault.get();
      if (now instanceof Error e) {
        throw e;
      }
      if (now instanceof RuntimeException e) {
        throw e;
      }
      float[] grey = new float[8 * 4 * 3];
      java.util.Arrays.fill(grey, 50);
      return new Picture(8, 4, grey);
    }

    @Override
    public Texels texels(String name, boolean colour) {
      return Texels.of(picture(name));
    }
  }

  private void open() {
    Shoot ball = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));
    JsonNode tree = ShootDocument.tree(ball);
    ((ObjectNode) tree.at("/lights/0"))
        .putObject("emitter")
        .put("kind", "environment")
        .put("picture", "sky.hdr");
    Shoot lit = ShootDocument.read(tree);
    SceneAssets files =
        new SceneAssets(new Faulty(), new GltfMeshes(n -> null), new LutFiles(n -> null));
    session =
        new LiveSession(
            "ball",
            new LiveSession.Shared(renderer, new TracingScheduler(), 2, memory),
            new SharedCompilation(files, null),
            lit,
            1,
            PageView.FIRST.withSize(64, 64));
    session.join(page);
  }

  @AfterEach
  void close() {
    session.close();
    renderer.close();
  }

  @ParameterizedTest
  @ValueSource(classes = {OutOfMemoryError.class, StackOverflowError.class, RuntimeException.class})
  void anyErrorIsToldAndTheShootCanBeOpenedAgain(Class<? extends Throwable> kind) throws Exception {
    fault.set(kind.getDeclaredConstructor().newInstance());
    open();
    assertThat(page.told("failed").get("detail").stringValue()).isNotBlank();
    assertThat(session.now()).isEmpty();
    fault.set(null);
    session.again();
    assertThat(page.frames.poll(30, TimeUnit.SECONDS)).isNotNull();
    page.told("progress");
    assertThat(session.now()).isPresent();
  }

  @Test
  void memoryThatRanOutIsCalledThat() throws Exception {
    fault.set(new IllegalStateException("tracing failed", new OutOfMemoryError("heap")));
    open();
    assertThat(page.told("failed").get("detail").stringValue()).contains("memory");
    assertThat(memory.grant(null, 1L << 28)).as("given back").isEqualTo(1L << 28);
  }

  @Test
  void aTryThatCannotBeRenderedIsRefusedAndThePictureGoesOn() throws Exception {
    open();
    page.told("progress");
    Shoot kept = session.desired().shoot();
    JsonNode tree = ShootDocument.tree(kept);
    ((ObjectNode) tree.at("/lights/0/emitter")).put("picture", "other.hdr");
    fault.set(new IllegalStateException("no such picture"));
    session.desired().attempt(ShootDocument.read(tree), 1, 5);
    assertThat(page.told("refused").get("detail").stringValue()).contains("no such picture");
    fault.set(null);
    assertThat(session.desired().shoot()).isEqualTo(kept);
    page.frames.clear();
    session.desired().wake();
    assertThat(page.frames.poll(30, TimeUnit.SECONDS)).isNotNull();
    assertThat(session.now()).isPresent();
  }

  @Test
  void aPictureThatMemoryIsShortForIsMadeSmallerAndSaysSo() throws Exception {
    failsOnce = true;
    fault.set(new OutOfMemoryError("heap"));
    open();
    JsonNode progress = page.told("progress");
    assertThat(progress.get("smaller").booleanValue()).isTrue();
    assertThat(session.now().orElseThrow().ladder().width()).isEqualTo(32);
  }
}
