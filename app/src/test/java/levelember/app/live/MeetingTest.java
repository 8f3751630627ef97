package levelember.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.app.SmallShoot;
import levelember.film.FirstHits;
import levelember.shoot.ContactShade;
import levelember.shoot.EditCost;
import levelember.shoot.Glow;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.texture.Pictures;
import levelember.transport.View;
import org.junit.jupiter.api.Test;

class MeetingTest {
  private static final Look PLAIN = new Look("k", "K", 2, 0.5, 3);
  private static final Look SHADED = PLAIN.with(new ContactShade(0.5, 0.3));
  private static final Look LAMPS =
      PLAIN.with(Glow.bloom("g", "G", 0.3, 4).from(Glow.Source.EMISSION, -2, 1));

  private final Meeting meeting = new Meeting();

  private View met(Look look) {
    Shoot shoot = SmallShoot.ball(look);
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    int looks = 0;
    while (meeting.look(view, look, 32, 18, () -> false)) {
      looks++;
    }
    assertThat(looks).isEqualTo(FirstHits.ENOUGH);
    assertThat(meeting.knows(shoot, look)).isTrue();
    return view;
  }

  @Test
  void aLookThatNeedsNothingLooksAtNothing() {
    Shoot shoot = SmallShoot.ball(PLAIN);
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    assertThat(meeting.look(view, PLAIN, 32, 18, () -> false)).isFalse();
    assertThat(meeting.knows(shoot, PLAIN)).isTrue();
    assertThat(meeting.hits()).isNull();
  }

  @Test
  void aMovedLampIsLookedForAgainOnlyByALookThatAsksForLamps() {
    View view = met(SHADED);
    FirstHits before = meeting.hits();
    meeting.changed(new EditCost(false, false, new int[] {-1, 1}), 2);
    assertThat(meeting.look(view, SHADED, 32, 18, () -> false)).isFalse();
    assertThat(meeting.hits()).isSameAs(before);
    // The look asks for lamps only now, after one has moved.
    assertThat(meeting.look(view, LAMPS, 32, 18, () -> false)).isTrue();
    assertThat(meeting.hits()).isNotSameAs(before);
    assertThat(meeting.hits().samples()).isEqualTo(1);
  }

  @Test
  void lampsInAnotherOrderAreLookedForAgain() {
    View view = met(LAMPS);
    meeting.changed(new EditCost(false, false, new int[] {1, 0}), 2);
    assertThat(meeting.look(view, LAMPS, 32, 18, () -> false)).isTrue();
    assertThat(meeting.hits().samples()).isEqualTo(1);
  }

  @Test
  void whenEverythingChangesOrItIsStoppedNothingIsKept() {
    View view = met(SHADED);
    meeting.changed(new EditCost(false, true, new int[] {-1, -1}), 2);
    assertThat(meeting.hits()).isNull();
    assertThat(meeting.look(view, SHADED, 32, 18, () -> true)).isTrue();
    assertThat(meeting.hits()).isNull();
  }
}
