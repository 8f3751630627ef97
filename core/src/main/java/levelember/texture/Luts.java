package levelember.texture;

/** Where LUTs come from. */
public interface Luts {
  /** No LUTs. */
  Luts NONE =
      name -> {
        throw new Pictures.MissingPicture(name);
      };

  /**
   * The LUT of that name.
   *
   * @throws Pictures.MissingPicture when there is none
   */
  Lut lut(String name);
}
