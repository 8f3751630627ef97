package levelember.app.shelf;

import java.util.List;
import levelember.formats.document.ShootDocument;
import levelember.shoot.shelf.WaterShelf;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The shelf of waters over HTTP. */
@RestController
class WaterShelfController {
  /**
   * A square metre of a water as in a shoot document, half a metre deep, and what it is made of.
   */
  record Water(JsonNode shape, JsonNode material) {}

  @GetMapping("/api/shelf/waters")
  List<Water> all() {
    return WaterShelf.all().stream()
        .map(p ->
            new Water(ShootDocument.tree(p.water(1, 1, 0.5)), ShootDocument.tree(p.material())))
        .toList();
  }
}
