package levelember.lens;

import levelember.shoot.Shot;

/** The camera of a shot, with its {@link ThinLens}. */
public record ShotCamera(Shot shot) implements Camera {
  @Override
  public Rays rays(int width, int height, int step) {
    return new ThinLens(shot, width, height, step);
  }

  @Override
  public boolean cutOut() {
    return shot.cutOut();
  }

  @Override
  public boolean sharp() {
    return !(shot.fStop() > 0);
  }
}
