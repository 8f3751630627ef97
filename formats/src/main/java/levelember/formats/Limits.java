package levelember.formats;

/** Sizes beyond which files are refused before anything is allocated for them. */
public final class Limits {
  /** Longest side of a picture, pixels. */
  public static final int MOST_SIDE = 32_768;

  /** Pixels of a picture: 16384×8192. */
  public static final long MOST_PIXELS = 1L << 27;

  /** Bytes of a shoot document. */
  public static final long MOST_DOCUMENT = 64L << 20;

  /** Bytes of a file of text: a photometric file, a colour decision list. */
  public static final long MOST_TEXT = 32L << 20;

  /** Bytes of a sound. */
  public static final long MOST_SOUND = 256L << 20;

  /** Bytes of a package, and of all that is in it when unpacked. */
  public static final long MOST_PACKAGE = 1L << 30;

  /** Entries of a package. */
  public static final int MOST_ENTRIES = 2000;

  private Limits() {}

  public static void picture(String what, long width, long height) {
    if (width < 1
        || height < 1
        || width > MOST_SIDE
        || height > MOST_SIDE
        || width * height > MOST_PIXELS) {
      throw new RefusedFile(
          what
              + " says it is "
              + width
              + "×"
              + height
              + " pixels; 1 to "
              + MOST_SIDE
              + " a side and at most "
              + MOST_PIXELS
              + " in all can be read");
    }
  }

  /**
   * Refuses what would take more than a third of the memory that the process may have.
   *
   * @param bytes that are about to be taken
   */
  public static void memory(String what, long bytes) {
    long most = Runtime.getRuntime().maxMemory() / 3;
    if (bytes > most) {
      throw new RefusedFile(
          what
              + " would take "
              + (bytes >> 20)
              + " MB of memory; at most "
              + (most >> 20)
              + " MB can be given to one file");
    }
  }
}
