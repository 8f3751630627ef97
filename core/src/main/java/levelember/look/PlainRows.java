package levelember.look;

/** Rows one pixel at a time. */
final class PlainRows extends RowMath {
  @Override
  void part(float[] from, int at, float[] r, float[] g, float[] b, int n) {
    part(from, at, r, g, b, 0, n);
  }

  /** A part of the rows. */
  static void part(float[] from, int at, float[] r, float[] g, float[] b, int first, int n) {
    for (int x = first, i = at + 3 * first; x < n; x++, i += 3) {
      r[x] = from[i];
      g[x] = from[i + 1];
      b[x] = from[i + 2];
    }
  }

  @Override
  void tone(float[] r, float[] g, float[] b, int n, ToneTerms t, float[][] memory) {
    tone(r, g, b, 0, n, t);
  }

  /** A part of the rows. */
  static void tone(float[] r, float[] g, float[] b, int from, int n, ToneTerms t) {
    float[] m = t.matrix();
    for (int i = from; i < n; i++) {
      float lr = r[i], lg = g[i], lb = b[i];
      float x = Math.fma(m[2], lb, Math.fma(m[1], lg, m[0] * lr));
      float y = Math.fma(m[5], lb, Math.fma(m[4], lg, m[3] * lr));
      float z = Math.fma(m[8], lb, Math.fma(m[7], lg, m[6] * lr));
      x = (x - t.black()) * t.perRange();
      y = (y - t.black()) * t.perRange();
      z = (z - t.black()) * t.perRange();
      float light = Math.fma(0.0722f, z, Math.fma(0.7152f, y, 0.2126f * x));
      x = Math.fma(t.saturation(), x - light, light);
      y = Math.fma(t.saturation(), y - light, light);
      z = Math.fma(t.saturation(), z - light, light);
      float least = Math.min(Math.min(x, y), z);
      if (least < 0) {
        // Into what can be shown, towards the grey of the same luminance.
        float own = Math.fma(0.0722f, z, Math.fma(0.7152f, y, 0.2126f * x));
        float grey = Math.max(own, 0);
        float keep = grey / Math.max(grey - least, DARKEST);
        x = Math.max(0, Math.fma(keep, x - grey, grey));
        y = Math.max(0, Math.fma(keep, y - grey, grey));
        z = Math.max(0, Math.fma(keep, z - grey, grey));
      }
      float most = Math.max(Math.max(x, y), z);
      float in = Math.min(Math.max(most, DARKEST), BRIGHTEST);
      float shown = curve(in, t);
      float w = Math.min(Math.max((shown - t.whiteFrom()) * t.perWhite(), 0), 1);
      float white = t.burn() * w * w;
      boolean dark = most < DARKEST;
      float by = dark ? 0 : shown / in * (1 - white);
      float add = dark ? shown : white * shown;
      r[i] = encoded(Math.fma(by, x, add));
      g[i] = encoded(Math.fma(by, y, add));
      b[i] = encoded(Math.fma(by, z, add));
    }
  }

  private static float curve(float n, ToneTerms t) {
    float x = t.bends() ? t.contrastScale() * power(n, t.contrast()) : n;
    if (t.film()) {
      return Math.min(t.most(), Math.fma(t.reach(), x / (x + t.half()), t.base()));
    }
    float over = (x - t.start()) * t.perStart();
    float held = over * Math.fma(over, t.perWhiteSquared(), 1) / (1 + over);
    float bent = Math.fma(1 - t.start(), held, t.start());
    return Math.min(x <= t.start() ? x : x >= t.white() ? 1 : bent, 1);
  }

  private static float encoded(float v) {
    float x = Math.min(v, 1);
    float root = power(Math.max(x, SRGB_LINE), SRGB_POWER);
    return x < SRGB_LINE ? 12.92f * x : Math.min(Math.fma(1.055f, root, -0.055f), 1);
  }

  @Override
  boolean anyAbove(float[] values, int from, int to, float least) {
    for (int i = from; i < to; i++) {
      if (values[i] > least) {
        return true;
      }
    }
    return false;
  }

  @Override
  void add(float[] from, int at, int length, float weight, float[] to, int into) {
    for (int i = 0; i < length; i++) {
      to[into + i] = Math.fma(weight, from[at + i], to[into + i]);
    }
  }

  @Override
  void wheels(float[] r, float[] g, float[] b, int n, WheelTerms t, float[] memory) {
    wheels(r, g, b, 0, n, t);
  }

  @Override
  void bend(float[] row, int n, float[] curve) {
    bend(row, 0, n, curve);
  }

  /** A part of the row. */
  static void bend(float[] row, int from, int n, float[] curve) {
    float steps = curve.length - 2;
    for (int i = from; i < n; i++) {
      float at = row[i] * steps;
      int k = (int) at;
      row[i] = Math.fma(at - k, curve[k + 1] - curve[k], curve[k]);
    }
  }

  /** A part of the rows. */
  static void wheels(float[] r, float[] g, float[] b, int from, int n, WheelTerms t) {
    for (int i = from; i < n; i++) {
      float x = wheel(r[i], 0, t), y = wheel(g[i], 1, t), z = wheel(b[i], 2, t);
      float luma = Math.fma(0.0722f, z, Math.fma(0.7152f, y, 0.2126f * x));
      r[i] = Math.min(Math.max(Math.fma(t.saturation(), x - luma, luma), 0), 1);
      g[i] = Math.min(Math.max(Math.fma(t.saturation(), y - luma, luma), 0), 1);
      b[i] = Math.min(Math.max(Math.fma(t.saturation(), z - luma, luma), 0), 1);
    }
  }

  private static float wheel(float v, int k, WheelTerms t) {
    float x = Math.min(Math.max(Math.fma(v, t.slope()[k], t.offset()[k]), 0), 1);
    if (t.power()[k] == 1) {
      return x;
    }
    return x < DARKEST ? 0 : Math.min(power(Math.max(x, DARKEST), t.power()[k]), 1);
  }

  @Override
  void smooth(float[] in, Surfaces surfaces, int y, int step, float[] out) {
    smooth(in, surfaces, y, step, 0, surfaces.width(), out);
  }

  /** A part of the row. */
  static void smooth(float[] in, Surfaces s, int y, int step, int first, int n, float[] out) {
    int width = s.width(), reach = 2 * step;
    for (int x = first; x < n; x++) {
      int at = y * width + x;
      float sum = 0, whole = 0;
      for (int row = y - reach; row <= y + reach; row += step) {
        if (row < 0 || row >= s.rows()) {
          continue;
        }
        for (int column = x - reach; column <= x + reach; column += step) {
          if (column >= 0 && column < width) {
            int other = row * width + column;
            float w = alike(s, at, other);
            sum += w * in[other];
            whole += w;
          }
        }
      }
      out[at] = whole > 0 ? sum / whole : in[at];
    }
  }

  private static float alike(Surfaces s, int a, int b) {
    float cos = s.x()[a] * s.x()[b] + s.y()[a] * s.y()[b] + s.z()[a] * s.z()[b];
    if (cos <= Surfaces.FOLD) {
      return a == b ? 1 : 0;
    }
    float far = 1 - Math.abs(s.near()[b] - s.near()[a]) * s.sharp()[a];
    return (cos - Surfaces.FOLD) * (far < 0 ? 0 : far);
  }

  @Override
  void lens(Planes from, int channel, Lens lens, int y, float[] to, LensMemory memory) {
    lens(from, channel, lens, y, to, 0, from.width());
  }

  /** A part of the row. */
  static void lens(Planes from, int channel, Lens lens, int y, float[] to, int first, int n) {
    float[] plane = from.channels()[channel];
    int w = from.width(), h = from.height(), stride = from.stride();
    float v = y + 0.5f - 0.5f * h, right = 0.5f * w - 0.5f, down = 0.5f * h - 0.5f;
    for (int x = first; x < n; x++) {
      float u = x + 0.5f - 0.5f * w;
      float r = Math.fma(u, u, v * v) * lens.perCorner();
      float s = Math.fma(lens.d(), r, 1) * lens.s();
      float px = Math.min(Math.max(Math.fma(s, u, right), -2), w + 1) + Planes.BORDER;
      float py = Math.min(Math.max(Math.fma(s, v, down), -2), h + 1) + Planes.BORDER;
      int i = (int) px, j = (int) py, at = (j - 1) * stride + i - 1;
      float fx = px - i, fy = py - j;
      float a0 = outer(1 + fx), a1 = inner(fx), a2 = inner(1 - fx), a3 = outer(2 - fx);
      float sum = outer(1 + fy) * line(plane, at, a0, a1, a2, a3);
      sum = Math.fma(inner(fy), line(plane, at + stride, a0, a1, a2, a3), sum);
      sum = Math.fma(inner(1 - fy), line(plane, at + 2 * stride, a0, a1, a2, a3), sum);
      sum = Math.fma(outer(2 - fy), line(plane, at + 3 * stride, a0, a1, a2, a3), sum);
      to[x] = sum < 0 ? 0 : sum;
    }
  }

  private static float line(float[] plane, int at, float a0, float a1, float a2, float a3) {
    float sum = Math.fma(a1, plane[at + 1], a0 * plane[at]);
    return Math.fma(a3, plane[at + 3], Math.fma(a2, plane[at + 2], sum));
  }

  private static float inner(float a) {
    return Math.fma(a * a, Math.fma(1.5f, a, -2.5f), 1);
  }

  private static float outer(float a) {
    return Math.fma(a, Math.fma(a, Math.fma(-0.5f, a, 2.5f), -4), 2);
  }
}
