package levelember.formats.movie;

import java.awt.image.BufferedImage;
import java.io.Closeable;
import java.io.IOException;

/** A film that frames of one size are written to, one after the other. */
public sealed interface Movie extends Closeable permits Mp4Movie, PngMovie, GifMovie {
  /** Takes the next frame, in sRGB. */
  void add(BufferedImage frame) throws IOException;

  /** Ends the film; without this the file cannot be read. */
  @Override
  void close() throws IOException;
}
