package levelember.app.live.schedule;

import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinWorkerThread;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Threads that give way: on Linux they ask the system for its lowest share, so that the page, the
 * server and the compiler have the cores as soon as they want them. Elsewhere they are plain. The
 * environment's {@value #SETTING}, 0…19, says how far they give way; beside other programs that
 * take all cores, threads at 19 hardly get on.
 */
public final class Background {
  private static final Logger LOG = LoggerFactory.getLogger(Background.class);
  private static final int PROCESS = 0;
  private static final int LOWEST = 19;
  private static final String SETTING = "EMBER_TRACING_NICE";
  private static final int NICE = nice(System.getenv(SETTING));

  private Background() {}

  /** The nice value that a setting says, 0…19; the lowest priority without one. */
  static int nice(String setting) {
    if (setting == null || setting.isBlank()) {
      return LOWEST;
    }
    try {
      int nice = Integer.parseInt(setting.strip());
      if (nice >= 0 && nice <= LOWEST) {
        return nice;
      }
    } catch (NumberFormatException _) {
      // Said below.
    }
    LOG.warn("{} is '{}'; it must be a whole number from 0 to {}", SETTING, setting, LOWEST);
    return LOWEST;
  }

  /** A thread, not started, that gives way. */
  public static Thread thread(Runnable task, String name) {
    return thread(task, name, NICE);
  }

  static Thread thread(Runnable task, String name, int nice) {
    return Thread.ofPlatform()
        .name(name)
        .daemon()
        .unstarted(() -> {
          giveWay(nice);
          task.run();
        });
  }

  /** A pool whose threads give way; parallel streams within its tasks run on them too. */
  public static ForkJoinPool pool(String name) {
    return new ForkJoinPool(
        Runtime.getRuntime().availableProcessors(),
        pool ->
            new ForkJoinWorkerThread(pool) {
              @Override
              protected void onStart() {
                setName(name);
                giveWay(NICE);
              }
            },
        null,
        false);
  }

  /** Lowers the calling thread: on Linux, 0 stands for the thread itself. */
  private static void giveWay(int nice) {
    if (nice == 0 || !System.getProperty("os.name").startsWith("Linux")) {
      return;
    }
    try {
      Linker linker = Linker.nativeLinker();
      MethodHandle setPriority =
          linker.downcallHandle(
              linker.defaultLookup().findOrThrow("setpriority"),
              FunctionDescriptor.of(
                  ValueLayout.JAVA_INT,
                  ValueLayout.JAVA_INT,
                  ValueLayout.JAVA_INT,
                  ValueLayout.JAVA_INT));
      int refused = (int) setPriority.invokeExact(PROCESS, 0, nice);
      LOG.debug("A tracing thread gives way: {}", refused == 0);
    } catch (Throwable e) {
      LOG.info("Tracing threads run as all others do: {}", e.toString());
    }
  }
}
