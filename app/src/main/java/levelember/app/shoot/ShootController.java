package levelember.app.shoot;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.TreeMap;
import levelember.app.asset.Assets;
import levelember.app.storage.Uploads;
import levelember.edit.TrueSize;
import levelember.formats.exchange.GltfExport;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.Shoot;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Shoots over HTTP. */
@RestController
@RequestMapping("/api/shoots")
class ShootController {
  private final Shoots shoots;
  private final ShootEdits edits;
  private final ModelImports imports;
  private final Pieces pieces;
  private final Assets assets;
  private final Uploads uploads;

  ShootController(
      Shoots shoots,
      ShootEdits edits,
      ModelImports imports,
      Pieces pieces,
      Assets assets,
      Uploads uploads) {
    this.shoots = shoots;
    this.edits = edits;
    this.imports = imports;
    this.pieces = pieces;
    this.assets = assets;
    this.uploads = uploads;
  }

  /** An edit as sent: JSON Patch made on a revision. */
  record Edit(long revision, String label, JsonNode operations) {}

  /** A step back or forth, made on a revision. */
  record Step(long revision) {}

  @GetMapping
  List<Shoots.Title> titles() {
    return shoots.titles();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  Shoots.State importShoot(HttpServletRequest request) throws IOException {
    return shoots.add(uploads.read(request, ShootPackage::read));
  }

  /** Begins an empty shoot. */
  @PostMapping("/begun")
  @ResponseStatus(HttpStatus.CREATED)
  Shoots.State begin(@RequestParam String name) {
    return shoots.add(new ShootPackage(Shoot.begun(name, false), new TreeMap<>()));
  }

  /** Copies a shoot. */
  @PostMapping("/{id}/copies")
  @ResponseStatus(HttpStatus.CREATED)
  Shoots.State copy(@PathVariable String id) {
    return shoots.copy(id);
  }

  /** Deletes a shoot; this cannot be taken back. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable String id) {
    shoots.delete(id);
  }

  @GetMapping("/{id}")
  Shoots.State state(@PathVariable String id) {
    return shoots.state(id);
  }

  @PostMapping(value = "/{id}/edits", consumes = MediaType.APPLICATION_JSON_VALUE)
  @io.swagger.v3.oas.annotations.parameters.RequestBody(
      required = true,
      content = @Content(schema = @Schema(implementation = Edit.class)))
  Shoots.State edit(@PathVariable String id, HttpServletRequest request) throws IOException {
    Edit edit = uploads.json(request, Edit.class);
    return edits.edit(id, edit.revision(), edit.label(), edit.operations());
  }

  @PostMapping("/{id}/undo")
  Shoots.State undo(@PathVariable String id, @RequestBody Step step) {
    return edits.undo(id, step.revision());
  }

  @PostMapping("/{id}/redo")
  Shoots.State redo(@PathVariable String id, @RequestBody Step step) {
    return edits.redo(id, step.revision());
  }

  @GetMapping("/{id}/package")
  ResponseEntity<byte[]> takeOut(@PathVariable String id) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(id + ".ember").build().toString())
        .body(shoots.pack(id).write());
  }

  /** The shoot as one glTF file, which reads back the same. */
  @GetMapping("/{id}/model.glb")
  ResponseEntity<byte[]> takeOutModel(@PathVariable String id) {
    return ResponseEntity.ok()
        .contentType(new MediaType("model", "gltf-binary"))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(id + ".glb").build().toString())
        .body(GltfExport.write(shoots.pack(id)));
  }

  /** Sets a piece down on what is under it. */
  @PostMapping("/{id}/pieces/{piece}/down")
  Shoots.State setDown(
      @PathVariable String id, @PathVariable String piece, @RequestBody Step step) {
    return pieces.setDown(id, step.revision(), piece);
  }

  /** Imports a model file; says what came and what was left out. */
  @PostMapping("/{id}/models")
  ModelImports.Imported importModel(
      @PathVariable String id,
      @RequestParam String name,
      @RequestParam long revision,
      @RequestParam(defaultValue = "1") double metresPerUnit,
      HttpServletRequest request)
      throws IOException {
    String file = checkedName(name);
    return uploads.read(request, bytes -> imports.read(id, revision, file, metresPerUnit, bytes));
  }

  /** How far an import has got; no content when there is none. */
  @GetMapping("/{id}/models/progress")
  ResponseEntity<ModelImports.Progress> importing(@PathVariable String id) {
    return imports
        .progress(id)
        .map(b -> ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(b))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  @GetMapping("/{id}/pieces/{piece}/size")
  TrueSize size(@PathVariable String id, @PathVariable String piece) {
    return pieces.size(id, piece);
  }

  @GetMapping("/{id}/assets")
  List<String> assets(@PathVariable String id) {
    return assets.names(shoots.state(id).id());
  }

  /**
   * A file that was added.
   *
   * @param name that it has in the shoot
   * @param notes on what is mended in it when it is read
   */
  record Added(String name, List<String> notes) {}

  @PostMapping("/{id}/assets")
  @ResponseStatus(HttpStatus.CREATED)
  Added addAsset(@PathVariable String id, @RequestParam String name, HttpServletRequest request)
      throws IOException {
    String shoot = shoots.state(id).id();
    String file = checkedName(name);
    return uploads.read(
        request,
        bytes -> {
          List<String> notes = Assets.check(file, bytes);
          return new Added(assets.keep(shoot, file, bytes), notes);
        });
  }

  private static String checkedName(String name) {
    if (!name.matches("[^/\\\\\\p{Cntrl}]{1,120}")) {
      throw new levelember.document.ImpossibleValue(
          "name", name, "1 to 120 characters without slashes");
    }
    return name;
  }
}
