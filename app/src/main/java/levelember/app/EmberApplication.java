package levelember.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application: serves the page, keeps shoots, renders them live. */
@SpringBootApplication
public class EmberApplication {
  public static void main(String[] args) {
    SpringApplication.run(EmberApplication.class, args);
  }
}
