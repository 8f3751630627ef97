package levelember.formats.exr;

import java.util.List;
import java.util.zip.DataFormatException;

/** Unpacks the blocks of one compression. */
interface Unpacker {
  /**
   * The samples of a block, rows of channels, little-endian.
   *
   * @throws RuntimeException of any kind when the block is broken
   */
  byte[] unpack(byte[] packed, Region region, List<Channel> channels) throws DataFormatException;
}
