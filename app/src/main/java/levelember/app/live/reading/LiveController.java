package levelember.app.live.reading;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import levelember.app.live.channel.LiveSocket;
import levelember.app.live.session.SessionSnapshot;
import levelember.app.live.view.Developer;
import levelember.app.look.KeptLooks;
import levelember.app.problem.Refusal;
import levelember.edit.Outline;
import levelember.edit.Pick;
import levelember.edit.Placing;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.picture.LayerNames;
import levelember.formats.picture.OpenExr;
import levelember.formats.picture.PngFile;
import levelember.look.Balance;
import levelember.measure.Metering;
import levelember.shoot.look.Look;
import levelember.shoot.look.WhiteBalance;
import levelember.shoot.shelf.GradeShelf;
import levelember.texture.Picture;
import org.springframework.beans.factory.annotation.Value;
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

/**
 * Stills and layers of the live picture over HTTP: of what the page named by {@code page} shows,
 * else of what was shown last.
 */
@RestController
@RequestMapping("/api/shoots/{id}/live")
class LiveController {
  /** How many times smaller a picture of a look is. */
  private static final int SMALL_STEP = 4;

  private final LiveSocket socket;
  private final KeptLooks keptLooks;

  private final long waitMillis;

  LiveController(
      LiveSocket socket,
      KeptLooks keptLooks,
      @Value("${ember.still-wait-millis}") long waitMillis) {
    this.waitMillis = waitMillis;
    this.socket = socket;
    this.keptLooks = keptLooks;
  }

  @GetMapping("/picture.png")
  ResponseEntity<byte[]> png(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(defaultValue = "8") int bits,
      @RequestParam(defaultValue = "false") boolean asSeen) {
    if (bits != 8 && bits != 16) {
      throw new levelember.document.ImpossibleValue("bits", bits, "8 or 16");
    }
    SessionSnapshot still = still(id, page);
    Developer.Developed picture = still.developed(asSeen);
    return file(
        PngFile.write(picture.light(), picture.inputs(), picture.look(), bits, still.alpha()),
        MediaType.IMAGE_PNG,
        id + "-" + still.shot().id() + ".png");
  }

  @GetMapping("/picture.exr")
  ResponseEntity<byte[]> exr(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(defaultValue = "true") boolean layers,
      @RequestParam(defaultValue = "false") boolean asSeen) {
    SessionSnapshot still = still(id, page);
    Film film = still.films(asSeen).full();
    byte[] exr =
        OpenExr.write(
            LayerMix.picture(film, still.weights()),
            layers ? LayerNames.pictures(still.shoot(), film, still.weights()) : Map.of(),
            still.alpha());
    return file(exr, new MediaType("image", "x-exr"), id + "-" + still.shot().id() + ".exr");
  }

  @GetMapping("/layers/{light}.jpg")
  ResponseEntity<byte[]> layer(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @PathVariable String light,
      @RequestParam(defaultValue = "80") int width) {
    byte[] jpeg =
        now(id, page).map(m -> m.thumbnail(light, Math.clamp(width, 16, 320))).orElse(null);
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
      @RequestParam(defaultValue = "") String page,
      @PathVariable String shot,
      @RequestParam(defaultValue = "160") int width) {
    byte[] jpeg = now(id, page).map(m -> m.framed(shot, Math.clamp(width, 16, 640))).orElse(null);
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
  ResponseEntity<Pick> at(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam double x,
      @RequestParam double y) {
    checkPlace(x, y);
    return now(id, page)
        .flatMap(m -> m.at(x, y))
        .map(p -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(p))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** The outlines of the set's pieces, as a plan draws them. */
  @GetMapping("/plan")
  ResponseEntity<List<Outline>> plan(
      @PathVariable String id, @RequestParam(defaultValue = "") String page) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(now(id, page).map(SessionSnapshot::plan).orElse(List.of()));
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
      @RequestParam(defaultValue = "") String page,
      @RequestParam String light,
      @RequestParam String does,
      @RequestParam double x,
      @RequestParam double y,
      @RequestParam(required = false) Double fromX,
      @RequestParam(required = false) Double fromY) {
    checkPlace(x, y);
    if (fromX != null && fromY != null) {
      checkPlace(fromX, fromY);
    }
    double[] from = fromX == null || fromY == null ? null : new double[] {fromX, fromY};
    return now(id, page)
        .flatMap(m -> m.placing(light, does, x, y, from))
        .map(p -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(p))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** Exposure values that would suit the picture, the spot at a place of it, 0…1 each way. */
  @GetMapping("/metering")
  ResponseEntity<Metering> metering(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(defaultValue = "0.5") double x,
      @RequestParam(defaultValue = "0.5") double y) {
    checkPlace(x, y);
    Picture light = still(id, page).developed(true).spread();
    return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(Metering.of(light, x, y));
  }

  /** How far a light's caustics are seen, and where they come from and go; nothing without them. */
  @GetMapping("/caustics")
  ResponseEntity<LiveCaustics> caustics(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam String light) {
    return now(id, page)
        .flatMap(m -> LiveCaustics.of(m, light))
        .map(c -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(c))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** The white balance that shows a place of the picture as a grey. */
  @GetMapping("/neutral")
  ResponseEntity<WhiteBalance> neutral(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam double x,
      @RequestParam double y) {
    checkPlace(x, y);
    Picture light = still(id, page).developed(true).light();
    double[] mean = new double[3];
    int px = (int) Math.clamp(x * light.width(), 2, light.width() - 3);
    int py = (int) Math.clamp(y * light.height(), 2, light.height() - 3);
    for (int j = -2; j <= 2; j++) {
      for (int i = -2; i <= 2; i++) {
        for (int k = 0; k < 3; k++) {
          mean[k] += light.get(px + i, py + j, k) / 25;
        }
      }
    }
    if (!(mean[0] + mean[1] + mean[2] > 0)) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "black",
          "It is black there, so nothing says what the light's colour is.",
          "The white balance is as it was.",
          "Point at something grey that is lit.");
    }
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noStore())
        .body(Balance.of(mean[0], mean[1], mean[2]));
  }

  /**
   * The picture at a quarter of its size through one of the shoot's looks.
   *
   * @param grade of the shelf, worn in place of the look's own
   * @param kept look of the shelf that is worn instead
   */
  @GetMapping("/looks/{look}.jpg")
  ResponseEntity<byte[]> through(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @PathVariable String look,
      @RequestParam(required = false) String grade,
      @RequestParam(required = false) String kept) {
    SessionSnapshot still = still(id, page);
    Look worn =
        still.shoot().looks().stream()
            .filter(l -> l.id().equals(look))
            .findFirst()
            .orElseThrow(() -> Refusal.missing("There is no look '" + look + "' in this shoot."));
    Developer developer = still.developer();
    if (kept != null) {
      KeptLooks.Kept other = keptLooks.look(kept);
      worn = other.look();
      developer = new Developer(other.luts());
    }
    double stops = still.shot().exposureStops();
    worn = stops == 0 ? worn : worn.exposed(stops);
    if (grade != null) {
      worn =
          worn.with(
              GradeShelf.preset(grade)
                  .orElseThrow(
                      () -> Refusal.missing("There is no grade '" + grade + "' on the shelf."))
                  .grade());
    }
    Developer.Developed picture = still.developed(developer, worn, true, SMALL_STEP);
    byte[] jpeg =
        PngFile.jpeg(picture.codes(), picture.light().width(), picture.light().height(), 0.85f);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.noStore())
        .body(jpeg);
  }

  private static void checkPlace(double x, double y) {
    if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
      throw new levelember.document.ImpossibleValue("x, y", x + ", " + y, "0 to 1 each");
    }
  }

  private Optional<SessionSnapshot> now(String id, String page) {
    return socket.session(id, page).now();
  }

  private SessionSnapshot still(String id, String page) {
    return socket
        .session(id, page)
        .still(waitMillis)
        .filter(m -> m.ladder().full().samples() > 0)
        .orElseThrow(() ->
            new Refusal(
                HttpStatus.CONFLICT,
                "no-picture",
                "There is no picture of full size yet.",
                "The shoot is as it was.",
                "Wait for the first full pass, or let the picture go on if it is paused."));
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
