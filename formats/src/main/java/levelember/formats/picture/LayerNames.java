package levelember.formats.picture;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;

/** The layers of a film under the names of their lights, each name once. */
public final class LayerNames {
  private LayerNames() {}

  /** Every light's weighted layer; they add up to the picture. */
  public static Map<String, Picture> pictures(Shoot shoot, Film film, float[] weights) {
    Map<String, Picture> to = new LinkedHashMap<>();
    List<String> names = of(shoot);
    for (int i = 0; i < film.layers(); i++) {
      to.put(names.get(i), LayerMix.layer(film, i, weights));
    }
    return to;
  }

  /** A name for every light's layer; equal names get the light's id added. */
  public static List<String> of(Shoot shoot) {
    Set<String> names = new LinkedHashSet<>();
    for (Light light : shoot.lights()) {
      String name = light.name().replace('.', '-');
      names.add(names.contains(name) ? name + " (" + light.id() + ")" : name);
    }
    return List.copyOf(names);
  }
}
