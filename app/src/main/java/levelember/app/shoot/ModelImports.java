package levelember.app.shoot;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.asset.Assets;
import levelember.app.problem.Refusal;
import levelember.formats.exchange.ModelFiles;
import levelember.formats.gltf.GltfImport;
import levelember.formats.gltf.ModelEdit;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Brings model files into shoots. Models and pictures are read before the shoot is locked, and all
 * that came is kept in one transaction.
 */
@Service
public class ModelImports {
  private final Map<String, Progress> progress = new ConcurrentHashMap<>();
  private final ShootEdits edits;
  private final Shoots shoots;
  private final Assets assets;
  private final TransactionTemplate transaction;

  ModelImports(ShootEdits edits, Shoots shoots, Assets assets, TransactionTemplate transaction) {
    this.edits = edits;
    this.shoots = shoots;
    this.assets = assets;
    this.transaction = transaction;
  }

  /**
   * What an import did.
   *
   * @param state the shoot with the model
   * @param report what came, what was left out, and what looks improbable
   */
  public record Imported(Shoots.State state, Report report) {}

  /**
   * What to tell of a model that was imported.
   *
   * @param piece id of the piece that holds all others
   * @param sizeMetres of the box about it
   * @param came a line each
   * @param left a line each
   * @param hints a line each
   */
  public record Report(
      String piece,
      double[] sizeMetres,
      List<String> came,
      List<String> left,
      List<String> hints) {}

  /**
   * How far an import has got.
   *
   * @param what is being done
   * @param part done, 0…1
   */
  public record Progress(String what, double part) {}

  /** How far the import into a shoot has got, if there is one. */
  public Optional<Progress> progress(String id) {
    return Optional.ofNullable(progress.get(id));
  }

  /**
   * Imports a model file into a shoot, as one edit.
   *
   * @param name of the file
   * @param metresPerUnit 1 for a file in metres
   * @throws levelember.formats.RefusedFile when the file cannot be read
   * @throws levelember.app.problem.Refusal when the shoot has gone on meanwhile
   */
  public Imported read(String id, long revision, String name, double metresPerUnit, byte[] bytes) {
    try {
      return imported(id, revision, name, metresPerUnit, bytes);
    } finally {
      progress.remove(id);
    }
  }

  private Imported imported(
      String id, long revision, String name, double metresPerUnit, byte[] bytes) {
    progress.put(id, new Progress("Reading the model", 0.1));
    Shoots.State before = shoots.state(id);
    edits.checkRevision(before.revision(), revision);
    Shoot shoot = shoots.shoot(id);
    ModelFiles.Model model = ModelFiles.read(name, bytes);
    progress.put(id, new Progress("Checking its meshes and pictures", 0.25));
    Assets.check(model.name(), model.bytes());
    String asset = assets.freeName(id, model.name(), model.bytes());
    GltfImport.Brought brought = GltfImport.read(asset, model.bytes(), shoot, metresPerUnit);
    List<String> left = new ArrayList<>(model.left());
    left.addAll(brought.left());
    int done = 0, of = brought.pictures().size();
    for (Map.Entry<String, byte[]> picture : brought.pictures().entrySet()) {
      progress.put(
          id, new Progress("Checking picture " + (done + 1) + " of " + of, 0.5 + 0.4 * done / of));
      for (String note : Assets.check(picture.getKey(), picture.getValue())) {
        left.add(picture.getKey() + ": " + note);
      }
      done++;
    }
    progress.put(id, new Progress("Putting it into the set", 0.92));
    Shoots.State state =
        transaction.execute(status -> {
          keep(id, asset, model.bytes());
          brought.pictures().forEach((n, picture) -> keep(id, n, picture));
          return edits.edit(id, revision, "Import " + asset, ModelEdit.operations(brought));
        });
    Vec3 size = brought.sizeMetres();
    return new Imported(
        state,
        new Report(
            brought.pieces().getFirst().id(),
            new double[] {size.x(), size.y(), size.z()},
            brought.came(),
            left,
            brought.hints()));
  }

  /** Keeps a file under the name by which the edit knows it. */
  private void keep(String id, String name, byte[] bytes) {
    if (!assets.keep(id, name, bytes).equals(name)) {
      throw new Refusal(
          HttpStatus.CONFLICT,
          "name-taken",
          "Another file got the name '" + name + "' while the model was read.",
          "The shoot is as it was.",
          "Import the model again.");
    }
  }
}
