package levelember.cli;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command against a stand-in for the application. */
class PrintCommandTest {
  private static final String JOB =
      """
      {"id": 7, "state": "printing", "done": 0.25, "shootName": "Ball", "shotName": "Wide",
       "order": {"width": 640, "height": 360}, "samples": 12.5, "noisePercent": 4.2,
       "secondsLeft": 31.4, "detail": null}
      """;

  @TempDir Path home;
  private HttpServer server;
  private final List<String> asked = new ArrayList<>();
  private final StringWriter out = new StringWriter(), err = new StringWriter();

  @BeforeEach
  void serve() throws Exception {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext(
        "/",
        exchange -> {
          String path = exchange.getRequestURI().getPath();
          asked.add(exchange.getRequestMethod() + " " + path);
          boolean known = !path.contains("/9/");
          String body =
              known
                  ? path.equals("/api/prints") ? "[" + JOB + "]" : JOB
                  : "{\"detail\": \"There is no print 9.\"}";
          byte[] bytes = body.getBytes(UTF_8);
          exchange.sendResponseHeaders(known ? 200 : 404, bytes.length);
          exchange.getResponseBody().write(bytes);
          exchange.close();
        });
    server.start();
    Files.writeString(
        home.resolve("running.address"),
        "http://127.0.0.1:" + server.getAddress().getPort() + "\n");
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  private int ember(String... args) {
    var line = Main.line();
    line.setOut(new PrintWriter(out, true));
    line.setErr(new PrintWriter(err, true));
    String[] all = java.util.Arrays.copyOf(args, args.length + 2);
    all[args.length] = "--home";
    all[args.length + 1] = home.toString();
    return line.execute(all);
  }

  @Test
  void theQueueIsListedALineAJob() {
    assertThat(ember("print", "list")).as(err.toString()).isZero();
    assertThat(out.toString())
        .contains("7  printing  25 %  Ball, Wide  640×360  12.5 spp, 4.20 % noise, 31 s left");
    assertThat(asked).containsExactly("GET /api/prints");
  }

  @Test
  void aJobIsStoppedAndAnsweredAsJson() {
    assertThat(ember("print", "stop", "7", "--json")).isZero();
    assertThat(asked).containsExactly("POST /api/prints/7/stop");
    assertThat(out.toString()).contains("\"state\" : \"printing\"");
  }

  @Test
  void whatCannotBeIsSaidWithItsExitCode() throws Exception {
    assertThat(ember("print", "resume", "9")).isEqualTo(1);
    assertThat(err.toString()).contains("There is no print 9.");
    assertThat(ember("print", "resume")).isEqualTo(2);
    assertThat(ember("print", "dance")).isEqualTo(2);
    Files.delete(home.resolve("running.address"));
    assertThat(ember("print", "list")).isEqualTo(1);
    assertThat(err.toString()).contains("no application runs");
  }
}
