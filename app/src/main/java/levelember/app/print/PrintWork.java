package levelember.app.print;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BooleanSupplier;
import levelember.printing.film.PrintProgress;
import levelember.printing.order.PrintOrder;
import tools.jackson.databind.json.JsonMapper;

/** A job in hand: a still, or the frames of a shoot that moves. */
sealed interface PrintWork permits PrintRun, FramesRun {
  long id();

  /** Rows of a band of its film. */
  int bandRows();

  /** How far it is, or null before anything was traced. */
  PrintProgress progress();

  /** What it does just now besides tracing; empty while it traces. */
  String doing();

  /** Samples of a pixel, on the mean. */
  double samples();

  /** Noise of the picture, 1 for 100 percent. */
  double noise();

  double tracedSeconds();

  /** Its picture as far as it is, as JPEG; null before there is one. */
  byte[] picture();

  /** Changes when the picture does. */
  long pictureRevision();

  /**
   * Traces on.
   *
   * @param stop whether to stop here, asked often
   * @param givesWay whether a page's hand wants the cores, asked often
   * @param told runs after each slice
   * @return true when its target is reached
   */
  boolean trace(
      SeededRenderers renderers, BooleanSupplier stop, BooleanSupplier givesWay, Runnable told)
      throws IOException;

  /** Looks at what was traced, without tracing on; false when there is nothing. */
  boolean measure() throws IOException;

  /** Writes the files of what there is; answers their paths. */
  List<Path> write(Path to) throws IOException;

  /**
   * Keeps the picture as it is now for as long as the job is there.
   *
   * @param whole looks at all of the film for it
   */
  void keepPicture(boolean whole) throws IOException;

  /** What its files are called by its order, without ending. */
  Path base(PrintFolders folders);

  /**
   * A job as it was taken up.
   *
   * @param folder with its shoot and what is traced of it
   * @param written files that it wrote before
   */
  record Job(PrintOrder order, Path folder, List<String> written) {
    static Job of(PrintMapper.Row row, PrintOrder order, Path folder) {
      List<String> written =
          JsonMapper.shared().readerForListOf(String.class).readValue(row.files());
      return new Job(order, folder, written);
    }
  }

  Job job();

  /**
   * Where its files go, without ending: under a name that no other file has.
   *
   * @throws levelember.app.problem.Refusal when the folder cannot be written to
   */
  default Path place(PrintFolders folders) throws IOException {
    return PrintPlaces.free(base(folders), job(), folders);
  }
}
