package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** What varies over a material's surface. Every picture is optional, null for none. */
@RecordBuilder
public record Maps(
    @Field(
            says =
                "picture times the material's colour; its codes are sRGB. It multiplies "
                    + "the tint of a thin wall likewise",
            usual = "null")
        Texture colour,
    @Field(
            says = "recolours the colour picture by its luminance: none, or two stops and more",
            usual = "[]")
        List<RampStop> ramp,
    @Field(says = "a second colour picture, laid over the first", usual = "null") Texture second,
    @Field(
            says = "how much of the second shows, by its mean; without one all of it",
            usual = "null")
        Texture mask,
    @Field(
            says = "its green channel times the material's roughness; codes are numbers",
            usual = "null")
        Texture roughness,
    @Field(
            says = "its blue channel times the material's metalness; codes are numbers",
            usual = "null")
        Texture metalness,
    @Field(says = "tangent-space normal map, green up", usual = "null") Texture normal,
    @Field(
            says = "factor on the normal map's slopes, 1 as the picture says",
            usual = "1",
            least = 0,
            most = 10)
        double normalStrength,
    @Field(says = "heights by the picture's mean", usual = "null") Texture bump,
    @Field(says = "height of white over black", usual = "0.001", least = -1, most = 1, unit = "m")
        double bumpMetres,
    @Field(
            says =
                "moves the surface itself outwards, by the picture's mean; the mesh is "
                    + "divided finely for it",
            usual = "null")
        Texture displacement,
    @Field(says = "way of white over black", usual = "0.01", least = -10, most = 10, unit = "m")
        double displacementMetres,
    @Field(says = "by the picture's mean: black is a hole, white is whole", usual = "null")
        Texture opacity,
    @Field(says = "a colour that takes over towards the edge of what is seen", usual = "null")
        Rim rim)
    implements MapsBuilder.With {
  public static final Maps NONE =
      new Maps(
          null, List.of(), null, null, null, null, null, 1, null, 0.001, null, 0.01, null, null);

  /** A stop of a ramp. */
  public record RampStop(
      @Field(says = "luminance, in rising order", least = 0, most = 1) double at,
      @Field(says = "linear colour there", least = 0, most = 1) Rgb colour) {
    public RampStop {
      RecordFields.check(RampStop.class, at, colour);
    }
  }

  /**
   * A colour by viewing angle. It answers to the eye alone, as velvet drawn by hand does, so it is
   * no property that a real surface has.
   */
  public record Rim(
      @Field(says = "linear colour", least = 0, most = 1) Rgb colour,
      @Field(says = "how much of it at the very edge", usual = "1", least = 0, most = 1)
          double amount,
      @Field(
              says = "power of one minus the cosine: 1 wide … 20 a thin line",
              usual = "3",
              least = 0.1,
              most = 20)
          double falloff) {
    public Rim {
      RecordFields.check(Rim.class, colour, amount, falloff);
    }
  }

  public Maps {
    RecordFields.check(
        Maps.class,
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
        displacement,
        displacementMetres,
        opacity,
        rim);
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
