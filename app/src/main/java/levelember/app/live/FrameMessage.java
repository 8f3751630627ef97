package levelember.app.live;

import java.nio.ByteBuffer;
import java.util.LinkedHashMap;
import java.util.Map;
import levelember.film.Ladder;
import levelember.shoot.Shot;
import levelember.texture.Picture;
import tools.jackson.databind.json.JsonMapper;

/** A frame of the live channel in its binary form, as docs/live-channel.md says. */
final class FrameMessage {
  private FrameMessage() {}

  /**
   * Encodes a frame.
   *
   * @param picture whose size the codes have
   * @param from the films that were mixed
   * @param traced the films that are traced, which may be the same
   * @param begin when mixing began, as of {@link System#nanoTime}
   */
  static byte[] of(
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
    Map<String, Object> head =
        head(shot, revision, mark, traced.width(), traced.height(), traced.step());
    head.put("columns", picture.width());
    head.put("rows", picture.height());
    head.put("samples", traced.full().samples());
    head.put("denoised", from != traced);
    head.put("rays", rays);
    head.put("mixMillis", (System.nanoTime() - begin) / 1_000_000);
    head.put("sinceEditMillis", (System.nanoTime() - sinceNanos) / 1_000_000);
    return message(head, codes, true);
  }

  /**
   * Encodes a plain view.
   *
   * @param step pixels that one drawn spans either way
   */
  static byte[] plain(
      Shot shot,
      long revision,
      long mark,
      long sinceNanos,
      byte[] codes,
      int width,
      int height,
      int step) {
    Map<String, Object> head = head(shot, revision, mark, width, height, step);
    head.put("columns", (width + step - 1) / step);
    head.put("rows", (height + step - 1) / step);
    head.put("samples", 1);
    head.put("denoised", false);
    head.put("rays", 0);
    head.put("mixMillis", 0);
    head.put("sinceEditMillis", (System.nanoTime() - sinceNanos) / 1_000_000);
    return message(head, codes, true);
  }

  private static Map<String, Object> head(
      Shot shot, long revision, long mark, int width, int height, int step) {
    Map<String, Object> head = new LinkedHashMap<>();
    head.put("revision", revision);
    head.put("mark", mark);
    head.put("shot", shot.id());
    head.put("width", width);
    head.put("height", height);
    head.put("step", step);
    return head;
  }

  static byte[] message(Map<String, Object> head, byte[] body) {
    return message(head, body, false);
  }

  /**
   * A header and what it tells of.
   *
   * @param rgb whether it is red, green and blue, to which an alpha of 255 is put: the form in
   *     which a page can show them as they are
   */
  private static byte[] message(Map<String, Object> head, byte[] body, boolean rgb) {
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
