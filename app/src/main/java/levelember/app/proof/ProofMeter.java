package levelember.app.proof;

import java.util.List;
import levelember.app.asset.Assets;
import levelember.app.live.reading.FilmMeter;
import levelember.app.live.reading.ShownMeter;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;
import org.springframework.stereotype.Component;

/** Reads proofs as the meter reads the picture now; pins are found in the set as it was. */
@Component
class ProofMeter {
  private final Assets assets;
  private View view;
  private String viewOf;

  ProofMeter(Assets assets) {
    this.assets = assets;
  }

  ShownMeter.Readings read(ProofPictures.StoredProof kept, List<Pin> pins) {
    return FilmMeter.read(
        view(kept), pins, kept.shoot(), kept.shoot().lookOf(kept.shown()), kept.film());
  }

  /**
   * The view of a proof; of what the last one had of the same shoot as much as is unchanged stays.
   */
  private synchronized View view(ProofPictures.StoredProof kept) {
    Shoot shoot = kept.shoot();
    Shot shot = kept.shown();
    SceneAssets files = assets.files(kept.shootId());
    if (view == null || !kept.shootId().equals(viewOf)) {
      view = View.of(shoot, shot, files);
    } else {
      view =
          view.next(shoot, shot, files, EditCost.between(view.shoot(), view.shot(), shoot, shot));
    }
    viewOf = kept.shootId();
    return view;
  }
}
