package levelember.look;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import levelember.film.FirstHits;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.shoot.piece.Piece;
import levelember.texture.Picture;

/**
 * Gathers what a look needs to know of a picture: from the first hits, which may come in bands, and
 * from mixes of layers. Used once.
 */
public final class LookInputsMaker {
  /** Margin around the frame in which lamps are looked for, of the picture's height. */
  private static final double MARGIN = 0.25;

  private final Shoot shoot;
  private final Look look;
  private final int width, height;
  private final float[] weights;
  private final float[] shade;
  private final float[] open;
  private final Picture[] sources;
  private final boolean[][] masks;

  /**
   * A maker for a picture of the given size.
   *
   * @param weights of the lights as shown, three a light
   */
  public LookInputsMaker(Shoot shoot, Look look, int width, int height, float[] weights) {
    this.shoot = shoot;
    this.look = look;
    this.width = width;
    this.height = height;
    this.weights = weights;
    shade = look.contact().amount() > 0 ? new float[width * height] : null;
    open = blursPlates(shoot, look) ? new float[width * height] : null;
    int n = look.glows().size();
    sources = new Picture[n];
    masks = new boolean[n][];
    for (int i = 0; i < n; i++) {
      Glow glow = look.glows().get(i);
      if (glow.active() && (glow.outsideFrame() || glow.source().needsInputs())) {
        int m = margin(glow);
        sources[i] = Picture.black(width + 2 * m, height + 2 * m);
        masks[i] = mask(glow.source());
      }
    }
  }

  /** Whether a look needs to know what the camera meets first. */
  public static boolean needsHits(Shoot shoot, Look look) {
    return look.contact().amount() > 0
        || blursPlates(shoot, look)
        || look.glows().stream()
            .anyMatch(g -> g.active() && (g.outsideFrame() || g.source().needsInputs()));
  }

  /**
   * Metres over which a look needs to know how near surfaces come to one another; 0 for no need.
   */
  public static double obscuranceReach(Look look) {
    return look.contact().amount() > 0 ? look.contact().reach() : 0;
  }

  /** Margin around the frame that a look wants lamps to be looked for in, pixels. */
  public static int margin(Look look, int height) {
    boolean beyond = look.glows().stream().anyMatch(g -> g.active() && g.outsideFrame());
    return beyond ? 2 * (int) Math.ceil(MARGIN * height / 2) : 0;
  }

  private int margin(Glow glow) {
    return glow.outsideFrame() ? margin(look, height) : 0;
  }

  private static boolean blursPlates(Shoot shoot, Look look) {
    return (look.plate().blur() > 0 || look.plate().stops() != 0)
        && shoot.lights().stream().anyMatch(l -> l.emitter() instanceof Emitter.Plate);
  }

  /** The pieces that a glow glows from, or null when it does not go by pieces. */
  private boolean[] mask(Glow.Source source) {
    if (source.kind() != Glow.Source.Kind.PIECES && source.kind() != Glow.Source.Kind.MATERIALS) {
      return null;
    }
    boolean byPiece = source.kind() == Glow.Source.Kind.PIECES;
    Set<String> in = new HashSet<>(source.of());
    List<Piece> pieces = shoot.pieces();
    if (byPiece) {
      // A piece stands for all that it holds.
      boolean grown = true;
      while (grown) {
        grown = false;
        for (Piece p : pieces) {
          grown |= p.parent() != null && in.contains(p.parent()) && in.add(p.id());
        }
      }
    }
    boolean[] mask = new boolean[pieces.size()];
    for (int i = 0; i < mask.length; i++) {
      Piece p = pieces.get(i);
      mask[i] = byPiece ? in.contains(p.id()) : p.material() != null && in.contains(p.material());
    }
    return mask;
  }

  /**
   * Takes what rows of first hits say.
   *
   * @param first row to be taken
   * @param last row after those to be taken
   * @param known what {@link AmbientOcclusion} makes of these rows, when it is known; else null
   */
  public void take(FirstHits hits, int first, int last, float[] known) {
    if (shade != null) {
      float[] in =
          known == null
              ? new AmbientOcclusion(hits, first, last).within(look.contact().reach())
              : known;
      float amount = (float) look.contact().amount();
      for (int i = 0; i < in.length; i++) {
        shade[first * width + i] = 1 - amount * in[i];
      }
    }
    if (open != null) {
      for (int y = first; y < last; y++) {
        for (int x = 0; x < width; x++) {
          open[y * width + x] = hits.open(x, y);
        }
      }
    }
    for (int i = 0; i < sources.length; i++) {
      if (sources[i] == null) {
        continue;
      }
      Glow glow = look.glows().get(i);
      int m = margin(glow);
      if (masks[i] != null) {
        shares(hits, first, last, masks[i], sources[i], m);
      }
      if (glow.source().kind() == Glow.Source.Kind.EMISSION || m > 0) {
        // A look may want more around the frame than was looked at for the look before it.
        int above = first == 0 ? Math.max(-m, hits.top()) : first;
        int below = last == height ? Math.min(height + m, hits.bottom()) : last;
        lamps(hits, above, below, glow, i);
      }
    }
  }

  private void shares(FirstHits hits, int first, int last, boolean[] mask, Picture to, int m) {
    IntStream.range(first, last)
        .parallel()
        .forEach(y -> {
          for (int x = 0; x < width; x++) {
            float share = hits.share(x, y, mask);
            to.set(x + m, y + m, share, share, share);
          }
        });
  }

  /** Lamps as seen directly; inside of the frame only for a glow from them. */
  private void lamps(FirstHits hits, int first, int last, Glow glow, int number) {
    Set<String> of = new HashSet<>(glow.source().of());
    int[] lights =
        IntStream.range(0, shoot.lights().size())
            .filter(k -> hits.sees(k) && chosen(glow.source(), of, k, number))
            .toArray();
    IntStream.range(first, last)
        .parallel()
        .forEach(y -> lamps(hits, y, lights, glow, sources[number]));
  }

  private void lamps(FirstHits hits, int y, int[] lights, Glow glow, Picture to) {
    boolean all = glow.source().kind() == Glow.Source.Kind.EMISSION;
    int m = margin(glow);
    float[] row = new float[3 * (width + 2 * hits.margin())];
    for (int k : lights) {
      hits.addSeen(k, y, weights, row, 0);
    }
    int at = 3 * ((y + m) * to.width() + m);
    int beside = Math.min(m, hits.margin());
    for (int x = -beside; x < width + beside; x++) {
      boolean inside = x >= 0 && x < width && y >= 0 && y < height;
      if (all || !inside) {
        System.arraycopy(row, 3 * (x + hits.margin()), to.rgb(), at + 3 * x, 3);
      }
    }
  }

  /** Whether a light outside of the frame belongs to a glow's source. */
  private boolean chosen(Glow.Source source, Set<String> of, int light, int number) {
    return switch (source.kind()) {
      case PICTURE, EMISSION -> true;
      case LIGHTS -> of.contains(shoot.lights().get(light).id());
      case PIECES, MATERIALS ->
          shoot.lights().get(light).emitter() instanceof Emitter.Emissive e
              && IntStream.range(0, masks[number].length)
                  .anyMatch(i ->
                      masks[number][i] && e.material().equals(shoot.pieces().get(i).material()));
    };
  }

  /**
   * Weights of the mixes of layers that {@link #inputs} wants besides the whole, in its order: of
   * every glow from chosen lights, then of the plates.
   */
  public List<float[]> mixes() {
    List<float[]> to = new ArrayList<>();
    for (Glow glow : look.glows()) {
      if (byLights(glow)) {
        Set<String> of = new HashSet<>(glow.source().of());
        to.add(only(i -> of.contains(shoot.lights().get(i).id())));
      }
    }
    if (open != null) {
      to.add(only(i -> shoot.lights().get(i).emitter() instanceof Emitter.Plate));
    }
    return to;
  }

  private static boolean byLights(Glow glow) {
    return glow.active() && glow.source().kind() == Glow.Source.Kind.LIGHTS;
  }

  private float[] only(java.util.function.IntPredicate which) {
    float[] to = new float[weights.length];
    for (int i = 0; i < shoot.lights().size(); i++) {
      if (which.test(i)) {
        System.arraycopy(weights, 3 * i, to, 3 * i, 3);
      }
    }
    return to;
  }

  /**
   * What was gathered.
   *
   * @param whole the picture, cd/m²
   * @param mixed pictures of the {@link #mixes}
   * @param hits whether first hits were taken; without them their part is left out
   */
  public LookInputs inputs(Picture whole, List<Picture> mixed, boolean hits) {
    List<Picture> to = new ArrayList<>();
    List<Integer> margins = new ArrayList<>();
    int next = 0;
    for (int i = 0; i < sources.length; i++) {
      Glow glow = look.glows().get(i);
      Picture own = null;
      if (byLights(glow)) {
        own = mixed.get(next++);
      } else if (hits && masks[i] != null && sources[i] != null) {
        times(whole, sources[i], margin(glow));
        own = sources[i];
      } else if (hits && glow.source().kind() == Glow.Source.Kind.EMISSION) {
        own = sources[i];
      } else if (glow.source().kind() == Glow.Source.Kind.PICTURE) {
        own = whole;
      }
      boolean around = hits && sources[i] != null && glow.outsideFrame();
      if (around && own != sources[i] && own != null) {
        within(own, sources[i], margin(glow));
        own = sources[i];
      }
      boolean usual = own == whole;
      to.add(usual ? null : own);
      margins.add(around && !usual ? margin(glow) : 0);
    }
    Picture plate = hits && open != null ? treated(mixed.getLast()) : null;
    return new LookInputs(hits ? shade : null, plate, to, margins);
  }

  /** Makes shares of pixels into what these pixels show, inside of the frame. */
  private void times(Picture whole, Picture shares, int m) {
    for (int y = 0; y < height; y++) {
      int at = 3 * ((y + m) * shares.width() + m), from = 3 * y * width;
      for (int i = 0; i < 3 * width; i++) {
        shares.rgb()[at + i] *= whole.rgb()[from + i];
      }
    }
  }

  private void within(Picture own, Picture to, int m) {
    for (int y = 0; y < height; y++) {
      System.arraycopy(
          own.rgb(), 3 * y * width, to.rgb(), 3 * ((y + m) * to.width() + m), 3 * width);
    }
  }

  /** What blurring and exposing the plates adds: they are spread where they are seen alone. */
  private Picture treated(Picture plates) {
    double deviation = look.plate().blur() / 100 * height;
    float gain = (float) StrictMath.pow(2, look.plate().stops());
    Picture soft = Blur.gaussian(plates, deviation);
    Picture to = Picture.black(width, height);
    for (int i = 0; i < open.length; i++) {
      to.rgb()[3 * i] = open[i];
    }
    float[] seen = Blur.gaussian(to, deviation).rgb();
    to = Picture.black(width, height);
    for (int i = 0; i < open.length; i++) {
      float share = seen[3 * i] > 1e-4f ? gain * open[i] / seen[3 * i] : 0;
      for (int k = 3 * i; k < 3 * i + 3; k++) {
        to.rgb()[k] = share * soft.rgb()[k] - plates.rgb()[k];
      }
    }
    return to;
  }
}
