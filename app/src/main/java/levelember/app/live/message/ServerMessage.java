package levelember.app.live.message;

import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/**
 * A message of the live channel from the application to a page, in JSON with the record's name as
 * {@code type}. The description of the interface carries these records, and the page's types are
 * made of it.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
public sealed interface ServerMessage {
  /** The message as it is sent. */
  default String json() {
    return JsonMapper.shared().writeValueAsString(this);
  }

  /** What a session does. */
  enum Activity {
    @JsonProperty("tracing")
    TRACING,
    @JsonProperty("paused")
    PAUSED,
    @JsonProperty("done")
    DONE
  }

  /**
   * How far a picture has got.
   *
   * @param samples of a pixel of the full size, on the mean
   * @param noisePercent of the picture; null before two samples
   * @param wantedPercent noise at which tracing ends
   * @param secondsLeft until then; null before it can be told
   * @param denoisedErrorPercent estimated error of the denoised picture, root mean square in
   *     percent of display values; null where it is not shown denoised or has fewer than two
   *     samples
   * @param secondsToClean until that error is small enough for the picture to be judged; 0 when it
   *     is, null before it can be told
   * @param rays since the last change of state
   * @param dropped contributions since the last change that were no finite number
   * @param denoised whether the picture is shown denoised
   * @param filmBytes memory of films, denoised ones too
   * @param mostFilmBytes beyond which the picture is made smaller
   * @param pictureBytes memory of the pictures of materials
   * @param triangles of the set, those of copies counted
   * @param smaller whether the picture is smaller than the page asks for, as memory is short
   * @param shares a light's share of the picture, 0…1, by its id
   * @param overGloss the share of a light that reached rough surfaces over smooth ones and was
   *     softened or left out, 0…1, by its id
   */
  @JsonTypeName("progress")
  record Progress(
      long revision,
      double samples,
      @Nullable Double noisePercent,
      double wantedPercent,
      @Nullable Double secondsLeft,
      @Nullable Double denoisedErrorPercent,
      @Nullable Double secondsToClean,
      Activity state,
      long rays,
      long dropped,
      double tracedSeconds,
      boolean denoised,
      long mostFilmBytes,
      long pictureBytes,
      long triangles,
      long filmBytes,
      boolean smaller,
      Map<String, Double> shares,
      Map<String, Double> overGloss)
      implements ServerMessage {
    /** The same for a page that wants no more samples. */
    public Progress resting() {
      return new Progress(
          revision,
          samples,
          noisePercent,
          wantedPercent,
          secondsLeft,
          denoisedErrorPercent,
          secondsToClean,
          state == Activity.DONE ? state : Activity.PAUSED,
          rays,
          dropped,
          tracedSeconds,
          denoised,
          mostFilmBytes,
          pictureBytes,
          triangles,
          filmBytes,
          smaller,
          shares,
          overGloss);
    }
  }

  /**
   * What the picture says at a place.
   *
   * @param x 0…1 from the left
   * @param y 0…1 from the top
   * @param luminance cd/m²
   * @param stops from mid grey; null where there is no light
   * @param light name of the light that gives most, or null
   * @param share of that light, 0…1
   */
  @JsonTypeName("reading")
  record Reading(
      double x,
      double y,
      double luminance,
      @Nullable Double stops,
      @Nullable String light,
      double share)
      implements ServerMessage {}

  /** The shoot was edited, by this page or another. */
  @JsonTypeName("changed")
  record Changed(long revision) implements ServerMessage {}

  /** The name under which requests about the live picture say which page they are for. */
  @JsonTypeName("page")
  record PageName(String id) implements ServerMessage {}

  /** A backup has taken the place of all shoots. */
  @JsonTypeName("restored")
  record Restored() implements ServerMessage {}

  /** Messages were let go, as the page did not take them: nothing that it knows of may hold. */
  @JsonTypeName("behind")
  record Behind() implements ServerMessage {}

  /** The shoot is gone. */
  @JsonTypeName("deleted")
  record Deleted() implements ServerMessage {}

  /** The state cannot be rendered; the shoot is kept. */
  @JsonTypeName("failed")
  record Failed(String detail) implements ServerMessage {}

  /** A message could not be followed. */
  @JsonTypeName("refused")
  record Refused(String detail) implements ServerMessage {}

  /** The answer to a page that asks whether anybody is there. */
  @JsonTypeName("pong")
  record Pong() implements ServerMessage {}
}
