package levelember.photometry;

import java.util.HashMap;
import java.util.Map;
import levelember.shoot.Shoot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;

/** What each light's unit layer is multiplied by, channel by channel, to give the picture. */
public final class LayerWeights {
  private LayerWeights() {}

  /** Three weights a light, in the order of the shoot's lights. */
  public static float[] of(Shoot shoot) {
    Map<String, Bank> banks = new HashMap<>();
    shoot.banks().forEach(b -> banks.put(b.id(), b));
    boolean someAlone =
        shoot.lights().stream().anyMatch(l -> l.solo() || alone(banks.get(l.bank())));
    float[] weights = new float[3 * shoot.lights().size()];
    for (int i = 0; i < shoot.lights().size(); i++) {
      Light light = shoot.lights().get(i);
      Bank bank = banks.get(light.bank());
      boolean muted = light.muted() || bank != null && bank.muted();
      if (!muted && (!someAlone || light.solo() || alone(bank))) {
        put(weights, i, shoot, light, bank);
      }
    }
    return weights;
  }

  private static boolean alone(Bank bank) {
    return bank != null && bank.solo();
  }

  /** The weight of one light by itself, whether or not it is muted. */
  public static float[] of(Shoot shoot, Light light) {
    float[] weights = new float[3];
    Bank bank =
        shoot.banks().stream().filter(b -> b.id().equals(light.bank())).findFirst().orElse(null);
    put(weights, 0, shoot, light, bank);
    return weights;
  }

  /** The weight of a light at its own brightness and colour, without levels, bank and master. */
  public static float[] own(Light light) {
    double value = LampUnits.tracedValue(light);
    double[] colour = ColourTemperature.rgb(light.colour());
    return new float[] {
      (float) (value * colour[0]), (float) (value * colour[1]), (float) (value * colour[2])
    };
  }

  private static void put(float[] weights, int i, Shoot shoot, Light light, Bank bank) {
    Light lamp = TracedLight.original(shoot, light);
    double stops = light.levelStops() + shoot.masterStops();
    stops += (lamp == light ? 0 : lamp.levelStops()) + (bank == null ? 0 : bank.levelStops());
    double value = LampUnits.tracedValue(lamp) * StrictMath.pow(2, stops);
    double[] colour = ColourTemperature.rgb(lamp.colour());
    if (bank != null) {
      colour[0] *= bank.filter().r();
      colour[1] *= bank.filter().g();
      colour[2] *= bank.filter().b();
    }
    for (int k = 0; k < 3; k++) {
      weights[3 * i + k] = (float) (value * colour[k]);
    }
  }
}
