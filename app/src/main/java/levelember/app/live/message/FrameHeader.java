package levelember.app.live.message;

/**
 * What the header of a frame says.
 *
 * @param revision of the state shown
 * @param mark of the try that it answers, or 0
 * @param shot id of the shot shown
 * @param width pixels of the full picture
 * @param height pixels of the full picture
 * @param columns pixels sent; each spans 1, 2, 4 or 8 of the full picture either way
 * @param rows pixels sent
 * @param step the finest size that is whole: 1 full, 2 half, 4, 8
 * @param samples of a pixel of the full size, least over all layers
 * @param denoised whether noise was taken out of what is shown
 * @param rays since the last change of state; 0 when layers were only mixed anew
 * @param mixMillis time to mix and show
 * @param sinceEditMillis time since the state was asked for
 */
public record FrameHeader(
    long revision,
    long mark,
    String shot,
    int width,
    int height,
    int columns,
    int rows,
    int step,
    int samples,
    boolean denoised,
    long rays,
    long mixMillis,
    long sinceEditMillis) {}
