package levelember.app.shelf;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.problem.Refusal;
import levelember.formats.document.ShootDocument;
import levelember.integrator.Renderer;
import levelember.shoot.shelf.MaterialShelf;
import levelember.shoot.shelf.MaterialShelf.Preset;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The shelf of materials over HTTP; a ball is rendered when it is first asked for, and kept. */
@RestController
@RequestMapping("/api/shelf/materials")
class ShelfController {
  private static final int SIZE = 112, SAMPLES = 16;

  private final Map<String, byte[]> balls = new ConcurrentHashMap<>();
  private final Renderer renderer =
      new Renderer(Runtime.getRuntime().availableProcessors(), Renderer.USUAL_BOUNCES, 1);

  private final Path folder;

  ShelfController(@Value("${ember.home}") Path home) {
    folder = home.resolve("shelf");
  }

  /** A preset as the page has it: the group, and the material as in a shoot document. */
  record Entry(String group, JsonNode material) {}

  @GetMapping
  List<Entry> all() {
    return MaterialShelf.all().stream()
        .map(p -> new Entry(p.group(), ShootDocument.tree(p.material())))
        .toList();
  }

  @GetMapping("/{id}.png")
  ResponseEntity<byte[]> ball(@PathVariable String id) {
    Preset preset =
        MaterialShelf.all().stream()
            .filter(p -> p.material().id().equals(id))
            .findFirst()
            .orElseThrow(() -> Refusal.missing("There is no material '" + id + "' on the shelf."));
    byte[] png = balls.computeIfAbsent(id, k -> kept(preset));
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)))
        .body(png);
  }

  /** The ball of an earlier run when nothing of it has changed, else a new one. */
  private byte[] kept(Preset preset) {
    String what =
        ShootDocument.tree(MaterialBall.shoot(preset.material())) + " " + SIZE + " " + SAMPLES;
    String key = Integer.toHexString(what.hashCode());
    Path file = folder.resolve(preset.material().id() + "-" + key + ".png");
    try {
      if (Files.exists(file)) {
        return Files.readAllBytes(file);
      }
      byte[] png = MaterialBall.png(renderer, preset.material(), SIZE, SAMPLES);
      Files.createDirectories(folder);
      Path part = Files.createTempFile(folder, "ball", ".part");
      Files.write(part, png);
      Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
      return png;
    } catch (IOException e) {
      throw new UncheckedIOException("the balls of the shelf cannot be kept in " + folder, e);
    }
  }

  @PreDestroy
  void close() {
    renderer.close();
  }
}
