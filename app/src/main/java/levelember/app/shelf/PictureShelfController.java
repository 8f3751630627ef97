package levelember.app.shelf;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.formats.picture.PngFile;
import levelember.formats.picture.RadianceHdr;
import levelember.look.Development;
import levelember.shoot.look.Look;
import levelember.texture.GoboPatterns;
import levelember.texture.Panoramas;
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

/**
 * The shelves of pictures (surfaces, patterns, environments) over HTTP; one that a shoot takes
 * becomes an asset of it.
 */
@RestController
class PictureShelfController {
  private static final int SMALL = 96, LARGE = 1024, PANORAMA = 1024;

  /** Shows a pixel of 1.0 as white, and holds what is brighter. */
  private static final Development PLAIN =
      new Development(new Look("shelf", "Shelf", -Math.log(1.2) / Math.log(2), 0.4, 4));

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

  /** Patterns for a lamp's gate. */
  @GetMapping("/api/shelf/gobos")
  List<GoboPatterns.Pattern> gobos() {
    return GoboPatterns.all();
  }

  /** Surroundings. */
  @GetMapping("/api/shelf/environments")
  List<Panoramas.Panorama> environments() {
    return Panoramas.all();
  }

  @GetMapping("/api/shelf/pictures/{id}.png")
  ResponseEntity<byte[]> picture(@PathVariable String id) {
    byte[] png = small.computeIfAbsent(id, PictureShelfController::shown);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)))
        .body(png);
  }

  private static byte[] shown(String id) {
    if (GoboPatterns.all().stream().anyMatch(p -> p.id().equals(id))) {
      return PngFile.codes(GoboPatterns.picture(id, SMALL));
    }
    if (Panoramas.all().stream().anyMatch(p -> p.id().equals(id))) {
      return PngFile.write(Panoramas.picture(id, 2 * SMALL), PLAIN, 8);
    }
    return PngFile.codes(Patterns.picture(known(id), SMALL));
  }

  /** Takes a picture of any shelf among the shoot's assets; one that is there already is kept. */
  @PostMapping("/api/shoots/{shoot}/assets/from-shelf/{id}")
  @ResponseStatus(HttpStatus.CREATED)
  Map<String, String> take(@PathVariable String shoot, @PathVariable String id) {
    String into = shoots.state(shoot).id();
    boolean environment = Panoramas.all().stream().anyMatch(p -> p.id().equals(id));
    String name = id + (environment ? ".hdr" : ".png");
    if (assets.names(into).contains(name)) {
      return Map.of("name", name);
    }
    byte[] file;
    if (environment) {
      file = RadianceHdr.write(Panoramas.picture(id, PANORAMA));
    } else if (GoboPatterns.all().stream().anyMatch(p -> p.id().equals(id))) {
      file = PngFile.codes(GoboPatterns.picture(id, LARGE));
    } else {
      file = PngFile.codes(Patterns.picture(known(id), LARGE));
    }
    return Map.of("name", assets.add(into, name, file));
  }

  private static String known(String id) {
    if (Patterns.all().stream().noneMatch(p -> p.id().equals(id))) {
      throw Refusal.missing("There is no picture '" + id + "' on the shelf.");
    }
    return id;
  }
}
