package levelember.app.live.message;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import levelember.app.live.view.ViewMode;
import levelember.document.ImpossibleValue;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class PageMessageTest {
  @Test
  void whatIsLeftOutOfAViewIsTheUsual() {
    PageMessage heard = PageMessage.of("{\"type\":\"view\",\"kind\":\"clay\"}");
    assertThat(((PageMessage.ChosenView) heard).view())
        .isEqualTo(new ViewMode(null, 0.5, true, true, ViewMode.Paint.LOOK));
    heard = PageMessage.of("{\"type\":\"view\",\"kind\":\"clay\",\"clay\":7,\"keepGlass\":false}");
    assertThat(((PageMessage.ChosenView) heard).view())
        .isEqualTo(new ViewMode(null, 1, false, true, ViewMode.Paint.LOOK));
  }

  @Test
  void aTryWithoutMarkAnswersNothing() {
    PageMessage heard = PageMessage.of("{\"type\":\"try\",\"operations\":[],\"more\":1}");
    assertThat(((PageMessage.Try) heard).mark()).isZero();
  }

  @Test
  void whatIsWrongIsNamedWithWhatThereIs() {
    assertThatThrownBy(() -> PageMessage.of("{\"type\":\"dance\"}"))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("dance")
        .hasMessageContaining("try, untry, shot");
    assertThatThrownBy(() -> PageMessage.of("{\"type\":\"denoise\",\"when\":\"sometimes\"}"))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("one of never, noisy, always");
    assertThatThrownBy(() -> PageMessage.of("{\"type\":\"noise\",\"percent\":\"little\"}"))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("percent");
    for (String bad :
        new String[] {"", "{", "[]", "null", "{}", "{\"type\":3}", "{\"type\":\"denoise\"}"}) {
      assertThatThrownBy(() -> PageMessage.of(bad)).as(bad).isInstanceOf(ImpossibleValue.class);
    }
  }

  @Test
  void answersCarryTheirTypeAndSayWhatIsNotKnown() {
    assertThat(JsonMapper.shared().readTree(new ServerMessage.Changed(7).json()))
        .isEqualTo(JsonMapper.shared().readTree("{\"type\":\"changed\",\"revision\":7}"));
    String reading = new ServerMessage.Reading(0.5, 0.25, 0, null, null, 0).json();
    assertThat(JsonMapper.shared().readTree(reading).path("stops").isNull()).isTrue();
  }

  @Test
  void aPageThatRestsIsToldSoUntilThePictureIsDone() {
    ServerMessage.Progress tracing = progress(ServerMessage.Activity.TRACING);
    assertThat(tracing.resting().state()).isEqualTo(ServerMessage.Activity.PAUSED);
    assertThat(tracing.resting().samples()).isEqualTo(tracing.samples());
    ServerMessage.Progress done = progress(ServerMessage.Activity.DONE);
    assertThat(done.resting()).isEqualTo(done);
  }

  private static ServerMessage.Progress progress(ServerMessage.Activity state) {
    return new ServerMessage.Progress(
        1,
        4,
        12.5,
        2.0,
        null,
        4.5,
        null,
        state,
        9,
        0,
        1.5,
        true,
        64,
        8,
        12,
        32,
        false,
        Map.of("a", 1.0),
        Map.of());
  }
}
