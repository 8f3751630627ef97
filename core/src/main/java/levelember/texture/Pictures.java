package levelember.texture;

/** Gives the linear pictures that a shoot names. */
@FunctionalInterface
public interface Pictures {
  /** A source without any picture. */
  Pictures NONE =
      name -> {
        throw new MissingPicture(name);
      };

  /**
   * The picture of that name, decoded to linear light.
   *
   * @throws MissingPicture when there is none
   */
  Picture picture(String name);

  /**
   * The picture of that name to look up.
   *
   * @param colour its codes are sRGB colours; else they are plain numbers, 0…1
   * @throws MissingPicture when there is none
   */
  default Texels texels(String name, boolean colour) {
    return Texels.of(picture(name));
  }

  /** A shoot names a picture that is not there. */
  final class MissingPicture extends RuntimeException {
    private final String name;

    public MissingPicture(String name) {
      super("the picture '" + name + "' is not among the shoot's assets");
      this.name = name;
    }

    public String name() {
      return name;
    }
  }
}
