package levelember.look;

import java.util.Arrays;
import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.look.RowMath.Lens;
import levelember.look.RowMath.LensMemory;
import levelember.look.RowMath.Planes;

/**
 * A lens, as many pixels at a time as there are lanes. Pixels that lie side by side are read side
 * by side nearly, so that two vectors of each row hold them all: these are loaded whole and the
 * lanes chosen. Reading each lane from its own place would be many times slower.
 */
final class WideLens {
  private static final VectorSpecies<Float> LANES = WideRows.LANES;
  private static final VectorSpecies<Integer> WHOLE_LANES =
      VectorSpecies.of(int.class, LANES.vectorShape());

  private WideLens() {}

  /** How far each lane is from the first. */
  private static final FloatVector LANES_ACROSS = WideMath.all(0).addIndex(1);

  /** One loop of a lens over a row. */
  private interface Reading {
    void go(LensMemory m, int end, Lens lens, float from, float by);
  }

  private static final Reading[] PLACES = {WideLens::scales, WideLens::across, WideLens::down};

  /** One loop that makes weights of parts. */
  private interface Weighing {
    void go(float[] part, float by, float from, float[] to, int end);
  }

  private static final Weighing[] WEIGHTS = {WideLens::outer, WideLens::inner};

  /** One loop that reads a row of a picture. */
  private interface Gathering {
    void go(float[] plane, int stride, int k, float[] to, int end, LensMemory m);
  }

  private static final Gathering[] LINES = {WideLens::line, WideLens::add};

  /** A row of a channel, as {@link RowMath#lens} says. */
  static void row(Planes from, int channel, Lens lens, int y, float[] to, LensMemory m) {
    int w = from.width(), end = LANES.loopBound(w);
    if (!m.holds(lens, y)) {
      places(from, lens, y, end, m);
    }
    Arrays.fill(to, 0, end, 0);
    for (int k = 0; k <= 4; k++) {
      for (Gathering line : LINES) {
        line.go(from.channels()[channel], from.stride(), k, to, end, m);
      }
    }
    lit(to, end);
    for (int x = 0; x < end; x += LANES.length()) {
      if (m.count[x] < 0) {
        PlainRows.lens(from, channel, lens, y, to, x, x + LANES.length());
      }
    }
    PlainRows.lens(from, channel, lens, y, to, end, w);
  }

  /** Where a row is read, and how much of each pixel; the same for channels of one lens. */
  private static void places(Planes from, Lens lens, int y, int end, LensMemory m) {
    int w = from.width(), h = from.height();
    float v = y + 0.5f - 0.5f * h;
    PLACES[0].go(m, end, lens, 0.5f * w, v * v);
    PLACES[1].go(m, end, lens, w, 0);
    PLACES[2].go(m, end, lens, h, v);
    count(m, end);
    for (int side = 0; side < 2; side++) {
      float[] part = side == 0 ? m.partAcross : m.partDown;
      float[][] weights = side == 0 ? m.across : m.down;
      WEIGHTS[0].go(part, 1, 1, weights[0], end);
      WEIGHTS[1].go(part, 1, 0, weights[1], end);
      WEIGHTS[1].go(part, -1, 1, weights[2], end);
      WEIGHTS[0].go(part, -1, 2, weights[3], end);
    }
  }

  /** How many rows are read for lanes, from 0; −1 when they are too far apart for two vectors. */
  private static void count(LensMemory m, int end) {
    int[] columns = m.columns, top = m.top, bottom = m.bottom, to = m.count;
    int lanes = LANES.length();
    for (int x = 0; x < end; x += lanes) {
      boolean apart = columns[x + lanes - 1] - columns[x] + 4 > 2 * lanes;
      to[x] = apart || bottom[x] - top[x] > 1 ? -1 : 3 + bottom[x] - top[x];
    }
  }

  private static void scales(LensMemory m, int end, Lens lens, float half, float square) {
    float[] to = m.scales;
    for (int x = 0; x < end; x += LANES.length()) {
      FloatVector u = LANES_ACROSS.add(x + 0.5f).sub(half);
      FloatVector r = u.fma(u, WideMath.all(square)).mul(lens.perCorner());
      WideMath.all(lens.d()).fma(r, WideMath.all(1)).mul(lens.s()).intoArray(to, x);
    }
  }

  private static void across(LensMemory m, int end, Lens lens, float w, float by) {
    for (int x = 0; x < end; x += LANES.length()) {
      FloatVector u = LANES_ACROSS.add(x + 0.5f).sub(0.5f * w);
      FloatVector s = FloatVector.fromArray(LANES, m.scales, x);
      FloatVector px = place(s.fma(u, WideMath.all(0.5f * w - 0.5f)), w + 1);
      IntVector i = px.convert(VectorOperators.F2I, 0).reinterpretAsInts();
      i.intoArray(m.columns, x);
      px.sub((FloatVector) i.convert(VectorOperators.I2F, 0)).intoArray(m.partAcross, x);
    }
  }

  private static void down(LensMemory m, int end, Lens lens, float h, float v) {
    for (int x = 0; x < end; x += LANES.length()) {
      FloatVector s = FloatVector.fromArray(LANES, m.scales, x);
      FloatVector py = place(s.fma(WideMath.all(v), WideMath.all(0.5f * h - 0.5f)), h + 1);
      FloatVector j = whole(py);
      j.intoArray(m.rows, x);
      py.sub(j).intoArray(m.partDown, x);
      m.top[x] = (int) j.reduceLanes(VectorOperators.MIN);
      m.bottom[x] = (int) j.reduceLanes(VectorOperators.MAX);
    }
  }

  private static FloatVector place(FloatVector at, float most) {
    return WideMath.atMost(WideMath.atLeast(at, -2), most).add(Planes.BORDER);
  }

  private static FloatVector whole(FloatVector x) {
    return (FloatVector) x.convert(VectorOperators.F2I, 0).convert(VectorOperators.I2F, 0);
  }

  /** Reads the k-th of the rows; of lanes that lie a row lower it is the one before. */
  private static void line(float[] plane, int stride, int k, float[] to, int end, LensMemory m) {
    float[] first = m.across[0], second = m.across[1];
    float[] third = m.across[2], fourth = m.across[3];
    for (int x = 0; x < end; x += LANES.length()) {
      if (unread(m, k, x)) {
        continue;
      }
      int column = m.columns[x], at = (m.top[x] - 1 + k) * stride + column - 1;
      IntVector near = FloatVector.fromArray(LANES, plane, at).reinterpretAsInts();
      IntVector far = FloatVector.fromArray(LANES, plane, at + LANES.length()).reinterpretAsInts();
      IntVector lane = IntVector.fromArray(WHOLE_LANES, m.columns, x).sub(column);
      FloatVector sum = chosen(lane, near, far).mul(FloatVector.fromArray(LANES, first, x));
      sum = chosen(lane.add(1), near, far).fma(FloatVector.fromArray(LANES, second, x), sum);
      sum = chosen(lane.add(2), near, far).fma(FloatVector.fromArray(LANES, third, x), sum);
      sum = chosen(lane.add(3), near, far).fma(FloatVector.fromArray(LANES, fourth, x), sum);
      sum.intoArray(m.line, x);
    }
  }

  private static FloatVector chosen(IntVector lane, IntVector near, IntVector far) {
    return lane.selectFrom(near, far).reinterpretAsFloats();
  }

  private static void add(float[] plane, int stride, int k, float[] to, int end, LensMemory m) {
    float[] upper = k < 4 ? m.down[k] : m.none, lower = k > 0 ? m.down[k - 1] : m.none;
    for (int x = 0; x < end; x += LANES.length()) {
      if (unread(m, k, x)) {
        continue;
      }
      VectorMask<Float> low =
          FloatVector.fromArray(LANES, m.rows, x).compare(VectorOperators.GT, m.top[x]);
      FloatVector weight = FloatVector.fromArray(LANES, upper, x);
      weight = weight.blend(FloatVector.fromArray(LANES, lower, x), low);
      FloatVector sum = FloatVector.fromArray(LANES, to, x);
      weight.fma(FloatVector.fromArray(LANES, m.line, x), sum).intoArray(to, x);
    }
  }

  /** Whether there is nothing to be read of a row for some lanes. */
  private static boolean unread(LensMemory m, int k, int x) {
    return k > m.count[x];
  }

  private static void lit(float[] to, int end) {
    for (int x = 0; x < end; x += LANES.length()) {
      WideMath.atLeast(FloatVector.fromArray(LANES, to, x), 0).intoArray(to, x);
    }
  }

  private static void inner(float[] part, float by, float from, float[] to, int end) {
    for (int x = 0; x < end; x += LANES.length()) {
      FloatVector a = FloatVector.fromArray(LANES, part, x).mul(by).add(from);
      a.mul(a)
          .fma(WideMath.all(1.5f).fma(a, WideMath.all(-2.5f)), WideMath.all(1))
          .intoArray(to, x);
    }
  }

  private static void outer(float[] part, float by, float from, float[] to, int end) {
    for (int x = 0; x < end; x += LANES.length()) {
      FloatVector a = FloatVector.fromArray(LANES, part, x).mul(by).add(from);
      a.fma(
              a.fma(WideMath.all(-0.5f).fma(a, WideMath.all(2.5f)), WideMath.all(-4)),
              WideMath.all(2))
          .intoArray(to, x);
    }
  }
}
