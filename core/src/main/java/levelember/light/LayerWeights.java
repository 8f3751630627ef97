package levelember.light;

import levelember.shoot.Light;
import levelember.shoot.Shoot;

/** What each light's unit layer is multiplied by, channel by channel, to give the picture. */
public final class LayerWeights {
  private LayerWeights() {}

  /** Three weights a light, in the order of the shoot's lights. */
  public static float[] of(Shoot shoot) {
    boolean someAlone = shoot.lights().stream().anyMatch(Light::alone);
    float[] weights = new float[3 * shoot.lights().size()];
    for (int i = 0; i < shoot.lights().size(); i++) {
      Light light = shoot.lights().get(i);
      if (!light.muted() && (!someAlone || light.alone())) {
        put(weights, i, light, shoot.masterStops());
      }
    }
    return weights;
  }

  /** The weight of one light by itself, whether or not it is muted. */
  public static float[] of(Light light, double masterStops) {
    float[] weights = new float[3];
    put(weights, 0, light, masterStops);
    return weights;
  }

  private static void put(float[] weights, int i, Light light, double masterStops) {
    double value = LampUnits.tracedValue(light) * Math.pow(2, light.levelStops() + masterStops);
    double[] colour = ColourTemperature.rgb(light.colour());
    for (int k = 0; k < 3; k++) {
      weights[3 * i + k] = (float) (value * colour[k]);
    }
  }
}
