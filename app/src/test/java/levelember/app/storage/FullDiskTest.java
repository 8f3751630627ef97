package levelember.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.function.Predicate;
import levelember.app.ApiClient;
import levelember.app.problem.Refusal;
import levelember.printing.order.PrintOrder;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A disk that takes no more: said, and gone on from when there is room. */
class FullDiskTest {
  private static volatile boolean full;
  @TempDir Path home;

  /** H2's files on a device that can be full. */
  public static final class Device extends FilePathWrapper {
    @Override
    public String getScheme() {
      return "full";
    }

    @Override
    public FileChannel open(String mode) throws IOException {
      FileChannel file = getBase().open(mode);
      return new FileBaseDefault() {
        @Override
        public int read(ByteBuffer to, long position) throws IOException {
          return file.read(to, position);
        }

        @Override
        public int write(ByteBuffer from, long position) throws IOException {
          if (full) {
            throw new IOException("No space left on device");
          }
          return file.write(from, position);
        }

        @Override
        protected void implTruncate(long size) throws IOException {
          file.truncate(size);
        }

        @Override
        public long size() throws IOException {
          return file.size();
        }

        @Override
        public void force(boolean metaData) throws IOException {
          file.force(metaData);
        }

        @Override
        protected void implCloseChannel() throws IOException {
          file.close();
        }

        @Override
        public java.nio.channels.FileLock tryLock(long position, long size, boolean shared)
            throws IOException {
          return file.tryLock(position, size, shared);
        }
      };
    }
  }

  @BeforeAll
  static void register() {
    FilePath.register(new Device());
  }

  private HttpResponse<String> edit(RunningApplication application, double stops)
      throws IOException, InterruptedException {
    String edit =
        """
        {"revision": %d, "label": "Master", "operations":
          [{"op": "replace", "path": "/masterStops", "value": %s}]}
        """
            .formatted(application.shoots().state("ball").revision(), stops);
    URI address = URI.create("http://127.0.0.1:" + application.port() + "/api/shoots/ball/edits");
    return HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(address)
                .header("content-type", "application/json")
                .POST(BodyPublishers.ofString(edit))
                .build(),
            BodyHandlers.ofString());
  }

  @Test
  void aFullDiskIsSaidAndNothingAnsweredIsLost() throws Exception {
    String url = "--spring.datasource.url=jdbc:h2:full:" + home + "/ember;DB_CLOSE_ON_EXIT=FALSE";
    try (RunningApplication application = new RunningApplication(home, url)) {
      application.ball("Ball");
      assertThat(edit(application, 1).statusCode()).isEqualTo(200);
      full = true;
      HttpResponse<String> refused = edit(application, 2);
      assertThat(refused.statusCode()).as(refused.body()).isEqualTo(507);
      JsonNode problem = JsonMapper.shared().readTree(refused.body());
      assertThat(problem.get("code").stringValue()).isEqualTo("not-kept");
      assertThat(problem.get("todo").stringValue()).contains("room");
      full = false;
      assertThat(application.shoots().shoot("ball").masterStops()).isEqualTo(1);
      assertThat(edit(application, 3).statusCode()).isEqualTo(200);
    } finally {
      full = false;
    }
    try (RunningApplication application = new RunningApplication(home)) {
      assertThat(application.shoots().shoot("ball").masterStops()).isEqualTo(3);
    }
  }

  @Test
  void withTooLittleRoomNothingIsBegun() {
    try (RunningApplication application = new RunningApplication(home)) {
      application.ball("Ball");
    }
    try (RunningApplication application =
        new RunningApplication(home, "--ember.reserve-megabytes=1000000000")) {
      assertThat(application.shoots().titles()).hasSize(1);
      assertThatThrownBy(() -> application.master("ball", 1))
          .isInstanceOfSatisfying(Refusal.class, e -> assertThat(e.code()).isEqualTo("not-kept"))
          .hasMessageContaining("full");
      assertThat(application.get(DiskSpace.class).obstacle()).contains("MB are free");
    }
  }

  /**
   * What fails cannot even be marked as failed: the queue waits, says so, and goes on by itself.
   */
  @Test
  @ExtendWith(OutputCaptureExtension.class)
  void printsWaitForRoomWithoutSpinning(CapturedOutput log) throws Exception {
    try (RunningApplication application =
        new RunningApplication(
            home,
            "--spring.datasource.url=jdbc:h2:full:"
                + home
                + "/ember;DB_CLOSE_ON_EXIT=FALSE;MAX_COMPACT_TIME=0;WRITE_DELAY=0")) {
      String id = application.ball("Ball");
      ApiClient api = new ApiClient(application.port());
      byte[] order = JsonMapper.shared().writeValueAsBytes(PrintOrder.still("s", 64, 48, 100_000));
      JsonNode job =
          ApiClient.json(api.send("POST", "shoots/" + id + "/prints", "application/json", order));
      String path = "prints/" + job.get("id").longValue();
      until(api, path, j -> j.get("state").stringValue().equals("printing"));
      int before = log.getAll().length();
      full = true;
      Thread.sleep(8000);
      assertThat(log.getAll().length() - before).isLessThan(200_000);
      full = false;
      // The database opens again with one of the first questions after there is room.
      while (api.send("POST", path + "/stop", "application/json", null).statusCode() != 200) {
        Thread.sleep(100);
      }
      until(api, path, j -> j.get("state").stringValue().equals("stopped"));
    } finally {
      full = false;
    }
  }

  private static void until(ApiClient api, String path, Predicate<JsonNode> there)
      throws Exception {
    long end = System.nanoTime() + 60_000_000_000L;
    JsonNode job;
    do {
      Thread.sleep(50);
      HttpResponse<byte[]> answer = api.send("GET", path, "text/plain", null);
      job = JsonMapper.shared().readTree(answer.body());
      assertThat(System.nanoTime()).as(job.toString()).isLessThan(end);
    } while (!job.has("state") || !there.test(job));
  }

  @Test
  void aPrintSaysThatItWaitsForRoom() throws Exception {
    String path;
    try (RunningApplication application = new RunningApplication(home, "--ember.printing=false")) {
      String id = application.ball("Ball");
      byte[] order = JsonMapper.shared().writeValueAsBytes(PrintOrder.still("s", 64, 48, 1));
      path =
          "prints/"
              + ApiClient.json(
                      new ApiClient(application.port())
                          .send("POST", "shoots/" + id + "/prints", "application/json", order))
                  .get("id")
                  .longValue();
    }
    try (RunningApplication application =
        new RunningApplication(home, "--ember.reserve-megabytes=1000000000")) {
      until(
          new ApiClient(application.port()),
          path,
          j -> j.path("doing").stringValue("").contains("MB are free"));
    }
    try (RunningApplication application = new RunningApplication(home)) {
      until(
          new ApiClient(application.port()),
          path,
          j -> j.get("state").stringValue().equals("done"));
    }
  }
}
