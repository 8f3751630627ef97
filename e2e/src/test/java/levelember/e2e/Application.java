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

  /**
   * Starts it.
   *
   * @param demo whether it begins with the demo shoots
   */
  Application(Path home, int samples, boolean demo) throws IOException, InterruptedException {
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
    builder.environment().put("EMBER_DEMO", Boolean.toString(demo));
    builder.environment().put("EMBER_SAMPLES", Integer.toString(samples));
    builder.environment().put("EMBER_DEMO_PRINTS", "false");
    builder.environment().put("EMBER_DEMO_PROOFS", "false");
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

  /** Asks for something and gives the answer's body. */
  byte[] ask(String method, String path, byte[] body) {
    try (HttpClient client = HttpClient.newHttpClient()) {
      HttpResponse<byte[]> answer =
          client.send(
              HttpRequest.newBuilder(URI.create(url() + path))
                  .method(
                      method,
                      body == null
                          ? HttpRequest.BodyPublishers.noBody()
                          : HttpRequest.BodyPublishers.ofByteArray(body))
                  .build(),
              HttpResponse.BodyHandlers.ofByteArray());
      if (answer.statusCode() / 100 != 2) {
        throw new IllegalStateException(method + " " + path + ": " + answer.statusCode());
      }
      return answer.body();
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** Keeps a shoot; gives its id. */
  String keep(byte[] shoot) {
    return id(ask("POST", "api/shoots", shoot));
  }

  /** Copies a shoot; gives the copy's id. */
  String copy(String id) {
    return id(ask("POST", "api/shoots/" + id + "/copies", null));
  }

  private static String id(byte[] state) {
    return tools.jackson.databind.json.JsonMapper.shared().readTree(state).get("id").stringValue();
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
