package levelember.patches;

import java.util.Arrays;
import levelember.light.EmissiveLight;
import levelember.light.LightSource;
import levelember.light.PlateLight;
import levelember.scene.Scene;

/**
 * Where light that bounces off small bright patches is looked for: for every light the patches of
 * the set that it shines on, found once from the light at unit value and kept while set and light
 * stay. Only where light is looked for depends on it; see {@code PatchSampling}. Immutable.
 */
public final class PatchGuiding {
  private final Scene scene;
  private final SurfacePatches patches;
  private final LitPatches[] byLight;
  private final boolean any;

  private PatchGuiding(Scene scene, SurfacePatches patches, LitPatches[] byLight) {
    this.scene = scene;
    this.patches = patches;
    this.byLight = byLight;
    any = Arrays.stream(byLight).anyMatch(lit -> lit != null);
  }

  /** The lit patches of a scene; looked for at the first call. */
  public static PatchGuiding of(Scene scene) {
    return scene.derived().get(PatchGuiding.class, earlier -> search(scene, earlier));
  }

  /**
   * @param old those of a scene that it was made from, which are kept where they stay; or null
   */
  private static PatchGuiding search(Scene scene, PatchGuiding old) {
    LitPatches[] lit = new LitPatches[scene.lights.length];
    boolean guided = !scene.bounceVisibilityDiffers && !scene.bounceControls;
    if (!guided || scene.hierarchy.empty()) {
      return new PatchGuiding(scene, null, lit);
    }
    Scene before = old == null ? null : old.scene;
    boolean stays = old != null && old.patches != null && scene.transmitsAs(before);
    SurfacePatches patches = stays ? old.patches : new SurfacePatches(scene);
    PatchSearch search = new PatchSearch(scene, patches);
    for (int k = 0; k < lit.length; k++) {
      int was = stays ? scene.same(k, before) : -1;
      if (suits(scene, k)) {
        lit[k] = was >= 0 && suits(before, was) ? old.byLight[was] : search.of(k);
      }
    }
    return new PatchGuiding(scene, patches, lit);
  }

  private static boolean suits(Scene scene, int light) {
    LightSource source = scene.lights[light];
    return !(source instanceof EmissiveLight)
        && !(source instanceof PlateLight)
        && !(scene.many && scene.rig.has(light))
        && !scene.onlyLightSampled(light);
  }

  /** Whether any light has lit patches. */
  public boolean any() {
    return any;
  }

  public SurfacePatches patches() {
    return patches;
  }

  /** The lit patches of a light, or null where it is not guided. */
  public LitPatches of(int light) {
    return byLight[light];
  }
}
