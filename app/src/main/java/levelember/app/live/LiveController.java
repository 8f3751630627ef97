package levelember.app.live;

import java.util.List;
import java.util.Map;
import levelember.app.problem.Refusal;
import levelember.film.Film;
import levelember.film.Ladder;
import levelember.film.LayerMix;
import levelember.formats.LayerNames;
import levelember.formats.OpenExr;
import levelember.formats.PngFile;
import levelember.look.DisplayCurve;
import levelember.texture.Picture;
import levelember.transport.Outline;
import levelember.transport.Pick;
import levelember.transport.Placing;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Stills and layers of the live picture over HTTP. */
@RestController
@RequestMapping("/api/shoots/{id}/live")
class LiveController {
  private static final long WAIT_MILLIS = 60_000;
  private final LiveSessions sessions;

  LiveController(LiveSessions sessions) {
    this.sessions = sessions;
  }

  @GetMapping("/picture.png")
  ResponseEntity<byte[]> png(
      @PathVariable String id,
      @RequestParam(defaultValue = "8") int bits,
      @RequestParam(defaultValue = "false") boolean asSeen) {
    if (bits != 8 && bits != 16) {
      throw new levelember.shoot.ImpossibleValue("bits", bits, "8 or 16");
    }
    LiveSession.Still still = still(id);
    Picture picture = films(still, asSeen).mix(still.weights());
    DisplayCurve curve = new DisplayCurve(still.shoot().lookOf(still.shot()));
    return file(
        PngFile.write(picture, curve, bits),
        MediaType.IMAGE_PNG,
        id + "-" + still.shot().id() + ".png");
  }

  @GetMapping("/picture.exr")
  ResponseEntity<byte[]> exr(
      @PathVariable String id,
      @RequestParam(defaultValue = "true") boolean layers,
      @RequestParam(defaultValue = "false") boolean asSeen) {
    LiveSession.Still still = still(id);
    Film film = films(still, asSeen).full();
    byte[] exr =
        OpenExr.write(
            LayerMix.picture(film, still.weights()),
            layers ? LayerNames.pictures(still.shoot(), film, still.weights()) : Map.of());
    return file(exr, new MediaType("image", "x-exr"), id + "-" + still.shot().id() + ".exr");
  }

  @GetMapping("/layers/{light}.jpg")
  ResponseEntity<byte[]> layer(
      @PathVariable String id,
      @PathVariable String light,
      @RequestParam(defaultValue = "80") int width) {
    byte[] jpeg = sessions.open(id).thumbnail(light, Math.clamp(width, 16, 320));
    if (jpeg == null) {
      throw Refusal.missing("There is no layer of a light '" + light + "' yet.");
    }
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.noStore())
        .body(jpeg);
  }

  @GetMapping("/shots/{shot}.jpg")
  ResponseEntity<byte[]> framed(
      @PathVariable String id,
      @PathVariable String shot,
      @RequestParam(defaultValue = "160") int width) {
    byte[] jpeg = sessions.open(id).framed(shot, Math.clamp(width, 16, 640));
    if (jpeg == null) {
      throw Refusal.missing("There is no shot '" + shot + "', or no set yet.");
    }
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.noStore())
        .body(jpeg);
  }

  /**
   * What stands at a place of the picture, 0…1 from the left and the top; nothing is no content.
   */
  @GetMapping("/at")
  ResponseEntity<Pick> at(@PathVariable String id, @RequestParam double x, @RequestParam double y) {
    if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
      throw new levelember.shoot.ImpossibleValue("x, y", x + ", " + y, "0 to 1 each");
    }
    return sessions
        .open(id)
        .at(x, y)
        .map(p -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(p))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** The outlines of the set's pieces, as a plan draws them. */
  @GetMapping("/plan")
  ResponseEntity<List<Outline>> plan(@PathVariable String id) {
    return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(sessions.open(id).plan());
  }

  /**
   * Where a light has to stand so that its highlight, shadow or rim falls at a place of the
   * picture; nothing there is no content.
   *
   * @param fromX with {@code fromY} the place that casts the shadow
   */
  @GetMapping("/placing")
  ResponseEntity<Placing> placing(
      @PathVariable String id,
      @RequestParam String light,
      @RequestParam String does,
      @RequestParam double x,
      @RequestParam double y,
      @RequestParam(required = false) Double fromX,
      @RequestParam(required = false) Double fromY) {
    double[] from = fromX == null || fromY == null ? null : new double[] {fromX, fromY};
    return sessions
        .open(id)
        .placing(light, does, x, y, from)
        .map(p -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(p))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** The films as traced, or denoised where the page shows them so and their full size is there. */
  private static Ladder films(LiveSession.Still still, boolean asSeen) {
    return asSeen && still.seen().full().samples() > 0 ? still.seen() : still.ladder();
  }

  private LiveSession.Still still(String id) {
    LiveSession.Still still = sessions.open(id).still(WAIT_MILLIS);
    if (still == null || still.ladder().full().samples() == 0) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "no-picture",
          "There is no picture of full size yet.",
          "The shoot is as it was.",
          "Wait for the first full pass, or let the picture go on if it is paused.");
    }
    return still;
  }

  private static ResponseEntity<byte[]> file(byte[] bytes, MediaType type, String name) {
    return ResponseEntity.ok()
        .contentType(type)
        .cacheControl(CacheControl.noStore())
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(bytes);
  }
}
