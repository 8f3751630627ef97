package levelember.transport;

import java.util.Arrays;
import levelember.light.EmissiveLight;
import levelember.light.LightSource;
import levelember.light.LitPatches;
import levelember.light.PlateLight;

/**
 * Where light that bounces off small bright patches is looked for: for every light the patches of
 * the set that it shines on, found once from the light at unit value and kept while set and light
 * stay. Only where light is looked for depends on it; see {@link PatchSampling}. Immutable.
 */
final class PatchGuiding {
  private final SurfacePatches patches;
  private final LitPatches[] byLight;
  private final boolean any;

  private PatchGuiding(SurfacePatches patches, LitPatches[] byLight) {
    this.patches = patches;
    this.byLight = byLight;
    any = Arrays.stream(byLight).anyMatch(lit -> lit != null);
  }

  /**
   * Looks for the lit patches of a scene.
   *
   * @param before a scene that it was made from, whose patches are kept where they stay; or null
   */
  static PatchGuiding of(Scene scene, Scene before) {
    LitPatches[] lit = new LitPatches[scene.lights.length];
    boolean guided = !scene.bounceVisibilityDiffers && !scene.bounceControls;
    if (!guided || scene.hierarchy.empty()) {
      return new PatchGuiding(null, lit);
    }
    PatchGuiding old = before == null ? null : before.guidingIfAny();
    boolean stays = old != null && old.patches != null && scene.transmitsAs(before);
    SurfacePatches patches = stays ? old.patches : new SurfacePatches(scene);
    PatchSearch search = new PatchSearch(scene, patches);
    for (int k = 0; k < lit.length; k++) {
      int was = stays ? scene.same(k, before) : -1;
      if (suits(scene, k)) {
        lit[k] = was >= 0 && suits(before, was) ? old.byLight[was] : search.of(k);
      }
    }
    return new PatchGuiding(patches, lit);
  }

  private static boolean suits(Scene scene, int light) {
    LightSource source = scene.lights[light];
    return !(source instanceof EmissiveLight)
        && !(source instanceof PlateLight)
        && !(scene.many && scene.rig.has(light))
        && !scene.onlyLightSampled(light);
  }

  /** Whether any light has lit patches. */
  boolean any() {
    return any;
  }

  SurfacePatches patches() {
    return patches;
  }

  /** The lit patches of a light, or null where it is not guided. */
  LitPatches of(int light) {
    return byLight[light];
  }
}
