package levelember.app.print;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What a job does. */
enum PrintState {
  /** Waits for those before it. */
  @JsonProperty("waiting")
  WAITING,
  @JsonProperty("printing")
  PRINTING,
  /** Rests until it is told to go on; others go before it. */
  @JsonProperty("paused")
  PAUSED,
  /** Is to end before its target: files of what there is are to be written. */
  @JsonProperty("stopping")
  STOPPING,
  /** Was ended before its target; its files are of what there was. */
  @JsonProperty("stopped")
  STOPPED,
  @JsonProperty("done")
  DONE,
  @JsonProperty("failed")
  FAILED;

  String word() {
    return name().toLowerCase(java.util.Locale.ROOT);
  }

  static PrintState of(String word) {
    return valueOf(word.toUpperCase(java.util.Locale.ROOT));
  }
}
