package levelember.math;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OrthonormalFrameTest {
  private final OrthonormalFrame frame = new OrthonormalFrame();

  private Vec3 tangent() {
    return new Vec3(frame.tx, frame.ty, frame.tz);
  }

  private Vec3 bitangent() {
    return new Vec3(frame.sx, frame.sy, frame.sz);
  }

  private Vec3 normal() {
    return new Vec3(frame.nx, frame.ny, frame.nz);
  }

  /** Towards −z the tangent and bitangent turn over, but stay a frame. */
  @ParameterizedTest
  @CsvSource({"0, 0, 1", "0, 0, -1", "1, 0, 0", "0, -1, 0", "0.6, 0, -0.8", "1e-4, 0, -0.99999999"})
  void isRightHandedOfUnitLength(float x, float y, float z) {
    frame.about(x, y, z);
    assertThat(tangent().length()).isCloseTo(1, within(1e-6));
    assertThat(bitangent().length()).isCloseTo(1, within(1e-6));
    assertThat(tangent().cross(bitangent()).minus(normal()).length()).isLessThan(1e-6);
  }

  @Test
  void aDirectionGoesToTheWorldAndBack() {
    Random random = new Random(3);
    for (int i = 0; i < 1000; i++) {
      Vec3 n = direction(random), d = direction(random);
      frame.about((float) n.x(), (float) n.y(), (float) n.z());
      frame.toWorld((float) d.x(), (float) d.y(), (float) d.z());
      Vec3 world = new Vec3(frame.x, frame.y, frame.z);
      assertThat(world.dot(n)).isCloseTo(d.z(), within(1e-6));
      Vec3 inDouble = OrthonormalFrame.aboutAxis(n.x(), n.y(), n.z(), d.x(), d.y(), d.z());
      assertThat(inDouble.minus(world).length()).isLessThan(2e-6);
      frame.toLocal(frame.x, frame.y, frame.z);
      assertThat(new Vec3(frame.x, frame.y, frame.z).minus(d).length()).isLessThan(2e-6);
    }
  }

  private static Vec3 direction(Random random) {
    return new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
  }
}
