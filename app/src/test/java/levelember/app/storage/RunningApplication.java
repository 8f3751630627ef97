package levelember.app.storage;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import levelember.app.EmberApplication;
import levelember.app.SmallShoot;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.finish.Look;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The application on a data folder, in this process, without the demo shoots. */
final class RunningApplication implements AutoCloseable {
  private final ConfigurableApplicationContext context;

  RunningApplication(Path home, String... settings) {
    List<String> all =
        new ArrayList<>(
            List.of(
                "--ember.home=" + home,
                "--server.port=0",
                "--ember.demo=false",
                "--ember.samples=1"));
    all.addAll(List.of(settings));
    context = SpringApplication.run(EmberApplication.class, all.toArray(String[]::new));
  }

  <T> T get(Class<T> part) {
    return context.getBean(part);
  }

  Shoots shoots() {
    return get(Shoots.class);
  }

  int port() {
    return context.getEnvironment().getProperty("local.server.port", Integer.class);
  }

  /** Keeps the ball under a name; gives its id. */
  String ball(String name) {
    return shoots()
        .add(new ShootPackage(SmallShoot.ball(look()).named(name), new TreeMap<>()))
        .id();
  }

  private static Look look() {
    return new Look("k", "K", 2, 0.5, 3);
  }

  /** Sets the master's level as one edit. */
  Shoots.State master(String id, double stops) {
    JsonNode operations =
        JsonMapper.shared()
            .readTree(
                "[{\"op\": \"replace\", \"path\": \"/masterStops\", \"value\": " + stops + "}]");
    return get(ShootEdits.class)
        .edit(id, shoots().state(id).revision(), "Master " + stops, operations);
  }

  @Override
  public void close() {
    context.close();
  }
}
