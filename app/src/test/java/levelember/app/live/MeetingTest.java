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
import levelember.transport.Scene;
import org.junit.jupiter.api.Test;

class MeetingTest {
  private static final Look PLAIN = new Look("k", "K", 2, 0.5, 3);
  private static final Look SHADED = PLAIN.with(new ContactShade(0.5, 0.3));
  private static final Look LAMPS =
      PLAIN.with(Glow.bloom("g", "G", 0.3, 4).from(Glow.Source.EMISSION, -2, 1));

  private final Meeting meeting = new Meeting();

  private Scene met(Look look) {
    Shoot shoot = SmallShoot.ball(look);
    Scene scene = Scene.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    int looks = 0;
    while (meeting.look(scene, look, 32, 18, () -> false)) {
      looks++;
    }
    assertThat(looks).isEqualTo(FirstHits.ENOUGH);
    assertThat(meeting.knows(shoot, look)).isTrue();
    return scene;
  }

  @Test
  void aLookThatNeedsNothingLooksAtNothing() {
    Shoot shoot = SmallShoot.ball(PLAIN);
    Scene scene = Scene.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    assertThat(meeting.look(scene, PLAIN, 32, 18, () -> false)).isFalse();
    assertThat(meeting.knows(shoot, PLAIN)).isTrue();
    assertThat(meeting.hits()).isNull();
  }

  @Test
  void aMovedLampIsLookedForAgainOnlyByALookThatAsksForLamps() {
    Scene scene = met(SHADED);
    FirstHits before = meeting.hits();
    meeting.changed(new EditCost(false, false, new int[] {-1, 1}), 2);
    assertThat(meeting.look(scene, SHADED, 32, 18, () -> false)).isFalse();
    assertThat(meeting.hits()).isSameAs(before);
    // The look asks for lamps only now, after one has moved.
    assertThat(meeting.look(scene, LAMPS, 32, 18, () -> false)).isTrue();
    assertThat(meeting.hits()).isNotSameAs(before);
    assertThat(meeting.hits().samples()).isEqualTo(1);
  }

  @Test
  void lampsInAnotherOrderAreLookedForAgain() {
    Scene scene = met(LAMPS);
    meeting.changed(new EditCost(false, false, new int[] {1, 0}), 2);
    assertThat(meeting.look(scene, LAMPS, 32, 18, () -> false)).isTrue();
    assertThat(meeting.hits().samples()).isEqualTo(1);
  }

  @Test
  void whenEverythingChangesOrItIsStoppedNothingIsKept() {
    Scene scene = met(SHADED);
    meeting.changed(new EditCost(false, true, new int[] {-1, -1}), 2);
    assertThat(meeting.hits()).isNull();
    assertThat(meeting.look(scene, SHADED, 32, 18, () -> true)).isTrue();
    assertThat(meeting.hits()).isNull();
  }
}
