package levelember.app.shoot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.TreeMap;
import levelember.app.FreshHome;
import levelember.app.SmallShoot;
import levelember.app.problem.Refusal;
import levelember.formats.exchange.ShootPackage;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.json.JsonMapper;

/** An edit whose way back or forth no longer fits does not stand in the way for good. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshHome.class)
class StaleStepTest {
  @Autowired private Shoots shoots;
  @Autowired private ShootEdits edits;
  @Autowired private javax.sql.DataSource source;

  private Shoots.State master(Shoots.State state, int stops) {
    String operations =
        "[{\"op\": \"replace\", \"path\": \"/masterStops\", \"value\": " + stops + "}]";
    return edits.edit(
        state.id(), state.revision(), "Master " + stops, JsonMapper.shared().readTree(operations));
  }

  private Shoots.State threeEdits() {
    Shoots.State state =
        shoots.add(
            new ShootPackage(SmallShoot.ball(new Look("k", "K", 2, 0.5, 3)), new TreeMap<>()));
    for (int stops = 1; stops <= 3; stops++) {
      state = master(state, stops);
    }
    return state;
  }

  private void spoil(Shoots.State state, String column, String label) {
    JdbcClient.create(source)
        .sql("update edit set " + column + " = ? where shoot_id = ? and label = ?")
        .params(
            "[{\"op\": \"replace\", \"path\": \"/gone/field\", \"value\": 1}]", state.id(), label)
        .update();
  }

  @Test
  void anInverseThatNoLongerFitsIsForgottenWithThoseBeforeIt() {
    Shoots.State state = threeEdits();
    spoil(state, "backward", "Master 2");
    Shoots.State back = edits.undo(state.id(), state.revision());
    assertThat(back.undo()).isEqualTo("Master 2");
    assertThatThrownBy(() -> edits.undo(state.id(), back.revision()))
        .isInstanceOfSatisfying(
            Refusal.class, e -> assertThat(e.code()).isEqualTo("step-does-not-fit"))
        .hasMessageContaining("Master 2");
    Shoots.State after = shoots.state(state.id());
    assertThat(after.document()).isEqualTo(back.document());
    assertThat(after.undo()).isNull();
    assertThat(after.redo()).isEqualTo("Master 3");
    assertThat(master(after, 5).undo()).isEqualTo("Master 5");
  }

  @Test
  void anEditThatCannotBeRedoneIsForgottenWithThoseAfterIt() {
    Shoots.State state = threeEdits();
    for (int i = 0; i < 3; i++) {
      state = edits.undo(state.id(), state.revision());
    }
    spoil(state, "forward", "Master 2");
    Shoots.State once = edits.redo(state.id(), state.revision());
    assertThatThrownBy(() -> edits.redo(once.id(), once.revision())).isInstanceOf(Refusal.class);
    assertThat(shoots.state(once.id()).redo()).isNull();
    assertThat(edits.undo(once.id(), once.revision()).undo()).isNull();
  }
}
