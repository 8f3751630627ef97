package levelember.app.motion;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Uploads;
import levelember.document.ImpossibleValue;
import levelember.formats.Limits;
import levelember.formats.document.ShootDocument;
import levelember.formats.sound.SoundFile;
import levelember.keyframes.Chase;
import levelember.keyframes.Dolly;
import levelember.keyframes.Fade;
import levelember.keyframes.Flicker;
import levelember.keyframes.KeyMaker;
import levelember.keyframes.Loudness;
import levelember.keyframes.OnOff;
import levelember.keyframes.Orbit;
import levelember.keyframes.Pulse;
import levelember.keyframes.SunPath;
import levelember.keyframes.TimeRange;
import levelember.keyframes.Turntable;
import levelember.keyframes.WaterTime;
import levelember.shoot.Shoot;
import levelember.shoot.motion.Motion;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Says which tracks a move takes; the page makes the edit. */
@RestController
class KeyMakerController {
  private final Shoots shoots;
  private final Uploads uploads;

  KeyMakerController(Shoots shoots, Uploads uploads) {
    this.shoots = shoots;
    this.uploads = uploads;
  }

  /** What a move is of. */
  public enum Kind {
    TURNTABLE,
    ORBIT,
    DOLLY,
    SUN,
    CANDLE,
    FAILING_TUBE,
    FIRE,
    PULSE,
    FADE_IN,
    FADE_OUT,
    ON_OFF,
    CHASE,
    WATER
  }

  /**
   * A move.
   *
   * @param of id of the piece, shot, light or bank that moves
   * @param numbers by the names that the makers in the core have for them
   */
  record Move(Kind kind, String of, int firstFrame, int lastFrame, Map<String, Double> numbers) {
    Move {
      if (kind == null) {
        throw new ImpossibleValue("kind", null, "one of " + List.of(Kind.values()));
      }
      numbers = numbers == null ? Map.of() : new HashMap<>(numbers);
    }

    private double number(String name) {
      Double value = numbers.get(name);
      if (value == null) {
        throw new ImpossibleValue("numbers." + name, null, "a number");
      }
      return value;
    }

    private int whole(String name) {
      double value = number(name);
      if (value != Math.rint(value) || Math.abs(value) > Integer.MAX_VALUE) {
        throw new ImpossibleValue("numbers." + name, value, "a whole number");
      }
      return (int) value;
    }

    KeyMaker maker() {
      return switch (kind) {
        case TURNTABLE -> new Turntable(of, number("turns"));
        case ORBIT -> new Orbit(of, number("degrees"));
        case DOLLY -> new Dolly(of, number("metres"));
        case SUN ->
            new SunPath(
                of,
                number("fromHour"),
                number("toHour"),
                number("latitude"),
                number("longitude"),
                whole("month"),
                whole("day"),
                number("zoneHours"),
                number("northDegrees"));
        case CANDLE, FAILING_TUBE, FIRE ->
            new Flicker(of, Flicker.Kind.valueOf(kind.name()), number("stops"), whole("seed"));
        case PULSE -> new Pulse(of, number("everySeconds"), number("stops"));
        case FADE_IN -> new Fade(of, false);
        case FADE_OUT -> new Fade(of, true);
        case ON_OFF -> new OnOff(of, number("onSeconds"), number("offSeconds"));
        case CHASE -> new Chase(of, number("everySeconds"), number("stays") > 0);
        case WATER -> new WaterTime(of, number("speed"));
      };
    }
  }

  /** A JSON Patch of the shoot, and the places that it keys. */
  record Keyed(JsonNode operations, List<String> places) {}

  @PostMapping("/api/shoots/{id}/motion/moves")
  Keyed move(@PathVariable String id, @RequestBody Move wanted) {
    Shoot shoot = shoots.shoot(id);
    TimeRange over = TimeRange.frames(shoot.motion(), wanted.firstFrame(), wanted.lastFrame());
    return keyed(shoot, wanted.maker(), over);
  }

  /** A light's level that follows a sound, sent as it is. */
  @PostMapping(
      value = "/api/shoots/{id}/motion/sound",
      consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  Keyed sound(
      @PathVariable String id,
      @RequestParam String light,
      @RequestParam double stops,
      @RequestParam int firstFrame,
      @RequestParam int lastFrame,
      HttpServletRequest request)
      throws IOException {
    Shoot shoot = shoots.shoot(id);
    TimeRange over = TimeRange.frames(shoot.motion(), firstFrame, lastFrame);
    List<Double> loudness =
        uploads.read(
            request,
            Limits.MOST_SOUND,
            file -> SoundFile.loudness(file, shoot.motion().framesPerSecond()));
    return keyed(shoot, new Loudness(light, stops, loudness), over);
  }

  private static Keyed keyed(Shoot shoot, KeyMaker maker, TimeRange over) {
    Motion motion = KeyMaker.with(shoot, maker, over);
    ArrayNode operations = JsonNodeFactory.instance.arrayNode();
    operations
        .addObject()
        .put("op", "replace")
        .put("path", "/motion/tracks")
        .set("value", ShootDocument.tree(shoot.with(motion)).get("motion").get("tracks"));
    return new Keyed(
        operations, maker.tracks(shoot, over).stream().map(track -> track.place()).toList());
  }
}
