package levelember.app.print;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.TreeMap;
import java.util.function.Predicate;
import javax.imageio.ImageIO;
import levelember.app.FreshHome;
import levelember.app.SmallShoot;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.picture.OpenExr;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The print room over HTTP: orders, the queue, files. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshHome.class)
class PrintRoomTest {
  private static final HttpClient CLIENT = HttpClient.newHttpClient();

  @LocalServerPort private int port;
  @Autowired private Shoots shoots;
  @Autowired private ShootEdits edits;
  @TempDir private Path folder;
  private String shoot;
  private String shot;

  @BeforeEach
  void open() throws Exception {
    var ball = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));
    shoot = shoots.add(new ShootPackage(ball, new TreeMap<>())).id();
    shot = ball.shots().getFirst().id();
    for (JsonNode job : json("GET", "/api/prints", null, 200)) {
      send("DELETE", "/api/prints/" + job.get("id").longValue(), null);
    }
  }

  private HttpResponse<byte[]> send(String method, String path, String body) throws Exception {
    return CLIENT.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
            .header("content-type", "application/json")
            .method(method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
            .build(),
        BodyHandlers.ofByteArray());
  }

  private JsonNode json(String method, String path, String body, int status) throws Exception {
    HttpResponse<byte[]> response = send(method, path, body);
    assertThat(response.statusCode()).as(new String(response.body(), UTF_8)).isEqualTo(status);
    return JsonMapper.shared().readTree(response.body());
  }

  private ObjectNode order(int samples) {
    ObjectNode order = JsonMapper.shared().createObjectNode();
    order.put("shot", shot).put("width", 64).put("height", 48).put("samples", samples);
    order.put("noisePercent", 0).put("minutes", 0).put("denoise", false).put("cutOut", false);
    order.put("lightLevels", true).put("occlusionMetres", 1).put("filePerPass", false);
    order.put("exrDepth", "float").put("exrPacking", "zip").put("seed", 1);
    order.put("folder", folder.toString()).put("pattern", "{shoot}/{shot}-{job}");
    order.putArray("formats").add("png").add("exr");
    order.putArray("passes").add("lights").add("depth");
    return order;
  }

  private long ordered(ObjectNode order) throws Exception {
    return json("POST", "/api/shoots/" + shoot + "/prints", order.toString(), 201)
        .get("id")
        .longValue();
  }

  private JsonNode until(long id, Predicate<JsonNode> there) throws Exception {
    long end = System.nanoTime() + 60_000_000_000L;
    while (true) {
      JsonNode job = json("GET", "/api/prints/" + id, null, 200);
      if (there.test(job)) {
        return job;
      }
      assertThat(System.nanoTime()).as(job.toString()).isLessThan(end);
      Thread.sleep(40);
    }
  }

  private JsonNode ended(long id, String state) throws Exception {
    return until(id, j -> j.get("state").stringValue().equals(state));
  }

  private void act(long id, String action) throws Exception {
    json("POST", "/api/prints/" + id + "/" + action, null, 200);
  }

  @Test
  void anOrderBecomesFilesAndCanBePrintedFurther() throws Exception {
    long id = ordered(order(2));
    JsonNode job = ended(id, "done");
    assertThat(job.get("samples").doubleValue()).isEqualTo(2);
    assertThat(job.get("done").doubleValue()).isEqualTo(1);
    assertThat(job.get("filmBytes").longValue()).isPositive();
    Path exr = Path.of(job.get("files").get(0).stringValue());
    assertThat(exr.startsWith(folder)).isTrue();
    byte[] first = Files.readAllBytes(exr);
    assertThat(OpenExr.read(first).channels()).containsKeys("R", "depth.Z");
    HttpResponse<byte[]> fetched = send("GET", "/api/prints/" + id + "/file?number=0", null);
    assertThat(fetched.body()).isEqualTo(first);
    HttpResponse<byte[]> picture = send("GET", "/api/prints/" + id + "/picture.jpg", null);
    assertThat(ImageIO.read(new java.io.ByteArrayInputStream(picture.body())).getWidth())
        .isEqualTo(64);
    String target = "{\"samples\":6,\"noisePercent\":0,\"minutes\":0}";
    json("POST", "/api/prints/" + id + "/further", target, 200);
    job = until(id, j -> j.get("samples").doubleValue() == 6 && j.get("ended").isString());
    assertThat(Files.readAllBytes(exr)).isNotEqualTo(first);
    // The same as one that was made in one go.
    JsonNode other = ended(ordered(order(6)), "done");
    assertThat(Files.readAllBytes(Path.of(other.get("files").get(0).stringValue())))
        .isEqualTo(Files.readAllBytes(exr));
  }

  @Test
  void levelsThatChangeAfterwardsAreInNewFilesAndCostNoTracing() throws Exception {
    long id = ordered(order(2));
    JsonNode job = ended(id, "done");
    String patch = "[{\"op\":\"replace\",\"path\":\"/lights/0/levelStops\",\"value\":1}]";
    edits.edit(shoot, 1, "Level", JsonMapper.shared().readTree(patch));
    JsonNode files = json("POST", "/api/prints/" + id + "/develop", null, 200);
    OpenExr.Channels before =
        OpenExr.read(Files.readAllBytes(Path.of(job.get("files").get(0).stringValue())));
    OpenExr.Channels after = OpenExr.read(Files.readAllBytes(Path.of(files.get(0).stringValue())));
    String light = shoots.shoot(shoot).lights().getFirst().name();
    for (int i = 0; i < 64 * 48; i++) {
      assertThat(after.layer(light).rgb()[3 * i]).isEqualTo(2 * before.layer(light).rgb()[3 * i]);
    }
    assertThat(json("GET", "/api/prints/" + id, null, 200).get("files").size()).isEqualTo(4);
    // The job keeps the shoot as it was when it was ordered.
    JsonNode opened = json("POST", "/api/prints/" + id + "/open", null, 201);
    assertThat(opened.at("/document/lights/0/levelStops").doubleValue()).isZero();
  }

  @Test
  void jobsArePausedStoppedMovedAndTriedAgain() throws Exception {
    long slow = ordered(order(100_000));
    until(slow, j -> j.get("samples").doubleValue() > 1);
    long next = ordered(order(2));
    assertThat(json("GET", "/api/prints/" + next, null, 200).get("state").stringValue())
        .isEqualTo("waiting");
    assertThat(json("GET", "/api/prints", null, 200).get(0).get("doing").stringValue())
        .startsWith("waits for");
    act(next, "first");
    ended(next, "done");
    JsonNode going = until(slow, j -> j.get("state").stringValue().equals("printing"));
    assertThat(going.get("done").doubleValue()).isBetween(0.0, 0.9);
    act(slow, "pause");
    double rests = json("GET", "/api/prints/" + slow, null, 200).get("samples").doubleValue();
    assertThat(send("POST", "/api/prints/" + slow + "/pause", null).statusCode()).isEqualTo(409);
    act(slow, "resume");
    until(slow, j -> j.get("samples").doubleValue() > rests);
    act(slow, "stop");
    JsonNode stopped = ended(slow, "stopped");
    assertThat(stopped.get("files").size()).isEqualTo(2);
    assertThat(Path.of(stopped.get("files").get(1).stringValue())).exists();
    act(slow, "retry");
    until(slow, j -> j.get("samples").doubleValue() > stopped.get("samples").doubleValue());
    assertThat(send("DELETE", "/api/prints/" + slow, null).statusCode()).isEqualTo(204);
    assertThat(send("GET", "/api/prints/" + slow, null).statusCode()).isEqualTo(404);
  }

  @ParameterizedTest
  @CsvSource({
    "pattern, ../{shot}, stays in the folder",
    "pattern, {colour}, '{shoot}, {shot}'",
    "folder, ../../elsewhere, within the folder of prints",
    "folder, /dev/null/prints, cannot be written to"
  })
  void whatCannotBeWrittenIsSaidBeforeWorkStarts(String field, String value, String said)
      throws Exception {
    ObjectNode order = order(2).put(field, value);
    JsonNode estimate =
        json("POST", "/api/shoots/" + shoot + "/prints/estimate", order.toString(), 200);
    assertThat(estimate.get("problems").toString()).contains(said);
    assertThat(
            json("POST", "/api/shoots/" + shoot + "/prints", order.toString(), 409)
                .get("detail")
                .stringValue())
        .contains(said);
  }

  @Test
  void sizesBeyondMemoryAndNamesThatAreTakenAreRefused() throws Exception {
    ObjectNode large = order(1).put("width", 11_000).put("height", 11_000);
    JsonNode estimate =
        json("POST", "/api/shoots/" + shoot + "/prints/estimate", large.toString(), 200);
    assertThat(estimate.get("bands").intValue()).isGreaterThan(1);
    assertThat(estimate.get("filmBytes").longValue()).isGreaterThan(5_000_000_000L);
    assertThat(estimate.get("problems").toString()).contains("of memory");
    assertThat(
            send(
                    "POST",
                    "/api/shoots/" + shoot + "/prints",
                    order(1).put("width", 20_000).toString())
                .statusCode())
        .isEqualTo(422);
    ObjectNode named = order(100_000).put("pattern", "{shot}");
    long id = ordered(named);
    assertThat(
            json("POST", "/api/shoots/" + shoot + "/prints", named.toString(), 409)
                .get("detail")
                .stringValue())
        .contains("files of the same name");
    send("DELETE", "/api/prints/" + id, null);
  }

  @Test
  void aFolderThatVanishesLosesNothingThatIsTraced() throws Exception {
    Path gone = folder.resolve("gone");
    long id = ordered(order(30).put("folder", gone.toString()));
    until(id, j -> j.get("samples").doubleValue() > 0);
    // In the place of the folder stands a file.
    Files.write(gone, new byte[1]);
    JsonNode failed = ended(id, "failed");
    assertThat(failed.get("detail").stringValue()).contains("cannot be written to");
    Files.delete(gone);
    act(id, "retry");
    assertThat(ended(id, "done").get("samples").doubleValue()).isEqualTo(30);
  }

  @Test
  void aFileThatIsThereAlreadyKeepsItsNameAndStaysAsItIs() throws Exception {
    ObjectNode order = order(1).put("pattern", "taken");
    Path there = Files.writeString(folder.resolve("taken.png"), "mine");
    JsonNode estimate =
        json("POST", "/api/shoots/" + shoot + "/prints/estimate", order.toString(), 200);
    assertThat(estimate.get("problems")).isEmpty();
    assertThat(estimate.get("names").toString()).contains("taken-2.png");
    JsonNode job = ended(ordered(order), "done");
    assertThat(job.get("files").toString()).contains("taken-2.png").contains("taken-2.exr");
    assertThat(there).hasContent("mine");
    try (var all = Files.list(folder)) {
      assertThat(all.map(f -> f.getFileName().toString()))
          .containsExactlyInAnyOrder("taken.png", "taken-2.png", "taken-2.exr");
    }
  }

  /** Another program takes the name between the order and its end. */
  @Test
  void aFileThatComesMeanwhileIsNotReplaced() throws Exception {
    long first = ordered(order(400));
    ObjectNode order = order(1).put("pattern", "later");
    long id = ordered(order);
    Path there = Files.writeString(folder.resolve("later.png"), "mine");
    act(first, "stop");
    JsonNode job = ended(id, "done");
    assertThat(there).hasContent("mine");
    assertThat(job.get("files").toString()).contains("later-2.png");
  }

  @Test
  void aLinkThatLeadsOutOfTheFolderIsNotFollowed(@TempDir Path elsewhere) throws Exception {
    Files.createSymbolicLink(folder.resolve("out"), elsewhere);
    ObjectNode order = order(1).put("pattern", "out/picture");
    JsonNode estimate =
        json("POST", "/api/shoots/" + shoot + "/prints/estimate", order.toString(), 200);
    assertThat(estimate.get("problems").toString()).contains("leads out of");
    json("POST", "/api/shoots/" + shoot + "/prints", order.toString(), 409);
    assertThat(elsewhere).isEmptyDirectory();
  }

  @Test
  void aLinkOfTheNameThatIsWrittenFirstIsNotWrittenThrough(@TempDir Path elsewhere)
      throws Exception {
    Path other = Files.writeString(elsewhere.resolve("other"), "theirs");
    Files.createSymbolicLink(folder.resolve("linked.png.part"), other);
    ended(ordered(order(1).put("pattern", "linked")), "done");
    assertThat(other).hasContent("theirs");
    assertThat(ImageIO.read(folder.resolve("linked.png").toFile()).getWidth()).isEqualTo(64);
  }
}
