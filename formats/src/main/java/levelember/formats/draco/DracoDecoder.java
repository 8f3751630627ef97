package levelember.formats.draco;

import com.dylibso.chicory.runtime.ByteBufferMemory;
import com.dylibso.chicory.runtime.ExportFunction;
import com.dylibso.chicory.runtime.HostFunction;
import com.dylibso.chicory.runtime.ImportValues;
import com.dylibso.chicory.runtime.Instance;
import com.dylibso.chicory.runtime.Memory;
import com.dylibso.chicory.wasm.ChicoryException;
import com.dylibso.chicory.wasm.types.FunctionType;
import com.dylibso.chicory.wasm.types.MemoryLimits;
import com.dylibso.chicory.wasm.types.ValType;
import java.util.List;
import java.util.Map;
import levelember.formats.Limits;
import levelember.formats.RefusedFile;

/**
 * A decoder of Draco meshes, one a file: it may be left in any state by a broken one. Not for
 * several threads.
 *
 * <p>Source: the bitstream of "Draco 3D Data Compression", Google; the decoder itself is the
 * library's own, as WebAssembly.
 */
public final class DracoDecoder {
  private static final int PAGE = 65_536;
  private static final int LEAST_PAGES = 258, MOST_PAGES = 16_384;

  /** Names of exports in this build of the library. */
  private static final Map<String, String> EXPORTS =
      Map.ofEntries(
          Map.entry("start", "g"),
          Map.entry("free", "h"),
          Map.entry("malloc", "j"),
          Map.entry("Decoder", "Na"),
          Map.entry("DecodeArrayToMesh", "Pa"),
          Map.entry("GetAttributeByUniqueId", "Ua"),
          Map.entry("GetTrianglesUInt32Array", "_a"),
          Map.entry("GetAttributeDataArrayForAllPoints", "ib"),
          Map.entry("Mesh", "T"),
          Map.entry("num_faces", "U"),
          Map.entry("num_points", "W"),
          Map.entry("num_components", "z"),
          Map.entry("ok", "$"));

  /** Types of attributes as the library numbers them. */
  private enum Type {
    INT8(1, 1, 5120),
    UINT8(2, 1, 5121),
    INT16(3, 2, 5122),
    UINT16(4, 2, 5123),
    UINT32(6, 4, 5125),
    FLOAT32(9, 4, 5126);
    final int number, bytes, gltf;

    Type(int number, int bytes, int gltf) {
      this.number = number;
      this.bytes = bytes;
      this.gltf = gltf;
    }

    static Type of(int gltf) {
      for (Type t : values()) {
        if (t.gltf == gltf) {
          return t;
        }
      }
      throw new RefusedFile("a compressed attribute of the model has the unknown type " + gltf);
    }
  }

  private final Instance instance;

  /** An instance with memory of its own, at most a gigabyte. */
  public DracoDecoder() {
    HostFunction thrown =
        function(
            "a",
            3,
            false,
            args -> {
              throw new RefusedFile("the compressed mesh of the model is broken");
            });
    HostFunction write = function("b", 4, true, args -> new long[] {0});
    HostFunction grow = function("c", 1, true, this::grown);
    HostFunction close = function("d", 1, true, args -> new long[] {0});
    HostFunction abort =
        function(
            "e",
            0,
            false,
            args -> {
              throw new RefusedFile("the compressed mesh of the model is broken or too large");
            });
    instance =
        Instance.builder(DracoModule.load())
            .withMachineFactory(DracoModule::create)
            .withImportValues(
                ImportValues.builder().addFunction(thrown, write, grow, close, abort).build())
            .withMemoryLimits(new MemoryLimits(LEAST_PAGES, MOST_PAGES))
            .withMemoryFactory(ByteBufferMemory::new)
            .build();
    call("start");
  }

  private interface Body {
    long[] run(long[] args);
  }

  private static HostFunction function(String name, int args, boolean returns, Body body) {
    List<ValType> in = java.util.Collections.nCopies(args, ValType.I32);
    List<ValType> out = returns ? List.of(ValType.I32) : List.of();
    return new HostFunction(
        "a", name, FunctionType.of(in, out), (instance, given) -> body.run(given));
  }

  /** Grows the memory to so many bytes; 0 says that there is no more. */
  private long[] grown(long[] args) {
    long wanted = args[0] & 0xFFFFFFFFL;
    Memory memory = instance.memory();
    int more = (int) ((wanted + PAGE - 1) / PAGE) - memory.pages();
    return new long[] {
      wanted <= (long) MOST_PAGES * PAGE && (more <= 0 || memory.grow(more) >= 0) ? 1 : 0
    };
  }

  private int call(String name, long... args) {
    ExportFunction f = instance.export(EXPORTS.get(name));
    long[] result = f.apply(args);
    return result == null || result.length == 0 ? 0 : (int) result[0];
  }

  /**
   * A mesh that was decoded.
   *
   * @param indices three a triangle, each below {@code points}
   * @param attributes little-endian values of every wanted attribute, one a point
   */
  public record Mesh(int points, int[] indices, List<byte[]> attributes) {}

  /**
   * What is wanted of an attribute.
   *
   * @param id its unique id in the compressed mesh
   * @param componentType as glTF numbers it
   * @param components 1…4
   */
  public record Wanted(int id, int componentType, int components) {}

  /**
   * Decodes a mesh.
   *
   * @throws RefusedFile when it is broken, too large, or lacks a wanted attribute
   */
  public Mesh decode(byte[] data, List<Wanted> wanted) {
    try {
      return decoded(data, wanted);
    } catch (ChicoryException | IndexOutOfBoundsException e) {
      throw new RefusedFile("the compressed mesh of the model is broken", e);
    }
  }

  private Mesh decoded(byte[] data, List<Wanted> wanted) {
    int at = taken(data.length);
    instance.memory().write(at, data);
    int decoder = call("Decoder"), mesh = call("Mesh");
    int status = call("DecodeArrayToMesh", decoder, at, data.length, mesh);
    if (call("ok", status) == 0) {
      throw new RefusedFile("the compressed mesh of the model cannot be decoded");
    }
    int faces = call("num_faces", mesh), points = call("num_points", mesh);
    if (faces < 0 || points < 0) {
      throw new RefusedFile("the compressed mesh of the model has no size");
    }
    Limits.memory("the compressed mesh of the model", 12L * faces + 16L * points * wanted.size());
    int[] indices = new int[3 * faces];
    int list = taken(12 * faces);
    call("GetTrianglesUInt32Array", decoder, mesh, 12 * faces, list);
    for (int i = 0; i < indices.length; i++) {
      indices[i] = instance.memory().readInt(list + 4 * i);
      if (indices[i] < 0 || indices[i] >= points) {
        throw new RefusedFile("the compressed mesh of the model names a point that it lacks");
      }
    }
    call("free", list);
    List<byte[]> attributes =
        wanted.stream().map(w -> attribute(decoder, mesh, points, w)).toList();
    return new Mesh(points, indices, attributes);
  }

  private byte[] attribute(int decoder, int mesh, int points, Wanted w) {
    int attribute = call("GetAttributeByUniqueId", decoder, mesh, w.id());
    if (attribute == 0) {
      throw new RefusedFile("the compressed mesh of the model lacks the attribute " + w.id());
    }
    if (call("num_components", attribute) != w.components()) {
      throw new RefusedFile("an attribute of the compressed mesh has another shape than is said");
    }
    Type type = Type.of(w.componentType());
    int size = Math.toIntExact((long) points * w.components() * type.bytes);
    int at = taken(size);
    call("GetAttributeDataArrayForAllPoints", decoder, mesh, attribute, type.number, size, at);
    byte[] bytes = instance.memory().readBytes(at, size);
    call("free", at);
    return bytes;
  }

  private int taken(int bytes) {
    int at = call("malloc", Math.max(1, bytes));
    if (at == 0) {
      throw new RefusedFile("the compressed mesh of the model is too large");
    }
    return at;
  }
}
