package levelember.formats.movie;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import org.jcodec.api.awt.AWTSequenceEncoder;
import org.jcodec.common.io.NIOUtils;
import org.jcodec.common.io.SeekableByteChannel;
import org.jcodec.common.model.Rational;

/** H.264 in MP4, by a library. An odd side gets a row or a column more, a copy of the last. */
final class Mp4Movie implements Movie {
  private static final int TICKS = 1000;

  private final SeekableByteChannel channel;
  private final AWTSequenceEncoder encoder;

  Mp4Movie(Path file, double framesPerSecond) throws IOException {
    channel = NIOUtils.writableChannel(file.toFile());
    encoder =
        new AWTSequenceEncoder(
            channel, Rational.R((int) Math.round(framesPerSecond * TICKS), TICKS));
  }

  @Override
  public void add(BufferedImage frame) throws IOException {
    encoder.encodeImage(even(frame));
  }

  private static BufferedImage even(BufferedImage frame) {
    int width = frame.getWidth(), height = frame.getHeight();
    BufferedImage to =
        new BufferedImage(width + width % 2, height + height % 2, BufferedImage.TYPE_3BYTE_BGR);
    Graphics2D g = to.createGraphics();
    g.drawImage(frame, width % 2, height % 2, null);
    g.drawImage(frame, 0, 0, null);
    g.dispose();
    return to;
  }

  @Override
  public void close() throws IOException {
    encoder.finish();
    channel.close();
  }
}
