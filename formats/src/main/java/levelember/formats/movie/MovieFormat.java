package levelember.formats.movie;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** Kinds of films. */
public enum MovieFormat {
  /** H.264 in MP4, for every player. */
  @JsonProperty("mp4")
  MP4("mp4"),
  /** Animated PNG, without loss. */
  @JsonProperty("apng")
  APNG("apng"),
  /** Animated GIF, of 256 colours. */
  @JsonProperty("gif")
  GIF("gif");

  private final String ending;

  MovieFormat(String ending) {
    this.ending = ending;
  }

  public String ending() {
    return ending;
  }

  /** The format of a file by its ending, or none. */
  public static Optional<MovieFormat> of(Path file) {
    String name = file.getFileName().toString();
    for (MovieFormat format : values()) {
      if (name.endsWith("." + format.ending)) {
        return Optional.of(format);
      }
    }
    return Optional.empty();
  }

  /**
   * Begins a film.
   *
   * @param framesPerSecond of it
   * @param frames that will be added, known before where a format must say so
   */
  public Movie open(Path file, double framesPerSecond, int frames) throws IOException {
    return switch (this) {
      case MP4 -> new Mp4Movie(file, framesPerSecond);
      case APNG -> new PngMovie(file, framesPerSecond, frames);
      case GIF -> new GifMovie(file, framesPerSecond);
    };
  }
}
