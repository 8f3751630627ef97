package levelember.scene;

import java.util.Map;
import java.util.concurrent.atomic.AtomicReferenceArray;
import levelember.geometry.Triangles;
import levelember.math.Rgb;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.texture.Texels;
import levelember.trace.RayWalk;

/**
 * A material that varies over its surface: looks its maps up where a ray hit and prepares the
 * surface there in what they say. Relief bends the shading normal by the gradient of the height
 * over the surface (Mikkelsen 2010, "Bump Mapping Unparametrized Surfaces on the GPU"). Threads
 * share it.
 */
public final class TexturedMaterial {
  /** Roughnesses that a mapped surface is made ready for, evenly over 0…1. */
  private static final int LEVELS = 65;

  /** A picture that is looked up. */
  record Source(String picture, boolean colour) {}

  /** A texture made ready: the picture and the map from the surface's places to its own. */
  private record MappedTexture(
      Texels texels,
      Texture.Mapping mapping,
      int edge,
      int edgeV,
      float uu,
      float uv,
      float vu,
      float vv,
      float ou,
      float ov) {}

  /** What a look-up needs; one a thread. */
  public static final class Lookup {
    final float[] lie = new float[6];
    final float[] edges = new float[6];
    final float[] inMesh = new float[6];
    final float[] rgb = new float[3];
    final float[] other = new float[3];
    final float[] place = new float[3];

    /** Place in the picture, and how far along it the triangle's edges go. */
    float u, v, u1, v1, u2, v2;
  }

  private final Material material;
  private final LayeredSurface plain;
  private final AtomicReferenceArray<LayeredSurface> levels;
  private final boolean corners;
  private final MappedTexture colour;
  private final MappedTexture second;
  private final MappedTexture mask;
  private final MappedTexture roughness;
  private final MappedTexture metalness;
  private final MappedTexture normal;
  private final MappedTexture bump;
  private final MappedTexture opacity;

  /**
   * Makes a material ready.
   *
   * @param plain its surface where nothing varies
   * @param corners whether the colours of the mesh's corners count
   */
  TexturedMaterial(
      Material m, LayeredSurface plain, boolean corners, Map<Source, Texels> pictures) {
    material = m;
    this.plain = plain;
    this.corners = corners;
    Maps maps = m.maps();
    levels = maps.roughness() == null ? null : new AtomicReferenceArray<>(LEVELS);
    colour = mapped(maps.colour(), true, pictures);
    second = mapped(maps.second(), true, pictures);
    mask = mapped(maps.mask(), false, pictures);
    roughness = mapped(maps.roughness(), false, pictures);
    metalness = mapped(maps.metalness(), false, pictures);
    normal = mapped(maps.normal(), false, pictures);
    bump = mapped(maps.bump(), false, pictures);
    opacity = mapped(maps.opacity(), false, pictures);
  }

  private static MappedTexture mapped(Texture t, boolean colour, Map<Source, Texels> pictures) {
    if (t == null) {
      return null;
    }
    double a = Math.toRadians(t.rotationDegrees()), c = StrictMath.cos(a), s = StrictMath.sin(a);
    return new MappedTexture(
        pictures.get(new Source(t.picture(), colour)),
        t.mapping(),
        edge(t.edge()),
        edge(t.edgeV()),
        (float) (c * t.repeatsU()),
        (float) (s * t.repeatsV()),
        (float) (-s * t.repeatsU()),
        (float) (c * t.repeatsV()),
        (float) t.offsetU(),
        (float) t.offsetV());
  }

  static int edge(Texture.Edge edge) {
    return switch (edge) {
      case REPEAT -> Texels.REPEAT;
      case MIRROR -> Texels.MIRROR;
      case CLAMP -> Texels.CLAMP;
    };
  }

  /** True where the surface has holes. */
  public boolean pierced() {
    return opacity != null;
  }

  /** How much of the surface there is at a hit: 0 a hole … 1 whole. */
  public float opacity(RayWalk walk, Lookup lookup) {
    look(opacity, walk, lookup, lookup.rgb);
    return unit(mean(lookup.rgb));
  }

  /**
   * Evaluates the maps at the point that a walk has hit, and prepares the surface there.
   *
   * @param facing cosine between the way to the eye and the normal, either sign
   * @return the surface of the roughness there
   */
  public LayeredSurface prepare(RayWalk walk, float facing, Lookup lookup, Scattering to) {
    Rgb own = material.colour();
    float r = (float) own.r(), g = (float) own.g(), b = (float) own.b();
    Maps maps = material.maps();
    if (corners && walk.mesh().colours() != null) {
      walk.weighed(walk.mesh().colours(), lookup.rgb);
      r *= lookup.rgb[0];
      g *= lookup.rgb[1];
      b *= lookup.rgb[2];
    }
    if (colour != null) {
      look(colour, walk, lookup, lookup.rgb);
      if (!maps.ramp().isEmpty()) {
        recolour(maps, lookup.rgb);
      }
      if (second != null) {
        float part = 1;
        if (mask != null) {
          look(mask, walk, lookup, lookup.other);
          part = mean(lookup.other);
        }
        look(second, walk, lookup, lookup.other);
        for (int c = 0; c < 3; c++) {
          lookup.rgb[c] += part * (lookup.other[c] - lookup.rgb[c]);
        }
      }
      r *= lookup.rgb[0];
      g *= lookup.rgb[1];
      b *= lookup.rgb[2];
    }
    Maps.Rim rim = maps.rim();
    if (rim != null) {
      float away = 1 - Math.min(1, Math.abs(facing));
      float part = (float) (rim.amount() * StrictMath.pow(away, rim.falloff()));
      r += part * ((float) rim.colour().r() - r);
      g += part * ((float) rim.colour().g() - g);
      b += part * ((float) rim.colour().b() - b);
    }
    float metal = (float) material.metalness();
    if (metalness != null) {
      look(metalness, walk, lookup, lookup.rgb);
      metal *= unit(lookup.rgb[2]);
    }
    LayeredSurface surface = plain;
    if (roughness != null) {
      look(roughness, walk, lookup, lookup.rgb);
      surface = level((float) material.roughness() * unit(lookup.rgb[1]));
    }
    surface.material(to, unit(r), unit(g), unit(b), metal);
    return surface;
  }

  private LayeredSurface level(float rough) {
    int i = Math.round(rough * (LEVELS - 1));
    if (i == 0 && plain.transmits() && material.glass().thin() && !plain.pane()) {
      // Shadow rays take the piece for solid, so light must be scattered through it, if by little.
      i = 1;
    }
    LayeredSurface there = levels.get(i);
    if (there == null) {
      there = new LayeredSurface(material.rough((double) i / (LEVELS - 1)));
      levels.set(i, there);
    }
    return there;
  }

  private static void recolour(Maps maps, float[] rgb) {
    float light = 0.2126f * rgb[0] + 0.7152f * rgb[1] + 0.0722f * rgb[2];
    int last = maps.ramp().size() - 1;
    int i = 0;
    while (i < last && maps.ramp().get(i + 1).at() < light) {
      i++;
    }
    Maps.RampStop low = maps.ramp().get(i), high = maps.ramp().get(Math.min(i + 1, last));
    double span = high.at() - low.at();
    float part = (float) (span > 0 ? Math.clamp((light - low.at()) / span, 0, 1) : 1);
    rgb[0] = (float) (low.colour().r() + part * (high.colour().r() - low.colour().r()));
    rgb[1] = (float) (low.colour().g() + part * (high.colour().g() - low.colour().g()));
    rgb[2] = (float) (low.colour().b() + part * (high.colour().b() - low.colour().b()));
  }

  /** Bends the unit normal at the hit by the relief, still outside as the mesh has it. */
  public void bendNormal(RayWalk walk, float[] n, Lookup lookup) {
    if (normal == null && bump == null) {
      return;
    }
    float gx = 0, gy = 0, gz = 0;
    if (bump != null) {
      place(bump, walk, lookup);
      bump.texels.gradient(lookup.u, lookup.v, bump.edge, bump.edgeV, lookup.rgb);
      float metres = (float) material.maps().bumpMetres();
      float du = metres * lookup.rgb[0], dv = metres * lookup.rgb[1];
      float dh1 = du * lookup.u1 + dv * lookup.v1, dh2 = du * lookup.u2 + dv * lookup.v2;
      world(walk, lookup);
      float[] e = lookup.edges;
      float fx = e[1] * e[5] - e[2] * e[4];
      float fy = e[2] * e[3] - e[0] * e[5];
      float fz = e[0] * e[4] - e[1] * e[3];
      float most = Math.max(Math.abs(fx), Math.max(Math.abs(fy), Math.abs(fz)));
      if (most > 0) {
        // The cross products of edges of a small triangle are too small to be squared.
        float s = 1 / most;
        fx *= s;
        fy *= s;
        fz *= s;
        float square = most * (fx * fx + fy * fy + fz * fz);
        gx = (dh1 * (e[4] * fz - e[5] * fy) + dh2 * (fy * e[2] - fz * e[1])) / square;
        gy = (dh1 * (e[5] * fx - e[3] * fz) + dh2 * (fz * e[0] - fx * e[2])) / square;
        gz = (dh1 * (e[3] * fy - e[4] * fx) + dh2 * (fx * e[1] - fy * e[0])) / square;
      }
    }
    if (normal != null) {
      look(normal, walk, lookup, lookup.rgb);
      float det = lookup.u1 * lookup.v2 - lookup.u2 * lookup.v1;
      if (det != 0) {
        world(walk, lookup);
        float[] e = lookup.edges;
        float z = Math.max(0.05f, 2 * lookup.rgb[2] - 1);
        float strength = (float) material.maps().normalStrength() / z;
        float x = strength * (2 * lookup.rgb[0] - 1), y = strength * (2 * lookup.rgb[1] - 1);
        float sign = Math.signum(det);
        for (int k = 0; k < 3; k++) {
          // Along the picture's right, and along its up, which is against v.
          lookup.rgb[k] = sign * (lookup.v2 * e[k] - lookup.v1 * e[3 + k]);
          lookup.other[k] = sign * (lookup.u2 * e[k] - lookup.u1 * e[3 + k]);
        }
        flattened(lookup.rgb, n);
        flattened(lookup.other, n);
        gx -= x * lookup.rgb[0] + y * lookup.other[0];
        gy -= x * lookup.rgb[1] + y * lookup.other[1];
        gz -= x * lookup.rgb[2] + y * lookup.other[2];
      }
    }
    float x = n[0] - gx, y = n[1] - gy, z = n[2] - gz;
    float l = (float) Math.sqrt(x * x + y * y + z * z);
    if (l > 0 && l < Float.POSITIVE_INFINITY) {
      n[0] = x / l;
      n[1] = y / l;
      n[2] = z / l;
    }
  }

  /** The triangle's edges in the world. */
  private static void world(RayWalk walk, Lookup lookup) {
    walk.edgesInMesh(lookup.edges);
    walk.intoWorld(lookup.edges, 0);
    walk.intoWorld(lookup.edges, 3);
  }

  /** Takes what is along a normal off a direction, and makes it a unit again. */
  private static void flattened(float[] d, float[] n) {
    float along = d[0] * n[0] + d[1] * n[1] + d[2] * n[2];
    float x = d[0] - along * n[0], y = d[1] - along * n[1], z = d[2] - along * n[2];
    float l = (float) Math.sqrt(x * x + y * y + z * z);
    float s = l > 0 ? 1 / l : 0;
    d[0] = x * s;
    d[1] = y * s;
    d[2] = z * s;
  }

  private static void look(MappedTexture mapped, RayWalk walk, Lookup lookup, float[] to) {
    place(mapped, walk, lookup);
    mapped.texels.look(lookup.u, lookup.v, mapped.edge, mapped.edgeV, to);
  }

  /** Finds the place of the picture that a hit lies at. */
  private static void place(MappedTexture mapped, RayWalk walk, Lookup lookup) {
    float[] lie = lookup.lie;
    Triangles mesh = walk.mesh();
    float[] places = mapped.mapping == Texture.Mapping.SECOND ? mesh.seconds() : mesh.places();
    if (mapped.mapping == Texture.Mapping.METRES || places == null) {
      along(walk, lookup, lie);
    } else {
      walk.uv(places, lie);
    }
    lookup.u = mapped.uu * lie[0] + mapped.uv * lie[1] + mapped.ou;
    lookup.v = mapped.vu * lie[0] + mapped.vv * lie[1] + mapped.ov;
    lookup.u1 = mapped.uu * lie[2] + mapped.uv * lie[3];
    lookup.v1 = mapped.vu * lie[2] + mapped.vv * lie[3];
    lookup.u2 = mapped.uu * lie[4] + mapped.uv * lie[5];
    lookup.v2 = mapped.vu * lie[4] + mapped.vv * lie[5];
  }

  /** Metres of the mesh's own frame, seen along the axis that the triangle looks along most. */
  private static void along(RayWalk walk, Lookup lookup, float[] lie) {
    float[] e = lookup.inMesh;
    walk.edgesInMesh(e);
    float x = e[1] * e[5] - e[2] * e[4];
    float y = e[2] * e[3] - e[0] * e[5];
    float z = e[0] * e[4] - e[1] * e[3];
    float ax = Math.abs(x), ay = Math.abs(y), az = Math.abs(z);
    walk.placeInMesh(lookup.place);
    int across, down;
    float right, below;
    if (ay >= ax && ay >= az) {
      across = 0;
      down = 2;
      right = 1;
      below = y >= 0 ? 1 : -1;
    } else if (ax >= az) {
      across = 2;
      down = 1;
      right = x >= 0 ? -1 : 1;
      below = -1;
    } else {
      across = 0;
      down = 1;
      right = z >= 0 ? 1 : -1;
      below = -1;
    }
    lie[0] = right * lookup.place[across];
    lie[1] = below * lookup.place[down];
    lie[2] = right * e[across];
    lie[3] = below * e[down];
    lie[4] = right * e[3 + across];
    lie[5] = below * e[3 + down];
  }

  private static float mean(float[] c) {
    return (c[0] + c[1] + c[2]) / 3;
  }

  private static float unit(float v) {
    return v < 0 ? 0 : v > 1 ? 1 : v;
  }
}
