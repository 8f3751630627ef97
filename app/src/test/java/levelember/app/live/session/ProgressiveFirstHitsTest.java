package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.app.SmallShoot;
import levelember.film.FirstHits;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.look.ContactShade;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

class ProgressiveFirstHitsTest {
  private static final Look PLAIN = new Look("k", "K", 2, 0.5, 3);
  private static final Look SHADED = PLAIN.with(new ContactShade(0.5, 0.3));
  private static final Look LAMPS =
      PLAIN.with(Glow.bloom("g", "G", 0.3, 4).from(Glow.Source.EMISSION, -2, 1));

  private final ProgressiveFirstHits firstHits = new ProgressiveFirstHits();

  private View met(Look look) {
    Shoot shoot = SmallShoot.ball(look);
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    int looks = 0;
    while (firstHits.sample(view, look, 32, 18, () -> false)) {
      looks++;
    }
    assertThat(looks).isEqualTo(FirstHits.ENOUGH);
    assertThat(firstHits.knows(shoot, look)).isTrue();
    return view;
  }

  @Test
  void aLookThatNeedsNothingLooksAtNothing() {
    Shoot shoot = SmallShoot.ball(PLAIN);
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    assertThat(firstHits.sample(view, PLAIN, 32, 18, () -> false)).isFalse();
    assertThat(firstHits.knows(shoot, PLAIN)).isTrue();
    assertThat(firstHits.hits()).isNull();
  }

  @Test
  void aMovedLampIsLookedForAgainOnlyByALookThatAsksForLamps() {
    View view = met(SHADED);
    FirstHits before = firstHits.hits();
    firstHits.changed(new EditCost(false, false, new int[] {-1, 1}), 2);
    assertThat(firstHits.sample(view, SHADED, 32, 18, () -> false)).isFalse();
    assertThat(firstHits.hits()).isSameAs(before);
    // The look asks for lamps only now, after one has moved.
    assertThat(firstHits.sample(view, LAMPS, 32, 18, () -> false)).isTrue();
    assertThat(firstHits.hits()).isNotSameAs(before);
    assertThat(firstHits.hits().samples()).isEqualTo(1);
  }

  @Test
  void lampsInAnotherOrderAreLookedForAgain() {
    View view = met(LAMPS);
    firstHits.changed(new EditCost(false, false, new int[] {1, 0}), 2);
    assertThat(firstHits.sample(view, LAMPS, 32, 18, () -> false)).isTrue();
    assertThat(firstHits.hits().samples()).isEqualTo(1);
  }

  @Test
  void whenEverythingChangesOrItIsStoppedNothingIsKept() {
    View view = met(SHADED);
    firstHits.changed(new EditCost(false, true, new int[] {-1, -1}), 2);
    assertThat(firstHits.hits()).isNull();
    assertThat(firstHits.sample(view, SHADED, 32, 18, () -> true)).isTrue();
    assertThat(firstHits.hits()).isNull();
  }
}
