package levelember.app.storage;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.concurrent.locks.LockSupport;
import levelember.app.EmberApplication;
import levelember.app.SmallShoot;
import levelember.app.shoot.ShootEdits;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.look.Look;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The application on a data folder, in this process, without the demo shoots. */
final class RunningApplication implements AutoCloseable {
  private static final long LONGEST_WAIT_NANOS = 20_000_000_000L;

  private final ConfigurableApplicationContext context;
  private final Path database;

  RunningApplication(Path home, String... settings) {
    database = home.resolve(Backup.DATABASE);
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

  /**
   * Ends the application, and waits until the database is closed: in this process whoever opens it
   * next would otherwise be given the one that is still open, where another process is refused.
   */
  @Override
  public void close() {
    context.close();
    long end = System.nanoTime() + LONGEST_WAIT_NANOS;
    while (Files.exists(database) && isOpenHere() && System.nanoTime() < end) {
      LockSupport.parkNanos(10_000_000);
    }
  }

  private boolean isOpenHere() {
    try (FileChannel file = FileChannel.open(database, StandardOpenOption.WRITE);
        FileLock lock = file.tryLock()) {
      return lock == null;
    } catch (OverlappingFileLockException e) {
      return true;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
