package levelember.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;

/** A data folder of its own for a test class, without the demo shoots. */
public final class FreshHome
    implements ApplicationContextInitializer<ConfigurableApplicationContext> {
  @Override
  public void initialize(ConfigurableApplicationContext context) {
    try {
      TestPropertyValues.of(
              "ember.home=" + Files.createTempDirectory("ember-test-"), "ember.demo=false")
          .applyTo(context);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
