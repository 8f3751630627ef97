package levelember.caustics;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import levelember.scene.Scene;
import levelember.shoot.lighting.Caustics;

/**
 * The photons of all lights of a scene that cast caustics, pass by pass: every sample of a picture
 * has passes of its own, so that samples add up however they are traced. Threads that want a pass
 * make it together. Passes wanted last are kept, up to {@link #MOST_BYTES} or as many as {@link
 * #keep} says.
 */
public final class CausticPhotons {
  /** Photons of a pass, at least, also of a light that has them automatically, and at most. */
  private static final int LEAST = 1 << 12, LEAST_AUTOMATIC = 1 << 9, MOST = 1 << 18;

  /** Pixels of a picture for a photon: of a light that always has them, and of another. */
  private static final int PIXELS = 2, AUTOMATIC_PIXELS = 8;

  /** Photons that a thread takes on at a time. */
  private static final int CHUNK = 1 << 11;

  /** Bytes that finished passes may take. */
  static final long MOST_BYTES = 96L << 20;

  private final Scene scene;

  /** Surfaces that throw caustics; null where no light may have photons. */
  private final CasterSurfaces surfaces;

  /** By light how its photons begin, or null where it has none. */
  private final CausticLight[] lights;

  /** By light whether that is known. */
  private final boolean[] decided;

  private volatile boolean allDecided;
  private long mostBytes = MOST_BYTES;
  private final Map<Key, Pass> passes = new LinkedHashMap<>(16, 0.75f, true);

  private record Key(int light, int photons, int seed, int pass) {}

  private CausticPhotons(Scene scene, CasterSurfaces surfaces) {
    this.scene = scene;
    this.surfaces = surfaces;
    lights = new CausticLight[scene.lights.length];
    decided = new boolean[lights.length];
  }

  /** The photons of a scene; begun at the first call. */
  public static CausticPhotons of(Scene scene) {
    return scene.derived().get(CausticPhotons.class, earlier -> begin(scene, earlier));
  }

  /** Whether photons carry a light's caustics. */
  public static boolean carry(Scene scene, int light) {
    return of(scene).has(light);
  }

  /**
   * @param old those of a scene that it was made from, which are kept where they stay; or null
   */
  private static CausticPhotons begin(Scene scene, CausticPhotons old) {
    int count = scene.lights.length;
    Scene before = old == null ? null : old.scene;
    boolean stays = old != null && scene.scattersAs(before);
    boolean any = IntStream.range(0, count).anyMatch(scene::castsCaustics);
    CasterSurfaces surfaces = stays ? old.surfaces : null;
    surfaces = any && surfaces == null ? new CasterSurfaces(scene) : surfaces;
    CausticPhotons to = new CausticPhotons(scene, surfaces);
    for (int k = 0; k < count; k++) {
      int was = stays ? scene.same(k, before) : -1;
      if (!scene.castsCaustics(k) || surfaces.count() == 0) {
        to.decided[k] = true;
      } else if (was >= 0 && before.castsCaustics(was)) {
        synchronized (old) {
          to.lights[k] = old.lights[was];
          to.decided[k] = old.decided[was];
        }
      }
    }
    to.decide(k -> scene.caustics(k).on());
    return to;
  }

  /** Finds how the photons of some lights begin, or that they have none. */
  private synchronized void decide(IntPredicate wanted) {
    IntStream.range(0, lights.length)
        .parallel()
        .filter(k -> !decided[k] && wanted.test(k))
        .forEach(k -> {
          lights[k] = CausticLight.of(scene, k, surfaces);
          decided[k] = true;
        });
    allDecided = IntStream.range(0, lights.length).allMatch(k -> decided[k]);
  }

  /** How a light's photons begin, or null. */
  public CausticLight light(int light) {
    return lights[light];
  }

  /**
   * Whether a light's caustics are the photons'; the first call looks for all lights that have them
   * automatically.
   */
  boolean has(int light) {
    if (!allDecided) {
      decide(k -> true);
    }
    return lights[light] != null;
  }

  /**
   * Photons of a light in each pass of a picture.
   *
   * @param pixels of the whole picture
   */
  int photons(int light, long pixels) {
    boolean on = scene.caustics(light).on();
    long wanted = Long.highestOneBit(Math.max(1, pixels / (on ? PIXELS : AUTOMATIC_PIXELS)));
    return (int) Math.clamp(wanted, on ? LEAST : LEAST_AUTOMATIC, MOST);
  }

  /**
   * The photons of a light for one sample; traced here, by all threads that want them, where they
   * are not there yet.
   *
   * @param stop says that they are not wanted any more
   * @return null when stopped before they are there
   */
  PhotonMap pass(
      int light, int photons, int seed, int pass, PhotonTracer tracer, BooleanSupplier stop) {
    Key key = new Key(light, photons, seed, pass);
    Pass of;
    synchronized (passes) {
      of = passes.computeIfAbsent(key, Pass::new);
    }
    try {
      PhotonMap map = of.made(tracer, stop);
      synchronized (passes) {
        forget();
      }
      return map;
    } catch (RuntimeException e) {
      synchronized (passes) {
        passes.remove(key, of);
      }
      throw e;
    }
  }

  /** Sets how many bytes finished passes may take. */
  void keep(long bytes) {
    mostBytes = bytes;
  }

  /** Bytes that finished passes take. */
  long bytes() {
    synchronized (passes) {
      return passes.values().stream().mapToLong(Pass::bytes).sum();
    }
  }

  private void forget() {
    long sum = bytes();
    Iterator<Pass> oldest = passes.values().iterator();
    while (sum > mostBytes && oldest.hasNext()) {
      Pass next = oldest.next();
      if (next.bytes() > 0) {
        sum -= next.bytes();
        oldest.remove();
      }
    }
  }

  /** One pass while it is made and after. */
  private final class Pass {
    private final Key key;
    private final PhotonMap.Deposits[] chunks;
    private final AtomicInteger next = new AtomicInteger();
    private int missing;
    private boolean failed;
    private volatile PhotonMap map;

    Pass(Key key) {
      this.key = key;
      chunks = new PhotonMap.Deposits[(key.photons + CHUNK - 1) / CHUNK];
      missing = chunks.length;
    }

    long bytes() {
      return map == null ? 0 : map.bytes();
    }

    PhotonMap made(PhotonTracer tracer, BooleanSupplier stop) {
      if (map != null) {
        return map;
      }
      while (!stop.getAsBoolean()) {
        int chunk = next.getAndIncrement();
        if (chunk >= chunks.length) {
          return finished();
        }
        PhotonMap.Deposits deposits = null;
        try {
          deposits = traced(chunk, tracer);
        } finally {
          put(chunk, deposits);
        }
      }
      return map;
    }

    /** Takes a chunk's photons, or null when tracing them failed. */
    private synchronized void put(int chunk, PhotonMap.Deposits deposits) {
      chunks[chunk] = deposits;
      failed |= deposits == null;
      missing--;
      notifyAll();
    }

    private PhotonMap.Deposits traced(int chunk, PhotonTracer tracer) {
      PhotonMap.Deposits to = new PhotonMap.Deposits();
      CausticLight casters = lights[key.light];
      int pass = 31 * key.seed + key.pass;
      int end = Math.min((chunk + 1) * CHUNK, key.photons);
      Caustics caustics = scene.caustics(key.light);
      double share = caustics.level() / key.photons;
      for (int i = chunk * CHUNK; i < end; i++) {
        tracer.trace(key.light, casters, i, pass, share, to);
      }
      return to;
    }

    private synchronized PhotonMap finished() {
      while (missing > 0 && map == null) {
        try {
          wait();
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
          throw new IllegalStateException("interrupted while waiting for photons", e);
        }
      }
      if (failed) {
        throw new IllegalStateException("tracing photons failed");
      }
      if (map == null) {
        Caustics caustics = scene.caustics(key.light);
        double least = caustics.softnessMillimetres() / 1000;
        float radius = lights[key.light].radius(key.photons, key.pass, least);
        float share = (float) caustics.softnessShare();
        PhotonMap made = PhotonMap.of(new ArrayList<>(List.of(chunks)), radius, share);
        map = caustics.on() ? made : made.withVariableKernel();
        Arrays.fill(chunks, null);
      }
      return map;
    }
  }
}
