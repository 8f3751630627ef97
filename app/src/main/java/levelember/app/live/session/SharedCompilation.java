package levelember.app.live.session;

import levelember.app.live.view.DesiredFrame;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.compile.EditCost;
import org.jspecify.annotations.Nullable;

/**
 * The compiled scene that the sessions of one shoot share. Sessions that open together, or show the
 * same edit, wait for one compilation and take its meshes, textures and hierarchies instead of
 * making their own. For any thread.
 */
final class SharedCompilation {
  private final SceneAssets assets;

  /** Written with the monitor held; read without it, as compiling holds it for long. */
  private volatile @Nullable View newest;

  /**
   * Nothing shared yet but what was compiled before.
   *
   * @param known the newest view, or null
   */
  SharedCompilation(SceneAssets assets, @Nullable View known) {
    this.assets = assets;
    newest = known;
  }

  SceneAssets assets() {
    return assets;
  }

  /** The newest view; null before there is one. */
  @Nullable View newest() {
    return newest;
  }

  /**
   * The compiled view of a state. Goes on from the newest view where the session has none or where
   * no light would have to be traced anew, and from the session's own otherwise.
   *
   * @param own what the session showed last, or null
   */
  synchronized View of(DesiredFrame next, @Nullable View own) {
    View known = newest, from = own;
    if (known != null && known != own && (own == null || cost(known, next).nothing())) {
      from = known;
    }
    View made =
        from == null
            ? View.of(next.shoot(), next.shot(), assets)
            : from.next(next.shoot(), next.shot(), assets, cost(from, next));
    newest = made;
    return made;
  }

  private static EditCost cost(View from, DesiredFrame next) {
    return EditCost.between(from.shoot(), from.shot(), next.shoot(), next.shot());
  }
}
