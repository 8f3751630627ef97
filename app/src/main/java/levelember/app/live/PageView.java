package levelember.app.live;

/**
 * What one page shows of a shoot. Pages that show the same share one session and its films.
 *
 * @param shot id of a shot; null for the shoot's first
 * @param width of the picture in pixels, 64…2560
 * @param height of the picture in pixels, 64…2560
 */
record PageView(String shot, int width, int height, View view) {
  /** What a page shows that has said nothing yet. */
  static final PageView FIRST = new PageView(null, 960, 540, View.TRACED);

  PageView withShot(String id) {
    return new PageView(id, width, height, view);
  }

  PageView withSize(int w, int h) {
    return new PageView(shot, w, h, view);
  }

  PageView withView(View other) {
    return new PageView(shot, width, height, other);
  }
}
