package levelember.firsthit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.film.SurfaceData;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Shape;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

class ScreenMotionTest {
  private static final int WIDTH = 80, HEIGHT = 60;
  private static final Shoot STILL =
      Sets.white(0.5)
          .piece("wall", new Shape.Box(8, 8, 0.1, 0), "white", new Vec3(0, -4, -2))
          .piece("ball", new Shape.Sphere(0.5), "white", Vec3.ZERO)
          .shoot();
  private static final Shot CAMERA =
      new Shot("s", "S", new Vec3(0, 0, 4), Vec3.ZERO, 36, 36, 0, 0, STILL.looks().getFirst().id());

  private static Shoot moved(String place, double x, double y, double z) {
    Track track =
        Track.of(place, Key.of(0, Span.STRAIGHT, 0.0, 0.0, 0.0), Key.of(1, Span.STRAIGHT, x, y, z));
    return ShootAtTime.of(STILL.with(Motion.NONE.with(java.util.List.of(track))), 1);
  }

  private static float[] at(ScreenMotion motion, SurfaceData data, int x, int y) {
    float[] all = motion.of(data);
    int i = data.at(x, y);
    return new float[] {all[2 * i], all[2 * i + 1]};
  }

  private static SurfaceData seen() {
    View view = View.of(STILL, CAMERA, Pictures.NONE);
    return new SurfaceDataTracer(view, 4, 1).rows(WIDTH, HEIGHT, 0, HEIGHT);
  }

  @Test
  void aPieceMovesByItsWayOverItsDistance() {
    Shoot then = moved("pieces/ball/position", 0.2, 0.1, 0);
    ScreenMotion motion = ScreenMotion.between(STILL, CAMERA, then, CAMERA, WIDTH, HEIGHT);
    SurfaceData data = seen();
    // At 3.5 m a metre is 80 / 3.5 pixels, the focal length being the sensor's width.
    float[] middle = at(motion, data, 40, 30);
    assertThat(middle[0]).isCloseTo(0.2f * 80 / 3.5f, within(0.05f));
    assertThat(middle[1]).isCloseTo(-0.1f * 80 / 3.5f, within(0.05f));
    assertThat(at(motion, data, 5, 5)).containsExactly(0, 0);
  }

  @Test
  void aTurnCarriesWhatIsNearTheCameraAside() {
    Shoot then = moved("pieces/ball/rotationDegrees", 0, 10, 0);
    ScreenMotion motion = ScreenMotion.between(STILL, CAMERA, then, CAMERA, WIDTH, HEIGHT);
    float across = (float) (0.5 * Math.sin(Math.toRadians(10)));
    assertThat(at(motion, seen(), 40, 30)[0]).isCloseTo(across * 80 / 3.5f, within(0.1f));
  }

  @Test
  void aCameraThatGoesToTheRightMovesAllToTheLeftAndNearThingsMore() {
    Shot aside = CAMERA.with(c -> c.position(new Vec3(0.3, 0, 4)).aim(new Vec3(0.3, 0, 0)));
    ScreenMotion motion = ScreenMotion.between(STILL, CAMERA, STILL, aside, WIDTH, HEIGHT);
    SurfaceData data = seen();
    assertThat(at(motion, data, 40, 30)[0]).isCloseTo(-0.3f * 80 / 3.5f, within(0.05f));
    assertThat(at(motion, data, 5, 30)[0]).isCloseTo(-0.3f * 80 / 5.95f, within(0.05f));
  }

  @Test
  void whatIsGoneOrNotThereDoesNotMove() {
    float[] to = {1, 1};
    ScreenMotion.NONE.of(0, Vec3.ZERO, to);
    assertThat(to).containsExactly(0, 0);
    ScreenMotion.between(STILL, CAMERA, STILL, CAMERA, WIDTH, HEIGHT).of(-1, Vec3.ZERO, to);
    assertThat(to).containsExactly(0, 0);
  }
}
