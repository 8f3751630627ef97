package levelember.app.live.reading;

import java.util.List;
import levelember.app.asset.Assets;
import levelember.app.live.channel.LiveSocket;
import levelember.app.live.session.LiveSession;
import levelember.app.live.session.SessionSnapshot;
import levelember.app.live.view.Developer;
import levelember.app.problem.Refusal;
import levelember.formats.picture.PngFile;
import levelember.photometry.LayerWeights;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * The live picture with one thing otherwise, to be held against it: without a light or by it alone,
 * without glow, without its look, as traced or denoised. No light is traced.
 */
@RestController
class VariantController {
  private static final float QUALITY = 0.9f;

  private final LiveSocket socket;
  private final Assets assets;

  VariantController(LiveSocket socket, Assets assets) {
    this.socket = socket;
    this.assets = assets;
  }

  /**
   * The picture.
   *
   * @param without id of a light that is left out
   * @param only id of the one light that is left in
   * @param glow false leaves glows out
   * @param look false leaves all of the look out but its exposure and shoulder
   * @param denoised whether noise is taken out, where a denoised picture is there; else as shown
   */
  @GetMapping("/api/shoots/{id}/live/variant.jpg")
  ResponseEntity<byte[]> variant(
      @PathVariable String id,
      @RequestParam(defaultValue = "") String page,
      @RequestParam(required = false) String without,
      @RequestParam(required = false) String only,
      @RequestParam(defaultValue = "true") boolean glow,
      @RequestParam(defaultValue = "true") boolean look,
      @RequestParam(defaultValue = "true") boolean denoised) {
    LiveSession session = socket.session(id, page);
    SessionSnapshot m =
        session
            .now()
            .filter(now -> now.ladder().step() > 0)
            .orElseThrow(() -> Refusal.missing("There is no picture yet."));
    Shoot lit = new LightVariant(without, only).of(m.shoot());
    Look worn = lit.lookOf(m.shot());
    worn = look ? worn : new Look(worn.id(), worn.name(), worn.ev(), 0.8, 3);
    worn = glow ? worn : worn.withGlows(List.of());
    Developer.Developed picture =
        new Developer(assets.files(id).luts())
            .of(
                lit,
                worn,
                m.films(denoised),
                m.films(denoised).shownStep(),
                LayerWeights.of(lit),
                m.hits());
    byte[] jpeg =
        PngFile.jpeg(picture.codes(), picture.light().width(), picture.light().height(), QUALITY);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.noStore())
        .body(jpeg);
  }
}
