package levelember.app.findings;

import levelember.app.live.reading.ShownFindings;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is probably not meant in the light of what a page shows. */
@RestController
class FindingController {
  private final ShownFindings findings;

  FindingController(ShownFindings findings) {
    this.findings = findings;
  }

  /** Findings, what matters most first; nothing before there is a whole sample. */
  @GetMapping("/api/shoots/{id}/findings")
  ResponseEntity<ShownFindings.Answer> at(
      @PathVariable String id, @RequestParam(defaultValue = "") String page) {
    return findings
        .at(id, page)
        .map(answer -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(answer))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }
}
