package levelember.scene;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import levelember.geometry.Relief;
import levelember.shoot.Shoot;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.FineRipples;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.surface.LayeredSurface;
import levelember.texture.Pictures;
import levelember.texture.RippleNormals;
import levelember.texture.Texels;

/** The materials of a shoot made ready, keeping those of the state before that are the same. */
final class MaterialCache implements Relief {
  /** Whether a material meets a mesh whose corners have colours. */
  private record Key(Material material, boolean corners) {}

  private final Map<Material, LayeredSurface> surfaces = new HashMap<>();
  private final Map<Key, TexturedMaterial> textured = new HashMap<>();
  private final Map<TexturedMaterial.Source, Texels> pictures;
  private final Map<String, Material> byId = new HashMap<>();
  private final MaterialCache before;

  /**
   * Makes materials ready.
   *
   * @throws Pictures.MissingPicture when one names a picture that is not there
   */
  MaterialCache(Shoot shoot, Pictures from, MaterialCache before) {
    this.before = before == null ? null : before.alone();
    Set<TexturedMaterial.Source> wanted = ConcurrentHashMap.newKeySet();
    for (Material m : shoot.materials()) {
      byId.put(m.id(), m);
      LayeredSurface ready = before == null ? null : before.surfaces.get(m);
      surfaces.put(m, ready == null ? new LayeredSurface(m) : ready);
      sources(m.maps(), wanted);
    }
    for (Piece piece : shoot.pieces()) {
      if (piece.shape() instanceof Shape.Water w && w.fine() != null) {
        add(w.fine().texture(RippleNormals.NAME, w.seconds()), false, wanted);
      }
    }
    // Decoding takes long, and each picture is on its own.
    pictures =
        wanted.parallelStream()
            .collect(
                Collectors.toConcurrentMap(
                    s -> s,
                    s -> {
                      Texels there = before == null ? null : before.pictures.get(s);
                      if (there != null) {
                        return there;
                      }
                      return s.picture().equals(RippleNormals.NAME)
                          ? RippleNormals.texels()
                          : from.texels(s.picture(), s.colour());
                    }));
  }

  private MaterialCache(MaterialCache of) {
    surfaces.putAll(of.surfaces);
    textured.putAll(of.textured);
    pictures = of.pictures;
    before = null;
  }

  /** The same without what was before it, so that states do not hang on one another. */
  private MaterialCache alone() {
    return new MaterialCache(this);
  }

  private static void sources(Maps maps, Set<TexturedMaterial.Source> to) {
    add(maps.colour(), true, to);
    add(maps.second(), true, to);
    add(maps.mask(), false, to);
    add(maps.roughness(), false, to);
    add(maps.metalness(), false, to);
    add(maps.normal(), false, to);
    add(maps.bump(), false, to);
    add(maps.displacement(), false, to);
    add(maps.opacity(), false, to);
  }

  private static void add(Texture t, boolean colour, Set<TexturedMaterial.Source> to) {
    if (t != null) {
      to.add(new TexturedMaterial.Source(t.picture(), colour));
    }
  }

  /** Bytes of memory that the pictures take. */
  long pictureBytes() {
    return pictures.values().stream().mapToLong(Texels::bytes).sum();
  }

  LayeredSurface surface(String material) {
    return surfaces.get(byId.get(material));
  }

  /**
   * What varies over a piece, or null.
   *
   * @param corners whether it has meshes whose corners have colours
   */
  TexturedMaterial textured(Piece piece, boolean corners) {
    Material own = byId.get(piece.material());
    if (own == null) {
      return null;
    }
    Material m = piece.shape() instanceof Shape.Water w && w.fine() != null ? rippled(own, w) : own;
    if (m.maps().none() && !corners) {
      return null;
    }
    Key key = new Key(m, corners);
    TexturedMaterial ready = before == null ? null : before.textured.get(key);
    return textured.computeIfAbsent(
        key,
        w -> ready == null ? new TexturedMaterial(m, surfaces.get(own), corners, pictures) : ready);
  }

  /** A material on water with fine ripples. */
  private static Material rippled(Material m, Shape.Water on) {
    FineRipples fine = on.fine();
    Texture normal = fine.texture(RippleNormals.NAME, on.seconds());
    return m.withMaps(m.maps().with(x -> x.normal(normal).normalStrength(fine.strength())));
  }

  @Override
  public Push push(String material) {
    Material m = byId.get(material);
    Texture t = m == null ? null : m.maps().displacement();
    return t == null ? null : new Push(t, m.maps().displacementMetres());
  }

  @Override
  public float height(Push push, float u, float v) {
    float[] rgb = new float[3];
    pictures
        .get(new TexturedMaterial.Source(push.texture().picture(), false))
        .look(
            u,
            v,
            TexturedMaterial.edge(push.texture().edge()),
            TexturedMaterial.edge(push.texture().edgeV()),
            rgb);
    return (rgb[0] + rgb[1] + rgb[2]) / 3;
  }
}
