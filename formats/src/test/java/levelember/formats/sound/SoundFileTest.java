package levelember.formats.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import levelember.formats.RefusedFile;
import org.junit.jupiter.api.Test;

class SoundFileTest {
  private static final int RATE = 8000;

  /** A second of a tone at full scale, one of a tenth of it, one of silence. */
  private static byte[] sound(int bits, int channels, AudioFileFormat.Type type)
      throws IOException {
    int bytes = bits / 8;
    byte[] samples = new byte[3 * RATE * channels * bytes];
    for (int i = 0; i < 3 * RATE; i++) {
      double height = i < RATE ? 1 : i < 2 * RATE ? 0.1 : 0;
      long v = Math.round(height * Math.sin(i * 2 * Math.PI * 440 / RATE) * ((1L << bits - 1) - 1));
      for (int c = 0; c < channels; c++) {
        for (int b = 0; b < bytes; b++) {
          samples[(i * channels + c) * bytes + b] = (byte) (v >> 8 * b);
        }
      }
    }
    AudioFormat format = new AudioFormat(RATE, bits, channels, true, false);
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    AudioSystem.write(
        new AudioInputStream(new ByteArrayInputStream(samples), format, 3L * RATE), type, to);
    return to.toByteArray();
  }

  @Test
  void theLoudnessOfToneIsItsRootMeanSquare() throws IOException {
    for (int bits : new int[] {16, 24}) {
      for (int channels : new int[] {1, 2}) {
        List<Double> loud =
            SoundFile.loudness(sound(bits, channels, AudioFileFormat.Type.WAVE), 10);
        assertThat(loud).hasSize(30);
        assertThat(loud.get(4)).isCloseTo(Math.sqrt(0.5), within(2e-3));
        assertThat(loud.get(15)).isCloseTo(Math.sqrt(0.5) / 10, within(1e-3));
        assertThat(loud.get(25)).isZero();
      }
    }
  }

  @Test
  void whatIsNoSoundIsRefused() {
    assertThatThrownBy(() -> SoundFile.loudness(new byte[200], 24))
        .isInstanceOf(RefusedFile.class)
        .hasMessageContaining("no sound");
  }

  @Test
  void whatLastsTooLongIsRefused() throws IOException {
    byte[] file = sound(16, 1, AudioFileFormat.Type.WAVE);
    assertThatThrownBy(() -> SoundFile.loudness(file, 50_000)).hasMessageContaining("longer");
  }
}
