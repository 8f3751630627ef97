package levelember.formats.sound;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import levelember.formats.RefusedFile;

/** Loudness of a sound file: WAV, AIFF or AU, of whole numbers or floats. */
public final class SoundFile {
  private static final int MOST_FRAMES = 100_000;

  private SoundFile() {}

  /**
   * How loud a sound is from frame to frame.
   *
   * @param framesPerSecond of the picture
   * @return root mean square of all channels over each frame, 0…1 of full scale
   * @throws RefusedFile when it is no such sound, or longer than 100,000 frames
   */
  public static List<Double> loudness(byte[] file, double framesPerSecond) {
    try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(file))) {
      AudioFormat from = in.getFormat();
      AudioFormat plain =
          new AudioFormat(
              AudioFormat.Encoding.PCM_SIGNED,
              from.getSampleRate(),
              16,
              from.getChannels(),
              2 * from.getChannels(),
              from.getSampleRate(),
              false);
      try (AudioInputStream samples = AudioSystem.getAudioInputStream(plain, in)) {
        return means(samples.readAllBytes(), from, framesPerSecond);
      }
    } catch (UnsupportedAudioFileException | IllegalArgumentException e) {
      throw new RefusedFile("the file is no sound that can be read: wanted is a .wav file");
    } catch (IOException e) {
      throw new RefusedFile("the sound ends too early: " + e.getMessage());
    }
  }

  private static List<Double> means(byte[] samples, AudioFormat of, double framesPerSecond) {
    int values = of.getChannels();
    int count = samples.length / (2 * values);
    double perFrame = of.getSampleRate() / framesPerSecond;
    if (!(perFrame > 0) || count / perFrame > MOST_FRAMES) {
      throw new RefusedFile("the sound is longer than " + MOST_FRAMES + " frames");
    }
    List<Double> to = new ArrayList<>();
    for (int frame = 0; Math.ceil(frame * perFrame) < count; frame++) {
      int first = (int) Math.ceil(frame * perFrame);
      int end = (int) Math.min(count, Math.ceil((frame + 1) * perFrame));
      double sum = 0;
      for (int i = first * values; i < end * values; i++) {
        double v = (short) ((samples[2 * i] & 0xff) | samples[2 * i + 1] << 8) / 32768.0;
        sum += v * v;
      }
      to.add(Math.sqrt(sum / Math.max(1, (end - first) * values)));
    }
    return to;
  }
}
