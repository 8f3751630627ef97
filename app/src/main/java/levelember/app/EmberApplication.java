package levelember.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application: serves the page, keeps shoots, renders them live. */
@SpringBootApplication
public class EmberApplication {
  public static void main(String[] args) {
    // Frames are large: sent 8 KiB at a time, sending takes longer than making them.
    System.setProperty("org.apache.tomcat.websocket.DEFAULT_BUFFER_SIZE", "1048576");
    SpringApplication.run(EmberApplication.class, args);
  }
}
