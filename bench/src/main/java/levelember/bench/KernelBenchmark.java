package levelember.bench;

import java.util.concurrent.TimeUnit;
import levelember.geometry.SetGeometry;
import levelember.math.Vec3;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The kernel under JMH: milliseconds for 129 600 rays of one kind. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 5, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(
    value = 1,
    jvmArgsAppend = {
      "--add-modules=jdk.incubator.vector",
      "-Djdk.incubator.vector.VECTOR_ACCESS_OOB_CHECK=0"
    })
public class KernelBenchmark {
  /** Which walk. */
  @Param({"wide", "plain"})
  public String walk;

  /** Which rays: 0 primary, 1 bounced, 2 shadow. */
  @Param({"0", "1", "2"})
  public int rays;

  private RayWalk walker;
  private RaySet set;

  /** Builds the room and its rays. */
  @Setup
  public void build() {
    SetGeometry room = KernelSets.interior();
    Hierarchy plain = Hierarchy.plain(room);
    Vec3 from = new Vec3(2.6, 1.7, 2.2), aim = new Vec3(0, 1, 0);
    set = RaySet.of(plain, from, aim, new Vec3(-0.2, 2.9, -0.2), 480, 270)[rays];
    walker = RayWalk.of(walk.equals("wide") ? Hierarchy.of(room) : plain);
  }

  /** Walks them all. */
  @Benchmark
  public double walkAll() {
    return set.walk(walker);
  }
}
