package levelember.app.live.message;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import levelember.app.live.view.Developer;
import levelember.look.Development;
import levelember.look.DisplayCurve;
import levelember.look.LookInputs;
import levelember.measure.Scopes;
import levelember.shoot.look.Look;
import levelember.shoot.look.Optics;
import levelember.texture.Luts;
import levelember.texture.Picture;

/** What scopes draw, in its binary form, as docs/live-channel.md says. */
public final class ScopesMessage {
  /** What is measured. */
  public enum Of {
    /** Nothing: nobody looks. */
    @JsonProperty("off")
    OFF,
    /** Display values. */
    @JsonProperty("shown")
    SHOWN,
    /** Light before the look. */
    @JsonProperty("light")
    LIGHT
  }

  /** Stops from mid grey over which the curve is told, and steps a stop. */
  private static final int LEAST = -8, MOST = 8, STEPS = 8;

  private ScopesMessage() {}

  /**
   * Encodes scopes.
   *
   * @param light of the light instead of what is shown
   */
  public static byte[] of(
      Developer.Developed picture, byte[] codes, Look look, Luts luts, boolean light) {
    int w = picture.light().width(), h = picture.light().height();
    Scopes scopes = light ? Scopes.light(picture.spread(), look.ev()) : Scopes.shown(codes, w, h);
    ScopesHeader head =
        new ScopesHeader(
            "scopes",
            light ? Of.LIGHT : Of.SHOWN,
            scopes.columns(),
            Scopes.LEVELS,
            Scopes.LEAST_STOPS,
            Scopes.MOST_STOPS,
            100 * scopes.clippedShare(),
            100 * scopes.blackShare(),
            scopes.histogram(),
            curve(look, luts));
    byte[] body = new byte[scopes.waveform().length + scopes.vectors().length];
    System.arraycopy(scopes.waveform(), 0, body, 0, scopes.waveform().length);
    System.arraycopy(scopes.vectors(), 0, body, scopes.waveform().length, scopes.vectors().length);
    return FrameMessage.message(head, body);
  }

  /** What greys from dark to bright are shown as, 0…1 encoded: red, green, blue of each. */
  private static float[] curve(Look look, Luts luts) {
    int n = (MOST - LEAST) * STEPS + 1;
    Picture greys = Picture.black(n, 1);
    for (int i = 0; i < n; i++) {
      double light = DisplayCurve.midGrey(look.ev()) * Math.pow(2, LEAST + (double) i / STEPS);
      greys.set(i, 0, light, light, light);
    }
    Look plain = look.with(Optics.NONE).withGlows(List.of());
    return new Development(plain, luts).shown(greys, LookInputs.NONE).rgb();
  }
}
