package levelember.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.printing.order.PrintOrder;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Requests that are wrong in some way, made of the interface's own description: every endpoint of
 * it, with parameters and bodies that are missing, of another kind, out of range or no text at all.
 * Each is refused as the sender's fault or done; none is an error of the application.
 */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=1", "ember.printing=false", "ember.still-wait-millis=50"})
@ContextConfiguration(initializers = FreshHome.class)
class MalformedRequestsTest {
  private static final int REQUESTS = Integer.getInteger("ember.malformed", 10_500);
  private static final int MESSAGES = 2_000, HANDS = 4;
  private static final Pattern VARIABLE = Pattern.compile("\\{([^}:]+)(:[^}]*)?}");

  /** What is sent where a text, a number or an id is due. */
  private static final String[] ODD = {
    "", " ", "NaN", "Infinity", "-1", "0", "1", "0.5", "1e400", "-1e308", "2147483648",
    "9223372036854775808", "null", "true", "[]", "{}", "a", "ball", "k", "s", "../../etc", "a/b",
    "%", "\u0000", "\uD800", "é", "x".repeat(5000), "';--", "<b>", "floor", "m", "1,2"
  };

  /** What traces pictures for seconds is asked less often. */
  private static final Set<String> DEAR =
      Set.of(
          "/api/shoots/{shoot}/shots.pdf",
          "/api/shoots/{shoot}/lights.pdf",
          "/api/shoots/{shoot}/looks/{look}/grade.cube");

  private static final int DEAR_EVERY = 60;

  @LocalServerPort private int port;
  @Autowired private Shoots shoots;
  private final HttpClient client = HttpClient.newHttpClient();
  private JsonNode description;

  @BeforeEach
  void read() throws Exception {
    description = ApiClient.json(new ApiClient(port).send("GET", "openapi", "text/plain", null));
  }

  /** An endpoint as it is described. */
  private record Endpoint(String method, String path, JsonNode of) {}

  private List<Endpoint> endpoints() {
    List<Endpoint> to = new ArrayList<>();
    description
        .get("paths")
        .properties()
        .forEach(path ->
            path.getValue()
                .properties()
                .forEach(m ->
                    to.add(new Endpoint(m.getKey().toUpperCase(), path.getKey(), m.getValue()))));
    return to;
  }

  private void keepBall() {
    if (shoots.titles().stream().noneMatch(t -> t.id().equals("ball"))) {
      shoots.add(new ShootPackage(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)), new TreeMap<>()));
    }
  }

  @Test
  void noMalformedRequestIsAnErrorOfTheApplication() throws Exception {
    List<Endpoint> all = endpoints();
    assertThat(all).hasSizeGreaterThan(60);
    Map<String, String> faults = new ConcurrentSkipListMap<>();
    Map<String, Integer> asked = new ConcurrentSkipListMap<>();
    AtomicInteger sent = new AtomicInteger();
    List<Thread> hands = new ArrayList<>();
    for (int hand = 0; hand < HANDS; hand++) {
      Random random = new Random(hand);
      hands.add(
          Thread.ofVirtual()
              .start(() -> {
                for (int n = sent.getAndIncrement(); n < REQUESTS; n = sent.getAndIncrement()) {
                  if (n % 50 == 0) {
                    keepBall();
                  }
                  Endpoint to = all.get(n % all.size());
                  asked.merge(to.method + " " + to.path, 1, Integer::sum);
                  if (!DEAR.contains(to.path) || n / all.size() % DEAR_EVERY == 0) {
                    one(to, random, faults);
                  }
                }
              }));
    }
    for (Thread hand : hands) {
      hand.join();
    }
    assertThat(asked).hasSameSizeAs(all);
    assertThat(faults).isEmpty();
  }

  private void one(Endpoint to, Random random, Map<String, String> faults) {
    StringBuilder said = new StringBuilder(to.method + " ");
    try {
      HttpRequest request = request(to, random, said);
      HttpResponse<byte[]> answer = client.send(request, BodyHandlers.ofByteArray());
      int status = answer.statusCode();
      if (status > 499 && status != 507) {
        String body = new String(answer.body(), 0, Math.min(300, answer.body().length), UTF_8);
        faults.putIfAbsent(to.method + " " + to.path + " " + status, said + "\n  " + body);
      }
    } catch (IOException | InterruptedException e) {
      faults.putIfAbsent(to.method + " " + to.path + " no answer", said + "\n  " + e);
    }
  }

  private HttpRequest request(Endpoint to, Random random, StringBuilder said) {
    StringBuilder path = new StringBuilder();
    VARIABLE
        .matcher(to.path)
        .results()
        .reduce(
            0,
            (from, found) -> {
              path.append(to.path, from, found.start()).append(segment(found.group(1), random));
              return found.end();
            },
            (a, b) -> b);
    int last = to.path.lastIndexOf('}') + 1;
    path.append(to.path.substring(last));
    String separator = "?";
    for (JsonNode p : to.of.path("parameters")) {
      if (p.get("in").stringValue().equals("query") && random.nextInt(8) > 0) {
        String value = random.nextInt(30) == 0 ? "%ff" : value(p.path("schema"), random);
        path.append(separator).append(p.get("name").stringValue()).append('=').append(value);
        separator = "&";
      }
    }
    byte[] body = body(to.of.path("requestBody"), random);
    said.append(path).append(' ').append(new String(body, 0, Math.min(200, body.length), UTF_8));
    String type =
        random.nextInt(12) == 0
            ? "text/plain"
            : to.of.path("requestBody").isMissingNode()
                ? "application/octet-stream"
                : "application/json";
    return HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
        .timeout(Duration.ofMinutes(5))
        .header("content-type", type)
        .method(to.method, BodyPublishers.ofByteArray(body))
        .build();
  }

  private static String segment(String name, Random random) {
    if (random.nextInt(3) > 0) {
      return switch (name) {
        case "light" -> "a";
        case "piece" -> "floor";
        case "look" -> "k";
        case "shot" -> "s";
        case "frame", "number" -> "1";
        case "action" -> "pause";
        default -> "ball";
      };
    }
    String odd = encoded(ODD[random.nextInt(ODD.length)]);
    return odd.isEmpty() || odd.length() > 4000 ? "none" : odd;
  }

  private static String value(JsonNode schema, Random random) {
    if (random.nextInt(3) == 0) {
      String type = schema.path("type").stringValue("string");
      return switch (type) {
        case "integer" -> "" + random.nextInt(-2, 40);
        case "number" -> "" + random.nextDouble(-0.1, 1.1);
        case "boolean" -> "true";
        default -> encoded(new String[] {"a", "floor", "s", "k", "ball"}[random.nextInt(5)]);
      };
    }
    return encoded(ODD[random.nextInt(ODD.length)]);
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, UTF_8).replace("+", "%20");
  }

  private byte[] body(JsonNode described, Random random) {
    JsonNode content = described.path("content");
    JsonNode schema =
        content.isEmpty() ? content : content.properties().iterator().next().getValue();
    return switch (random.nextInt(6)) {
      case 0 -> new byte[0];
      case 1 -> noise(random);
      case 2 -> ODD[random.nextInt(ODD.length)].getBytes(UTF_8);
      default -> json(schema.path("schema"), random, 0).getBytes(UTF_8);
    };
  }

  private static byte[] noise(Random random) {
    byte[] to = new byte[random.nextInt(400)];
    random.nextBytes(to);
    return to;
  }

  /** JSON of a described form, in which some values are of another kind or not there. */
  private String json(JsonNode schema, Random random, int deep) {
    JsonNode of = schema;
    if (of.has("$ref")) {
      String name = of.get("$ref").stringValue();
      of = description.at(name.substring(1));
    }
    if (deep > 6 || random.nextInt(9) == 0) {
      return oddJson(random);
    }
    if (of.has("enum")) {
      return of.get("enum").get(random.nextInt(of.get("enum").size())).toString();
    }
    if (of.has("properties")) {
      List<String> fields = new ArrayList<>();
      for (Map.Entry<String, JsonNode> p : of.get("properties").properties()) {
        if (random.nextInt(7) > 0) {
          fields.add(quoted(p.getKey()) + ":" + json(p.getValue(), random, deep + 1));
        }
      }
      return "{" + String.join(",", fields) + "}";
    }
    return switch (of.path("type").stringValue("any")) {
      case "integer" -> "" + random.nextInt(-3, 100);
      case "number" -> "" + random.nextDouble(-2, 100);
      case "boolean" -> "" + random.nextBoolean();
      case "string" ->
          quoted(new String[] {"a", "floor", "s", "k", "ball", "nit"}[random.nextInt(6)]);
      case "array" -> "[" + json(of.path("items"), random, deep + 1) + "]";
      default -> oddJson(random);
    };
  }

  private static String quoted(String text) {
    return JsonMapper.shared().writeValueAsString(text);
  }

  private static String oddJson(Random random) {
    String[] all = {
      "null",
      "true",
      "-1",
      "1e400",
      "0.5",
      "1e999999",
      "\"\"",
      "\"a\"",
      "[]",
      "{}",
      "[null]",
      "[{}]",
      "{\"op\":\"replace\"}",
      "[{\"op\":\"replace\",\"path\":\"/lights/0/levelStops\",\"value\":\"x\"}]",
      "[{\"op\":\"add\",\"path\":\"/lights/-\",\"value\":{}}]",
      "[{\"op\":\"remove\",\"path\":\"/shots/0\"}]",
      "[{\"op\":\"replace\",\"path\":\"/lights/0/emitter\",\"value\":{\"kind\":\"dome\"}}]",
      "\"" + "y".repeat(3000) + "\""
    };
    return all[random.nextInt(all.length)];
  }

  /** What was an error of the application, or was taken though it is none. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "POST | shoots/ball/edits | {'revision': 1, 'label': 'x'} | 422",
        "POST | shoots/ball/edits | {'revision': 1.5, 'label': 'x', 'operations': []} | 400",
        "GET | shoots/%ff | | 400",
        "GET | shoots/ball/live/plan?page=%ff | | 400",
        "GET | shoots/ball/live/neutral?x=NaN&y=0.5 | | 422",
        "GET | shoots/ball/live/at?x=0.5&y=NaN | | 422",
        "POST | brightness | {'value': 3} | 422",
        "POST | brightness | {'emitter': {'kind': 'point'}, 'value': 3, 'unit': 'lm'} | 422",
        "POST | shoots/ball/meter/match?pairs=null | x | 422",
        "GET | shoots/ball/lights.pdf?shot=none | | 404",
      })
  void whatIsWrongIsRefused(String method, String path, String body, int status) throws Exception {
    keepBall();
    byte[] sent = body == null ? null : body.replace('\'', '"').getBytes(UTF_8);
    HttpResponse<byte[]> answer = new ApiClient(port).send(method, path, "application/json", sent);
    assertThat(answer.statusCode()).as(new String(answer.body(), UTF_8)).isEqualTo(status);
  }

  @Test
  void anOrderOfAShotThatIsNotThereIsRefused() throws Exception {
    keepBall();
    byte[] order = JsonMapper.shared().writeValueAsBytes(PrintOrder.still("none", 64, 64, 1));
    for (String path : new String[] {"shoots/ball/prints/estimate", "shoots/ball/prints"}) {
      assertThat(new ApiClient(port).send("POST", path, "application/json", order).statusCode())
          .isEqualTo(404);
    }
  }

  @Test
  void manySmallFramesAtOnceAreMadeOrGivenUpInWords() throws Exception {
    keepBall();
    List<CompletableFuture<HttpResponse<byte[]>>> answers = new ArrayList<>();
    for (int i = 0; i < 90; i++) {
      URI frame =
          URI.create(
              "http://localhost:%d/api/shoots/ball/motion/frames/%d.jpg?shot=s&width=%d"
                  .formatted(port, i, 64 + i));
      answers.add(
          client.sendAsync(HttpRequest.newBuilder(frame).build(), BodyHandlers.ofByteArray()));
    }
    int givenUp = 0;
    for (CompletableFuture<HttpResponse<byte[]>> answer : answers) {
      HttpResponse<byte[]> is = answer.get(100, TimeUnit.SECONDS);
      assertThat(is.statusCode()).isIn(200, 409);
      if (is.statusCode() == 409) {
        givenUp++;
        assertThat(new String(is.body(), UTF_8)).contains("given-up");
      }
    }
    assertThat(givenUp).isLessThan(60);
  }

  @Test
  void anOriginOfAnotherSchemeIsAnotherSite() throws Exception {
    try (Socket socket = new Socket("localhost", port)) {
      socket
          .getOutputStream()
          .write(
              ("GET /api/shoots HTTP/1.1\r\nHost: localhost:%d\r\nOrigin: https://localhost:%d\r\n"
                      + "Connection: close\r\n\r\n")
                  .formatted(port, port)
                  .getBytes(UTF_8));
      String answer = new String(socket.getInputStream().readAllBytes(), UTF_8);
      assertThat(answer).startsWith("HTTP/1.1 403");
    }
  }

  /**
   * The live channel goes on after any message, and says of none that the application is at fault.
   */
  @Test
  void noMalformedMessageIsAnErrorOfTheApplication() throws Exception {
    keepBall();
    Random random = new Random(11);
    String[] kinds = {
      "try", "untry", "shot", "size", "pause", "noise", "denoise", "time", "view", "scopes",
      "drawn", "again", "probe", "ping", "nothing"
    };
    String[] fields = {
      "operations",
      "mark",
      "id",
      "width",
      "height",
      "paused",
      "percent",
      "when",
      "seconds",
      "kind",
      "clay",
      "of",
      "x",
      "y",
      "keepGlass"
    };
    try (LivePage page = new LivePage(port, "ball")) {
      for (int i = 0; i < MESSAGES; i++) {
        StringBuilder message =
            new StringBuilder("{\"type\":" + quoted(kinds[random.nextInt(kinds.length)]));
        for (String field : fields) {
          if (random.nextInt(3) == 0) {
            message.append(',').append(quoted(field)).append(':').append(oddJson(random));
          }
        }
        page.say(random.nextInt(20) == 0 ? "no json" : message.append('}').toString());
      }
      page.say("{\"type\":\"untry\"}");
      page.say("{\"type\":\"shot\",\"id\":\"s\"}");
      List<JsonNode> failed = new ArrayList<>();
      page.say("{\"type\":\"last\"}");
      page.message(m -> {
        if (m.path("type").stringValue("").equals("failed")) {
          failed.add(m);
        }
        return m.path("detail").stringValue("").contains("last");
      });
      assertThat(failed).isEmpty();
    }
  }
}
