package levelember.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.Callable;
import levelember.formats.RefusedFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Looks after the print queue of the running application. */
@Command(
    name = "print",
    description = {
      "Talks to the print queue of the running application: list, or pause, resume, stop, retry or"
          + " first with the number of a print.",
      "Exit codes: 0 done, 1 refused or no application running, 2 wrong usage."
    },
    mixinStandardHelpOptions = true)
final class PrintCommand implements Callable<Integer> {
  /** What can be asked of the queue. */
  enum Action {
    list,
    pause,
    resume,
    stop,
    retry,
    first
  }

  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "ACTION", description = "${COMPLETION-CANDIDATES}")
  private Action action;

  @Parameters(index = "1", arity = "0..1", paramLabel = "PRINT", description = "its number")
  private Long id;

  @Option(names = "--json", description = "prints what the application answers, as JSON")
  private boolean json;

  @Option(
      names = "--home",
      paramLabel = "FOLDER",
      defaultValue = "${env:EMBER_HOME:-data}",
      description = "data folder of the application (${DEFAULT-VALUE})")
  private Path home;

  @Override
  public Integer call() throws Exception {
    if (action != Action.list && id == null) {
      throw new picocli.CommandLine.ParameterException(
          spec.commandLine(), "say which print, by its number");
    }
    boolean one = action != Action.list || id != null;
    JsonNode answer =
        action == Action.list
            ? ask("GET", "/api/prints" + (id == null ? "" : "/" + id))
            : ask("POST", "/api/prints/" + id + "/" + action);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(answer));
    } else if (one) {
      out.println(line(answer));
    } else {
      answer.forEach(job -> out.println(line(job)));
    }
    return 0;
  }

  private JsonNode ask(String method, String path) throws IOException, InterruptedException {
    Path address = home.resolve("running.address");
    if (!Files.exists(address)) {
      throw new RefusedFile("no application runs with the data folder " + home);
    }
    URI uri = URI.create(Files.readString(address).trim() + path);
    try (HttpClient client =
        HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build()) {
      HttpResponse<byte[]> response =
          client.send(
              HttpRequest.newBuilder(uri)
                  .timeout(Duration.ofSeconds(60))
                  .method(method, BodyPublishers.noBody())
                  .build(),
              BodyHandlers.ofByteArray());
      JsonNode body = JsonMapper.shared().readTree(response.body());
      if (response.statusCode() >= 400) {
        throw new RefusedFile(
            body.path("detail").stringValue("the application answers " + response.statusCode()));
      }
      return body;
    } catch (java.net.ConnectException e) {
      throw new RefusedFile("the application of " + home + " does not answer");
    }
  }

  private static String line(JsonNode job) {
    JsonNode noise = job.path("noisePercent"), left = job.path("secondsLeft");
    return String.format(
        Locale.ROOT,
        "%d  %-8s %3.0f %%  %s, %s  %d×%d  %.1f spp%s%s%s",
        job.get("id").longValue(),
        job.get("state").stringValue(),
        100 * job.get("done").doubleValue(),
        job.get("shootName").stringValue(),
        job.get("shotName").stringValue(),
        job.at("/order/width").intValue(),
        job.at("/order/height").intValue(),
        job.get("samples").doubleValue(),
        noise.isNumber() ? String.format(Locale.ROOT, ", %.2f %% noise", noise.doubleValue()) : "",
        left.isNumber() ? String.format(Locale.ROOT, ", %.0f s left", left.doubleValue()) : "",
        job.path("detail").isString() ? ": " + job.get("detail").stringValue() : "");
  }
}
