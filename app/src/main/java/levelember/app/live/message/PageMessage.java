package levelember.app.live.message;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.Arrays;
import java.util.Objects;
import java.util.stream.Collectors;
import levelember.app.live.view.Denoising;
import levelember.app.live.view.ViewMode;
import levelember.document.ImpossibleValue;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.json.JsonMapper;

/**
 * A message of the live channel from a page to the application, in JSON with the record's name as
 * {@code type}. The description of the interface carries these records, and the page's types are
 * made of it.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
public sealed interface PageMessage {
  /** A mapper to which a number that is left out is 0. */
  JsonMapper JSON =
      JsonMapper.builder()
          .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
          .build();

  /** What every message is. */
  String FORM = "JSON as docs/live-channel.md says";

  /**
   * Reads a message.
   *
   * @throws ImpossibleValue when it is no JSON, or no message that there is
   */
  static PageMessage of(String json) {
    try {
      PageMessage read = JSON.readValue(json, PageMessage.class);
      if (read == null) {
        throw new ImpossibleValue("message", read, FORM);
      }
      return read;
    } catch (InvalidTypeIdException e) {
      throw new ImpossibleValue("type", e.getTypeId(), "one of " + types());
    } catch (InvalidFormatException e) {
      Class<?> wanted = e.getTargetType();
      String field = e.getPath().isEmpty() ? "value" : e.getPath().getLast().getPropertyName();
      throw new ImpossibleValue(
          field, e.getValue(), wanted.isEnum() ? words(wanted) : form(wanted));
    } catch (JacksonException e) {
      throw new ImpossibleValue("message", json, FORM);
    }
  }

  private static String types() {
    return Arrays.stream(PageMessage.class.getPermittedSubclasses())
        .map(c -> c.getAnnotation(JsonTypeName.class).value())
        .collect(Collectors.joining(", "));
  }

  private static String form(Class<?> wanted) {
    return switch (wanted.getSimpleName()) {
      case "int", "long", "Integer", "Long" -> "a whole number";
      case "double", "Double" -> "a number";
      case "boolean", "Boolean" -> "true or false";
      default -> "a text";
    };
  }

  private static String words(Class<?> wanted) {
    return "one of "
        + Arrays.stream(wanted.getEnumConstants())
            .map(word -> JSON.convertValue(word, String.class))
            .collect(Collectors.joining(", "));
  }

  /**
   * Shows what operations would do; nothing is kept.
   *
   * @param operations JSON Patch (RFC 6902) on the kept state
   * @param mark a number of the page's own, which the frame that answers carries
   */
  @JsonTypeName("try")
  record Try(JsonNode operations, long mark) implements PageMessage {
    public Try {
      Objects.requireNonNull(operations);
    }
  }

  /** Shows the kept state again. */
  @JsonTypeName("untry")
  record Untry() implements PageMessage {}

  /** Shows another shot. */
  @JsonTypeName("shot")
  record ChosenShot(String id) implements PageMessage {
    public ChosenShot {
      Objects.requireNonNull(id);
    }
  }

  /** Pixels that the page has for the picture, 64…2560 either way. */
  @JsonTypeName("size")
  record Size(int width, int height) implements PageMessage {}

  /** Tracing rests, or goes on. */
  @JsonTypeName("pause")
  record Pause(boolean paused) implements PageMessage {}

  /** Tracing ends when the picture's noise is below, 0.1…50 percent. */
  @JsonTypeName("noise")
  record WantedNoise(double percent) implements PageMessage {}

  /** When frames are shown denoised. */
  @JsonTypeName("denoise")
  record Denoise(Denoising when) implements PageMessage {
    public Denoise {
      Objects.requireNonNull(when);
    }
  }

  /**
   * How the shoot is shown.
   *
   * @param clay reflectance of clay, 0…1; 0.5 when left out
   * @param keepGlass whether glass stays glass in clay; true when left out
   * @param keepEmission whether emissive pieces emit in clay; true when left out
   */
  @JsonTypeName("view")
  record ChosenView(
      ViewMode.Kind kind,
      @Nullable Double clay,
      @Nullable Boolean keepGlass,
      @Nullable Boolean keepEmission)
      implements PageMessage {
    public ChosenView {
      Objects.requireNonNull(kind);
    }

    public ViewMode view() {
      return ViewMode.of(
          kind,
          clay == null ? 0.5 : clay,
          keepGlass == null || keepGlass,
          keepEmission == null || keepEmission);
    }
  }

  /**
   * The time at which a shoot that moves is shown.
   *
   * @param seconds from the beginning; what the document says at rest when left out
   * @param mark a number of the page's own, which the frame that answers carries
   */
  @JsonTypeName("time")
  record ChosenTime(@Nullable Double seconds, long mark) implements PageMessage {
    public ChosenTime {
      if (seconds != null && !(Math.abs(seconds) <= 1e6)) {
        throw new ImpossibleValue("seconds", seconds, "-1,000,000 to 1,000,000");
      }
    }
  }

  /** What scopes are measured and sent. */
  @JsonTypeName("scopes")
  record WantedScopes(ScopesMessage.Of of) implements PageMessage {
    public WantedScopes {
      Objects.requireNonNull(of);
    }
  }

  /** The frame that answers this mark is on the screen. */
  @JsonTypeName("drawn")
  record Drawn(long mark) implements PageMessage {}

  /** Opens the picture again after it failed. */
  @JsonTypeName("again")
  record Again() implements PageMessage {}

  /** Asks for a reading at a place, 0…1 from the left and the top. */
  @JsonTypeName("probe")
  record Probe(double x, double y) implements PageMessage {}

  /** Asks whether anybody is there. */
  @JsonTypeName("ping")
  record Ping() implements PageMessage {}
}
