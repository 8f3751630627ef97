package levelember.app.look;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Uploads;
import levelember.document.ImpossibleValue;
import levelember.formats.Limits;
import levelember.formats.document.ShootDocument;
import levelember.formats.grade.CdlFile;
import levelember.formats.grade.CubeFile;
import levelember.formats.picture.PngFile;
import levelember.look.DominantLight;
import levelember.look.FalseColour;
import levelember.look.Grading;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Look;
import levelember.shoot.shelf.GradeShelf;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Looks and grades over HTTP. */
@RestController
class LookController {
  private static final int EDGE = 33, SWATCH_WIDTH = 36, SWATCH_HEIGHT = 24;

  private final Shoots shoots;
  private final Assets assets;
  private final KeptLooks kept;
  private final Uploads uploads;

  LookController(Shoots shoots, Assets assets, KeptLooks kept, Uploads uploads) {
    this.uploads = uploads;
    this.shoots = shoots;
    this.assets = assets;
    this.kept = kept;
  }

  /** A grade of the shelf, as in a shoot document. */
  record Preset(String id, String name, String what, JsonNode grade) {}

  @GetMapping("/api/shelf/grades")
  ResponseEntity<List<Preset>> grades() {
    List<Preset> all =
        GradeShelf.all().stream()
            .map(p -> new Preset(p.id(), p.name(), p.what(), ShootDocument.tree(p.grade())))
            .toList();
    return ResponseEntity.ok().cacheControl(CacheControl.maxAge(Duration.ofHours(1))).body(all);
  }

  /** A band of the view in stops. */
  record Band(int stops, String colour) {}

  /** Colours of the view in stops. */
  @GetMapping("/api/stops")
  ResponseEntity<List<Band>> bands() {
    List<Band> to = new ArrayList<>();
    int[] colours = FalseColour.bands();
    for (int i = 0; i < colours.length; i++) {
      to.add(new Band(FalseColour.LEAST + i, String.format("#%06x", colours[i])));
    }
    return ResponseEntity.ok().cacheControl(CacheControl.maxAge(Duration.ofHours(1))).body(to);
  }

  @GetMapping("/api/shelf/looks")
  List<KeptLooks.Entry> looks() {
    return kept.all();
  }

  /** What is to be kept: a look of a shoot. */
  record Keeping(String shoot, String look) {}

  @PostMapping("/api/shelf/looks")
  @ResponseStatus(HttpStatus.CREATED)
  KeptLooks.Entry keep(@RequestBody Keeping what) {
    return kept.keep(shoots.state(what.shoot()).id(), look(what.shoot(), what.look()));
  }

  @DeleteMapping("/api/shelf/looks/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable String id) {
    kept.forget(id);
  }

  /** A look of the shelf as it can be put into a shoot; its LUT becomes an asset of the shoot. */
  @PostMapping("/api/shoots/{shoot}/looks/from-shelf/{id}")
  JsonNode take(@PathVariable String shoot, @PathVariable String id) {
    return kept.take(shoots.state(shoot).id(), id);
  }

  private Look look(String shoot, String look) {
    return shoots.shoot(shoot).looks().stream()
        .filter(l -> l.id().equals(look))
        .findFirst()
        .orElseThrow(() -> Refusal.missing("There is no look '" + look + "' in this shoot."));
  }

  /** The grade of a look as a LUT for others. */
  @GetMapping("/api/shoots/{shoot}/looks/{look}/grade.cube")
  ResponseEntity<byte[]> cube(@PathVariable String shoot, @PathVariable String look) {
    Look of = look(shoot, look);
    Grading grading = new Grading(of.grade(), assets.files(shoot).luts());
    return file(CubeFile.write(grading.baked(EDGE), of.name()), of.id() + ".cube");
  }

  /** The wheels of a look as an ASC CDL for others. */
  @GetMapping("/api/shoots/{shoot}/looks/{look}/grade.cdl")
  ResponseEntity<byte[]> cdl(@PathVariable String shoot, @PathVariable String look) {
    Look of = look(shoot, look);
    return file(CdlFile.write(of.grade().wheels(), of.id()), of.id() + ".cdl");
  }

  /** The wheels of an ASC CDL, as in a shoot document. */
  @PostMapping("/api/cdl")
  JsonNode wheels(HttpServletRequest request) throws IOException {
    Grade.Wheels wheels = uploads.read(request, Limits.MOST_TEXT, CdlFile::read);
    return ShootDocument.tree(Grade.of(wheels)).get("wheels");
  }

  private static ResponseEntity<byte[]> file(byte[] bytes, String name) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .cacheControl(CacheControl.noStore())
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .body(bytes);
  }

  /** The colour and pattern that stand for a light, by its number, in the view of lights. */
  @GetMapping("/api/light-patterns/{number}.png")
  ResponseEntity<byte[]> pattern(@PathVariable int number) {
    if (number < 0) {
      throw new ImpossibleValue("number", number, "0 or more");
    }
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
        .body(
            PngFile.plain(
                DominantLight.swatch(number, SWATCH_WIDTH, SWATCH_HEIGHT),
                SWATCH_WIDTH,
                SWATCH_HEIGHT));
  }
}
