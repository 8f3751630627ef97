package levelember.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The description of the interface that the page's types are made of is the one that the
 * application publishes. Run with {@code -Dember.openapi.write=true} to take over a change.
 */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshHome.class)
class ApiDescriptionTest {
  private static final Path KEPT = Path.of("../web/src/api/openapi.json");
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @LocalServerPort private int port;

  @Test
  void thePagesTypesAreThoseOfTheInterface() throws Exception {
    URI address = URI.create("http://localhost:" + port + "/api/openapi");
    JsonNode published =
        JSON.readTree(
            HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(address).build(), BodyHandlers.ofString())
                .body());
    assertThat(published.get("paths").size()).isGreaterThan(30);
    if (Boolean.getBoolean("ember.openapi.write")) {
      Files.writeString(KEPT, JSON.writeValueAsString(published).replace("\r\n", "\n") + "\n");
    }
    assertThat(JSON.readTree(Files.readString(KEPT))).isEqualTo(published);
  }
}
