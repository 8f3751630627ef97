package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.look.DisplayCurve;
import levelember.look.FalseColour;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

class ScopesTest {
  private static byte[] codes(int w, int h, int left, int right) {
    byte[] to = new byte[3 * w * h];
    for (int i = 0; i < to.length; i++) {
      to[i] = (byte) (i / 3 % w < w / 2 ? left : right);
    }
    return to;
  }

  @Test
  void twoGreysStandAtTheirLevels() {
    Scopes s = Scopes.shown(codes(40, 20, 64, 255), 40, 20);
    int low = 64 * Scopes.LEVELS / 255;
    assertThat(s.histogram()[low]).isEqualTo(1f);
    assertThat(s.histogram()[Scopes.LEVELS - 1]).isEqualTo(1f);
    assertThat(s.clippedShare()).isCloseTo(0.5, within(1e-9));
    assertThat(s.blackShare()).isZero();
    assertThat(s.columns()).isEqualTo(40);
    assertThat(s.waveform()[5 * Scopes.LEVELS + low]).isNotZero();
    assertThat(s.waveform()[35 * Scopes.LEVELS + low]).isZero();
    int middle = Scopes.LEVELS / 2 * Scopes.LEVELS + Scopes.LEVELS / 2;
    assertThat(s.vectors()[middle]).as("greys lie in the middle").isNotZero();
  }

  @Test
  void lightIsMeasuredInStops() {
    Picture p = Picture.black(10, 10);
    double grey = DisplayCurve.midGrey(5);
    java.util.Arrays.fill(p.rgb(), (float) (grey * 4));
    Scopes s = Scopes.light(p, 5);
    int level =
        (int) (Scopes.LEVELS * (2 - Scopes.LEAST_STOPS) / (Scopes.MOST_STOPS - Scopes.LEAST_STOPS));
    assertThat(s.histogram()[level]).isEqualTo(1f);
  }

  @Test
  void meteringPutsThingsWhereItSays() {
    Picture p = Picture.black(100, 100);
    java.util.Arrays.fill(p.rgb(), 10);
    for (int y = 0; y < 20; y++) {
      for (int x = 0; x < 20; x++) {
        p.set(x, y, 400, 400, 400);
      }
    }
    Metering m = Metering.of(p, 0.8, 0.8);
    assertThat(DisplayCurve.midGrey(m.spot())).isCloseTo(10, within(0.1));
    assertThat(400 / DisplayCurve.fullScale(m.highlights())).isCloseTo(0.9, within(0.01));
    double logs = (0.96 * Math.log(10) + 0.04 * Math.log(400));
    assertThat(DisplayCurve.midGrey(m.average())).isCloseTo(Math.exp(logs), within(0.2));
    assertThat(DisplayCurve.midGrey(Metering.of(p, 0.1, 0.1).spot())).isCloseTo(400, within(4.0));
  }

  @Test
  void stopsAndClippedPlacesHaveTheirColours() {
    Picture p = Picture.black(3, 1);
    double grey = DisplayCurve.midGrey(2);
    p.set(0, 0, grey, grey, grey);
    p.set(1, 0, 8 * grey, 8 * grey, 8 * grey);
    byte[] stops = FalseColour.stops(p, 2);
    int[] bands = FalseColour.bands();
    assertThat(colour(stops, 0)).isEqualTo(bands[-FalseColour.LEAST]);
    assertThat(colour(stops, 1)).isEqualTo(bands[3 - FalseColour.LEAST]);
    assertThat(colour(stops, 2)).isEqualTo(bands[0]);
    byte[] clipped = FalseColour.clipped(new byte[] {-1, 10, 10, 90, 90, 90, 0, 0, 0});
    assertThat(colour(clipped, 1)).isEqualTo(0x5A5A5A);
    assertThat(colour(clipped, 0)).isNotEqualTo(colour(clipped, 2));
  }

  private static int colour(byte[] codes, int i) {
    return (codes[3 * i] & 0xFF) << 16 | (codes[3 * i + 1] & 0xFF) << 8 | codes[3 * i + 2] & 0xFF;
  }
}
