package levelember.scene;

import levelember.geometry.Meshes;
import levelember.lens.Camera;
import levelember.lens.ShotCamera;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.compile.Origin;
import levelember.texture.Luts;
import levelember.texture.Pictures;

/** A scene seen through a shot. Immutable; views of one shoot can share its scene. */
public final class View {
  private final Scene scene;
  private final Shot shot;

  /** A scene through a shot of the world. */
  public View(Scene scene, Shot shot) {
    this.scene = scene;
    this.shot = Origin.from(scene.origin(), shot);
  }

  /** Compiles a shoot, as {@link Scene#of(Shoot, SceneAssets)} does. */
  public static View of(Shoot shoot, Shot shot, SceneAssets files) {
    return new View(Scene.of(shoot, files), shot);
  }

  /** Compiles a shoot without models. */
  public static View of(Shoot shoot, Shot shot, Pictures pictures) {
    return of(shoot, shot, new SceneAssets(pictures, Meshes.NONE, Luts.NONE));
  }

  /** Compiles the next state of a shoot, keeping what the edit does not touch. */
  public View next(Shoot after, Shot shotAfter, SceneAssets files, EditCost cost) {
    return new View(scene.next(after, files, cost), shotAfter);
  }

  /** The next state of a shoot without models. */
  public View next(Shoot after, Shot shotAfter, Pictures pictures, EditCost cost) {
    return next(after, shotAfter, new SceneAssets(pictures, Meshes.NONE, Luts.NONE), cost);
  }

  public Scene scene() {
    return scene;
  }

  /** The shot in the frame that is traced in, which begins at {@link #origin()}. */
  public Shot shot() {
    return shot;
  }

  public Camera camera() {
    return new ShotCamera(shot);
  }

  public Shoot shoot() {
    return scene.shoot();
  }

  /** Where the frame that is traced in begins in the world, metres. */
  public Vec3 origin() {
    return scene.origin();
  }

  /** How many layers a film of this view has. */
  public int layers() {
    return scene.layers();
  }
}
