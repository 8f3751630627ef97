package levelember.app.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import levelember.app.SmallShoot;
import levelember.formats.document.ShootDocument;
import levelember.formats.movie.MovieFormat;
import levelember.math.Vec3;
import levelember.printing.order.FrameOrder;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Frames in a process that is killed: those that are done stay, and all have their own bits. */
class FramesKillTest {
  private static final int FRAMES = 10;

  @TempDir private Path home;

  /** A lamp dims, and in the last frames the ball goes aside. */
  private static Shoot moving(double end) {
    Track dims =
        Track.of(
            "lights/a/levelStops", Key.of(0, Span.STRAIGHT, 0.0), Key.of(10, Span.STRAIGHT, end));
    Vec3 from = new Vec3(0, 0.5, 0);
    Track goes =
        Track.of(
            "pieces/ball/position",
            Key.of(6, Span.STRAIGHT, from.x(), from.y(), from.z()),
            Key.of(10, Span.STRAIGHT, 1.0, from.y(), from.z()));
    Motion motion = new Motion(1, 1, FRAMES, List.of(dims, goes));
    return SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)).with(motion);
  }

  private static PrintOrder order(String pattern) {
    FrameOrder frames =
        new FrameOrder(1, FRAMES, 4, false, false, new TreeSet<>(List.of(MovieFormat.MP4)));
    return PrintOrder.still("s", 48, 32, 4).with(o -> o.pattern(pattern).frames(frames));
  }

  private static JsonNode ended(RealProcess process, long id) throws Exception {
    while (true) {
      JsonNode job = process.json("/api/prints/" + id);
      String state = job.get("state").stringValue();
      if (!state.equals("waiting") && !state.equals("printing")) {
        assertThat(state).as(job.toString()).isEqualTo("done");
        return job;
      }
      Thread.sleep(30);
    }
  }

  private static long ordered(RealProcess process, String shoot, String pattern) throws Exception {
    byte[] body = JsonMapper.shared().writeValueAsBytes(order(pattern));
    HttpResponse<byte[]> answer = process.send("POST", "/api/shoots/" + shoot + "/prints", body);
    assertThat(answer.statusCode()).as(new String(answer.body(), UTF_8)).isEqualTo(201);
    return JsonMapper.shared().readTree(answer.body()).get("id").longValue();
  }

  private static List<Path> files(JsonNode job) {
    List<Path> to = new ArrayList<>();
    job.get("files").forEach(file -> to.add(Path.of(file.stringValue())));
    return to;
  }

  private static Map<Path, FileTime> times(List<Path> files) throws Exception {
    Map<Path, FileTime> to = new HashMap<>();
    for (Path file : files) {
      to.put(file, Files.getLastModifiedTime(file));
    }
    return to;
  }

  @Test
  void whatIsDoneStaysAndOnlyWhatChangedIsMadeAgain() throws Exception {
    String shoot;
    long id;
    List<Path> before = new ArrayList<>();
    Map<Path, FileTime> times;
    try (RealProcess process = new RealProcess(home)) {
      HttpResponse<byte[]> made =
          process.send("POST", "/api/shoots", ShootDocument.write(moving(-4)));
      shoot = JsonMapper.shared().readTree(made.body()).get("id").stringValue();
      id = ordered(process, shoot, "killed");
      Path folder = home.resolve("prints");
      while (before.size() < 3) {
        Thread.sleep(5);
        before.clear();
        if (Files.isDirectory(folder)) {
          try (var all = Files.list(folder)) {
            all.filter(f -> f.toString().endsWith(".png")).forEach(before::add);
          }
        }
      }
      process.kill();
      times = times(before);
    }
    try (RealProcess process = new RealProcess(home)) {
      JsonNode job = ended(process, id);
      List<Path> files = files(job);
      assertThat(files).hasSize(FRAMES + 1);
      assertThat(files.getFirst().toString()).endsWith("killed.mp4");
      assertThat(files.get(3).toString()).endsWith("killed-0003.png");
      long stayed = 0;
      for (Path file : before) {
        stayed += times.get(file).equals(Files.getLastModifiedTime(file)) ? 1 : 0;
      }
      // The last one may have been written but not noted yet.
      assertThat(stayed).isGreaterThanOrEqualTo(before.size() - 1);
      List<Path> one = files(ended(process, ordered(process, shoot, "one")));
      for (int i = 1; i <= FRAMES; i++) {
        assertThat(Files.readAllBytes(files.get(i)))
            .as("frame " + i)
            .isEqualTo(Files.readAllBytes(one.get(i)));
      }
      changed(process, shoot, id, files);
    }
  }

  /** A key of the ball is changed: only frames after the one before it are made again. */
  private static void changed(RealProcess process, String shoot, long id, List<Path> files)
      throws Exception {
    Map<Path, FileTime> times = times(files);
    JsonNode state = process.json("/api/shoots/" + shoot);
    String edit =
        """
        {"revision": %d, "label": "Key", "operations": [{"op": "replace",
         "path": "/motion/tracks/1/keys/1/value", "value": [-1, 0.5, 0]}]}
        """
            .formatted(state.get("revision").longValue());
    assertThat(
            process
                .send("POST", "/api/shoots/" + shoot + "/edits", edit.getBytes(UTF_8))
                .statusCode())
        .isEqualTo(200);
    process.send("POST", "/api/prints/" + id + "/refresh", new byte[0]);
    List<Path> again = files(ended(process, id));
    assertThat(again).isEqualTo(files);
    for (int i = 1; i <= FRAMES; i++) {
      boolean same = times.get(files.get(i)).equals(Files.getLastModifiedTime(files.get(i)));
      assertThat(same).as("frame " + i).isEqualTo(i <= 6);
    }
  }
}
