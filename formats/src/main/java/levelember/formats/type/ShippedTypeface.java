package levelember.formats.type;

import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import levelember.geometry.Typeface;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.GlyphData;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** Hanken Grotesk, semibold, Latin letters: the typeface of raised letters. */
public final class ShippedTypeface implements Typeface {
  private static final String FILE = "hanken-grotesk-600.ttf";

  /** Farthest that a flattened curve lies from the true one, in heights of a capital. */
  private static final double FLAT = 0.0015;

  /** A letter's contours and advance. */
  private record Letter(List<double[]> contours, double advance) {}

  private final TrueTypeFont font;
  private final CmapLookup numbers;
  private final double scale;
  private final Map<Integer, Letter> letters = new ConcurrentHashMap<>();

  /** Reads the typeface from the program's own resources. */
  public ShippedTypeface() {
    try (InputStream in = ShippedTypeface.class.getResourceAsStream(FILE)) {
      font = new TTFParser().parse(new RandomAccessReadBuffer(in));
      numbers = font.getUnicodeCmapLookup();
      scale = 1.0 / font.getOS2Windows().getCapHeight();
    } catch (IOException e) {
      throw new UncheckedIOException("the shipped typeface cannot be read", e);
    }
  }

  @Override
  public List<double[]> outline(int codePoint) {
    return letters.computeIfAbsent(codePoint, this::letter).contours;
  }

  @Override
  public double advance(int codePoint) {
    return letters.computeIfAbsent(codePoint, this::letter).advance;
  }

  /** The font reads its tables as it goes, so one at a time. */
  private synchronized Letter letter(int codePoint) {
    try {
      int number = numbers.getGlyphId(codePoint);
      GlyphData glyph = font.getGlyph().getGlyph(number);
      List<double[]> contours = glyph == null ? List.of() : contours(glyph.getPath());
      return new Letter(contours, scale * font.getAdvanceWidth(number));
    } catch (IOException e) {
      throw new UncheckedIOException("the shipped typeface cannot be read", e);
    }
  }

  private List<double[]> contours(Path2D path) {
    List<double[]> to = new ArrayList<>();
    List<Double> now = new ArrayList<>();
    double[] c = new double[6];
    for (PathIterator i = path.getPathIterator(null, FLAT / scale); !i.isDone(); i.next()) {
      int what = i.currentSegment(c);
      if (what == PathIterator.SEG_LINETO || what == PathIterator.SEG_MOVETO) {
        if (what == PathIterator.SEG_MOVETO) {
          closed(now, to);
        }
        now.add(scale * c[0]);
        now.add(scale * c[1]);
      }
    }
    closed(now, to);
    return to;
  }

  /** Ends a contour; corners that lie on the one before are left out. */
  private static void closed(List<Double> now, List<double[]> to) {
    List<Double> kept = new ArrayList<>();
    int n = now.size() / 2;
    for (int i = 0; i < n; i++) {
      int before = (i + n - 1) % n;
      double dx = now.get(2 * i) - now.get(2 * before);
      double dy = now.get(2 * i + 1) - now.get(2 * before + 1);
      if (dx * dx + dy * dy > 1e-10) {
        kept.add(now.get(2 * i));
        kept.add(now.get(2 * i + 1));
      }
    }
    if (kept.size() >= 6) {
      to.add(kept.stream().mapToDouble(Double::doubleValue).toArray());
    }
    now.clear();
  }

  /** The typeface's file, for documents that hold it. */
  public static InputStream file() {
    return ShippedTypeface.class.getResourceAsStream(FILE);
  }
}
