package levelember.app.storage;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Notes in the data folder where the application answers, for commands of the same machine. */
@Component
class RunningAddress {
  static final String FILE = "running.address";
  private static final Logger LOG = LoggerFactory.getLogger(RunningAddress.class);
  private final Path file;

  RunningAddress(DiskSpace space) {
    file = space.home().resolve(FILE);
  }

  @EventListener
  void listens(WebServerInitializedEvent event) {
    try {
      Files.writeString(file, "http://127.0.0.1:" + event.getWebServer().getPort() + "\n");
    } catch (IOException e) {
      LOG.warn("{} could not be written; commands must wait until this has stopped", file, e);
    }
  }

  @PreDestroy
  void stops() throws IOException {
    Files.deleteIfExists(file);
  }
}
