package levelember.app.meter;

import java.util.List;
import levelember.app.live.ShownMeter;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.formats.PictureFile;
import levelember.formats.ShootDocument;
import levelember.measure.ReferenceMatch;
import levelember.measure.TargetSolution;
import levelember.shoot.Bank;
import levelember.shoot.ImpossibleValue;
import levelember.shoot.Light;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.texture.Picture;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/**
 * Measures what the page named by {@code page} shows of a shoot, else what was shown last. Pins and
 * targets are parts of the shoot's document; the page makes the edits.
 */
@RestController
@RequestMapping("/api/shoots/{id}/meter")
class MeterController {
  private final ShownMeter meter;
  private final Shoots shoots;

  MeterController(ShownMeter meter, Shoots shoots) {
    this.meter = meter;
    this.shoots = shoots;
  }

  /** What all pins and the whole picture read; nothing before there is a whole sample. */
  @GetMapping
  ResponseEntity<ShownMeter.Readings> read(
      @PathVariable String id, @RequestParam(defaultValue = "") String page) {
    return meter
        .read(id, page)
        .map(MeterController::answer)
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  private static <T> ResponseEntity<T> answer(T body) {
    return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(body);
  }

  /**
   * A pin at a place of the picture, 0…1 each way, as the document has it; nothing where nothing
   * stands.
   */
  @GetMapping("/pin")
  ResponseEntity<JsonNode> pin(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam double x,
      @RequestParam double y) {
    if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
      throw new ImpossibleValue("x, y", x + ", " + y, "0 to 1 each");
    }
    return meter
        .pin(id, page, x, y)
        .map(ShootDocument::tree)
        .map(MeterController::answer)
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** The light that arrives at a pin, on its surface and on a white half-sphere; this traces. */
  @GetMapping("/incident")
  ResponseEntity<ShownMeter.Incident> incident(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam String pin) {
    Pin of =
        shoots
            .shoot(id)
            .meter()
            .pin(pin)
            .orElseThrow(() -> Refusal.missing("There is no pin '" + pin + "' in this shoot."));
    return answer(
        meter
            .incident(id, page, of)
            .orElseThrow(() -> Refusal.missing("The piece of '" + of.name() + "' is gone.")));
  }

  /** Levels that meet the targets best, and the JSON Patch that sets them. */
  record Solved(TargetSolution solution, JsonNode operations) {}

  /** Finds the levels that meet the shoot's targets best; nothing is changed. */
  @PostMapping("/solution")
  ResponseEntity<Solved> solve(
      @PathVariable String id, @RequestParam(defaultValue = "") String page) {
    Shoot shoot = shoots.shoot(id);
    if (shoot.meter().targets().isEmpty()) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "no-targets",
          "There is no target yet.",
          "The levels are as they were.",
          "Set a pin, then say what it should read.");
    }
    TargetSolution solution = meter.solve(shoot, id, page).orElseThrow(MeterController::noPicture);
    return answer(new Solved(solution, operations(shoot, solution.moves())));
  }

  /** Levels that come nearest to a reference, and the JSON Patch that sets them. */
  record Matched(ReferenceMatch match, JsonNode operations) {}

  /** Finds the levels whose tones come nearest to a picture's; nothing is changed. */
  @PostMapping("/match")
  ResponseEntity<Matched> match(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestBody byte[] picture) {
    Picture reference = PictureFile.read(picture);
    Shoot shoot = shoots.shoot(id);
    ReferenceMatch match =
        meter.match(shoot, id, page, reference).orElseThrow(MeterController::noPicture);
    return answer(new Matched(match, operations(shoot, match.moves())));
  }

  /** Value by value, so that what is keyed stays keyed. */
  private static JsonNode operations(Shoot shoot, List<TargetSolution.FaderMove> moves) {
    ArrayNode to = JsonNodeFactory.instance.arrayNode();
    for (TargetSolution.FaderMove move : moves) {
      if (!move.moved()) {
        continue;
      }
      String path = path(shoot, move.place());
      put(to, path, move.after());
      if (move.colour() != null) {
        String colour = path.replace("/levelStops", "/colour");
        put(to, colour + "/kelvin", move.colour().kelvin());
        put(to, colour + "/tint", move.colour().tint());
      }
    }
    return to;
  }

  private static void put(ArrayNode to, String path, double value) {
    to.addObject().put("op", "replace").put("path", path).put("value", value);
  }

  /** Where a fader stands in the document. */
  private static String path(Shoot shoot, String place) {
    String[] parts = place.split("/");
    if (parts.length == 1) {
      return "/" + place;
    }
    List<String> ids =
        parts[0].equals("lights")
            ? shoot.lights().stream().map(Light::id).toList()
            : shoot.banks().stream().map(Bank::id).toList();
    return "/" + parts[0] + "/" + ids.indexOf(parts[1]) + "/" + parts[2];
  }

  private static Refusal noPicture() {
    return new Refusal(
        HttpStatus.CONFLICT,
        "no-picture",
        "There is no whole picture yet.",
        "The levels are as they were.",
        "Wait for the first sample, then try again.");
  }
}
