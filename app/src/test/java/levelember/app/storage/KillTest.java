package levelember.app.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.atomic.AtomicInteger;
import levelember.app.SmallShoot;
import levelember.demo.DemoModels;
import levelember.formats.document.ShootDocument;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The process is killed at random moments while edits, imports and deletions arrive. What was
 * answered is there after the next start, what was not is there whole or not at all. The number of
 * rounds is the system property {@code ember.kill.rounds}.
 */
class KillTest {
  private static final int ROUNDS = Integer.getInteger("ember.kill.rounds", 6);
  private static final int LEAST_MILLIS = 150, MOST_MILLIS = 900;

  private static final AtomicInteger NAMES = new AtomicInteger();

  /** What was answered before the kill. */
  private record Answered(
      Map<String, Long> revisions,
      Map<String, Double> levels,
      List<String> imported,
      List<String> deleted) {}

  @TempDir(cleanup = CleanupMode.ON_SUCCESS)
  Path home;

  @Test
  void nothingThatWasAnsweredIsLostByAKill() throws Exception {
    Random random = new Random(7);
    Answered all =
        new Answered(
            new ConcurrentSkipListMap<>(),
            new ConcurrentSkipListMap<>(),
            new ArrayList<>(),
            new ArrayList<>());
    int edits = 0;
    for (int round = 0; round < ROUNDS; round++) {
      try (RealProcess process = new RealProcess(home)) {
        check(process, all);
        for (String name : new String[] {"edits", "imports"}) {
          String id = added(process, name);
          all.revisions.put(id, 1L);
          all.levels.put(id, 0.0);
        }
        List<String> ids = all.revisions.keySet().stream().toList().reversed();
        String first = ids.get(random.nextInt(ids.size()));
        String second = newest(ids, "imports");
        double before = all.levels.get(first);
        List<Thread> hands =
            List.of(
                hand(() -> edit(process, first, all)),
                hand(() -> importModel(process, second, all)),
                hand(() -> addAndDelete(process, all)));
        Thread.sleep(LEAST_MILLIS + random.nextInt(MOST_MILLIS - LEAST_MILLIS));
        process.kill();
        for (Thread hand : hands) {
          hand.join();
        }
        edits += (int) Math.round((all.levels.get(first) - before) * 1000);
      }
    }
    try (RealProcess process = new RealProcess(home)) {
      check(process, all);
    }
    System.out.printf(
        "%d kills: %d edits, %d imports and %d deletions answered, 0 lost%n",
        ROUNDS, edits, all.imported.size(), all.deleted.size());
    assertThat(edits).as("edits that were answered").isGreaterThan(ROUNDS);
  }

  private static String newest(List<String> ids, String name) {
    return ids.stream().filter(id -> id.startsWith(name)).findFirst().orElseThrow();
  }

  private interface Work {
    /** Does one thing; the answer that it needs may never come. */
    void once() throws IOException, InterruptedException;
  }

  private static Thread hand(Work work) {
    return Thread.ofVirtual()
        .start(() -> {
          try {
            while (true) {
              work.once();
            }
          } catch (IOException | InterruptedException e) {
            // The process is gone.
          }
        });
  }

  private static String added(RealProcess process, String name)
      throws IOException, InterruptedException {
    byte[] pack =
        new ShootPackage(
                SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)).named(name), new TreeMap<>())
            .write();
    HttpResponse<byte[]> response = process.send("POST", "/api/shoots", pack);
    assertThat(response.statusCode()).isEqualTo(201);
    return JsonMapper.shared().readTree(response.body()).get("id").stringValue();
  }

  /** Raises the master by a step; the level says how many edits were answered. */
  private static void edit(RealProcess process, String id, Answered all)
      throws IOException, InterruptedException {
    double next = all.levels.get(id) + 0.001;
    String edit =
        """
        {"revision": %d, "label": "Master", "operations":
          [{"op": "replace", "path": "/masterStops", "value": %s}]}
        """
            .formatted(all.revisions.get(id), next);
    HttpResponse<byte[]> response =
        process.send("POST", "/api/shoots/" + id + "/edits", edit.getBytes(UTF_8));
    if (response.statusCode() == 200) {
      all.revisions.merge(id, 1L, Long::sum);
      all.levels.put(id, next);
    }
  }

  private static void importModel(RealProcess process, String id, Answered all)
      throws IOException, InterruptedException {
    HttpResponse<byte[]> response =
        process.send(
            "POST",
            "/api/shoots/" + id + "/models?name=sail.gltf&revision=" + all.revisions.get(id),
            DemoModels.sail());
    if (response.statusCode() == 200) {
      all.revisions.merge(id, 1L, Long::sum);
      all.imported.add(id);
    }
  }

  /** Adds a shoot of a name that was never there, and deletes it. */
  private static void addAndDelete(RealProcess process, Answered all)
      throws IOException, InterruptedException {
    String made = added(process, "gone " + NAMES.incrementAndGet());
    if (process.send("DELETE", "/api/shoots/" + made, null).statusCode() == 204) {
      all.deleted.add(made);
    }
  }

  /** Every answer is there, and every shoot can be read. */
  private static void check(RealProcess process, Answered all) throws Exception {
    List<String> there = new ArrayList<>();
    for (JsonNode title : process.json("/api/shoots")) {
      String id = title.get("id").stringValue();
      there.add(id);
      ShootDocument.read(process.json("/api/shoots/" + id).get("document"));
    }
    assertThat(all.revisions.keySet()).isSubsetOf(there);
    assertThat(there.stream().filter(all.deleted::contains)).isEmpty();
    for (String id : all.revisions.keySet()) {
      JsonNode state = process.json("/api/shoots/" + id);
      long known = all.revisions.get(id), is = state.get("revision").asLong();
      // One change may have been kept whose answer the kill cut off.
      assertThat(is).as(id).isBetween(known, known + 1);
      double level = state.get("document").get("masterStops").asDouble();
      assertThat(level).as(id).isBetween(all.levels.get(id) - 1e-9, all.levels.get(id) + 0.001001);
      long models = state.get("document").get("pieces").size();
      long imports = all.imported.stream().filter(id::equals).count();
      assertThat(models).as(id).isGreaterThanOrEqualTo(2 + imports);
      all.revisions.put(id, is);
      all.levels.put(id, level);
    }
  }
}
