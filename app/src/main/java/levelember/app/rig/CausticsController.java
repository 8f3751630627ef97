package levelember.app.rig;

import java.util.List;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.edit.CausticSetup;
import levelember.formats.document.ShootChanges;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Says what a light or a piece needs to throw caustics; the page makes the edit. */
@RestController
class CausticsController {
  private final Shoots shoots;
  private final Assets assets;

  CausticsController(Shoots shoots, Assets assets) {
    this.shoots = shoots;
    this.assets = assets;
  }

  /** For which light, or which piece as which shot sees it. */
  record For(String light, String piece, String shot) {}

  /** A JSON Patch of the shoot, and what it does. */
  record Setup(JsonNode operations, List<CausticSetup.CausticStep> steps) {}

  @PostMapping("/api/shoots/{id}/caustics")
  Setup setup(@PathVariable String id, @RequestBody For wanted) {
    Shoot shoot = shoots.shoot(id);
    CausticSetup setup = wanted.light() != null ? light(shoot, wanted) : piece(id, shoot, wanted);
    return new Setup(ShootChanges.operations(shoot, setup.shoot()), setup.steps());
  }

  private static CausticSetup light(Shoot shoot, For wanted) {
    if (shoot.lights().stream().noneMatch(l -> l.id().equals(wanted.light()))) {
      throw Refusal.missing("There is no light '" + wanted.light() + "'.");
    }
    return CausticSetup.forLight(shoot, wanted.light());
  }

  private CausticSetup piece(String id, Shoot shoot, For wanted) {
    if (shoot.pieces().stream().noneMatch(p -> p.id().equals(wanted.piece()))) {
      throw Refusal.missing("There is no piece '" + wanted.piece() + "'.");
    }
    Shot shot =
        wanted.shot() == null
            ? shoot.shots().getFirst()
            : shoot.shot(wanted.shot()).orElse(shoot.shots().getFirst());
    return CausticSetup.forPiece(shoot, wanted.piece(), shot, assets.files(id).meshes());
  }
}
