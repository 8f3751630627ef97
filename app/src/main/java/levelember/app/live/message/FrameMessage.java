package levelember.app.live.message;

import java.nio.ByteBuffer;
import levelember.shoot.Shot;
import levelember.texture.Picture;
import levelember.upsampling.Ladder;
import tools.jackson.databind.json.JsonMapper;

/** A frame of the live channel in its binary form, as docs/live-channel.md says. */
public final class FrameMessage {
  private FrameMessage() {}

  /**
   * Encodes a frame.
   *
   * @param picture whose size the codes have
   * @param from the films that were mixed
   * @param traced the films that are traced, which may be the same
   * @param begin when mixing began, as of {@link System#nanoTime}
   */
  public static byte[] of(
      Picture picture,
      byte[] codes,
      Shot shot,
      long revision,
      long mark,
      long sinceNanos,
      long rays,
      Ladder from,
      Ladder traced,
      long begin) {
    FrameHeader head =
        new FrameHeader(
            revision,
            mark,
            shot.id(),
            traced.width(),
            traced.height(),
            picture.width(),
            picture.height(),
            traced.step(),
            traced.full().samples(),
            from != traced,
            rays,
            millisSince(begin),
            millisSince(sinceNanos));
    return message(head, codes, true);
  }

  /**
   * Encodes a plain view.
   *
   * @param step pixels that one drawn spans either way
   */
  public static byte[] plain(
      Shot shot,
      long revision,
      long mark,
      long sinceNanos,
      byte[] codes,
      int width,
      int height,
      int step) {
    FrameHeader head =
        new FrameHeader(
            revision,
            mark,
            shot.id(),
            width,
            height,
            (width + step - 1) / step,
            (height + step - 1) / step,
            step,
            1,
            false,
            0,
            0,
            millisSince(sinceNanos));
    return message(head, codes, true);
  }

  private static long millisSince(long nanos) {
    return (System.nanoTime() - nanos) / 1_000_000;
  }

  static byte[] message(ScopesHeader head, byte[] body) {
    return message(head, body, false);
  }

  /**
   * A header and what it tells of.
   *
   * @param rgb whether it is red, green and blue, to which an alpha of 255 is put: the form in
   *     which a page can show them as they are
   */
  private static byte[] message(Object head, byte[] body, boolean rgb) {
    byte[] json = JsonMapper.shared().writeValueAsBytes(head);
    int begin = 4 + json.length;
    byte[] to = new byte[begin + (rgb ? body.length / 3 * 4 : body.length)];
    ByteBuffer.wrap(to).putInt(json.length).put(json);
    if (rgb) {
      for (int from = 0, at = begin; from < body.length; from += 3, at += 4) {
        to[at] = body[from];
        to[at + 1] = body[from + 1];
        to[at + 2] = body[from + 2];
        to[at + 3] = (byte) 255;
      }
    } else {
      System.arraycopy(body, 0, to, begin, body.length);
    }
    return to;
  }
}
