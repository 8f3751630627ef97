package levelember.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.app.storage.Uploads;
import levelember.daylight.Atmosphere;
import levelember.daylight.SunPosition;
import levelember.document.ImpossibleValue;
import levelember.formats.Limits;
import levelember.formats.document.ShootDocument;
import levelember.formats.photometric.EulumdatFile;
import levelember.formats.photometric.IesFile;
import levelember.formats.picture.PictureFile;
import levelember.formats.picture.PngFile;
import levelember.gel.GelShelf;
import levelember.look.Development;
import levelember.measure.EnvironmentReading;
import levelember.photometry.LampUnits;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Profile;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import levelember.texture.Surroundings;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** What the Rig asks for besides the shoot itself. */
@RestController
class RigController {
  private final Shoots shoots;
  private final Assets assets;
  private final Uploads uploads;

  RigController(Shoots shoots, Assets assets, Uploads uploads) {
    this.shoots = shoots;
    this.assets = assets;
    this.uploads = uploads;
  }

  /** A brightness of a kind of light, and the unit that it is to be said in. */
  record Conversion(JsonNode emitter, double value, String unit, String to, Double efficacy) {}

  /** A brightness in a unit. */
  record Said(double value, String unit, double efficacy) {}

  @PostMapping("/api/brightness")
  Said brightness(@RequestBody Conversion c) {
    if (c.emitter() == null || c.unit() == null || c.to() == null) {
      throw new ImpossibleValue(
          "emitter, unit, to", c.emitter() + ", " + c.unit() + ", " + c.to(), "all of them");
    }
    Emitter emitter = ShootDocument.read(c.emitter(), Emitter.class);
    double efficacy = c.efficacy() == null ? Brightness.LED_EFFICACY : c.efficacy();
    Brightness given = new Brightness(c.value(), Brightness.Unit.of(c.unit()), efficacy);
    Brightness said = LampUnits.in(emitter, given, Brightness.Unit.of(c.to()));
    return new Said(said.value(), said.unit().symbol(), said.efficacy());
  }

  @GetMapping("/api/shelf/gels")
  List<GelShelf.Gel> gels() {
    return GelShelf.gels();
  }

  /** A profile read from a photometric file. */
  record Read(JsonNode profile, double peakCandela, double lumens) {}

  @PostMapping("/api/profiles")
  Read profile(@RequestParam String name, HttpServletRequest request) throws IOException {
    Profile p =
        uploads.read(
            request,
            Limits.MOST_TEXT,
            file ->
                EulumdatFile.named(name)
                    ? EulumdatFile.read(file, name)
                    : IesFile.read(file, name));
    return new Read(ShootDocument.tree(p), p.peak(), p.lumens());
  }

  /** What a picture of a shoot can do as an environment. */
  @GetMapping("/api/shoots/{id}/environment")
  EnvironmentReading environment(@PathVariable String id, @RequestParam String picture) {
    byte[] file = assets.bytes(shoots.state(id).id(), picture);
    if (file == null) {
      throw Refusal.missing("There is no picture '" + picture + "' in this shoot.");
    }
    return EnvironmentReading.of(PictureFile.read(file));
  }

  /**
   * The two borders of an environment side by side as they meet behind the camera, blended over a
   * part of the width.
   */
  @GetMapping("/api/shoots/{id}/seam.png")
  ResponseEntity<byte[]> seam(
      @PathVariable String id, @RequestParam String picture, @RequestParam double share) {
    byte[] file = assets.bytes(shoots.state(id).id(), picture);
    if (file == null) {
      throw Refusal.missing("There is no picture '" + picture + "' in this shoot.");
    }
    Picture from = Surroundings.prepared(PictureFile.read(file), 0, Math.clamp(share, 0.0, 0.5));
    double mean = EnvironmentReading.of(from).mean();
    Look plain = new Look("seam", "Seam", Math.log(2.5 * mean / 1.2) / Math.log(2), 0.4, 4);
    byte[] png = PngFile.write(bordered(from), new Development(plain), 8);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.noStore())
        .body(png);
  }

  /** The middle rows, a quarter of the width to either side of the seam. */
  private static Picture bordered(Picture from) {
    int w = 272, h = 68;
    Picture to = Picture.black(w, h);
    for (int y = 0; y < h; y++) {
      int row = Math.min(from.height() - 1, (int) (from.height() * (0.25 + 0.5 * (y + 0.5) / h)));
      for (int x = 0; x < w; x++) {
        double along = 0.75 + 0.5 * (x + 0.5) / w;
        int column = (int) ((along - Math.floor(along)) * from.width());
        to.set(x, y, from.get(column, row, 0), from.get(column, row, 1), from.get(column, row, 2));
      }
    }
    return to;
  }

  /**
   * Where the sun of a sky stands and what both give.
   *
   * @param sunLux illuminance square to the sun
   * @param skyLux illuminance of level ground by the sky alone
   */
  record Sun(double headingDegrees, double heightDegrees, double sunLux, double skyLux) {}

  @GetMapping("/api/shoots/{id}/lights/{light}/daylight")
  Sun daylight(@PathVariable String id, @PathVariable String light) {
    Daylight d =
        shoots
            .shoot(id)
            .light(light)
            .map(l -> l.emitter() instanceof Emitter.Sky s ? s.daylight() : null)
            .orElseThrow(() -> new ImpossibleValue("light", light, "a light that is a sky"));
    SunPosition at = SunPosition.of(d);
    Atmosphere air = new Atmosphere(d);
    double heading = at.headingDegrees() - 360 * Math.floor(at.headingDegrees() / 360);
    return new Sun(heading, at.heightDegrees(), luminance(air.sunLux()), luminance(air.skyLux()));
  }

  private static double luminance(double[] rgb) {
    return levelember.math.Colour.luminance((float) rgb[0], (float) rgb[1], (float) rgb[2]);
  }
}
