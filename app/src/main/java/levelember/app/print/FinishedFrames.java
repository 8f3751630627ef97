package levelember.app.print;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import levelember.measure.FlickerFinder;
import levelember.printing.film.WholeFile;
import tools.jackson.databind.json.JsonMapper;

/** Which frames of a job are done, in its folder: a list of its files for each, and its picture. */
final class FinishedFrames {
  private final Path folder;

  FinishedFrames(Path job) throws IOException {
    folder = Files.createDirectories(job.resolve("frames"));
  }

  private Path list(int frame) {
    return folder.resolve(String.format(Locale.ROOT, "%04d.json", frame));
  }

  /** The picture of a frame, as PNG of 8 bits. */
  Path picture(int frame) {
    return folder.resolve(String.format(Locale.ROOT, "%04d.png", frame));
  }

  /** The files of a frame; empty while it is not done, or when one of them is gone. */
  List<Path> files(int frame) throws IOException {
    if (!Files.exists(list(frame))) {
      return List.of();
    }
    List<String> names =
        JsonMapper.shared().readerForListOf(String.class).readValue(Files.readString(list(frame)));
    List<Path> files = names.stream().map(Path::of).toList();
    return files.stream().allMatch(Files::exists) && Files.exists(picture(frame))
        ? files
        : List.of();
  }

  /** Marks a frame as done; its picture is kept. */
  void done(int frame, List<Path> files, byte[] png) throws IOException {
    WholeFile.write(picture(frame), png);
    WholeFile.write(
        list(frame),
        JsonMapper.shared().writeValueAsBytes(files.stream().map(Path::toString).toList()));
  }

  /** Keeps what is known of a frame's light; null keeps nothing. */
  void light(int frame, FlickerFinder.FrameLight light) throws IOException {
    if (light != null) {
      WholeFile.write(lightOf(frame), JsonMapper.shared().writeValueAsBytes(light));
    }
  }

  /** What is known of a frame's light, or null. */
  FlickerFinder.FrameLight light(int frame) throws IOException {
    return Files.exists(lightOf(frame))
        ? JsonMapper.shared()
            .readValue(Files.readAllBytes(lightOf(frame)), FlickerFinder.FrameLight.class)
        : null;
  }

  private Path lightOf(int frame) {
    return folder.resolve(String.format(Locale.ROOT, "%04d.light.json", frame));
  }

  /** Marks a frame as not done. */
  void stale(int frame) throws IOException {
    Files.deleteIfExists(list(frame));
  }
}
