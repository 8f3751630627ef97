package levelember.app.meter;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import levelember.app.live.reading.ShownMatch;
import levelember.app.live.reading.ShownMeter;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Uploads;
import levelember.document.ImpossibleValue;
import levelember.formats.document.ShootDocument;
import levelember.formats.picture.PictureFile;
import levelember.measure.EnvironmentTurn;
import levelember.measure.ReferenceMatch;
import levelember.measure.RegionPair;
import levelember.measure.TargetSolution;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
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
  private final ShownMatch matches;
  private final Shoots shoots;
  private final Uploads uploads;

  MeterController(ShownMeter meter, ShownMatch matches, Shoots shoots, Uploads uploads) {
    this.uploads = uploads;
    this.meter = meter;
    this.matches = matches;
    this.shoots = shoots;
  }

  /**
   * What all pins and the whole picture read; nothing before there is a whole sample.
   *
   * @param without id of a light that is left out
   * @param only id of the one light that is left in
   * @param denoised whether noise is taken out, where a denoised picture is there
   */
  @GetMapping
  ResponseEntity<ShownMeter.Readings> read(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(required = false) String without,
      @RequestParam(required = false) String only,
      @RequestParam(defaultValue = "true") boolean denoised) {
    return meter
        .read(id, page, without, only, denoised)
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

  /**
   * A surrounding picture's turn.
   *
   * @param light its id
   * @param before degrees
   * @param after degrees
   */
  record Turn(String light, double before, double after) {}

  /**
   * Levels that come nearest to a reference, and the JSON Patch that sets them.
   *
   * @param turn of the surrounding, where that was asked for and comes nearer
   */
  record Matched(ReferenceMatch match, @Nullable Turn turn, JsonNode operations) {}

  /**
   * Finds the levels with which the picture comes nearest to another; nothing is changed.
   *
   * @param pairs regions of both as a JSON array; none for the tones of the whole picture
   * @param turn id of a surrounding picture that may be turned; this traces
   */
  @PostMapping("/match")
  ResponseEntity<Matched> match(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(defaultValue = "[]") String pairs,
      @RequestParam(defaultValue = "") String turn,
      HttpServletRequest request)
      throws IOException {
    Picture reference = uploads.read(request, PictureFile::read);
    Shoot shoot = shoots.shoot(id);
    List<RegionPair> regions = pairs(pairs);
    if (turn.isEmpty()) {
      ReferenceMatch match =
          matches
              .levels(shoot, id, page, reference, regions)
              .orElseThrow(MeterController::noPicture);
      return answer(new Matched(match, null, operations(shoot, match.moves())));
    }
    int light = shoot.lights().stream().map(Light::id).toList().indexOf(turn);
    if (light < 0 || !(shoot.lights().get(light).emitter() instanceof Emitter.Environment)) {
      throw new ImpossibleValue("turn", turn, "the id of a surrounding picture");
    }
    EnvironmentTurn found =
        matches
            .turn(shoot, id, page, light, reference, regions)
            .orElseThrow(MeterController::noPicture);
    ArrayNode operations = operations(shoot, found.match().moves());
    if (!found.turned()) {
      return answer(new Matched(found.match(), null, operations));
    }
    put(operations, "/lights/" + light + "/emitter/rotationDegrees", found.degrees());
    Turn turned = new Turn(turn, found.before(), found.degrees());
    return answer(new Matched(found.match(), turned, operations));
  }

  private List<RegionPair> pairs(String json) {
    try {
      RegionPair[] read = JsonMapper.shared().readValue(json, RegionPair[].class);
      if (read == null || Arrays.asList(read).contains(null)) {
        throw new ImpossibleValue("pairs", json, "a JSON array of regions");
      }
      return List.of(read);
    } catch (JacksonException e) {
      throw new ImpossibleValue("pairs", json, "a JSON array of regions");
    }
  }

  /** Value by value, so that what is keyed stays keyed. */
  private static ArrayNode operations(Shoot shoot, List<TargetSolution.FaderMove> moves) {
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
