package levelember.formats.movie;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import org.jcodec.codecs.h264.H264Encoder;
import org.jcodec.codecs.h264.encode.RateControl;
import org.jcodec.codecs.h264.io.model.SliceType;
import org.jcodec.common.Codec;
import org.jcodec.common.MuxerTrack;
import org.jcodec.common.VideoCodecMeta;
import org.jcodec.common.VideoEncoder.EncodedFrame;
import org.jcodec.common.io.NIOUtils;
import org.jcodec.common.io.SeekableByteChannel;
import org.jcodec.common.model.ColorSpace;
import org.jcodec.common.model.Packet;
import org.jcodec.common.model.Packet.FrameType;
import org.jcodec.common.model.Picture;
import org.jcodec.common.model.Size;
import org.jcodec.containers.mp4.muxer.MP4Muxer;
import org.jcodec.scale.AWTUtil;
import org.jcodec.scale.ColorUtil;

/**
 * H.264 in MP4, by a library, at one quantiser throughout, as few bits are worth less here than
 * blocks in a dark wall. An odd side gets a row or a column more, a copy of the last.
 */
final class Mp4Movie implements Movie {
  private static final int TICKS = 1000;

  /** Of 0 (finest) to 51. */
  private static final int QUANTISER = 16;

  /** Frames from one that stands by itself to the next. */
  private static final int KEY_INTERVAL = 24;

  /** One quantiser, whatever bits that takes. */
  private static final RateControl CONSTANT =
      new RateControl() {
        @Override
        public int startPicture(Size size, int maxSize, SliceType type) {
          return QUANTISER;
        }

        @Override
        public int initialQpDelta() {
          return 0;
        }

        @Override
        public int accept(int bits) {
          return 0;
        }
      };

  private final SeekableByteChannel channel;
  private final MP4Muxer muxer;
  private final H264Encoder encoder = new H264Encoder(CONSTANT);
  private final int timescale;
  private MuxerTrack track;
  private int frames;

  Mp4Movie(Path file, double framesPerSecond) throws IOException {
    channel = NIOUtils.writableChannel(file.toFile());
    muxer = MP4Muxer.createMP4MuxerToChannel(channel);
    timescale = (int) Math.round(framesPerSecond * TICKS);
    encoder.setKeyInterval(KEY_INTERVAL);
  }

  @Override
  public void add(BufferedImage frame) throws IOException {
    Picture rgb = AWTUtil.fromBufferedImageRGB(even(frame));
    Picture yuv = Picture.create(rgb.getWidth(), rgb.getHeight(), ColorSpace.YUV420J);
    ColorUtil.getTransform(ColorSpace.RGB, ColorSpace.YUV420J).transform(rgb, yuv);
    if (track == null) {
      VideoCodecMeta about =
          VideoCodecMeta.createSimpleVideoCodecMeta(
              new Size(rgb.getWidth(), rgb.getHeight()), ColorSpace.YUV420J);
      track = muxer.addVideoTrack(Codec.H264, about);
    }
    ByteBuffer room = ByteBuffer.allocate(encoder.estimateBufferSize(yuv));
    EncodedFrame coded = encoder.encodeFrame(yuv, room);
    track.addFrame(
        Packet.createPacket(
            coded.getData(),
            (long) frames * TICKS,
            timescale,
            TICKS,
            frames,
            coded.isKeyFrame() ? FrameType.KEY : FrameType.INTER,
            null));
    frames++;
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
    try (channel) {
      if (frames > 0) {
        muxer.finish();
      }
    }
  }
}
