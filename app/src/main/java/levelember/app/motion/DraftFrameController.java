package levelember.app.motion;

import java.util.concurrent.CompletableFuture;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.document.ImpossibleValue;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Small frames of a shoot that moves, over HTTP. */
@RestController
class DraftFrameController {
  private static final int LEAST_WIDTH = 64, MOST_WIDTH = 960;

  private final Shoots shoots;
  private final DraftFrames drafts;

  DraftFrameController(Shoots shoots, DraftFrames drafts) {
    this.shoots = shoots;
    this.drafts = drafts;
  }

  /** A frame of a shot as JPEG, 16:9; it is waited for. */
  @GetMapping("/api/shoots/{id}/motion/frames/{frame}.jpg")
  CompletableFuture<ResponseEntity<byte[]>> frame(
      @PathVariable String id,
      @PathVariable int frame,
      @RequestParam String shot,
      @RequestParam(defaultValue = "320") int width) {
    if (width < LEAST_WIDTH || width > MOST_WIDTH) {
      throw new ImpossibleValue("width", width, LEAST_WIDTH + " to " + MOST_WIDTH);
    }
    Shoot shoot = shoots.shoot(id);
    Shoot now = ShootAtTime.of(shoot, shoot.motion().seconds(frame));
    Shot seen =
        now.shot(shot).orElseThrow(() -> Refusal.missing("There is no shot '" + shot + "'."));
    return drafts
        .frame(new DraftFrames.Shown(id, now, seen, width, width * 9 / 16))
        .thenApply(jpeg ->
            ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(jpeg));
  }
}
