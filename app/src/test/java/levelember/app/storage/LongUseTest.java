package levelember.app.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import levelember.app.LivePage;
import levelember.demo.DemoShoots;
import levelember.formats.picture.PngFile;
import levelember.printing.order.PrintOrder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Ten pages at work for long, in a process of little memory: they edit, try, keep proofs, print,
 * upload, copy, delete and load anew. In the end every page shows what is kept, and memory and disk
 * are where they were after the first twelfth of the time. The time is the system property {@code
 * ember.use.minutes}.
 */
class LongUseTest {
  private static final double MINUTES =
      Double.parseDouble(System.getProperty("ember.use.minutes", "0.2"));

  /** Minutes of which a twelfth is enough for all that the application holds to be there. */
  private static final double LONG = 12;

  private static final int PAGES = 10;
  private static final List<String> DEMO = List.of("armillary", "tide-lens", "signal-lamp");
  private static final Pattern USED = Pattern.compile("used (\\d+)K");

  @TempDir(cleanup = CleanupMode.ON_SUCCESS)
  Path home;

  private RealProcess process;
  private final List<String> shoots = new ArrayList<>();
  private final ConcurrentLinkedQueue<String> faults = new ConcurrentLinkedQueue<>();
  private final AtomicInteger done = new AtomicInteger();

  private HttpResponse<byte[]> ask(String method, String path, byte[] body)
      throws IOException, InterruptedException {
    HttpResponse<byte[]> answer = process.send(method, path, body);
    if (answer.statusCode() > 499 && answer.statusCode() != 507) {
      faults.add(method + " " + path + ": " + new String(answer.body(), UTF_8));
    }
    done.incrementAndGet();
    return answer;
  }

  private JsonNode json(HttpResponse<byte[]> answer) {
    return JsonMapper.shared().readTree(answer.body());
  }

  @Test
  void everyPageShowsWhatIsKeptAndNothingGrows() throws Exception {
    List<String> options =
        List.of(
            "--add-modules",
            "jdk.incubator.vector",
            "-Djdk.incubator.vector.VECTOR_ACCESS_OOB_CHECK=0",
            "-Xmx1200m");
    Map<String, String> own = Map.of("EMBER_SAMPLES", "64", "EMBER_PREPARED_SHOOTS", "3");
    Usage early, late;
    try (RealProcess started = new RealProcess(home, options, own)) {
      process = started;
      for (String name : DEMO) {
        byte[] pack = DemoShoots.make(name).write();
        shoots.add(json(ask("POST", "/api/shoots", pack)).get("id").stringValue());
      }
      long begin = System.nanoTime(), all = (long) (MINUTES * 60e9);
      List<Hand> hands = new ArrayList<>();
      for (int i = 0; i < PAGES; i++) {
        hands.add(new Hand(i, begin + all));
      }
      Thread.sleep(Duration.ofNanos(all / 12));
      early = usage("early");
      for (Hand hand : hands) {
        hand.thread.join();
      }
      assertThat(faults).isEmpty();
      for (Hand hand : hands) {
        hand.check();
      }
      settle();
      late = usage("late");
      System.out.printf(
          Locale.ROOT, "%.1f minutes: %d requests, 0 at fault%n", MINUTES, done.get());
    }
    double kept = keptMegabytes();
    assertThat(late.databaseMegabytes).isLessThan(1.3 * kept + 8);
    if (MINUTES >= LONG) {
      assertThat(late.heapMegabytes).isLessThan(early.heapMegabytes + 150);
    }
  }

  /** What the database keeps, without what was deleted: megabytes of all long columns together. */
  private double keptMegabytes() throws SQLException {
    Map<String, String> columns = new LinkedHashMap<>();
    columns.put("shoot", "char_length(document)");
    columns.put("shoot_patch", "char_length(operations)");
    columns.put("edit", "characters");
    columns.put("asset", "octet_length(bytes)");
    columns.put(
        "proof",
        "char_length(document) + octet_length(picture) + coalesce(octet_length(layers), 0)");
    columns.put("print_job", "char_length(print_order) + char_length(files)");
    double all = 0;
    try (Connection database = DriverManager.getConnection(Backup.url(home, "ember"), "ember", "");
        Statement statement = database.createStatement()) {
      for (var entry : columns.entrySet()) {
        ResultSet sum =
            statement.executeQuery(
                "select count(*), coalesce(sum(%s), 0) from %s"
                    .formatted(entry.getValue(), entry.getKey()));
        sum.next();
        double megabytes = sum.getLong(2) / 1e6;
        System.out.printf(
            Locale.ROOT, "kept: %s %d, %.1f MB%n", entry.getKey(), sum.getLong(1), megabytes);
        all += megabytes;
      }
    }
    return all;
  }

  /** Prints are ended and nothing is written any more. */
  private void settle() throws Exception {
    for (JsonNode job : process.json("/api/prints")) {
      ask("DELETE", "/api/prints/" + job.get("id").longValue(), null);
    }
    Thread.sleep(Math.min(20_000, (long) (MINUTES * 6000)));
  }

  private record Usage(double heapMegabytes, double databaseMegabytes, double diskMegabytes) {}

  private Usage usage(String when) throws Exception {
    process.diagnosed("GC.run");
    String said = process.diagnosed("GC.heap_info");
    Matcher used = USED.matcher(said);
    assertThat(used.find()).as(said).isTrue();
    double heap = Long.parseLong(used.group(1)) / 1024.0;
    double database = Files.size(home.resolve(Backup.DATABASE)) / 1e6;
    double disk;
    try (Stream<Path> files = Files.walk(home)) {
      disk = files.mapToLong(f -> f.toFile().isFile() ? f.toFile().length() : 0).sum() / 1e6;
    }
    System.out.printf(
        Locale.ROOT,
        "%s: heap %.0f MB, database %.1f MB, data folder %.1f MB%n",
        when,
        heap,
        database,
        disk);
    return new Usage(heap, database, disk);
  }

  /** One page and whoever sits at it. */
  private final class Hand {
    private final Random random;
    private final long end;
    private final Thread thread;
    private String shoot;
    private LivePage page;

    Hand(int number, long end) {
      this.end = end;
      random = new Random(number);
      shoot = shoots.get(number % shoots.size());
      open();
      thread = Thread.ofVirtual().start(this::work);
    }

    private void open() {
      if (page != null) {
        page.close();
      }
      page = new LivePage(process.port(), shoot);
      int width = 160 + 32 * random.nextInt(6);
      page.say("{\"type\":\"size\",\"width\":%d,\"height\":%d}".formatted(width, width * 9 / 16));
    }

    private void work() {
      while (System.nanoTime() < end) {
        try {
          once();
          page.forget();
          Thread.sleep(random.nextInt(120));
        } catch (Exception | AssertionError e) {
          faults.add(e.toString());
          return;
        }
      }
    }

    private void once() throws Exception {
      switch (random.nextInt(12)) {
        case 0, 1, 2, 3 -> edit("levelStops", "%.2f".formatted(random.nextDouble(-3, 3)));
        case 4 -> edit("position", "[%.2f, 2.1, 1.3]".formatted(random.nextDouble(-1, 1)));
        case 5, 6 -> drag();
        case 7 -> proof();
        case 8 -> print();
        case 9 -> upload();
        case 10 -> copyAndDelete();
        default -> open();
      }
    }

    private int light(JsonNode state) {
      JsonNode lights = state.at("/document/lights");
      for (int i = 0; i < lights.size(); i++) {
        String kind = lights.get(i).at("/emitter/kind").stringValue("");
        if (kind.equals("rectangle") || kind.equals("spot") || kind.equals("sphere")) {
          return i;
        }
      }
      return 0;
    }

    private void edit(String field, String value) throws Exception {
      JsonNode state = process.json("/api/shoots/" + shoot);
      String edit =
          """
          {"revision": %d, "label": "Light", "operations":
            [{"op": "replace", "path": "/lights/%d/%s", "value": %s}]}
          """
              .formatted(state.get("revision").longValue(), light(state), field, value);
      ask("POST", "/api/shoots/" + shoot + "/edits", edit.getBytes(UTF_8));
    }

    private void drag() throws Exception {
      for (int i = 0; i < 8; i++) {
        page.say(
            "{\"type\":\"try\",\"mark\":%d,\"operations\":[{\"op\":\"replace\",\"path\":\"/masterStops\",\"value\":%.2f}]}"
                .formatted(i + 1, random.nextDouble(-1, 1)));
        Thread.sleep(30);
      }
      page.say("{\"type\":\"untry\"}");
    }

    private void proof() throws Exception {
      ask("POST", "/api/shoots/" + shoot + "/proofs", new byte[0]);
      JsonNode proofs = process.json("/api/shoots/" + shoot + "/proofs");
      if (proofs.size() > 6) {
        ask("DELETE", "/api/proofs/" + proofs.get(0).get("id").longValue(), null);
      }
    }

    private void print() throws Exception {
      JsonNode state = process.json("/api/shoots/" + shoot);
      String shot = state.at("/document/shots/0/id").stringValue();
      PrintOrder order =
          PrintOrder.still(shot, 96, 54, 2).with(o -> o.pattern("{shoot}/{shot}-{job}"));
      ask("POST", "/api/shoots/" + shoot + "/prints", JsonMapper.shared().writeValueAsBytes(order));
      JsonNode jobs = process.json("/api/prints");
      for (int i = 0; i + 8 < jobs.size(); i++) {
        ask("DELETE", "/api/prints/" + jobs.get(i).get("id").longValue(), null);
      }
    }

    private void upload() throws Exception {
      byte[] noise = new byte[3 * 128 * 128];
      random.nextBytes(noise);
      String copy = copied();
      ask("POST", "/api/shoots/" + copy + "/assets?name=noise.png", PngFile.plain(noise, 128, 128));
      ask("DELETE", "/api/shoots/" + copy, null);
    }

    private void copyAndDelete() throws Exception {
      String copy = copied();
      try (LivePage other = new LivePage(process.port(), copy)) {
        other.say("{\"type\":\"size\",\"width\":128,\"height\":72}");
        Thread.sleep(random.nextInt(800));
        ask("DELETE", "/api/shoots/" + copy, null);
      }
    }

    private String copied() throws Exception {
      return json(ask("POST", "/api/shoots/" + shoot + "/copies", new byte[0]))
          .get("id")
          .stringValue();
    }

    /** The page, as it is at the end, is shown the document that is kept. */
    void check() throws Exception {
      long revision = process.json("/api/shoots/" + shoot).get("revision").longValue();
      page.say("{\"type\":\"again\"}");
      page.say("{\"type\":\"size\",\"width\":200,\"height\":112}");
      assertThat(page.frameOf(revision)).as(shoot).isEqualTo(revision);
      page.close();
    }
  }
}
