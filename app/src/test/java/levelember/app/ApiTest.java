package levelember.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.TreeMap;
import levelember.demo.DemoModels;
import levelember.demo.DemoShoots;
import levelember.formats.document.ShootDocument;
import levelember.formats.exchange.ShootPackage;
import levelember.formats.picture.RadianceHdr;
import levelember.texture.Picture;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.ContextConfiguration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The interface over HTTP against a real H2. */
@SpringBootTest(
    webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
    properties = {"ember.samples=1"})
@ContextConfiguration(initializers = FreshHome.class)
class ApiTest {
  private static final JsonMapper JSON = JsonMapper.shared();
  private static final HttpClient CLIENT = HttpClient.newHttpClient();

  private static final String SAIL = new String(DemoModels.sail(), UTF_8);

  @LocalServerPort private int port;
  private String id;

  @BeforeEach
  void bringIn() throws Exception {
    byte[] file = DemoShoots.make("armillary").write();
    HttpResponse<byte[]> response = send("POST", "", file);
    assertThat(response.statusCode()).isEqualTo(201);
    id = "/" + JSON.readTree(response.body()).get("id").stringValue();
  }

  private HttpResponse<byte[]> send(String method, String path, byte[] body)
      throws IOException, InterruptedException {
    return CLIENT.send(
        HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/shoots" + path))
            .header("content-type", "application/json")
            .method(
                method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body))
            .build(),
        BodyHandlers.ofByteArray());
  }

  private JsonNode ok(String method, String path, String body) throws Exception {
    HttpResponse<byte[]> response = send(method, path, body == null ? null : body.getBytes(UTF_8));
    assertThat(response.statusCode()).as(new String(response.body(), UTF_8)).isBetween(200, 201);
    return JSON.readTree(response.body());
  }

  private JsonNode problem(int status, String path, String body) throws Exception {
    HttpResponse<byte[]> response = send("POST", path, body.getBytes(UTF_8));
    JsonNode problem = JSON.readTree(response.body());
    assertThat(response.statusCode()).as(problem.toString()).isEqualTo(status);
    for (String field : new String[] {"code", "detail", "kept", "todo"}) {
      assertThat(problem.path(field).stringValue("")).as(field).isNotBlank();
    }
    return problem;
  }

  private static String edit(long revision, String path, String value) {
    return """
    {"revision": %d, "label": "Edit", "operations": [{"op": "replace", "path": "%s", "value": %s}]}
    """
        .formatted(revision, path, value);
  }

  @Test
  void anEditIsKeptUndoneAndDoneAgain() throws Exception {
    JsonNode before = ok("GET", id, null);
    JsonNode after = ok("POST", id + "/edits", edit(1, "/lights/1/levelStops", "1.5"));
    assertThat(after.at("/document/lights/1/levelStops").doubleValue()).isEqualTo(1.5);
    assertThat(after.get("undo").stringValue()).isEqualTo("Edit");
    JsonNode undone = ok("POST", id + "/undo", "{\"revision\": 2}");
    assertThat(undone.get("document")).isEqualTo(before.get("document"));
    assertThat(undone.get("redo").stringValue()).isEqualTo("Edit");
    assertThat(undone.get("undo").isNull()).isTrue();
    JsonNode again = ok("POST", id + "/redo", "{\"revision\": 3}");
    assertThat(again.get("document")).isEqualTo(after.get("document"));
    assertThat(problem(409, id + "/redo", "{\"revision\": 4}").get("code").stringValue())
        .isEqualTo("nothing-to-redo");
  }

  @Test
  void anEmptyShootIsBegunFilledCopiedAndDeleted() throws Exception {
    JsonNode begun = ok("POST", "/begun?name=Still%20life", "{}");
    String own = "/" + begun.get("id").stringValue();
    assertThat(begun.at("/document/pieces").size()).isZero();
    assertThat(begun.at("/document/shots").size()).isEqualTo(1);
    ok("POST", own + "/models?revision=1&name=sail.gltf", SAIL);
    JsonNode copy = ok("POST", own + "/copies", "{}");
    assertThat(copy.at("/document/name").stringValue()).isEqualTo("Still life 2");
    assertThat(copy.at("/document/pieces")).isEqualTo(ok("GET", own, null).at("/document/pieces"));
    assertThat(copy.get("undo").isNull()).isTrue();
    assertThat(ok("POST", own + "/copies", "{}").at("/document/name").stringValue())
        .isEqualTo("Still life 3");
    assertThat(send("DELETE", own, null).statusCode()).isEqualTo(204);
    assertThat(send("GET", own, null).statusCode()).isEqualTo(404);
    assertThat(send("DELETE", own, null).statusCode()).isEqualTo(404);
    // The copy has its files still.
    String other = "/" + copy.get("id").stringValue();
    byte[] out = send("GET", other + "/package", null).body();
    assertThat(ShootPackage.read(out).assets()).containsKey("sail.gltf");
    problem(422, "/begun?name=%20", "{}");
  }

  @Test
  void manyEditsOfEveryOperationLeadBackToTheStart() throws Exception {
    JsonNode before = ok("GET", id, null);
    String[] operations = {
      "{\"op\":\"remove\",\"path\":\"/lights/2\"}",
      "{\"op\":\"add\",\"path\":\"/lights/0\",\"value\":{\"id\":\"n\",\"emitter\":{\"kind\":\"point\"},"
          + "\"brightness\":{\"value\":1,\"unit\":\"cd\"}}}",
      "{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Another\"},"
          + "{\"op\":\"replace\",\"path\":\"/lights/0/position/1\",\"value\":3}",
      "{\"op\":\"add\",\"path\":\"/lights/-\",\"value\":{\"id\":\"o\",\"emitter\":{\"kind\":\"dome\"},"
          + "\"brightness\":{\"value\":1,\"unit\":\"cd/m2\"}}}",
    };
    int revision = 1;
    for (String operation : operations) {
      ok(
          "POST",
          id + "/edits",
          "{\"revision\":"
              + revision++
              + ",\"label\":\"Step\",\"operations\":["
              + operation
              + "]}");
    }
    JsonNode state = null;
    for (String operation : operations) {
      state = ok("POST", id + "/undo", "{\"revision\":" + revision++ + "}");
    }
    assertThat(state.get("document")).isEqualTo(before.get("document"));
  }

  @Test
  void aStaleEditIsRefusedAndTheNewerStateKept() throws Exception {
    ok("POST", id + "/edits", edit(1, "/lights/1/muted", "true"));
    JsonNode problem = problem(409, id + "/edits", edit(1, "/lights/1/levelStops", "2"));
    assertThat(problem.get("code").stringValue()).isEqualTo("stale");
    assertThat(ok("GET", id, null).at("/document/lights/1/muted").booleanValue()).isTrue();
  }

  @Test
  void anImpossibleValueIsRefusedWithPathAndRangeAndNothingIsLost() throws Exception {
    JsonNode problem = problem(422, id + "/edits", edit(1, "/lights/1/levelStops", "44"));
    assertThat(problem.get("code").stringValue()).isEqualTo("impossible-value");
    assertThat(problem.get("field").stringValue()).isEqualTo("lights[1].levelStops");
    assertThat(problem.get("allowed").stringValue()).isEqualTo("-10.0 to 10.0");
    assertThat(ok("GET", id, null).get("revision").intValue()).isEqualTo(1);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "[{\"op\":\"replace\",\"path\":\"/lights/99/muted\",\"value\":true}]",
        "[{\"op\":\"move\",\"path\":\"/name\",\"value\":1}]",
        "[{\"op\":\"remove\",\"path\":\"/nowhere\"}]",
        "[{\"op\":\"replace\",\"path\":\"name\",\"value\":1}]",
        "{}",
      })
  void operationsThatDoNotFitAreRefusedWhole(String operations) throws Exception {
    String body = "{\"revision\":1,\"label\":\"X\",\"operations\":" + operations + "}";
    assertThat(problem(422, id + "/edits", body).get("code").stringValue()).isEqualTo("unfit-edit");
  }

  @Test
  void whatComesOutGoesInAgain() throws Exception {
    byte[] out = send("GET", id + "/package", null).body();
    assertThat(ShootPackage.read(out).shoot()).isEqualTo(DemoShoots.make("armillary").shoot());
    assertThat(ok("POST", "", new String(ShootDocument.write(plain(out)), UTF_8)).get("id"))
        .isNotNull();
  }

  private static levelember.shoot.Shoot plain(byte[] file) {
    var s = ShootPackage.read(file).shoot();
    return new levelember.shoot.Shoot(
        "Plain", s.pieces(), s.materials(), s.lights().subList(3, 5), 0, s.shots(), s.looks());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "nonsense",
        "{\"format\":\"level-ember-shoot\",\"version\":2}",
        "PK\u0003\u0004xx"
      })
  void aBrokenShootIsRefusedAndTheServerGoesOn(String body) throws Exception {
    problem(422, "", body);
    ok("GET", id, null);
  }

  @Test
  void anotherSurroundingIsBroughtInAndABrokenOneRefused() throws Exception {
    byte[] sky = RadianceHdr.write(Picture.black(16, 8));
    HttpResponse<byte[]> kept = send("POST", id + "/assets?name=sky.hdr", sky);
    assertThat(kept.statusCode()).isEqualTo(201);
    ok("POST", id + "/edits", edit(1, "/lights/0/emitter/picture", "\"sky.hdr\""));
    Picture other = Picture.black(16, 8);
    other.set(1, 1, 1, 1, 1);
    HttpResponse<byte[]> second =
        send("POST", id + "/assets?name=sky.hdr", RadianceHdr.write(other));
    assertThat(JSON.readTree(second.body()).get("name").stringValue()).isEqualTo("sky-2.hdr");
    assertThat(problem(422, id + "/assets?name=x.hdr", "no picture").get("code").stringValue())
        .isEqualTo("refused-file");
    assertThat(
            problem(422, id + "/edits", edit(2, "/lights/0/emitter/picture", "\"gone.hdr\""))
                .get("code")
                .stringValue())
        .isEqualTo("missing-picture");
  }

  @Test
  void anUnknownShootIsMissing() throws Exception {
    HttpResponse<byte[]> response = send("GET", "/nowhere", null);
    assertThat(response.statusCode()).isEqualTo(404);
    assertThat(new String(response.body(), UTF_8)).contains("nowhere");
  }

  @Test
  void aPageOfAnotherSiteIsRefused() throws Exception {
    HttpResponse<String> response =
        CLIENT.send(
            HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/shoots"))
                .header("Origin", "http://elsewhere.example")
                .build(),
            BodyHandlers.ofString());
    assertThat(response.statusCode()).isEqualTo(403);
  }

  @Test
  void theEditsSurviveInTheDatabaseWithTheirAssets() throws Exception {
    ok("POST", id + "/edits", edit(1, "/name", "\"Kept\""));
    TreeMap<String, byte[]> assets =
        new TreeMap<>(ShootPackage.read(send("GET", id + "/package", null).body()).assets());
    assertThat(assets).containsOnlyKeys("studio-two-banks.hdr");
    assertThat(new String(send("GET", "", null).body(), UTF_8)).contains("\"Kept\"");
  }

  @Test
  void aModelIsBroughtInAsOneEditWithAReportAndCanBeTakenBack() throws Exception {
    JsonNode before = ok("GET", id, null);
    JsonNode brought = ok("POST", id + "/models?name=sail.gltf&revision=1&metresPerUnit=0.5", SAIL);
    assertThat(brought.at("/report/came/0").stringValue()).isEqualTo("1 piece of 1 triangles");
    assertThat(brought.at("/report/sizeMetres/0").doubleValue()).isEqualTo(0.5);
    JsonNode document = brought.at("/state/document");
    JsonNode sail = document.at("/pieces/" + (document.get("pieces").size() - 1));
    assertThat(sail.at("/shape/file").stringValue()).isEqualTo("sail.gltf");
    assertThat(sail.at("/parent").stringValue())
        .isEqualTo(brought.at("/report/piece").stringValue());
    assertThat(brought.at("/state/undo").stringValue()).isEqualTo("Import sail.gltf");
    assertThat(ok("GET", id + "/assets", null).toString()).contains("sail.gltf");
    HttpResponse<byte[]> pack = send("GET", id + "/package", null);
    HttpResponse<byte[]> copy = send("POST", "", pack.body());
    assertThat(copy.statusCode()).as(new String(copy.body(), UTF_8)).isEqualTo(201);
    HttpResponse<byte[]> png = send("GET", id + "/live/picture.png", null);
    assertThat(png.statusCode()).isEqualTo(200);
    JsonNode undone = ok("POST", id + "/undo", "{\"revision\": 2}");
    assertThat(undone.get("document")).isEqualTo(before.get("document"));
  }

  @Test
  void aBrokenModelIsRefusedAndNothingIsKept() throws Exception {
    String cut = SAIL.replace("\"count\": 3", "\"count\": 300");
    JsonNode problem = problem(422, id + "/models?name=sail.gltf&revision=1", cut);
    assertThat(problem.get("detail").stringValue()).contains("outside its buffer");
    assertThat(ok("GET", id, null).get("revision").intValue()).isEqualTo(1);
    assertThat(ok("GET", id + "/assets", null).toString()).doesNotContain("sail");
    problem(422, id + "/models?name=sail.gltf&revision=1&metresPerUnit=0", SAIL);
    problem(409, id + "/models?name=sail.gltf&revision=7", SAIL);
  }

  @Test
  void aPieceIsSetDownOnWhatIsUnderIt() throws Exception {
    JsonNode document = ok("GET", id, null).get("document");
    int plinth = 0;
    while (!document.at("/pieces/" + plinth + "/name").stringValue("").equals("Plinth")) {
      plinth++;
    }
    String piece = document.at("/pieces/" + plinth + "/id").stringValue();
    String place = "/pieces/" + plinth + "/position";
    double was = document.at(place + "/1").doubleValue();
    ok("POST", id + "/edits", edit(1, place, "[0, 1.5, 0]"));
    JsonNode down = ok("POST", id + "/pieces/" + piece + "/down", "{\"revision\": 2}");
    assertThat(down.at("/document" + place + "/1").doubleValue()).isLessThan(1.2);
    assertThat(down.get("undo").stringValue()).isEqualTo("Set Plinth down");
    assertThat(was).isLessThan(1.5);
    ok("POST", id + "/edits", edit(3, place, "[500, 1.5, 0]"));
    JsonNode problem = problem(422, id + "/pieces/" + piece + "/down", "{\"revision\": 4}");
    assertThat(problem.get("code").stringValue()).isEqualTo("nothing-under");
    problem(404, id + "/pieces/none/down", "{\"revision\": 4}");
  }

  @Test
  void theShelfHasMaterialsThatADocumentTakesAndABallOfEach() throws Exception {
    HttpResponse<byte[]> list =
        CLIENT.send(
            HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/shelf/materials"))
                .build(),
            BodyHandlers.ofByteArray());
    JsonNode shelf = JSON.readTree(list.body());
    assertThat(shelf.size()).isGreaterThanOrEqualTo(30);
    JsonNode first = shelf.get(0).get("material");
    String edit =
        "{\"revision\": 1, \"label\": \"Dress\", \"operations\": [{\"op\": \"add\","
            + " \"path\": \"/materials/-\", \"value\": %s}]}".formatted(first);
    JsonNode after = ok("POST", id + "/edits", edit.replace("\"brass\"", "\"shelf-brass\""));
    int last = after.at("/document/materials").size() - 1;
    assertThat(after.at("/document/materials/" + last + "/complexIndex"))
        .isEqualTo(first.get("complexIndex"));
    for (int times = 0; times < 2; times++) {
      HttpResponse<byte[]> ball =
          CLIENT.send(
              HttpRequest.newBuilder(
                      URI.create("http://localhost:" + port + "/api/shelf/materials/brass.png"))
                  .build(),
              BodyHandlers.ofByteArray());
      assertThat(ball.statusCode()).isEqualTo(200);
      assertThat(
              javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(ball.body())).getWidth())
          .isEqualTo(112);
    }
  }

  @Test
  void aPieceSaysItsTrueSizeAndWhatStandsAtAPlaceOfThePicture() throws Exception {
    JsonNode size = ok("GET", id + "/pieces/plinth/size", null);
    assertThat(size.at("/metres/1").doubleValue()).isBetween(0.05, 0.06);
    assertThat(size.get("triangles").intValue()).isGreaterThan(100);
    assertThat(send("GET", id + "/pieces/nothing/size", null).statusCode()).isEqualTo(404);
    JsonNode at = null;
    for (int i = 0; i < 100 && at == null; i++) {
      HttpResponse<byte[]> response = send("GET", id + "/live/at?x=0.5&y=0.95", null);
      at = response.statusCode() == 200 ? JSON.readTree(response.body()) : null;
      Thread.sleep(50);
    }
    assertThat(at.get("piece").stringValue()).isEqualTo("plinth");
    assertThat(at.get("material").stringValue()).isEqualTo("lacquer");
    assertThat(at.at("/position/y").doubleValue()).isBetween(0.0, 0.056);
    assertThat(at.get("depth").doubleValue()).isBetween(1.5, 3.0);
    assertThat(send("GET", id + "/live/at?x=2&y=0", null).statusCode()).isEqualTo(422);
  }

  @Test
  void aPictureOfTheShelfBecomesAnAsset() throws Exception {
    String name = ok("POST", id + "/assets/from-shelf/walnut", "{}").get("name").stringValue();
    assertThat(ok("GET", id + "/assets", null).toString()).contains(name);
    assertThat(ok("POST", id + "/assets/from-shelf/walnut", "{}").get("name").stringValue())
        .isEqualTo(name);
    assertThat(send("POST", id + "/assets/from-shelf/gold", null).statusCode()).isEqualTo(404);
    String edit =
        """
        {"revision": 1, "label": "Edit", "operations": [{"op": "replace",
          "path": "/materials/0/maps/colour", "value": {"picture": "%s"}}]}
        """;
    assertThat(
            ok("POST", id + "/edits", edit.formatted(name))
                .at("/document/materials/0/maps/colour/mapping")
                .stringValue())
        .isEqualTo("first");
  }

  @Test
  void aShootGoesOutAsGltfAndComesInAgain() throws Exception {
    byte[] glb = send("GET", id + "/model.glb", null).body();
    HttpResponse<byte[]> back = send("POST", "", glb);
    assertThat(back.statusCode()).isEqualTo(201);
    assertThat(JSON.readTree(back.body()).get("document"))
        .isEqualTo(ok("GET", id, null).get("document"));
  }

  private JsonNode top(String method, String path, String body) throws Exception {
    HttpResponse<byte[]> response =
        CLIENT.send(
            HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                .header("content-type", "application/json")
                .method(
                    method, body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
                .build(),
            BodyHandlers.ofByteArray());
    assertThat(response.statusCode()).as(new String(response.body(), UTF_8)).isEqualTo(200);
    return JSON.readTree(response.body());
  }

  @Test
  void aBrightnessIsSaidInAnotherUnit() throws Exception {
    // A face of half a square metre and one side: π/2 lm a cd/m².
    JsonNode said =
        top(
            "POST",
            "/api/brightness",
            """
            {"emitter": {"kind": "rectangle", "width": 1, "height": 0.5},
             "value": 100, "unit": "lm", "to": "cd/m2"}
            """);
    assertThat(said.get("value").doubleValue())
        .isCloseTo(200 / Math.PI, org.assertj.core.api.Assertions.within(1e-9));
  }

  @Test
  void aPhotometricFileBecomesAProfileThatALightTakes() throws Exception {
    String file =
        "IESNA:LM-63-2002\nTILT=NONE\n1 800 1 3 1 1 2 0 0 0\n1 1 9\n0 45 90\n0\n100 80 0\n";
    JsonNode read = top("POST", "/api/profiles?name=lamp.ies", file);
    assertThat(read.get("peakCandela").doubleValue()).isEqualTo(100);
    JsonNode after =
        ok(
            "POST",
            id + "/edits",
            edit(
                1,
                "/lights/5",
                "{\"id\": \"p\", \"emitter\": {\"kind\": \"point\", \"profile\": "
                    + read.get("profile")
                    + "}, \"brightness\": {\"value\": 100, \"unit\": \"cd\"}}"));
    assertThat(after.at("/document/lights/5/emitter/profile/candela/1").doubleValue())
        .isEqualTo(80);
    HttpResponse<byte[]> broken =
        CLIENT.send(
            HttpRequest.newBuilder(
                    URI.create("http://localhost:" + port + "/api/profiles?name=x.ies"))
                .POST(BodyPublishers.ofString("TILT=NONE\n1 many"))
                .build(),
            BodyHandlers.ofByteArray());
    assertThat(broken.statusCode()).isEqualTo(422);
    assertThat(new String(broken.body(), UTF_8)).contains("line 2");
  }

  @Test
  void aSurroundingSaysWhatItCanDo() throws Exception {
    JsonNode taken = ok("POST", id + "/assets/from-shelf/overcast", "{}");
    String name = taken.get("name").stringValue();
    assertThat(name).isEqualTo("overcast.hdr");
    JsonNode reading = ok("GET", id + "/environment?picture=" + name, null);
    assertThat(reading.get("pixelsPerDegree").doubleValue()).isEqualTo(1024 / 360.0);
    assertThat(reading.get("seamStops").doubleValue()).isLessThan(0.05);
    assertThat(top("GET", "/api/shelf/gobos", null).size()).isGreaterThanOrEqualTo(12);
    assertThat(top("GET", "/api/shelf/environments", null).size()).isGreaterThanOrEqualTo(8);
    assertThat(top("GET", "/api/shelf/gels", null).size()).isGreaterThanOrEqualTo(12);
  }

  @Test
  void aPieceThatALightNamesIsNotDeletedUnderIt() throws Exception {
    ok(
        "POST",
        id + "/edits",
        edit(1, "/lights/1/lightLinking", "{\"only\": true, \"pieces\": [\"earth\"]}"));
    JsonNode state = ok("GET", id, null);
    int at = 0;
    while (!state.at("/document/pieces/" + at + "/id").stringValue("").equals("earth")) {
      at++;
    }
    JsonNode refused =
        problem(
            422,
            id + "/edits",
            """
            {"revision": 2, "label": "Delete", "operations": [{"op": "remove", "path": "/pieces/%d"}]}
            """
                .formatted(at));
    assertThat(refused.get("detail").stringValue()).contains("lights[1].lightLinking.pieces[0]");
    assertThat(ok("GET", id, null).get("revision").longValue()).isEqualTo(2);
  }

  @Test
  void thePlanHasOutlinesAndAHighlightIsFoundByPointing() throws Exception {
    JsonNode plan = null;
    for (int i = 0; i < 200 && (plan == null || plan.isEmpty()); i++) {
      plan = ok("GET", id + "/live/plan", null);
      Thread.sleep(100);
    }
    JsonNode earth = null;
    for (JsonNode outline : plan) {
      earth = outline.get("piece").stringValue().equals("earth") ? outline : earth;
    }
    // A ball of 44 mm seen from above.
    double least = 9, most = -9;
    JsonNode corners = earth.at("/top/0");
    for (int i = 0; i < corners.size(); i += 2) {
      least = Math.min(least, corners.get(i).doubleValue());
      most = Math.max(most, corners.get(i).doubleValue());
    }
    assertThat(most - least).isBetween(0.042, 0.045);
    JsonNode placing = ok("GET", id + "/live/placing?light=key&does=highlight&x=0.5&y=0.9", null);
    assertThat(placing.at("/position/y").doubleValue())
        .isGreaterThan(placing.at("/aim/y").doubleValue());
    assertThat(
            send("GET", id + "/live/placing?light=key&does=dance&x=0.5&y=0.9", null).statusCode())
        .isEqualTo(422);
  }

  @Test
  void causticsAreSetUpForAPieceAndTheLiveOnesAreRead() throws Exception {
    JsonNode none = ok("POST", id + "/caustics", "{\"piece\": \"earth\"}");
    assertThat(none.at("/steps/0/kind").stringValue()).isEqualTo("NOT_SMOOTH");
    assertThat(none.get("operations")).isEmpty();
    JsonNode setup = ok("POST", id + "/caustics", "{\"light\": \"key\"}");
    assertThat(setup.at("/steps/0/kind").stringValue()).isEqualTo("LIGHT_CASTS");
    String light = setup.at("/steps/0/name").stringValue();
    JsonNode change = setup.at("/operations/0");
    assertThat(change.at("/path").stringValue()).startsWith("/lights/");
    assertThat(change.at("/value/castsCaustics").stringValue()).isEqualTo("on");
    assertThat(change.at("/value/name").stringValue()).isEqualTo(light);
    assertThat(problem(404, id + "/caustics", "{\"piece\": \"none\"}")).isNotNull();
    assertThat(problem(404, id + "/caustics", "{\"light\": \"none\"}")).isNotNull();
    // No light of the shoot as it is casts any.
    assertThat(send("GET", id + "/live/caustics?light=key", null).statusCode()).isEqualTo(204);
    URI shelf = URI.create("http://localhost:" + port + "/api/shelf/waters");
    JsonNode waters =
        JSON.readTree(
            CLIENT.send(HttpRequest.newBuilder(shelf).build(), BodyHandlers.ofByteArray()).body());
    assertThat(waters).hasSize(5);
    assertThat(waters.at("/0/shape/kind").stringValue()).isEqualTo("water");
    assertThat(waters.at("/0/material/ior").doubleValue()).isEqualTo(1.333);
  }

  private int status(String method, String path, String type, String body) throws Exception {
    HttpResponse<byte[]> response =
        CLIENT.send(
            HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api" + path))
                .header("content-type", type)
                .method(method, BodyPublishers.ofString(body))
                .build(),
            BodyHandlers.ofByteArray());
    JsonNode problem = JSON.readTree(response.body());
    for (String field : new String[] {"code", "detail", "kept", "todo"}) {
      assertThat(problem.path(field).stringValue("")).as(method + path + field).isNotBlank();
    }
    return response.statusCode();
  }

  @Test
  void aMistakeOfTheClientIsToldAsOne() throws Exception {
    String json = "application/json";
    assertThat(status("GET", "/nothing/here", json, "")).isEqualTo(404);
    assertThat(status("GET", "/shoots/nobody", json, "")).isEqualTo(404);
    assertThat(status("PUT", "/shoots" + id, json, "{}")).isEqualTo(405);
    assertThat(status("POST", "/shoots" + id + "/edits", "text/plain", "x")).isEqualTo(415);
    assertThat(status("POST", "/shoots" + id + "/edits", json, "{")).isEqualTo(400);
    assertThat(status("POST", "/shoots" + id + "/edits", json, "{\"revision\": \"x\"}"))
        .isEqualTo(400);
    assertThat(status("POST", "/shoots" + id + "/models", json, "{}")).isEqualTo(400);
    assertThat(status("POST", "/shoots" + id + "/models?name=a.glb&revision=x", json, "{}"))
        .isEqualTo(400);
    assertThat(status("POST", "/shoots/begun", json, "{}")).isEqualTo(400);
    assertThat(status("GET", "/shoots" + id + "/live/at?x=0.5", json, "")).isEqualTo(400);
    assertThat(status("GET", "/shoots" + id + "/live/at?x=left&y=0", json, "")).isEqualTo(400);
    assertThat(status("POST", "/shoots" + id + "/edits", json, "{}")).isEqualTo(400);
    assertThat(status("POST", "/shoots" + id + "/edits", json, "{\"revision\": 1}")).isEqualTo(422);
    assertThat(status("POST", "/shoots" + id + "/edits", json, "null")).isEqualTo(400);
  }

  @Test
  void aFileIsTakenAsItIsWhateverItIsSaidToBe() throws Exception {
    for (String type :
        new String[] {"application/x-www-form-urlencoded", "text/plain", "model/gltf+json"}) {
      HttpResponse<byte[]> response =
          CLIENT.send(
              HttpRequest.newBuilder(
                      URI.create(
                          "http://localhost:" + port + "/api/shoots" + id + "/assets?name=s.gltf"))
                  .header("content-type", type)
                  .POST(BodyPublishers.ofString(SAIL))
                  .build(),
              BodyHandlers.ofByteArray());
      assertThat(response.statusCode()).as(new String(response.body(), UTF_8)).isEqualTo(201);
    }
  }
}
