package levelember.printing.order;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Files that a print can be written as. */
public enum PrintFormat {
  /** Eight bits a channel, through the look. */
  @JsonProperty("png")
  PNG("png"),
  /** Sixteen bits a channel, through the look. */
  @JsonProperty("png16")
  PNG16("png"),
  @JsonProperty("jpeg")
  JPEG("jpg"),
  /** Sixteen bits a channel, through the look. */
  @JsonProperty("tiff")
  TIFF("tif"),
  /** Light in cd/m², with the passes. */
  @JsonProperty("exr")
  EXR("exr"),
  /** Light in cd/m². */
  @JsonProperty("hdr")
  HDR("hdr");

  private final String ending;

  PrintFormat(String ending) {
    this.ending = ending;
  }

  /** Ending of its files' names, without the dot. */
  public String ending() {
    return ending;
  }

  /** Whether the whole picture must be in memory to write it. */
  public boolean whole() {
    return this != EXR;
  }
}
