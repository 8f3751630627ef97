package levelember.app.print;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import levelember.document.ImpossibleValue;
import levelember.printing.order.PrintOrder;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The print room over HTTP. */
@RestController
class PrintController {
  private final Prints prints;
  private final PrintFolders folders;

  private final Sheets sheets;

  PrintController(Prints prints, PrintFolders folders, Sheets sheets) {
    this.prints = prints;
    this.sheets = sheets;
    this.folders = folders;
  }

  /** A target to which a job is printed further. */
  record Target(int samples, double noisePercent, double minutes) {}

  /** Where files go when an order names no folder. */
  record Folder(String path) {}

  @GetMapping("/api/prints")
  List<Prints.Job> all() {
    return prints.all();
  }

  @GetMapping("/api/prints/folder")
  Folder folder() {
    return new Folder(folders.prints().toString());
  }

  @GetMapping("/api/prints/{id}")
  Prints.Job one(@PathVariable long id) {
    return prints.one(id);
  }

  /** What an order would take, and what is wrong with it. */
  @PostMapping("/api/shoots/{shoot}/prints/estimate")
  PrintEstimates.Estimate estimate(@PathVariable String shoot, @RequestBody PrintOrder order) {
    return prints.estimate(shoot, order);
  }

  /** Orders a print of a shot of a shoot as it is now. */
  @PostMapping("/api/shoots/{shoot}/prints")
  @ResponseStatus(HttpStatus.CREATED)
  Prints.Job order(@PathVariable String shoot, @RequestBody PrintOrder order) {
    return prints.order(shoot, order);
  }

  /** Pauses a job, lets it go on, stops it, tries it again or puts it first. */
  @PostMapping("/api/prints/{id}/{action:pause|resume|stop|retry|first}")
  Prints.Job act(@PathVariable long id, @PathVariable String action) {
    return prints.act(id, Prints.Action.valueOf(action.toUpperCase(Locale.ROOT)));
  }

  @PostMapping("/api/prints/{id}/further")
  Prints.Job further(@PathVariable long id, @RequestBody Target target) {
    if (target.samples() < 1
        || !(target.noisePercent() >= 0 && target.noisePercent() <= 100)
        || !(target.minutes() >= 0)) {
      throw new ImpossibleValue("target", target, "1 sample or more, 0 to 100 percent of noise");
    }
    return prints.further(id, target.samples(), target.noisePercent(), target.minutes());
  }

  /** Writes its files anew with the levels and looks that the shoot has now; answers them. */
  @PostMapping("/api/prints/{id}/develop")
  List<String> develop(@PathVariable long id) {
    return prints.develop(id);
  }

  /** Prints frames again that look other in the shoot as it is now. */
  @PostMapping("/api/prints/{id}/refresh")
  Prints.Job refresh(@PathVariable long id) {
    return prints.refresh(id);
  }

  /** Which lights flicker in the frames of a job. */
  @GetMapping("/api/prints/{id}/flicker")
  Prints.FrameFlicker flicker(@PathVariable long id) {
    return prints.flicker(id);
  }

  /** Makes a new shoot of the state that it was ordered of. */
  @PostMapping("/api/prints/{id}/open")
  @ResponseStatus(HttpStatus.CREATED)
  JsonNode open(@PathVariable long id) {
    return prints.open(id);
  }

  @DeleteMapping("/api/prints/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable long id) {
    prints.delete(id);
  }

  @GetMapping("/api/prints/{id}/picture.jpg")
  ResponseEntity<byte[]> picture(@PathVariable long id) {
    return prints
        .picture(id)
        .map(jpeg ->
            ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(jpeg))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  /** The rig on paper: plan, table of lights, shots and looks. */
  @GetMapping("/api/shoots/{shoot}/lights.pdf")
  ResponseEntity<byte[]> lights(
      @PathVariable String shoot, @RequestParam(required = false) String shot) throws IOException {
    return pdf(shoot + "-lights.pdf", sheets.lights(shoot, shot));
  }

  /** Pictures of all shots on paper. */
  @GetMapping("/api/shoots/{shoot}/shots.pdf")
  ResponseEntity<byte[]> shots(@PathVariable String shoot) throws IOException {
    return pdf(shoot + "-shots.pdf", sheets.contact(shoot));
  }

  private static ResponseEntity<byte[]> pdf(String name, byte[] file) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(file);
  }

  /** A file of a job, by its number in the list of its files. */
  @GetMapping("/api/prints/{id}/file")
  ResponseEntity<Resource> file(@PathVariable long id, @RequestParam int number) {
    Path file = prints.file(id, number);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(file.getFileName().toString())
                .build()
                .toString())
        .body(new FileSystemResource(file));
  }
}
