package levelember.app.live.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BackgroundTest {
  /** A thread's nice value is the 19th field, the 17th after the name, which may hold spaces. */
  private static int ownNice() {
    try {
      String stat = Files.readString(Path.of("/proc/thread-self/stat"));
      return Integer.parseInt(stat.substring(stat.lastIndexOf(')') + 2).split(" ")[16]);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  @EnabledOnOs(OS.LINUX)
  void aThreadGivesWayAsFarAsIsSaidAndNobodyElseDoes() throws Exception {
    int before = ownNice();
    CompletableFuture<Integer> seen = new CompletableFuture<>();
    Background.thread(() -> seen.complete(ownNice()), "test", 17).start();
    assertThat(seen.get()).isEqualTo(Math.max(17, before));
    assertThat(ownNice()).isEqualTo(before);
  }

  @ParameterizedTest
  @CsvSource({",19", "'',19", "0,0", "' 7 ',7", "19,19", "20,19", "-1,19", "low,19"})
  void aSettingOutOfRangeLeavesTheUsualOne(String setting, int nice) {
    assertThat(Background.nice(setting)).isEqualTo(nice);
  }
}
