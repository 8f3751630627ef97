package levelember.printing.film;

/**
 * How far a print is.
 *
 * @param done share of its work, 0…1
 * @param samples of a pixel, on the mean over the picture
 * @param noise of the whole picture, 1 for 100 percent, or NaN while a band has none
 * @param tracedSeconds of tracing so far
 * @param secondsLeft of tracing, or NaN before it can be told
 * @param factor by which that may be longer or shorter
 * @param rays walked since it was begun or went on
 * @param dropped contributions that were no finite number, since then
 */
public record PrintProgress(
    double done,
    double samples,
    double noise,
    double tracedSeconds,
    double secondsLeft,
    double factor,
    long rays,
    long dropped) {}
