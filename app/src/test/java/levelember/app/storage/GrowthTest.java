package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.Random;
import levelember.app.asset.Assets;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.demo.DemoShoots;
import levelember.formats.picture.RadianceHdr;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** The database holds what is there, not what was. */
class GrowthTest {
  private static final int ROUNDS = 80;
  private static final String PICTURE = "noise.hdr";
  @TempDir Path home;

  /** A picture of noise, which no compression makes small. */
  private static byte[] noise(int seed) {
    Random random = new Random(seed);
    Picture picture = new Picture(512, 256, new float[512 * 256 * 3]);
    for (int i = 0; i < picture.rgb().length; i++) {
      picture.rgb()[i] = random.nextFloat();
    }
    return RadianceHdr.write(picture);
  }

  private long bytes() throws IOException {
    return Files.size(home.resolve(Backup.DATABASE));
  }

  private static void useAsEnvironment(RunningApplication application, String id, String picture) {
    String operation =
        """
        [{"op": "replace", "path": "/lights/0/emitter",
          "value": {"kind": "environment", "picture": "%s"}}]
        """
            .formatted(picture);
    application
        .get(ShootEdits.class)
        .edit(
            id,
            application.shoots().state(id).revision(),
            "Environment",
            JsonMapper.shared().readTree(operation));
  }

  @Test
  void copiesEditsAndDeletionsLeaveTheFileAsLargeAsItWas() throws IOException {
    String id;
    byte[] picture = noise(1);
    try (RunningApplication application = new RunningApplication(home)) {
      id = application.ball("Ball");
      String name = application.get(Assets.class).add(id, PICTURE, picture);
      useAsEnvironment(application, id, name);
    }
    long before = bytes();
    try (RunningApplication application = new RunningApplication(home)) {
      Shoots shoots = application.shoots();
      for (int round = 0; round < ROUNDS; round++) {
        String copy = shoots.copy(id).id();
        application.master(copy, round * 0.01);
        application.master(id, round * 0.01);
        shoots.delete(copy);
      }
    }
    long after = bytes();
    System.out.printf(
        "database: %d bytes before, %d after %d copies, %d edits and %d deletions%n",
        before, after, ROUNDS, 2 * ROUNDS, ROUNDS);
    // The picture has some 400 kB: not one more of it is there, and 200 edits are.
    assertThat(after).isLessThan(before + picture.length);
  }

  /**
   * Edits of a document of the armillary's size, and assets of shoots that are deleted, while the
   * application runs: the file stays small at its largest, and is small again when nothing is done.
   */
  @Test
  void editsAndDeletedShootsLeaveTheFileSmallWhileTheApplicationRuns() throws Exception {
    int edits = Integer.getInteger("ember.growth.edits", 600);
    try (RunningApplication application =
        new RunningApplication(
            home, "--ember.compact-after-millis=200", "--ember.compact-every-millis=100")) {
      Shoots shoots = application.shoots();
      String id = shoots.add(DemoShoots.make("armillary")).id();
      long begin = bytes(), most = 0;
      double[] millis = new double[edits];
      for (int i = 0; i < edits; i++) {
        long from = System.nanoTime();
        application.master(id, (i % 100) * 0.01);
        millis[i] = (System.nanoTime() - from) / 1e6;
        if (i % 50 == 0) {
          String gone = application.ball("Gone");
          application.get(Assets.class).add(gone, PICTURE, noise(i));
          shoots.delete(gone);
        }
        most = Math.max(most, bytes());
      }
      long end = System.nanoTime() + 60_000_000_000L;
      while (bytes() > begin + (4 << 20) && System.nanoTime() < end) {
        Thread.sleep(50);
      }
      java.util.Arrays.sort(millis);
      System.out.printf(
          "database: %d kB before, %d at most, %d after %d edits; an edit %.2f ms, 95 %% %.2f%n",
          begin / 1000,
          most / 1000,
          bytes() / 1000,
          edits,
          millis[edits / 2],
          millis[edits * 95 / 100]);
      assertThat(bytes()).as("when idle").isLessThan(begin + (4 << 20));
      assertThat(most).isLessThan(60_000_000);
      assertThat(shoots.shoot(id).masterStops()).isEqualTo((edits - 1) % 100 * 0.01);
    }
    try (RunningApplication application = new RunningApplication(home)) {
      assertThat(application.shoots().titles()).hasSize(1);
    }
  }

  @Test
  void copiesShareTheirAssetsContent() throws IOException {
    byte[] picture = noise(2);
    long before;
    try (RunningApplication application = new RunningApplication(home)) {
      String id = application.ball("Ball");
      application.get(Assets.class).add(id, PICTURE, picture);
      useAsEnvironment(application, id, PICTURE);
    }
    before = bytes();
    try (RunningApplication application = new RunningApplication(home)) {
      for (int i = 0; i < 10; i++) {
        String copy = application.shoots().copy("ball").id();
        assertThat(application.get(Assets.class).bytes(copy, PICTURE)).isEqualTo(picture);
      }
    }
    assertThat(bytes()).isLessThan(before + picture.length);
  }

  @Test
  void whatNothingUsesIsSweptAndWhatUndoNeedsIsNot() throws IOException {
    try (RunningApplication application = new RunningApplication(home)) {
      String id = application.ball("Ball");
      Assets assets = application.get(Assets.class);
      for (String name : new String[] {"used.hdr", "undone.hdr", "unused.hdr"}) {
        assets.add(id, name, noise(name.length()));
      }
      useAsEnvironment(application, id, "undone.hdr");
      useAsEnvironment(application, id, "used.hdr");
      sweep(application, OffsetDateTime.now().minusHours(1));
      assertThat(assets.names(id)).as("added just now").hasSize(3);
      sweep(application, OffsetDateTime.now().plusHours(1));
      assertThat(assets.names(id)).containsExactly("undone.hdr", "used.hdr");
      ShootEdits edits = application.get(ShootEdits.class);
      edits.undo(id, application.shoots().state(id).revision());
      assertThat(application.shoots().shoot(id).assets()).containsExactly("undone.hdr");
      assertThat(assets.files(id).pictures().picture("undone.hdr").width()).isEqualTo(512);
    }
  }

  @Test
  void whatIsDoneWhenIdleIsDoneInATransaction() {
    try (RunningApplication application = new RunningApplication(home)) {
      String id = application.ball("Ball");
      application.get(Assets.class).add(id, "unused.hdr", noise(4));
      // A write outside of a transaction is refused and would be told in the log alone.
      org.assertj.core.api.Assertions.assertThatThrownBy(() ->
              application
                  .get(org.apache.ibatis.session.SqlSession.class)
                  .delete("levelember.app.shoot.ShootMapper.delete", id))
          .rootCause()
          .hasMessageContaining("outside of a transaction");
      assertThat(application.shoots().titles()).hasSize(1);
    }
  }

  private static void sweep(RunningApplication application, OffsetDateTime before) {
    application.get(levelember.app.shoot.Sweep.class).sweep(before);
  }

  @Test
  void onlyTheNewestEditsAreKeptAndUndoneInTheirOrder() {
    try (RunningApplication application = new RunningApplication(home, "--ember.most-edits=30")) {
      String id = application.ball("Ball");
      ShootEdits edits = application.get(ShootEdits.class);
      int made = 50;
      Shoots.State state = null;
      for (int i = 1; i <= made; i++) {
        state = application.master(id, i * 0.001);
      }
      int undone = 0;
      while (state.undo() != null) {
        state = edits.undo(id, state.revision());
        undone++;
      }
      assertThat(undone).isEqualTo(30);
      assertThat(state.document().get("masterStops").asDouble()).isEqualTo(20 * 0.001);
      while (state.redo() != null) {
        state = edits.redo(id, state.revision());
      }
      assertThat(state.document().get("masterStops").asDouble()).isEqualTo(made * 0.001);
    }
  }
}
