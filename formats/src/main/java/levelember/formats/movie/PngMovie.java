package levelember.formats.movie;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;

/**
 * Animated PNG: as the third edition of the PNG specification (W3C 2025) has it, of 8 bits a
 * channel, tagged as sRGB, shown for ever.
 */
final class PngMovie implements Movie {
  private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};
  private static final int TICKS = 1000;
  private static final int RGB = 2;

  private final DataOutputStream out;
  private final int frames;
  private final short delay;
  private int width, height;
  private int sequence;
  private boolean begun;

  PngMovie(Path file, double framesPerSecond, int frames) throws IOException {
    OutputStream to = Files.newOutputStream(file);
    out = new DataOutputStream(new java.io.BufferedOutputStream(to));
    this.frames = frames;
    delay = (short) Math.clamp(Math.round(TICKS / framesPerSecond), 1, Short.MAX_VALUE);
  }

  @Override
  public void add(BufferedImage frame) throws IOException {
    if (!begun) {
      begin(frame);
    }
    if (frame.getWidth() != width || frame.getHeight() != height) {
      throw new IOException("frames of a film are of one size");
    }
    ByteArrayOutputStream control = new ByteArrayOutputStream();
    DataOutputStream c = new DataOutputStream(control);
    c.writeInt(sequence++);
    c.writeInt(width);
    c.writeInt(height);
    c.writeInt(0);
    c.writeInt(0);
    c.writeShort(delay);
    c.writeShort(TICKS);
    c.writeShort(0);
    chunk("fcTL", control.toByteArray());
    byte[] packed = packed(frame);
    if (!begun) {
      chunk("IDAT", packed);
      begun = true;
    } else {
      ByteArrayOutputStream data = new ByteArrayOutputStream();
      new DataOutputStream(data).writeInt(sequence++);
      data.write(packed);
      chunk("fdAT", data.toByteArray());
    }
  }

  private void begin(BufferedImage frame) throws IOException {
    width = frame.getWidth();
    height = frame.getHeight();
    out.write(SIGNATURE);
    ByteArrayOutputStream header = new ByteArrayOutputStream();
    DataOutputStream h = new DataOutputStream(header);
    h.writeInt(width);
    h.writeInt(height);
    h.write(new byte[] {8, RGB, 0, 0, 0});
    chunk("IHDR", header.toByteArray());
    chunk("sRGB", new byte[] {0});
    ByteArrayOutputStream animation = new ByteArrayOutputStream();
    DataOutputStream a = new DataOutputStream(animation);
    a.writeInt(frames);
    a.writeInt(0);
    chunk("acTL", animation.toByteArray());
  }

  /** Rows, each as differences from the one above, deflated. */
  private byte[] packed(BufferedImage frame) throws IOException {
    int[] row = new int[width];
    byte[] before = new byte[3 * width], now = new byte[3 * width], line = new byte[1 + 3 * width];
    ByteArrayOutputStream to = new ByteArrayOutputStream();
    try (DeflaterOutputStream deflated =
        new DeflaterOutputStream(to, new Deflater(Deflater.DEFAULT_COMPRESSION))) {
      line[0] = 2;
      for (int y = 0; y < height; y++) {
        frame.getRGB(0, y, width, 1, row, 0, width);
        for (int x = 0; x < width; x++) {
          now[3 * x] = (byte) (row[x] >> 16);
          now[3 * x + 1] = (byte) (row[x] >> 8);
          now[3 * x + 2] = (byte) row[x];
        }
        for (int i = 0; i < now.length; i++) {
          line[i + 1] = (byte) (now[i] - before[i]);
        }
        deflated.write(line);
        byte[] other = before;
        before = now;
        now = other;
      }
    }
    return to.toByteArray();
  }

  private void chunk(String name, byte[] data) throws IOException {
    byte[] type = name.getBytes(StandardCharsets.US_ASCII);
    CRC32 crc = new CRC32();
    crc.update(type);
    crc.update(data);
    out.writeInt(data.length);
    out.write(type);
    out.write(data);
    out.writeInt((int) crc.getValue());
  }

  @Override
  public void close() throws IOException {
    try (out) {
      if (begun) {
        chunk("IEND", new byte[0]);
      }
    }
  }
}
