package levelember.formats.print;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Files that a print can be written as. */
public enum PrintFormat {
  /** Eight bits a channel, through the look. */
  @JsonProperty("png")
  PNG("png", true),
  /** Sixteen bits a channel, through the look. */
  @JsonProperty("png16")
  PNG16("png", true),
  @JsonProperty("jpeg")
  JPEG("jpg", true),
  /** Sixteen bits a channel, through the look. */
  @JsonProperty("tiff")
  TIFF("tif", true),
  /** Light in cd/m², with the passes. */
  @JsonProperty("exr")
  EXR("exr", false),
  /** Light in cd/m². */
  @JsonProperty("hdr")
  HDR("hdr", false);

  private final String ending;
  private final boolean developed;

  PrintFormat(String ending, boolean developed) {
    this.ending = ending;
    this.developed = developed;
  }

  /** Ending of its files' names, without the dot. */
  public String ending() {
    return ending;
  }

  /** Whether it shows the picture through its look. */
  public boolean developed() {
    return developed;
  }

  /** Whether the whole picture must be in memory to write it. */
  boolean whole() {
    return this != EXR;
  }
}
