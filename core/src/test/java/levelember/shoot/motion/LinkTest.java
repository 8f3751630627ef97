package levelember.shoot.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import levelember.Sets;
import levelember.document.ImpossibleValue;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

class LinkTest {
  private static final Shoot STILL =
      Sets.white(0.5)
          .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
          .light(Sets.light("a", new Emitter.Sphere(0.1), Vec3.UP, Vec3.ZERO, 10, Unit.NIT))
          .light(Sets.light("b", new Emitter.Sphere(0.1), Vec3.ZERO, Vec3.UP, 10, Unit.NIT))
          .shoot();

  private static Shoot with(List<Track> tracks, Link... links) {
    return STILL.with(Motion.NONE.with(tracks).linked(List.of(links)));
  }

  private static Light b(Shoot shoot) {
    return shoot.light("b").orElseThrow();
  }

  @Test
  void aValueIsWhatItFollowsAtRestAndAtEveryTime() {
    Track rising =
        Track.of(
            "lights/a/levelStops", Key.of(0, Span.STRAIGHT, 0.0), Key.of(2, Span.STRAIGHT, 4.0));
    Link half = new Link("lights/b/levelStops", "lights/a/levelStops", 0.5, 1);
    Shoot shoot = with(List.of(rising), half);
    assertThat(b(ShootAtTime.of(shoot, 1)).levelStops()).isEqualTo(2);
    Shoot rest = ShootAtTime.atRest(shoot);
    assertThat(b(rest).levelStops()).isEqualTo(1);
    assertThat(rest.motion()).isEqualTo(shoot.motion());
  }

  @Test
  void directionsSwitchesAndTheMasterAreFollowedToo() {
    Shoot shoot =
        with(
            List.of(),
            Link.same("lights/b/position", "lights/a/position"),
            Link.same("lights/b/seenDirectly", "lights/a/seenDirectly"),
            Link.same("lights/b/levelStops", "masterStops"));
    assertThat(b(ShootAtTime.of(shoot, 0)).position()).isEqualTo(Vec3.UP);
    assertThat(b(ShootAtTime.of(shoot, 0)).levelStops()).isEqualTo(shoot.masterStops());
  }

  @Test
  void whatFollowsOutOfItsRangeStays() {
    Track rising =
        Track.of(
            "lights/a/levelStops", Key.of(0, Span.STRAIGHT, 0.0), Key.of(1, Span.STRAIGHT, 8.0));
    Link twice = new Link("lights/b/levelStops", "lights/a/levelStops", 2, 0);
    Shoot shoot = with(List.of(rising), twice);
    assertThat(b(ShootAtTime.of(shoot, 0.5)).levelStops()).isEqualTo(8);
    assertThat(b(ShootAtTime.of(shoot, 1)).levelStops()).isEqualTo(b(STILL).levelStops());
  }

  @Test
  void linksThatCannotBeAreRefusedByName() {
    assertThatThrownBy(
            () -> with(List.of(), Link.same("lights/c/levelStops", "lights/a/levelStops")))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("links[0].place");
    assertThatThrownBy(() -> with(List.of(), Link.same("lights/b/position", "lights/a/levelStops")))
        .hasMessageContaining("links[0].from");
    Link one = Link.same("lights/b/levelStops", "lights/a/levelStops");
    assertThatThrownBy(() -> with(List.of(), one, one)).hasMessageContaining("no other link");
    assertThatThrownBy(() -> with(List.of(), one, Link.same("lights/a/levelStops", "masterStops")))
        .hasMessageContaining("no other link follows");
    assertThatThrownBy(
            () -> with(List.of(Track.of("lights/b/levelStops", Key.of(0, Span.HOLD, 1.0))), one))
        .hasMessageContaining("no track");
    assertThatThrownBy(() -> Link.same("masterStops", "masterStops"))
        .hasMessageContaining("another place");
  }
}
