package levelember.formats.movie;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.jcodec.api.FrameGrab;
import org.jcodec.common.io.NIOUtils;
import org.jcodec.containers.mp4.demuxer.MP4Demuxer;
import org.jcodec.scale.AWTUtil;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MovieTest {
  private static final int FRAMES = 7;

  @TempDir Path folder;

  /** A bright square that goes to the right over grey. */
  private static BufferedImage frame(int i, int width, int height) {
    BufferedImage to = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = to.createGraphics();
    g.setColor(new Color(90, 100, 110));
    g.fillRect(0, 0, width, height);
    g.setColor(new Color(250, 120, 60));
    g.fillRect(8 * i, 16, 16, 16);
    g.dispose();
    return to;
  }

  private Path film(MovieFormat format, int width, int height) throws IOException {
    Path file = folder.resolve("film." + format.ending());
    try (Movie movie = format.open(file, 12, FRAMES)) {
      for (int i = 0; i < FRAMES; i++) {
        movie.add(frame(i, width, height));
      }
    }
    return file;
  }

  private static void same(BufferedImage is, BufferedImage wanted, int within) {
    for (int[] at : new int[][] {{4, 24}, {20, 24}, {60, 24}, {40, 50}}) {
      Color a = new Color(is.getRGB(at[0], at[1])), b = new Color(wanted.getRGB(at[0], at[1]));
      assertThat(a.getRed()).isCloseTo(b.getRed(), within(within));
      assertThat(a.getGreen()).isCloseTo(b.getGreen(), within(within));
      assertThat(a.getBlue()).isCloseTo(b.getBlue(), within(within));
    }
  }

  @Test
  void anMp4HasItsFramesInOrderAndAtTheirRate() throws Exception {
    Path file = film(MovieFormat.MP4, 96, 64);
    FrameGrab grab = FrameGrab.createFrameGrab(NIOUtils.readableChannel(file.toFile()));
    for (int i = 0; i < FRAMES; i++) {
      same(AWTUtil.toBufferedImage(grab.getNativeFrame()), frame(i, 96, 64), 12);
    }
    assertThat(grab.getNativeFrame()).isNull();
    try (var in = NIOUtils.readableChannel(file.toFile())) {
      var track = MP4Demuxer.createMP4Demuxer(in).getVideoTrack().getMeta();
      assertThat(track.getTotalFrames()).isEqualTo(FRAMES);
      assertThat(track.getTotalDuration()).isCloseTo(FRAMES / 12.0, within(0.01));
    }
  }

  @Test
  void anOddSizeIsMadeEven() throws Exception {
    Path file = film(MovieFormat.MP4, 97, 65);
    FrameGrab grab = FrameGrab.createFrameGrab(NIOUtils.readableChannel(file.toFile()));
    var first = AWTUtil.toBufferedImage(grab.getNativeFrame());
    assertThat(first.getWidth()).isEqualTo(98);
    assertThat(first.getHeight()).isEqualTo(66);
  }

  @Test
  void aGifHasItsFramesAndTheirTimes() throws Exception {
    Path file = film(MovieFormat.GIF, 96, 64);
    ImageReader reader = ImageIO.getImageReadersByFormatName("gif").next();
    try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
      reader.setInput(in);
      assertThat(reader.getNumImages(true)).isEqualTo(FRAMES);
      int centis = 0;
      for (int i = 0; i < FRAMES; i++) {
        same(reader.read(i), frame(i, 96, 64), 8);
        var root =
            (javax.imageio.metadata.IIOMetadataNode)
                reader.getImageMetadata(i).getAsTree("javax_imageio_gif_image_1.0");
        var control =
            (javax.imageio.metadata.IIOMetadataNode)
                root.getElementsByTagName("GraphicControlExtension").item(0);
        centis += Integer.parseInt(control.getAttribute("delayTime"));
      }
      assertThat(centis).isCloseTo(58, within(1));
    }
  }

  @Test
  void anAnimatedPngIsAPngWhoseOtherFramesAreExactToo() throws Exception {
    byte[] file = Files.readAllBytes(film(MovieFormat.APNG, 96, 64));
    same(ImageIO.read(new ByteArrayInputStream(file)), frame(0, 96, 64), 0);
    List<BufferedImage> frames = unpacked(file);
    assertThat(frames).hasSize(FRAMES);
    for (int i = 0; i < FRAMES; i++) {
      for (int y = 0; y < 64; y++) {
        for (int x = 0; x < 96; x++) {
          assertThat(frames.get(i).getRGB(x, y)).isEqualTo(frame(i, 96, 64).getRGB(x, y));
        }
      }
    }
  }

  /** Every frame as a PNG of its own, which a reader that is not ours reads. */
  private static List<BufferedImage> unpacked(byte[] file) throws IOException {
    List<BufferedImage> to = new ArrayList<>();
    byte[] header = null;
    int sequence = 0;
    DataInputStream in = new DataInputStream(new ByteArrayInputStream(file));
    in.readLong();
    while (in.available() > 0) {
      byte[] data = new byte[in.readInt()];
      byte[] type = in.readNBytes(4);
      in.readFully(data);
      CRC32 crc = new CRC32();
      crc.update(type);
      crc.update(data);
      assertThat(in.readInt()).isEqualTo((int) crc.getValue());
      DataInputStream of = new DataInputStream(new ByteArrayInputStream(data));
      switch (new String(type, java.nio.charset.StandardCharsets.US_ASCII)) {
        case "IHDR" -> header = data;
        case "acTL" -> assertThat(of.readInt()).isEqualTo(FRAMES);
        case "fcTL" -> {
          assertThat(of.readInt()).isEqualTo(sequence++);
          assertThat(of.readInt()).isEqualTo(96);
          of.skipBytes(12);
          assertThat(of.readShort() / (double) of.readShort()).isCloseTo(1 / 12.0, within(1e-3));
        }
        case "IDAT" -> to.add(png(header, data));
        case "fdAT" -> {
          assertThat(of.readInt()).isEqualTo(sequence++);
          to.add(png(header, of.readAllBytes()));
        }
        default -> {}
      }
    }
    return to;
  }

  private static BufferedImage png(byte[] header, byte[] packed) throws IOException {
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(to);
    out.writeLong(0x89504E470D0A1A0AL);
    for (Object[] chunk :
        new Object[][] {{"IHDR", header}, {"IDAT", packed}, {"IEND", new byte[0]}}) {
      byte[] type = ((String) chunk[0]).getBytes(java.nio.charset.StandardCharsets.US_ASCII);
      byte[] data = (byte[]) chunk[1];
      CRC32 crc = new CRC32();
      crc.update(type);
      crc.update(data);
      out.writeInt(data.length);
      out.write(type);
      out.write(data);
      out.writeInt((int) crc.getValue());
    }
    return ImageIO.read(new ByteArrayInputStream(to.toByteArray()));
  }

  @Test
  void theFormatOfAFileIsItsEnding() {
    assertThat(MovieFormat.of(Path.of("a.mp4"))).contains(MovieFormat.MP4);
    assertThat(MovieFormat.of(Path.of("a.png"))).isEmpty();
  }
}
