package levelember.printing.film;

/**
 * When a print is done.
 *
 * @param samples of every pixel; the most where a noise or a time is wanted
 * @param noise of the picture, 1 for 100 percent, to which the noisier tiles get more samples; 0
 *     for even samples
 * @param seconds of tracing after which it ends; 0 for as long as it takes. What it has then
 *     depends on the machine
 */
public record PrintTarget(int samples, double noise, double seconds) {
  public PrintTarget {
    if (samples < 1 || !(noise >= 0) || !(seconds >= 0)) {
      throw new IllegalArgumentException("a print has 1 sample or more, and no negative target");
    }
  }
}
