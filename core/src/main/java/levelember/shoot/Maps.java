package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What varies over a material's surface. Every picture is optional, null for none.
 *
 * @param colour times the material's colour; its codes are sRGB
 * @param ramp recolours {@code colour} by its luminance: at least two stops, or empty
 * @param second a second colour, laid over the first
 * @param mask how much of the second shows, by its mean; without one all of it
 * @param roughness its green channel times the material's roughness, codes as numbers
 * @param metalness its blue channel times the material's metalness, codes as numbers
 * @param normal a tangent-space normal map, green up
 * @param normalStrength 1 as the picture says, 0…10
 * @param bump heights by its mean
 * @param bumpMetres from black to white, −1…1
 * @param displacement moves the surface itself outwards, by its mean
 * @param displacementMetres from black to white, −10…10
 * @param opacity by its mean: black is a hole, white is whole
 * @param rim a colour that grows towards the edge of what is seen, or null
 */
@RecordBuilder
public record Maps(
    Texture colour,
    List<RampStop> ramp,
    Texture second,
    Texture mask,
    Texture roughness,
    Texture metalness,
    Texture normal,
    double normalStrength,
    Texture bump,
    double bumpMetres,
    Texture displacement,
    double displacementMetres,
    Texture opacity,
    Rim rim)
    implements MapsBuilder.With {
  public static final Maps NONE =
      new Maps(
          null, List.of(), null, null, null, null, null, 1, null, 0.001, null, 0.01, null, null);

  /**
   * A stop of a ramp.
   *
   * @param at luminance, 0…1, in rising order
   * @param colour linear, 0…1
   */
  public record RampStop(double at, Rgb colour) {
    public RampStop {
      Checks.range("at", at, 0, 1);
      colour.checked("colour", 1);
    }
  }

  /**
   * A colour by viewing angle. It answers to the eye alone, as velvet drawn by hand does, so it is
   * no property that a real surface has.
   *
   * @param colour linear, 0…1
   * @param amount of it at the very edge, 0…1
   * @param falloff power of one minus the cosine: 1 wide … 20 a thin line
   */
  public record Rim(Rgb colour, double amount, double falloff) {
    public Rim {
      colour.checked("colour", 1);
      Checks.range("amount", amount, 0, 1);
      Checks.range("falloff", falloff, 0.1, 20);
    }
  }

  public Maps {
    ramp = List.copyOf(ramp);
    if (ramp.size() == 1) {
      throw new ImpossibleValue("ramp.length", 1, "none, or two and more");
    }
    for (int i = 1; i < ramp.size(); i++) {
      if (ramp.get(i).at() < ramp.get(i - 1).at()) {
        throw new ImpossibleValue(
            "ramp[" + i + "].at", ramp.get(i).at(), "at least the stop's before it");
      }
    }
    Checks.range("normalStrength", normalStrength, 0, 10);
    Checks.range("bumpMetres", bumpMetres, -1, 1);
    Checks.range("displacementMetres", displacementMetres, -10, 10);
  }

  /** Maps that leave the surface where it is, and whole. */
  public Maps(
      Texture colour,
      List<RampStop> ramp,
      Texture second,
      Texture mask,
      Texture roughness,
      Texture metalness,
      Texture normal,
      double normalStrength,
      Texture bump,
      double bumpMetres,
      Rim rim) {
    this(
        colour,
        ramp,
        second,
        mask,
        roughness,
        metalness,
        normal,
        normalStrength,
        bump,
        bumpMetres,
        null,
        0.01,
        null,
        rim);
  }

  /** Only a colour. */
  public static Maps colour(Texture colour) {
    return NONE.withColour(colour);
  }

  /** The same with another bump. */
  public Maps withBump(Texture other, double metres) {
    return with(m -> m.bump(other).bumpMetres(metres));
  }

  /** The same with another displacement. */
  public Maps withDisplacement(Texture other, double metres) {
    return with(m -> m.displacement(other).displacementMetres(metres));
  }

  /** True when nothing varies. */
  public boolean none() {
    return pictures().isEmpty() && rim == null;
  }

  /** Names of the pictures, each once. */
  public Set<String> pictures() {
    Set<String> names = new LinkedHashSet<>();
    Stream.of(colour, second, mask, roughness, metalness, normal, bump, displacement, opacity)
        .filter(Objects::nonNull)
        .forEach(t -> names.add(t.picture()));
    return names;
  }
}
