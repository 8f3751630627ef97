package levelember.cli;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import levelember.formats.movie.Movie;
import levelember.formats.movie.MovieFormat;

/** Films that rendered frames are put into, one a shot. */
final class MovieFiles implements Closeable {
  private final MovieFormat format;
  private final double framesPerSecond;
  private final int frames;
  private final Map<Path, Movie> open = new LinkedHashMap<>();

  MovieFiles(MovieFormat format, double framesPerSecond, int frames) {
    this.format = format;
    this.framesPerSecond = framesPerSecond;
    this.frames = frames;
  }

  /** A file for the next frame, as PNG. */
  static Path frame() throws IOException {
    return Files.createTempFile("ember-frame", ".png");
  }

  /** Puts a frame into a film; the frame's file is deleted. */
  void add(Path movie, Path frame) throws IOException {
    if (!open.containsKey(movie)) {
      open.put(movie, format.open(movie, framesPerSecond, frames));
    }
    open.get(movie).add(ImageIO.read(frame.toFile()));
    Files.delete(frame);
  }

  @Override
  public void close() throws IOException {
    for (Movie movie : open.values()) {
      movie.close();
    }
  }
}
