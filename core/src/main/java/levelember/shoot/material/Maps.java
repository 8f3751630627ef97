package levelember.shoot.material;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/** What varies over a material's surface. Every picture is optional, null for none. */
@RecordBuilder
public record Maps(
    @Field(
            meaning =
                "picture times the material's colour; its codes are sRGB. It multiplies "
                    + "the tint of a thin wall likewise",
            defaultValue = "null")
        Texture colour,
    @Field(
            meaning = "recolours the colour picture by its luminance: none, or two stops and more",
            defaultValue = "[]")
        List<RampStop> ramp,
    @Field(meaning = "a second colour picture, laid over the first", defaultValue = "null")
        Texture second,
    @Field(
            meaning = "how much of the second shows, by its mean; without one all of it",
            defaultValue = "null")
        Texture mask,
    @Field(
            meaning = "its green channel times the material's roughness; codes are numbers",
            defaultValue = "null")
        Texture roughness,
    @Field(
            meaning = "its blue channel times the material's metalness; codes are numbers",
            defaultValue = "null")
        Texture metalness,
    @Field(meaning = "tangent-space normal map, green up", defaultValue = "null") Texture normal,
    @Field(
            meaning = "factor on the normal map's slopes, 1 as the picture says",
            defaultValue = "1",
            min = 0,
            max = 10)
        double normalStrength,
    @Field(meaning = "heights by the picture's mean", defaultValue = "null") Texture bump,
    @Field(
            meaning = "height of white over black",
            defaultValue = "0.001",
            min = -1,
            max = 1,
            unit = "m")
        double bumpMetres,
    @Field(
            meaning =
                "moves the surface itself outwards, by the picture's mean; the mesh is "
                    + "divided finely for it",
            defaultValue = "null")
        Texture displacement,
    @Field(
            meaning = "way of white over black",
            defaultValue = "0.01",
            min = -10,
            max = 10,
            unit = "m")
        double displacementMetres,
    @Field(
            meaning = "by the picture's mean: black is a hole, white is whole",
            defaultValue = "null")
        Texture opacity,
    @Field(
            meaning = "a colour that takes over towards the edge of what is seen",
            defaultValue = "null")
        Rim rim)
    implements MapsBuilder.With {
  public static final Maps NONE =
      new Maps(
          null, List.of(), null, null, null, null, null, 1, null, 0.001, null, 0.01, null, null);

  /** A stop of a ramp. */
  public record RampStop(
      @Field(meaning = "luminance, in rising order", min = 0, max = 1) double at,
      @Field(meaning = "linear colour there", min = 0, max = 1) Rgb colour) {
    public RampStop {
      RecordFields.check(RampStop.class, at, colour);
    }
  }

  /**
   * A colour by viewing angle. It answers to the eye alone, as velvet drawn by hand does, so it is
   * no property that a real surface has.
   */
  public record Rim(
      @Field(meaning = "linear colour", min = 0, max = 1) Rgb colour,
      @Field(meaning = "how much of it at the very edge", defaultValue = "1", min = 0, max = 1)
          double amount,
      @Field(
              meaning = "power of one minus the cosine: 1 wide … 20 a thin line",
              defaultValue = "3",
              min = 0.1,
              max = 20)
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
