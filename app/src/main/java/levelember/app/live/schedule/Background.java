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
 * server and the compiler have the cores as soon as they want them. Elsewhere they are plain.
 */
public final class Background {
  private static final Logger LOG = LoggerFactory.getLogger(Background.class);
  private static final int PROCESS = 0;
  private static final int LOWEST = 19;

  private Background() {}

  /** A thread, not started, that gives way. */
  public static Thread thread(Runnable task, String name) {
    return Thread.ofPlatform()
        .name(name)
        .daemon()
        .unstarted(() -> {
          giveWay();
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
                giveWay();
              }
            },
        null,
        false);
  }

  /** Lowers the calling thread: on Linux, 0 stands for the thread itself. */
  private static void giveWay() {
    if (!System.getProperty("os.name").startsWith("Linux")) {
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
      int refused = (int) setPriority.invokeExact(PROCESS, 0, LOWEST);
      LOG.debug("A tracing thread gives way: {}", refused == 0);
    } catch (Throwable e) {
      LOG.info("Tracing threads run as all others do: {}", e.toString());
    }
  }
}
