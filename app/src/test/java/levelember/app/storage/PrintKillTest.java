package levelember.app.storage;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import levelember.app.SmallShoot;
import levelember.formats.document.ShootDocument;
import levelember.formats.picture.OpenExr;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.printing.film.Bands;
import levelember.printing.film.FilmStore;
import levelember.printing.film.PrintFilm;
import levelember.printing.frame.PrintFiles;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.PrintPass;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;
import levelember.texture.Luts;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A print in a process that is killed goes on in the next, and has the bits of one in one go. */
class PrintKillTest {
  private static final int SAMPLES = 36;

  @TempDir private Path home;

  private PrintOrder order(String shot) {
    return PrintOrder.still(shot, 64, 48, SAMPLES)
        .with(o ->
            o.passes(new TreeSet<>(List.of(PrintPass.LIGHTS, PrintPass.DIFFUSE_DIRECT)))
                .formats(new TreeSet<>(List.of(PrintFormat.EXR)))
                .exrDepth(PrintOrder.ExrDepth.FLOAT)
                .pattern("killed"));
  }

  @Test
  void twoKillsDoNotChangeABit() throws Exception {
    Shoot ball = SmallShoot.ball(new Look("k", "K", 2, 0.5, 3));
    PrintOrder order = order(ball.shots().getFirst().id());
    int kills = 0;
    byte[] printed = null;
    Double before = 0.0;
    for (int round = 0; printed == null; round++) {
      try (RealProcess process = new RealProcess(home)) {
        if (round == 0) {
          byte[] document = ShootDocument.write(ball);
          HttpResponse<byte[]> made = process.send("POST", "/api/shoots", document);
          String id = JsonMapper.shared().readTree(made.body()).get("id").stringValue();
          byte[] body = JsonMapper.shared().writeValueAsBytes(order);
          HttpResponse<byte[]> answer = process.send("POST", "/api/shoots/" + id + "/prints", body);
          assertThat(answer.statusCode()).as(new String(answer.body(), UTF_8)).isEqualTo(201);
        }
        JsonNode job;
        while (true) {
          job = process.json("/api/prints").get(0);
          boolean further = job.get("samples").doubleValue() > before + SAMPLES / 5.0;
          if (job.get("state").stringValue().equals("done") || kills < 2 && further) {
            break;
          }
          assertThat(job.get("state").stringValue()).as(job.toString()).isIn("waiting", "printing");
          Thread.sleep(20);
        }
        if (kills < 2) {
          before = job.get("samples").doubleValue();
          process.kill();
          kills++;
        } else {
          printed = Files.readAllBytes(Path.of(job.get("files").get(0).stringValue()));
        }
      }
    }
    assertThat(kills).isEqualTo(2);
    OpenExr.Channels one = OpenExr.read(inOneGo(ball, order)), killed = OpenExr.read(printed);
    assertThat(killed.channels().keySet()).isEqualTo(one.channels().keySet());
    one.channels()
        .forEach(
            (name, values) -> assertThat(killed.channels().get(name)).as(name).isEqualTo(values));
  }

  private byte[] inOneGo(Shoot shoot, PrintOrder order) throws Exception {
    Shot shot = shoot.shots().getFirst();
    View view = View.of(shoot, shot, Pictures.NONE);
    float[] weights = LayerWeights.of(shoot);
    var kept = PrintPass.components(order.passes());
    PrintFilm film =
        new PrintFilm(
            view,
            new Bands(64, 48, 48),
            kept,
            FilmStore.NONE,
            weights,
            DisplayCurve.fullScale(shoot.lookOf(shot).ev()));
    try (Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, 1)) {
      film.trace(renderer, order.target(), () -> false);
    }
    Map<String, String> text = new TreeMap<>();
    Path file =
        new PrintFiles(film, shoot, shoot.lookOf(shot), Luts.NONE, order, weights, text)
            .write(home.resolve("one/p"))
            .getFirst();
    return Files.readAllBytes(file);
  }
}
