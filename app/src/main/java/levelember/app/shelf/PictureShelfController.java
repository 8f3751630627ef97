package levelember.app.shelf;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.formats.PngFile;
import levelember.texture.Patterns;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The shelf of surface pictures over HTTP; one that a shoot takes becomes an asset of it. */
@RestController
class PictureShelfController {
  private static final int SMALL = 96, LARGE = 1024;

  private final Map<String, byte[]> small = new ConcurrentHashMap<>();
  private final Shoots shoots;
  private final Assets assets;

  PictureShelfController(Shoots shoots, Assets assets) {
    this.shoots = shoots;
    this.assets = assets;
  }

  @GetMapping("/api/shelf/pictures")
  List<Patterns.Pattern> all() {
    return Patterns.all();
  }

  @GetMapping("/api/shelf/pictures/{id}.png")
  ResponseEntity<byte[]> picture(@PathVariable String id) {
    Patterns.Pattern pattern = known(id);
    byte[] png =
        small.computeIfAbsent(pattern.id(), k -> PngFile.codes(Patterns.picture(k, SMALL)));
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)))
        .body(png);
  }

  @PostMapping("/api/shoots/{shoot}/assets/from-shelf/{id}")
  @ResponseStatus(HttpStatus.CREATED)
  Map<String, String> take(@PathVariable String shoot, @PathVariable String id) {
    Patterns.Pattern pattern = known(id);
    byte[] png = PngFile.codes(Patterns.picture(pattern.id(), LARGE));
    return Map.of("name", assets.add(shoots.state(shoot).id(), pattern.id() + ".png", png));
  }

  private static Patterns.Pattern known(String id) {
    return Patterns.all().stream()
        .filter(p -> p.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Refusal.missing("There is no picture '" + id + "' on the shelf."));
  }
}
