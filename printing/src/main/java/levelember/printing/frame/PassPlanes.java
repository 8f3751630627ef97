package levelember.printing.frame;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.film.Component;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.film.SurfaceData;
import levelember.firsthit.ScreenMotion;
import levelember.formats.exr.ExrWriter.Depth;
import levelember.formats.picture.LayerNames;
import levelember.noise.PixelNoise;
import levelember.photometry.LayerWeights;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;

/** The channels of a print's passes, and their values for some rows. */
final class PassPlanes {
  private static final String[] RGB = {"R", "G", "B"};

  /** A layer that is a mix of the film's layers. */
  private record Mix(String layer, float[] weights) {}

  private final PrintOrder order;
  private final float[] weights;
  private final List<Mix> mixes = new ArrayList<>();
  private final IdMatte pieces, materials;
  private ScreenMotion motion = ScreenMotion.NONE;

  /**
   * Passes of a shoot.
   *
   * @param weights of the lights in the picture, three each
   */
  PassPlanes(Shoot shoot, PrintOrder order, float[] weights) {
    this.order = order;
    this.weights = weights;
    if (order.passes().contains(PrintPass.LIGHTS)) {
      lights(shoot);
    }
    if (order.passes().contains(PrintPass.BANKS)) {
      banks(shoot);
    }
    pieces =
        order.passes().contains(PrintPass.PIECE_IDS)
            ? new IdMatte("piece_id", names(shoot.pieces().stream().map(Piece::id).toList()))
            : null;
    materials =
        order.passes().contains(PrintPass.MATERIAL_IDS)
            ? new IdMatte(
                "material_id", names(shoot.materials().stream().map(Material::id).toList()))
            : null;
  }

  /** Sets how the set and the camera move to the next frame. */
  void moving(ScreenMotion to) {
    motion = to;
  }

  private static List<String> names(List<String> ids) {
    return List.copyOf(new LinkedHashSet<>(ids));
  }

  private void lights(Shoot shoot) {
    List<String> names = LayerNames.of(shoot);
    for (int k = 0; k < names.size(); k++) {
      mixes.add(new Mix(free(names.get(k)), only(shoot, Set.of(k))));
    }
  }

  /** The name of a light, told apart from those of passes. */
  private static String free(String light) {
    boolean taken = light.equals("traced");
    for (PrintPass pass : PrintPass.values()) {
      taken |= light.equals(pass.layer());
    }
    return taken ? light + " (light)" : light;
  }

  private void banks(Shoot shoot) {
    Map<String, Set<Integer>> by = new LinkedHashMap<>();
    for (int k = 0; k < shoot.lights().size(); k++) {
      String bank = shoot.lights().get(k).bank();
      by.computeIfAbsent(bank == null ? "" : bank, b -> new LinkedHashSet<>()).add(k);
    }
    by.forEach((bank, lights) -> {
      String name =
          shoot.banks().stream()
              .filter(b -> b.id().equals(bank))
              .map(Bank::name)
              .findFirst()
              .orElse("none");
      mixes.add(new Mix("bank." + name.replace('.', '-'), only(shoot, lights)));
    });
  }

  private float[] only(Shoot shoot, Set<Integer> lights) {
    float[] to = new float[weights.length];
    for (int k : lights) {
      Light light = shoot.lights().get(k);
      if (order.lightLevels()) {
        System.arraycopy(weights, 3 * k, to, 3 * k, 3);
      } else {
        System.arraycopy(LayerWeights.own(light), 0, to, 3 * k, 3);
      }
    }
    return to;
  }

  /** Depths of all channels, by the layer that they belong to; the picture's is empty. */
  Map<String, Map<String, Depth>> channels() {
    Depth light = order.exrDepth().depth();
    Map<String, Map<String, Depth>> to = new LinkedHashMap<>();
    add(to, "", light, RGB);
    if (order.cutOut()) {
      to.get("").put("A", light);
    }
    mixes.forEach(m -> add(to, m.layer(), light, RGB));
    boolean components = false;
    for (PrintPass pass : order.passes()) {
      components |= pass.component() != null;
      switch (pass) {
        case LIGHTS, BANKS -> {}
        case AMBIENT_OCCLUSION, NOISE -> add(to, pass.layer(), light, "Y");
        case NORMAL -> add(to, pass.layer(), light, "X", "Y", "Z");
        case POSITION -> add(to, pass.layer(), Depth.FLOAT, "X", "Y", "Z");
        case DEPTH -> add(to, pass.layer(), Depth.FLOAT, "Z");
        case UV -> add(to, pass.layer(), Depth.FLOAT, "U", "V");
        case MOTION -> add(to, pass.layer(), Depth.FLOAT, "X", "Y");
        case PIECE_IDS -> matte(to, pieces, pass);
        case MATERIAL_IDS -> matte(to, materials, pass);
        default -> add(to, pass.layer(), light, RGB);
      }
    }
    if (components && order.denoise()) {
      add(to, "traced", light, RGB);
    }
    return to;
  }

  private static void add(
      Map<String, Map<String, Depth>> to, String layer, Depth depth, String... channels) {
    Map<String, Depth> own = to.computeIfAbsent(layer, l -> new LinkedHashMap<>());
    for (String channel : channels) {
      own.put(layer.isEmpty() ? channel : layer + "." + channel, depth);
    }
  }

  private static void matte(Map<String, Map<String, Depth>> to, IdMatte matte, PrintPass pass) {
    Map<String, Depth> own = to.computeIfAbsent(pass.layer(), l -> new LinkedHashMap<>());
    matte.channels().forEach(c -> own.put(c, Depth.FLOAT));
  }

  /** Text that says what the ids of a layer are. */
  Map<String, String> attributes(String layer) {
    if (layer.equals(PrintPass.PIECE_IDS.layer())) {
      return pieces.attributes();
    }
    return layer.equals(PrintPass.MATERIAL_IDS.layer()) ? materials.attributes() : Map.of();
  }

  /**
   * Values of some rows.
   *
   * @param traced the film that holds them
   * @param shown the same denoised, where it is to be, else the same
   * @param first row of the film
   * @param last row after those wanted
   * @param data of these rows, or null where no pass wants it
   */
  Map<String, float[]> rows(Film traced, Film shown, int first, int last, SurfaceData data) {
    Map<String, float[]> to = new HashMap<>();
    mix(shown, weights, first, last, "", to);
    mixes.forEach(m -> mix(shown, m.weights(), first, last, m.layer() + ".", to));
    boolean components = false;
    for (PrintPass pass : order.passes()) {
      if (pass.component() != null) {
        components = true;
        component(traced, pass.component(), first, last, pass.layer() + ".", to);
      } else if (pass == PrintPass.NOISE) {
        to.put("noise.Y", PixelNoise.of(traced, weights, first, last));
      } else if (pass.ofSurface()) {
        surface(pass, data, first + traced.firstRow(), last - first, to);
      }
    }
    if (components && order.denoise()) {
      mix(traced, weights, first, last, "traced.", to);
    }
    return to;
  }

  private static void mix(
      Film film, float[] by, int first, int last, String before, Map<String, float[]> to) {
    float[] rows = new float[3 * (last - first) * film.width()];
    for (int y = first; y < last; y++) {
      LayerMix.rowInto(film, by, y, rows, 3 * (y - first) * film.width());
    }
    part(rows, before, to);
  }

  private void component(
      Film film, Component c, int first, int last, String before, Map<String, float[]> to) {
    float[] rows = new float[3 * (last - first) * film.width()];
    for (int y = first; y < last; y++) {
      LayerMix.rowInto(film, c, weights, y, rows, 3 * (y - first) * film.width());
    }
    part(rows, before, to);
  }

  private static void part(float[] rows, String before, Map<String, float[]> to) {
    for (int k = 0; k < 3; k++) {
      float[] plane = new float[rows.length / 3];
      for (int i = 0; i < plane.length; i++) {
        plane[i] = rows[3 * i + k];
      }
      to.put(before + RGB[k], plane);
    }
  }

  private void surface(
      PrintPass pass, SurfaceData data, int first, int rows, Map<String, float[]> to) {
    int from = data.at(0, first), n = rows * data.width();
    switch (pass) {
      case AMBIENT_OCCLUSION ->
          to.put("ambient_occlusion.Y", cut(data.unoccluded(), 1, 0, from, n));
      case ALBEDO -> {
        for (int k = 0; k < 3; k++) {
          to.put("albedo." + RGB[k], cut(data.albedo(), 3, k, from, n));
        }
      }
      case DEPTH -> to.put("depth.Z", plane(data, SurfaceData.DEPTH, from, n));
      case POSITION -> xyz("position.", data, SurfaceData.POSITION, from, n, to);
      case NORMAL -> {
        xyz("normal.", data, SurfaceData.NORMAL, from, n, to);
        unit(to.get("normal.X"), to.get("normal.Y"), to.get("normal.Z"));
      }
      case UV -> {
        to.put("uv.U", plane(data, SurfaceData.UV, from, n));
        to.put("uv.V", plane(data, SurfaceData.UV + 1, from, n));
      }
      case MOTION -> {
        float[] moves = motion.of(data);
        to.put("motion.X", cut(moves, 2, 0, from, n));
        to.put("motion.Y", cut(moves, 2, 1, from, n));
      }
      case PIECE_IDS ->
          to.putAll(pieces.planes(data.pieces(), data.pieceShares(), SurfaceData.RANKS, from, n));
      case MATERIAL_IDS ->
          to.putAll(
              materials.planes(
                  data.materials(), data.materialShares(), SurfaceData.RANKS, from, n));
      default -> throw new IllegalArgumentException(pass + " is not of a surface");
    }
  }

  private static void xyz(
      String before, SurfaceData data, int plane, int from, int n, Map<String, float[]> to) {
    for (int k = 0; k < 3; k++) {
      to.put(before + "XYZ".charAt(k), plane(data, plane + k, from, n));
    }
  }

  private static void unit(float[] x, float[] y, float[] z) {
    for (int i = 0; i < x.length; i++) {
      float l = (float) Math.sqrt(x[i] * x[i] + y[i] * y[i] + z[i] * z[i]);
      float s = l > 0 ? 1 / l : 0;
      x[i] *= s;
      y[i] *= s;
      z[i] *= s;
    }
  }

  private static float[] plane(SurfaceData data, int plane, int from, int n) {
    return cut(data.data(), SurfaceData.PLANES, plane, from, n);
  }

  private static float[] cut(float[] values, int each, int plane, int from, int n) {
    float[] to = new float[n];
    for (int i = 0; i < n; i++) {
      to[i] = values[each * (from + i) + plane];
    }
    return to;
  }
}
