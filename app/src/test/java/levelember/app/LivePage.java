package levelember.app;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The live channel as a page has it. */
public final class LivePage implements AutoCloseable {
  /** Much more than anything takes, on cores that are shared with others too. */
  private static final long MOST_NANOS = TimeUnit.MINUTES.toNanos(5);

  record Frame(JsonNode head, byte[] body) {
    /** The picture's red, green and blue; its alpha must be whole. */
    byte[] rgb() {
      byte[] rgb = new byte[body.length / 4 * 3];
      for (int from = 0, to = 0; from < body.length; from += 4, to += 3) {
        System.arraycopy(body, from, rgb, to, 3);
        if (body[from + 3] != (byte) 255) {
          throw new AssertionError("alpha of a frame is " + (body[from + 3] & 255));
        }
      }
      return rgb;
    }
  }

  private final BlockingQueue<Frame> frames = new LinkedBlockingQueue<>();
  private final BlockingQueue<Frame> scopes = new LinkedBlockingQueue<>();
  private final BlockingQueue<JsonNode> messages = new LinkedBlockingQueue<>();
  private final WebSocket socket;

  /** A page that shows a shoot of the application at a port of this machine. */
  public LivePage(int port, String shoot) {
    URI address = URI.create("ws://localhost:" + port + "/api/shoots/" + shoot + "/live");
    socket = HttpClient.newHttpClient().newWebSocketBuilder().buildAsync(address, new Ear()).join();
  }

  /** Sends a message. */
  public void say(String json) {
    socket.sendText(json, true).join();
  }

  /** Sends a part of a message that does not end with it. */
  void part(String begun) {
    socket.sendText(begun, false).join();
  }

  @Override
  public void close() {
    socket.abort();
  }

  private final class Ear implements WebSocket.Listener {
    private final java.io.ByteArrayOutputStream bytes = new java.io.ByteArrayOutputStream();
    private final StringBuilder text = new StringBuilder();

    @Override
    public CompletionStage<?> onBinary(WebSocket s, ByteBuffer data, boolean last) {
      byte[] part = new byte[data.remaining()];
      data.get(part);
      bytes.writeBytes(part);
      if (last) {
        ByteBuffer all = ByteBuffer.wrap(bytes.toByteArray());
        bytes.reset();
        byte[] head = new byte[all.getInt()];
        all.get(head);
        byte[] body = new byte[all.remaining()];
        all.get(body);
        Frame came = new Frame(JsonMapper.shared().readTree(head), body);
        (came.head.has("kind") ? scopes : frames).add(came);
      }
      s.request(1);
      return null;
    }

    @Override
    public CompletionStage<?> onText(WebSocket s, CharSequence data, boolean last) {
      text.append(data);
      if (last) {
        messages.add(JsonMapper.shared().readTree(text.toString()));
        text.setLength(0);
      }
      s.request(1);
      return null;
    }
  }

  Frame frame(Predicate<JsonNode> wanted) throws InterruptedException {
    return of(frames, wanted);
  }

  /** Waits for a frame of a revision; answers it. */
  public long frameOf(long revision) throws InterruptedException {
    return frame(h -> h.get("revision").longValue() == revision).head().get("revision").longValue();
  }

  Frame scopes(Predicate<JsonNode> wanted) throws InterruptedException {
    return of(scopes, wanted);
  }

  private static Frame of(BlockingQueue<Frame> queue, Predicate<JsonNode> wanted)
      throws InterruptedException {
    long end = System.nanoTime() + MOST_NANOS;
    while (System.nanoTime() < end) {
      Frame f = queue.poll(1, TimeUnit.SECONDS);
      if (f != null && wanted.test(f.head)) {
        return f;
      }
    }
    throw new AssertionError("no such frame came");
  }

  /** The next message of a kind. */
  public JsonNode message(Predicate<JsonNode> wanted) throws InterruptedException {
    long end = System.nanoTime() + MOST_NANOS;
    while (System.nanoTime() < end) {
      JsonNode m = messages.poll(1, TimeUnit.SECONDS);
      if (m != null && wanted.test(m)) {
        return m;
      }
    }
    throw new AssertionError("no such message came");
  }

  /** Forgets what has come so far. */
  public void forget() {
    frames.clear();
    scopes.clear();
    messages.clear();
  }
}
