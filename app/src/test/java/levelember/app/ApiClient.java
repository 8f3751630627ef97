package levelember.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Asks the application over HTTP. */
public final class ApiClient {
  private static final HttpClient CLIENT = HttpClient.newHttpClient();
  private final int port;

  /** A client of the application at a port of this machine. */
  public ApiClient(int port) {
    this.port = port;
  }

  /**
   * Sends a request.
   *
   * @param path under {@code /api/}
   * @param body or null
   */
  public HttpResponse<byte[]> send(String method, String path, String type, byte[] body)
      throws IOException, InterruptedException {
    return CLIENT.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/" + path))
            .header("content-type", type)
            .method(
                method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body))
            .build(),
        BodyHandlers.ofByteArray());
  }

  /** The JSON of an answer that says yes. */
  public static JsonNode json(HttpResponse<byte[]> response) {
    assertThat(response.statusCode()).as(new String(response.body(), UTF_8)).isBetween(200, 201);
    return JsonMapper.shared().readTree(response.body());
  }
}
