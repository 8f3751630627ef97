package levelember.app.live.view;

import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/**
 * What is to be seen.
 *
 * @param width pixels that the page has for the picture
 * @param mark sent back with the frames of this state
 * @param sinceNanos when it was asked for, as of {@link System#nanoTime}
 */
public record DesiredFrame(
    Shoot shoot,
    Shot shot,
    long revision,
    int width,
    int height,
    long mark,
    long sinceNanos,
    ViewMode view) {}
