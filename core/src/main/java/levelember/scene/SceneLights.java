package levelember.scene;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.daylight.Atmosphere;
import levelember.geometry.SetGeometry;
import levelember.light.DiscLight;
import levelember.light.DomeLight;
import levelember.light.EmissiveLight;
import levelember.light.EnvironmentLight;
import levelember.light.LightSource;
import levelember.light.PlateLight;
import levelember.light.PointLight;
import levelember.light.PortalLight;
import levelember.light.PortalSet;
import levelember.light.RectangleLight;
import levelember.light.SphereLight;
import levelember.light.SpotLight;
import levelember.light.SunLight;
import levelember.light.TubeLight;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Pictures;
import levelember.texture.Texels;

/** Makes the lights of a shoot ready to be sampled. */
final class SceneLights {
  /** Rows of a sky's picture, over the whole sphere. */
  private static final int SKY_ROWS = 256;

  private SceneLights() {}

  /**
   * The lights of a shoot at unit value.
   *
   * @param shoot in the frame that it is traced in
   * @param before a scene whose lights are kept where they stay, or null
   * @throws Pictures.MissingPicture when a light names a picture that is not there
   */
  static LightSource[] of(Shoot shoot, SetGeometry set, Pictures pictures, Scene before) {
    Map<TracedLight, LightSource> ready = new HashMap<>();
    for (int i = 0; before != null && i < before.lights.length; i++) {
      if (before.set == set || !(before.lights[i] instanceof EmissiveLight)) {
        Light old = before.traced.lights().get(i);
        LightSource own = before.lights[i];
        ready.put(
            TracedLight.of(before.traced, old),
            own instanceof PortalLight p ? p.surroundings() : own);
      }
    }
    Map<Daylight, Atmosphere> airs = new HashMap<>();
    List<PortalSet> portals = Openings.of(shoot, set);
    List<LightSource> lights = new ArrayList<>();
    for (Light light : shoot.lights()) {
      TracedLight traced = TracedLight.of(shoot, light);
      LightSource source = ready.get(traced);
      if (source instanceof EmissiveLight e && e.emits() != owns(shoot, light)) {
        source = null;
      }
      if (source == null) {
        source = compiled(traced, shoot, set, pictures, airs);
      }
      boolean surrounds = source instanceof EnvironmentLight || source instanceof DomeLight;
      lights.add(
          surrounds && !portals.isEmpty() ? new PortalLight(light.id(), source, portals) : source);
    }
    return lights.toArray(LightSource[]::new);
  }

  private static LightSource compiled(
      TracedLight traced,
      Shoot shoot,
      SetGeometry set,
      Pictures pictures,
      Map<Daylight, Atmosphere> airs) {
    Light light = traced.light();
    return switch (light.emitter()) {
      case Emitter.Rectangle r -> new RectangleLight(light, r, face(r.picture(), pictures));
      case Emitter.Disc d -> new DiscLight(light, d, face(d.picture(), pictures));
      case Emitter.Sphere s -> new SphereLight(light, s);
      case Emitter.Tube t -> new TubeLight(light, t);
      case Emitter.Point p -> new PointLight(light, p);
      case Emitter.Spot s ->
          new SpotLight(light, s, s.gobo() == null ? null : face(s.gobo().picture(), pictures));
      case Emitter.Sun s ->
          new SunLight(
              light.id(),
              light.seenDirectly(),
              light.position().minus(light.aim()),
              s.sizeDegrees(),
              new double[] {1, 1, 1});
      case Emitter.Environment e -> new EnvironmentLight(light, e, pictures.picture(e.picture()));
      case Emitter.Dome d -> new DomeLight(light, d);
      case Emitter.Sky s ->
          new EnvironmentLight(
              light, airs.computeIfAbsent(s.daylight(), Atmosphere::new).picture(SKY_ROWS), 0, 0);
      case Emitter.SkySun s -> {
        Atmosphere air = airs.computeIfAbsent(traced.daylight(), Atmosphere::new);
        yield new SunLight(
            light.id(), light.seenDirectly(), air.toSun(), s.sizeDegrees(), air.sunLux());
      }
      case Emitter.Plate p -> new PlateLight(light, pictures.picture(p.picture()));
      case Emitter.Emissive e -> {
        boolean owns = owns(shoot, light);
        List<SetGeometry.Placed> own = owns ? shining(shoot, set, e.material()) : List.of();
        Texels picture = owns ? face(e.picture(), pictures) : null;
        yield new EmissiveLight(
            light, e, corners(own), picture == null ? null : places(own), picture);
      }
    };
  }

  private static Texels face(String picture, Pictures pictures) {
    return picture == null ? null : pictures.texels(picture, true);
  }

  /** Where a material's pieces stand. */
  private static List<SetGeometry.Placed> shining(Shoot shoot, SetGeometry set, String material) {
    return set.placed().stream()
        .filter(p -> material.equals(shoot.pieces().get(p.piece()).material()))
        .toList();
  }

  /** Where a picture lies at the corners of all triangles, two floats each. */
  private static float[] places(List<SetGeometry.Placed> own) {
    float[] to = new float[6 * own.stream().mapToInt(p -> p.mesh().count()).sum()];
    int at = 0;
    for (SetGeometry.Placed p : own) {
      float[] lies = p.mesh().places();
      boolean mirrored = p.map().determinant() < 0;
      for (int i = 0; i < p.mesh().count(); i++) {
        for (int k = 0; k < 3; k++) {
          int corner = p.mesh().index(i, mirrored ? 2 - k : k);
          to[at++] = lies == null ? 0.5f : lies[2 * corner];
          to[at++] = lies == null ? 0.5f : lies[2 * corner + 1];
        }
      }
    }
    return to;
  }

  /** World corners of all triangles, place after place. */
  private static float[] corners(List<SetGeometry.Placed> own) {
    int count = own.stream().mapToInt(p -> p.mesh().count()).sum();
    float[] to = new float[9 * count];
    int at = 0;
    for (SetGeometry.Placed p : own) {
      boolean mirrored = p.map().determinant() < 0;
      for (int i = 0; i < p.mesh().count(); i++) {
        for (int k = 0; k < 3; k++) {
          Vec3 corner = p.map().point(p.mesh().position(p.mesh().index(i, mirrored ? 2 - k : k)));
          to[at++] = (float) corner.x();
          to[at++] = (float) corner.y();
          to[at++] = (float) corner.z();
        }
      }
    }
    return to;
  }

  /** Of several lights of one material the first has its pieces. */
  private static boolean owns(Shoot shoot, Light light) {
    return shoot.lights().stream()
        .filter(l -> l.emitter().equals(light.emitter()))
        .findFirst()
        .map(l -> l.id().equals(light.id()))
        .orElse(false);
  }
}
