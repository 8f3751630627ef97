package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.TreeMap;
import levelember.app.FreshHome;
import levelember.app.SmallShoot;
import levelember.app.shoot.Shoots;
import levelember.formats.exchange.ShootPackage;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.ContextConfiguration;

/** Shoots that are compiled before they are opened. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = "ember.samples=1")
@ContextConfiguration(initializers = FreshHome.class)
class PreparedViewsTest {
  @Autowired private PreparedViews prepared;
  @Autowired private LiveSessions sessions;
  @Autowired private Shoots shoots;

  private static final Shoot BALL = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));

  private String added() {
    return shoots.add(new ShootPackage(BALL, new TreeMap<>())).id();
  }

  private static View compiled() {
    return View.of(BALL, BALL.shots().getFirst(), Pictures.NONE);
  }

  private View shown(LiveSession session) throws Exception {
    for (int i = 0; i < 600 && session.now().isEmpty(); i++) {
      Thread.sleep(50);
    }
    return session.now().orElseThrow().view();
  }

  @Test
  void aSessionGoesOnFromWhatIsPrepared() throws Exception {
    String id = added();
    View before = compiled();
    prepared.keep(id, before);
    View shown = shown(sessions.opened(id));
    assertThat(shown.scene().set()).isSameAs(before.scene().set());
    // It is the session's now.
    assertThat(prepared.take(id)).isNull();
  }

  @Test
  void anotherShootIsCompiledOfItsOwn() throws Exception {
    String id = added();
    View other = compiled();
    prepared.keep("another", other);
    assertThat(shown(sessions.opened(id)).scene().set()).isNotSameAs(other.scene().set());
    assertThat(prepared.take("another")).isSameAs(other);
  }

  @Test
  void whatIsGoneIsForgotten() {
    prepared.keep("one", compiled());
    prepared.keep("two", compiled());
    prepared.keep("three", null);
    prepared.forget("one");
    assertThat(prepared.take("one")).isNull();
    assertThat(prepared.take("three")).isNull();
    prepared.forget(null);
    assertThat(prepared.take("two")).isNull();
  }
}
