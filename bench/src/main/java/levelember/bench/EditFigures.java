package levelember.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import levelember.demo.DemoShoots;
import levelember.formats.document.ShootDocument;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.path.RayCount;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.compile.EditCost;
import levelember.texture.Pictures;
import levelember.upsampling.Ladder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Milliseconds from an edit to the first picture and to a whole one, for each kind of edit. */
final class EditFigures {
  private static final int WIDTH = 960, HEIGHT = 540;

  private EditFigures() {}

  static Map<String, Object> measured(int rounds) {
    ShootPackage pack = DemoShoots.make("armillary");
    Shoot shoot = pack.shoot();
    Map<String, Object> to = new LinkedHashMap<>();
    to.put(
        "a light's level",
        edit(pack, rounds, i -> field(shoot, "lights", 1, "levelStops", 0.1 * i)));
    to.put("a light moved", edit(pack, rounds, i -> nudged(shoot, "lights", 1, i)));
    to.put("the camera moved", edit(pack, rounds, i -> nudged(shoot, "shots", 0, i)));
    to.put(
        "a material",
        edit(pack, rounds, i -> field(shoot, "materials", 0, "roughness", 0.5 + 0.01 * i)));
    to.put("a piece moved", edit(pack, rounds, i -> nudged(shoot, "pieces", 1, i)));
    return to;
  }

  private static Shoot field(Shoot shoot, String list, int entry, String field, double value) {
    JsonNode tree = ShootDocument.tree(shoot);
    ((ObjectNode) tree.get(list).get(entry)).put(field, value);
    return ShootDocument.read(tree);
  }

  private static Shoot nudged(Shoot shoot, String list, int entry, int i) {
    JsonNode tree = ShootDocument.tree(shoot);
    ArrayNode place = (ArrayNode) tree.get(list).get(entry).get("position");
    place.set(0, place.get(0).doubleValue() + 0.01 * i);
    return ShootDocument.read(tree);
  }

  private static Map<String, Object> edit(
      ShootPackage pack, int rounds, Function<Integer, Shoot> states) {
    Pictures pictures = pack.pictures();
    List<double[]> runs = new ArrayList<>();
    long rays = 0;
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, 1)) {
      Shoot now = states.apply(0);
      View view = View.of(now, now.shots().getFirst(), pictures);
      Ladder ladder = new Ladder(WIDTH, HEIGHT, view.layers());
      trace(renderer, view, ladder);
      for (int i = 1; i <= rounds + 1; i++) {
        Shoot next = states.apply(i);
        long begin = System.nanoTime();
        EditCost cost =
            EditCost.between(now, now.shots().getFirst(), next, next.shots().getFirst());
        view = view.next(next, next.shots().getFirst(), pictures, cost);
        ladder = ladder.withLayers(cost.from());
        Ladder.Step first = ladder.next(1, false);
        RayCount traced = RayCount.NONE;
        if (first != null) {
          traced = renderer.trace(view, first.film(), first.samples(), () -> false);
        }
        show(ladder, next);
        double shown = (System.nanoTime() - begin) / 1e6;
        traced = traced.plus(trace(renderer, view, ladder));
        show(ladder, next);
        if (i > 1) {
          runs.add(new double[] {shown, (System.nanoTime() - begin) / 1e6});
        }
        rays = traced.all();
        now = next;
      }
    }
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("first picture, ms", Spread.of(runs.stream().mapToDouble(r -> r[0]).toArray()));
    to.put("one whole sample, ms", Spread.of(runs.stream().mapToDouble(r -> r[1]).toArray()));
    to.put("rays", rays);
    return to;
  }

  private static RayCount trace(Renderer renderer, View view, Ladder ladder) {
    RayCount rays = RayCount.NONE;
    for (Ladder.Step i = ladder.next(1, false); i != null; i = ladder.next(1, false)) {
      rays = rays.plus(renderer.trace(view, i.film(), i.samples(), () -> false));
    }
    return rays;
  }

  private static void show(Ladder ladder, Shoot shoot) {
    new Development(shoot.looks().getFirst())
        .codes(ladder.mix(LayerWeights.of(shoot), ladder.shownStep()));
  }
}
