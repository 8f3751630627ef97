package levelember.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;

/** The packaged application as a process of its own, on a free port and an empty folder. */
final class Application implements AutoCloseable {
  private final Process process;
  private final int port;

  Application(Path home, int samples) throws IOException, InterruptedException {
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    ProcessBuilder builder =
        new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "--add-modules=jdk.incubator.vector",
            "--enable-native-access=ALL-UNNAMED",
            "-jar",
            System.getProperty("ember.jar"));
    builder.environment().put("EMBER_HOME", home.toString());
    builder.environment().put("EMBER_PORT", Integer.toString(port));
    builder.environment().put("EMBER_SAMPLES", Integer.toString(samples));
    builder.redirectErrorStream(true).redirectOutput(home.resolve("application.log").toFile());
    process = builder.start();
    await();
  }

  private void await() throws InterruptedException {
    Instant end = Instant.now().plus(Duration.ofMinutes(2));
    HttpRequest request = HttpRequest.newBuilder(URI.create(url() + "api/shoots")).build();
    try (HttpClient client = HttpClient.newHttpClient()) {
      while (Instant.now().isBefore(end) && process.isAlive()) {
        try {
          if (client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
            return;
          }
        } catch (IOException e) {
          // Not listening yet.
          Thread.sleep(200);
        }
      }
    }
    throw new IllegalStateException("the application did not start");
  }

  String url() {
    return "http://localhost:" + port + "/";
  }

  @Override
  public void close() {
    process.destroy();
    try {
      if (!process.waitFor(10, java.util.concurrent.TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      process.destroyForcibly();
      Thread.currentThread().interrupt();
    }
  }
}
