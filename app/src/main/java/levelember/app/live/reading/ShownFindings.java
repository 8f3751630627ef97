package levelember.app.live.reading;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import levelember.app.asset.Assets;
import levelember.app.live.channel.LiveSocket;
import levelember.app.live.session.LiveSession;
import levelember.app.live.session.SessionSnapshot;
import levelember.film.Film;
import levelember.findings.SecondLook;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.formats.document.ShootDifference;
import levelember.formats.document.ShootDocument;
import levelember.shoot.Shoot;
import levelember.shoot.Silenced;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/**
 * Second look at what pages show. A look is taken anew when the shoot or the shot is another, or
 * when there are half as many samples more; and only after nine times as long as the last one took,
 * so that it takes a tenth of the time at most.
 */
@Service
public class ShownFindings {
  private static final long REST = 9;
  private static final double MORE_SAMPLES = 1.5;

  private final LiveSocket socket;
  private final Assets assets;

  /** The last look of each session. */
  private final Map<LiveSession, Look> looks = new ConcurrentHashMap<>();

  private record Look(Shoot shoot, String shot, double samples, Answer answer, long nextNanos) {}

  ShownFindings(LiveSocket socket, Assets assets) {
    this.socket = socket;
    this.assets = assets;
  }

  /**
   * A mend.
   *
   * @param operations JSON Patch of the shoot
   */
  public record ShownMend(String text, JsonNode operations) {}

  /**
   * A finding.
   *
   * @param key what stays the same while its numbers change
   * @param light id, or null
   * @param piece id, or null
   * @param weight how much it matters, 0…1
   * @param silenced why the artist does not want to see it, or null
   */
  public record ShownFinding(
      Finding.Kind kind,
      String key,
      @Schema(types = {"string", "null"}) @Nullable String light,
      @Schema(types = {"string", "null"}) @Nullable String piece,
      double weight,
      String what,
      String why,
      Finding.@Nullable Region region,
      List<ShownMend> mends,
      @Schema(types = {"string", "null"}) @Nullable String silenced) {}

  /**
   * What was found.
   *
   * @param samples of a pixel of the picture that was looked at
   * @param seconds that it took
   */
  public record Answer(double samples, double seconds, List<ShownFinding> findings) {}

  /** Looks a page's picture over; empty before there is a whole sample. */
  public Optional<Answer> at(String shoot, String page) {
    LiveSession session = socket.session(shoot, page);
    return session
        .now()
        .filter(m -> m.ladder().full().samples() > 0)
        .map(m -> at(session, m, shoot));
  }

  private synchronized Answer at(LiveSession session, SessionSnapshot m, String shoot) {
    Look last = looks.get(session);
    double samples = m.ladder().full().meanSamples();
    boolean same =
        last != null && last.shoot().equals(m.shoot()) && last.shot().equals(m.shot().id());
    boolean fresh = same && samples < MORE_SAMPLES * last.samples() && samples >= last.samples();
    if (last != null && (fresh || same && System.nanoTime() < last.nextNanos())) {
      return last.answer();
    }
    long begin = System.nanoTime();
    Film shown = m.films(true).full();
    List<Finding> found =
        SecondLook.at(
            new Inspection(m.view(), m.shot(), shown, m.ladder().full(), assets.files(shoot)));
    long took = System.nanoTime() - begin;
    JsonNode document = ShootDocument.tree(m.shoot());
    Answer answer =
        new Answer(
            samples, took / 1e9, found.stream().map(f -> shown(f, m.shoot(), document)).toList());
    looks.keySet().removeIf(s -> s != session && !s.watched());
    looks.put(
        session, new Look(m.shoot(), m.shot().id(), samples, answer, begin + took + REST * took));
    return answer;
  }

  private static ShownFinding shown(Finding f, Shoot shoot, JsonNode document) {
    return new ShownFinding(
        f.kind(),
        f.key(),
        f.light(),
        f.piece(),
        f.weight(),
        f.what(),
        f.why(),
        f.region(),
        f.mends().stream().map(m -> new ShownMend(m.text(), operations(m, document))).toList(),
        shoot.meter().silenced().stream()
            .filter(s -> s.finding().equals(f.key()))
            .map(Silenced::reason)
            .findFirst()
            .orElse(null));
  }

  /** Value by value, so that what is keyed stays keyed. */
  private static ArrayNode operations(Finding.Mend mend, JsonNode document) {
    ArrayNode to = JsonNodeFactory.instance.arrayNode();
    ShootDifference.between(document, ShootDocument.tree(mend.after()))
        .forEach(change -> change.operations().forEach(to::add));
    return to;
  }
}
