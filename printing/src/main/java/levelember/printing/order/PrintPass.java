package levelember.printing.order;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;
import levelember.film.Component;

/**
 * What a print gives besides the picture, as data for compositing. Layers of the OpenEXR file are
 * named by {@link #layer}; docs/prints.md lists their channels and which of them add up.
 */
public enum PrintPass {
  /** Every light by itself under its own name; they add up to the picture. */
  @JsonProperty("lights")
  LIGHTS("lights", null),
  /** The lights of every bank together, and those of none. */
  @JsonProperty("banks")
  BANKS("banks", null),
  @JsonProperty("emission")
  EMISSION("emission", Component.EMISSION),
  @JsonProperty("diffuseDirect")
  DIFFUSE_DIRECT("diffuse_direct", Component.DIFFUSE_DIRECT),
  @JsonProperty("diffuseIndirect")
  DIFFUSE_INDIRECT("diffuse_indirect", Component.DIFFUSE_INDIRECT),
  @JsonProperty("specularDirect")
  SPECULAR_DIRECT("specular_direct", Component.SPECULAR_DIRECT),
  @JsonProperty("specularIndirect")
  SPECULAR_INDIRECT("specular_indirect", Component.SPECULAR_INDIRECT),
  @JsonProperty("transmission")
  TRANSMISSION("transmission", Component.TRANSMISSION),
  @JsonProperty("sheen")
  SHEEN("sheen", Component.SHEEN),
  @JsonProperty("caustics")
  CAUSTICS("caustics", Component.CAUSTICS),
  /** What shadow catchers take from what is behind them. */
  @JsonProperty("shadow")
  SHADOW("shadow", Component.CAUGHT_SHADOW),
  @JsonProperty("ambientOcclusion")
  AMBIENT_OCCLUSION("ambient_occlusion", null),
  @JsonProperty("albedo")
  ALBEDO("albedo", null),
  @JsonProperty("normal")
  NORMAL("normal", null),
  @JsonProperty("depth")
  DEPTH("depth", null),
  @JsonProperty("position")
  POSITION("position", null),
  @JsonProperty("uv")
  UV("uv", null),
  /** How far what is seen moves in the picture to the next frame. */
  @JsonProperty("motion")
  MOTION("motion", null),
  @JsonProperty("pieceIds")
  PIECE_IDS("piece_id", null),
  @JsonProperty("materialIds")
  MATERIAL_IDS("material_id", null),
  /** Standard error of the luminance of every pixel. */
  @JsonProperty("noise")
  NOISE("noise", null);

  private final String layer;
  private final Component component;

  PrintPass(String layer, Component component) {
    this.layer = layer;
    this.component = component;
  }

  /** Its name in a file. */
  public String layer() {
    return layer;
  }

  /** The component of light that it is, or null. */
  public Component component() {
    return component;
  }

  /** Whether it is told by what the camera meets first, without light. */
  public boolean ofSurface() {
    return switch (this) {
      case AMBIENT_OCCLUSION,
          ALBEDO,
          NORMAL,
          DEPTH,
          POSITION,
          UV,
          MOTION,
          PIECE_IDS,
          MATERIAL_IDS ->
          true;
      default -> false;
    };
  }

  /** The components that some passes are made of. */
  public static Set<Component> components(Collection<PrintPass> passes) {
    EnumSet<Component> to = EnumSet.noneOf(Component.class);
    passes.stream().filter(p -> p.component != null).forEach(p -> to.add(p.component));
    return to;
  }
}
