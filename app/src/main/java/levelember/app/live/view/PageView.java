package levelember.app.live.view;

import org.jspecify.annotations.Nullable;

/**
 * What one page shows of a shoot. Pages that show the same share one session and its films.
 *
 * @param shot id of a shot; null for the shoot's first
 * @param width of the picture in pixels, 64…2560
 * @param height of the picture in pixels, 64…2560
 * @param seconds the time at which a shoot that moves is shown; null for what its document says at
 *     rest
 */
public record PageView(
    String shot, int width, int height, ViewMode view, @Nullable Double seconds) {
  /** What a page shows that has said nothing yet. */
  public static final PageView FIRST = new PageView(null, 960, 540, ViewMode.TRACED, null);

  public PageView withShot(String id) {
    return new PageView(id, width, height, view, seconds);
  }

  public PageView withSize(int w, int h) {
    return new PageView(shot, w, h, view, seconds);
  }

  public PageView withView(ViewMode other) {
    return new PageView(shot, width, height, other, seconds);
  }

  public PageView withSeconds(Double time) {
    return new PageView(shot, width, height, view, time);
  }
}
