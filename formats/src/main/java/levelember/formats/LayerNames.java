package levelember.formats;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.shoot.Shoot;
import levelember.texture.Picture;

/** The layers of a film under the names of their lights, each name once. */
public final class LayerNames {
  private LayerNames() {}

  /** Every light's weighted layer; they add up to the picture. Equal names get their id added. */
  public static Map<String, Picture> pictures(Shoot shoot, Film film, float[] weights) {
    Map<String, Picture> to = new LinkedHashMap<>();
    for (int i = 0; i < film.layers(); i++) {
      String name = shoot.lights().get(i).name().replace('.', '-');
      if (to.containsKey(name)) {
        name += " (" + shoot.lights().get(i).id() + ")";
      }
      to.put(name, LayerMix.layer(film, i, weights));
    }
    return to;
  }
}
