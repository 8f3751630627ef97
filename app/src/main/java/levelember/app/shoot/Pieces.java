package levelember.app.shoot;

import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.edit.SetDown;
import levelember.edit.TrueSize;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Measures pieces of a set and sets them down. */
@Service
public class Pieces {
  private final ShootEdits edits;
  private final Shoots shoots;
  private final Assets assets;

  Pieces(ShootEdits edits, Shoots shoots, Assets assets) {
    this.edits = edits;
    this.shoots = shoots;
    this.assets = assets;
  }

  /**
   * Sets a piece down on what is under it, as one edit.
   *
   * @throws Refusal when there is no such piece, or nothing under it
   */
  public Shoots.State setDown(String id, long revision, String piece) {
    Shoot shoot = shoots.shoot(id);
    int index = 0;
    while (index < shoot.pieces().size() && !shoot.pieces().get(index).id().equals(piece)) {
      index++;
    }
    if (index == shoot.pieces().size()) {
      throw Refusal.missing("There is no piece '" + piece + "'.");
    }
    String name = shoot.pieces().get(index).name();
    double rise =
        SetDown.rise(shoot.pieces(), piece, assets.files(id).meshes())
            .orElseThrow(() ->
                new Refusal(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "nothing-under",
                    "There is nothing under " + name + " that it could rest on.",
                    "The piece is where it was.",
                    "Move it over a floor, a table or another piece."));
    Vec3 to = SetDown.place(shoot.pieces(), piece, rise);
    ArrayNode operations = JsonNodeFactory.instance.arrayNode();
    ArrayNode place =
        operations
            .addObject()
            .put("op", "replace")
            .put("path", "/pieces/" + index + "/position")
            .putArray("value");
    place.add(to.x()).add(to.y()).add(to.z());
    return edits.edit(id, revision, "Set " + name + " down", operations);
  }

  /** How large a piece is, with its copies and all that stands in it. */
  @Transactional(readOnly = true)
  public TrueSize size(String id, String piece) {
    Shoot shoot = shoots.shoot(id);
    if (shoot.pieces().stream().noneMatch(p -> p.id().equals(piece))) {
      throw Refusal.missing("There is no piece '" + piece + "'.");
    }
    return TrueSize.of(shoot.pieces(), piece, assets.files(id).meshes());
  }
}
