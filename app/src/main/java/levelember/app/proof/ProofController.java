package levelember.app.proof;

import java.util.List;
import java.util.Locale;
import levelember.app.live.reading.ShownMeter;
import levelember.app.live.reading.ShownPictures;
import levelember.app.shoot.Shoots;
import levelember.formats.document.ShootDifference;
import levelember.shoot.Pin;
import levelember.texture.Picture;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Proofs over HTTP. */
@RestController
class ProofController {
  private final Proofs proofs;
  private final ProofPictures developer;
  private final ProofMeter meter;
  private final ShownPictures shown;
  private final Shoots shoots;

  ProofController(
      Proofs proofs,
      ProofPictures developer,
      ProofMeter meter,
      ShownPictures shown,
      Shoots shoots) {
    this.meter = meter;
    this.proofs = proofs;
    this.developer = developer;
    this.shown = shown;
    this.shoots = shoots;
  }

  /** What is written on a proof. */
  record Written(String name, String note, boolean star) {}

  /** The proofs of a shoot, oldest first. */
  @GetMapping("/api/shoots/{shoot}/proofs")
  List<Proofs.Proof> of(@PathVariable String shoot) {
    return proofs.of(shoot);
  }

  /** Keeps the picture that a page shows, else the one that was shown last. */
  @PostMapping("/api/shoots/{shoot}/proofs")
  @ResponseStatus(HttpStatus.CREATED)
  Proofs.Proof take(@PathVariable String shoot, @RequestParam(defaultValue = "") String page) {
    return proofs.take(shoot, page);
  }

  @PutMapping("/api/proofs/{id}")
  Proofs.Proof change(@PathVariable long id, @RequestBody Written written) {
    return proofs.change(id, written.name(), written.note(), written.star());
  }

  @DeleteMapping("/api/proofs/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable long id) {
    proofs.delete(id);
  }

  /** Gives back the space of its layers. */
  @DeleteMapping("/api/proofs/{id}/layers")
  Proofs.Proof deleteLayers(@PathVariable long id) {
    return proofs.deleteLayers(id);
  }

  @GetMapping("/api/proofs/{id}/picture.png")
  ResponseEntity<byte[]> picture(@PathVariable long id) {
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.maxAge(java.time.Duration.ofDays(30)).cachePrivate().immutable())
        .body(proofs.picture(id));
  }

  /** The proof with the levels, colours and looks that the shoot has now; no light is traced. */
  @GetMapping("/api/proofs/{id}/developed.jpg")
  ResponseEntity<byte[]> developed(@PathVariable long id) {
    ProofPictures.StoredProof kept = proofs.stored(id);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.noStore())
        .body(developer.developed(kept, Proofs.at(shoots.shoot(kept.shootId()), kept.seconds())));
  }

  /** By how many stops the picture now, or another proof, is brighter than the proof. */
  @GetMapping("/api/proofs/{id}/difference.png")
  ResponseEntity<byte[]> difference(
      @PathVariable long id,
      @RequestParam(required = false) Long other,
      @RequestParam(defaultValue = "") String page) {
    ProofPictures.StoredProof kept = proofs.stored(id);
    Picture of =
        other != null
            ? proofs.stored(other).light()
            : shown.light(kept.shootId(), page).orElseThrow(Proofs::noPicture);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.noStore())
        .body(ProofPictures.difference(of, kept));
  }

  /** What the shoot's pins of now, and the whole picture, read in the proof. */
  @GetMapping("/api/proofs/{id}/readings")
  ResponseEntity<ShownMeter.Readings> readings(@PathVariable long id) {
    ProofPictures.StoredProof kept = proofs.stored(id);
    List<Pin> pins = shoots.shoot(kept.shootId()).meter().pins();
    return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(meter.read(kept, pins));
  }

  /** What in the shoot as it is now differs from what it was. */
  @GetMapping("/api/proofs/{id}/changes")
  List<ShootDifference.Change> changed(@PathVariable long id) {
    return proofs.changed(id);
  }

  /** JSON Patch that brings the shoot, or a part of it, back to what it was. */
  @GetMapping("/api/proofs/{id}/operations")
  JsonNode restoring(@PathVariable long id, @RequestParam(defaultValue = "all") String part) {
    for (ShootDifference.Part one : ShootDifference.Part.values()) {
      if (one.name().toLowerCase(Locale.ROOT).equals(part)) {
        return proofs.restoring(id, one);
      }
    }
    throw new levelember.document.ImpossibleValue("part", part, "all, rig, set or look");
  }
}
