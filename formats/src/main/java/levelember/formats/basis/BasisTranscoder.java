package levelember.formats.basis;

import com.dylibso.chicory.runtime.ByteBufferMemory;
import com.dylibso.chicory.runtime.ImportValues;
import com.dylibso.chicory.runtime.Instance;
import com.dylibso.chicory.runtime.Memory;
import com.dylibso.chicory.wasm.ChicoryException;
import com.dylibso.chicory.wasm.WasmModule;
import com.dylibso.chicory.wasm.types.MemoryLimits;
import java.awt.image.BufferedImage;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;

/**
 * A decoder of KTX 2.0 files of Basis Universal (ETC1S and UASTC), one a file: it may be left in
 * any state by a broken one. Not for several threads.
 *
 * <p>Source: the KTX File Format Specification 2.0, Khronos; the decoder itself is the library's
 * own, as WebAssembly.
 */
public final class BasisTranscoder {
  private static final byte[] MAGIC = {
    (byte) 0xAB, 'K', 'T', 'X', ' ', '2', '0', (byte) 0xBB, '\r', '\n', 0x1A, '\n'
  };

  /** Four bytes a pixel, as the library numbers its formats. */
  private static final int RGBA = 13;

  private static final int LEAST_PAGES = 256, MOST_PAGES = 16_384, LARGEST = 16_384;

  /**
   * A module that has made its tables, which takes it two seconds.
   *
   * @param memory all of it
   * @param bindings with what the module has told of itself
   */
  private record Initialised(byte[] memory, Bindings bindings) {
    static final Initialised ONCE = made();

    private static Initialised made() {
      Bindings bindings = new Bindings();
      Instance instance = instance(bindings);
      instance.export("M").apply();
      bindings.call(instance, "initializeBasis");
      int bytes = Memory.PAGE_SIZE * instance.memory().pages();
      return new Initialised(instance.memory().readBytes(0, bytes), bindings);
    }
  }

  private final Bindings bindings;
  private final Instance instance;

  /** An instance with memory of its own, at most a gigabyte. */
  public BasisTranscoder() {
    bindings = new Bindings(Initialised.ONCE.bindings);
    instance = instance(bindings);
    int more = Initialised.ONCE.memory.length / Memory.PAGE_SIZE - instance.memory().pages();
    instance.memory().grow(more);
    instance.memory().write(0, Initialised.ONCE.memory);
  }

  private static Instance instance(Bindings bindings) {
    WasmModule module = Module.ONCE;
    return Instance.builder(module)
        .withMachineFactory(BasisModule::create)
        .withImportValues(ImportValues.builder().addFunction(bindings.imports(module)).build())
        .withMemoryLimits(new MemoryLimits(LEAST_PAGES, MOST_PAGES))
        .withMemoryFactory(ByteBufferMemory::new)
        .build();
  }

  private static final class Module {
    static final WasmModule ONCE = BasisModule.load();
  }

  /** Whether bytes begin as a KTX 2.0 file. */
  public static boolean is(byte[] file) {
    return file.length > MAGIC.length
        && java.util.Arrays.equals(file, 0, MAGIC.length, MAGIC, 0, MAGIC.length);
  }

  /**
   * The largest picture of a file.
   *
   * @return with alpha where the file has it
   * @throws RefusedFile when it is broken, too large, or no picture of Basis Universal
   */
  public BufferedImage decode(byte[] ktx2) {
    try {
      return decoded(ktx2);
    } catch (ChicoryException | IndexOutOfBoundsException | ClassCastException e) {
      throw new RefusedFile("a compressed picture of the model is broken", e);
    }
  }

  private BufferedImage decoded(byte[] ktx2) {
    int file = bindings.call(instance, "KTX2File", bindings.input(ktx2));
    if (ask("isValid", file) == 0) {
      throw Bindings.broken();
    }
    int width = ask("getWidth", file), height = ask("getHeight", file);
    if (width < 1 || height < 1 || width > LARGEST || height > LARGEST) {
      throw new RefusedFile("a picture of the model has " + width + "×" + height + " pixels");
    }
    Limits.memory("a picture of the model", 12L * width * height);
    if (ask("startTranscoding", file) == 0) {
      throw Bindings.broken();
    }
    Bindings.Output output = new Bindings.Output();
    int done =
        bindings.call(
            instance,
            "KTX2File.transcodeImage",
            file,
            bindings.output(output),
            0,
            0,
            0,
            RGBA,
            0,
            -1,
            -1);
    if (done == 0 || output.content == null || output.content.length != 4 * width * height) {
      throw Bindings.broken();
    }
    boolean alpha = ask("getHasAlpha", file) != 0;
    return image(output.content, width, height, alpha);
  }

  private int ask(String method, int file) {
    return bindings.call(instance, "KTX2File." + method, file);
  }

  private static BufferedImage image(byte[] rgba, int width, int height, boolean alpha) {
    BufferedImage to =
        new BufferedImage(
            width, height, alpha ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
    for (int i = 0; i < width * height; i++) {
      int rgb = (rgba[4 * i] & 0xFF) << 16 | (rgba[4 * i + 1] & 0xFF) << 8 | rgba[4 * i + 2] & 0xFF;
      to.setRGB(i % width, i / width, (rgba[4 * i + 3] & 0xFF) << 24 | rgb);
    }
    return to;
  }
}
