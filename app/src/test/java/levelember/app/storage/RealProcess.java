package levelember.app.storage;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.net.http.HttpTimeoutException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The application as a process of its own, which can be killed. It starts quickly as it compiles
 * lightly, and so without vectors, which such code is slow with; pictures have the same bits.
 */
final class RealProcess implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(240);
  private final HttpClient client =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
  private final Process process;
  private final int port;
  private final Path log;

  RealProcess(Path home) throws IOException, InterruptedException {
    this(
        home,
        List.of("-XX:TieredStopAtLevel=1", "-Xmx1g"),
        // Space is given back between one change and the next, in the middle of all that is killed.
        Map.of(
            "EMBER_COMPACT_AFTER_MILLIS", "0",
            "EMBER_COMPACT_EVERY_MILLIS", "40",
            "EMBER_SAMPLES", "1"));
  }

  /**
   * Starts it otherwise.
   *
   * @param options of the virtual machine
   * @param own settings in its environment
   */
  RealProcess(Path home, List<String> options, Map<String, String> own)
      throws IOException, InterruptedException {
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    List<String> command = new ArrayList<>();
    command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    command.add("--enable-native-access=ALL-UNNAMED");
    command.add("--sun-misc-unsafe-memory-access=allow");
    command.addAll(options);
    command.add("-cp");
    command.add(
        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")));
    command.add("levelember.app.EmberApplication");
    ProcessBuilder builder = new ProcessBuilder(command);
    Map<String, String> settings = builder.environment();
    settings.put("EMBER_HOME", home.toString());
    settings.put("EMBER_PORT", "" + port);
    settings.put("EMBER_DEMO", "false");
    settings.putAll(own);
    log = home.resolve("process.log");
    builder.redirectErrorStream(true).redirectOutput(log.toFile());
    process = builder.start();
    long end = System.nanoTime() + PATIENCE.toNanos();
    while (!answers()) {
      if (!process.isAlive() || System.nanoTime() > end) {
        process.destroyForcibly();
        throw new AssertionError(
            "the application did not start; see " + home.resolve("process.log"));
      }
      Thread.sleep(30);
    }
  }

  private boolean answers() throws InterruptedException {
    try {
      return send("GET", "/api/storage", null).statusCode() == 200;
    } catch (IOException e) {
      return false;
    }
  }

  int port() {
    return port;
  }

  HttpResponse<byte[]> send(String method, String path, byte[] body)
      throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
            .timeout(PATIENCE)
            .header("content-type", "application/json")
            .method(
                method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body))
            .build();
    try {
      return client.send(request, BodyHandlers.ofByteArray());
    } catch (HttpTimeoutException e) {
      throw new AssertionError(method + " " + path + " was not answered\n" + threads(), e);
    }
  }

  /** What every thread of it does, and the end of its log. */
  private String threads() throws IOException {
    List<String> lines = Files.readAllLines(log);
    return diagnosed("Thread.print", "-l")
        + String.join("\n", lines.subList(Math.max(0, lines.size() - 60), lines.size()));
  }

  /** What the virtual machine answers to a diagnostic command. */
  String diagnosed(String... command) throws IOException {
    List<String> run = new ArrayList<>();
    run.add(Path.of(System.getProperty("java.home"), "bin", "jcmd").toString());
    run.add("" + process.pid());
    run.addAll(List.of(command));
    Process tool = new ProcessBuilder(run).redirectErrorStream(true).start();
    return new String(tool.getInputStream().readAllBytes(), UTF_8);
  }

  JsonNode json(String path) throws IOException, InterruptedException {
    HttpResponse<byte[]> response = send("GET", path, null);
    if (response.statusCode() != 200) {
      throw new AssertionError(path + ": " + response.statusCode());
    }
    return JsonMapper.shared().readTree(response.body());
  }

  /** Ends it as a crash would: nothing of it runs any more. */
  void kill() throws InterruptedException {
    process.destroyForcibly();
    process.waitFor(30, TimeUnit.SECONDS);
  }

  @Override
  public void close() throws InterruptedException {
    process.destroy();
    if (!process.waitFor(20, TimeUnit.SECONDS)) {
      kill();
    }
  }
}
