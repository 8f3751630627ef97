package levelember.formats.basis;

import com.dylibso.chicory.runtime.HostFunction;
import com.dylibso.chicory.runtime.Instance;
import com.dylibso.chicory.runtime.Memory;
import com.dylibso.chicory.wasm.WasmModule;
import com.dylibso.chicory.wasm.types.FunctionImport;
import com.dylibso.chicory.wasm.types.FunctionType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.formats.RefusedFile;

/**
 * The side of a WebAssembly module's imports that its maker wrote for a script: the module tells at
 * its start which classes and functions it has (Emscripten's "embind"), and handles arrays of bytes
 * that it does not own through numbered values. Only what {@link BasisTranscoder} needs is there.
 */
final class Bindings {
  private static final int PAGE = 65_536, MOST_PAGES = 16_384;

  /** Values below are undefined, null, true and false. */
  private static final int FIRST_VALUE = 10;

  /** Size of an argument in a list of them. */
  private static final int SLOT = 8;

  /** What the imports of this build of the module are, by its own script. */
  private static final Map<String, String> IMPORTS =
      Map.ofEntries(
          Map.entry("K", "throw"),
          Map.entry("G", "abort"),
          Map.entry("w", "class"),
          Map.entry("v", "constructor"),
          Map.entry("d", "method"),
          Map.entry("i", "function"),
          Map.entry("n", "as"),
          Map.entry("q", "call"),
          Map.entry("p", "callMethod"),
          Map.entry("x", "global"),
          Map.entry("j", "caller"),
          Map.entry("r", "moduleProperty"),
          Map.entry("g", "property"),
          Map.entry("h", "string"),
          Map.entry("F", "copy"),
          Map.entry("D", "grow"));

  /** A constructor, method or function of the module: called with what it itself calls. */
  private record Target(int invoker, int context) {}

  /** An array of the script's side. */
  private record Bytes(byte[] content) {}

  /** An array of the script's side that waits for its content. */
  static final class Output {
    byte[] content;
  }

  /** A run of the module's own memory. */
  private record View(int at, int length) {}

  private static final Object MEMORY = new Object(), ARRAY = new Object();

  private final Map<Integer, String> classes = new HashMap<>();
  private final Map<String, Target> targets = new HashMap<>();
  private final List<Object> values = new ArrayList<>();

  Bindings() {}

  /** The same targets, and no values yet. */
  Bindings(Bindings other) {
    targets.putAll(other.targets);
  }

  /** All functions that the module imports. */
  HostFunction[] imports(WasmModule module) {
    List<HostFunction> to = new ArrayList<>();
    for (int i = 0; i < module.importSection().importCount(); i++) {
      if (module.importSection().getImport(i) instanceof FunctionImport f) {
        FunctionType type = module.typeSection().getType(f.typeIndex());
        String does = IMPORTS.getOrDefault(f.name(), "");
        to.add(
            new HostFunction(
                f.module(), f.name(), type, (instance, a) -> result(type, does, instance, a)));
      }
    }
    return to.toArray(HostFunction[]::new);
  }

  private long[] result(FunctionType type, String does, Instance instance, long[] a) {
    long value = run(does, instance.memory(), a);
    if (type.returns().isEmpty()) {
      return null;
    }
    boolean real = type.returns().getFirst().equals(com.dylibso.chicory.wasm.types.ValType.F64);
    return new long[] {real ? Double.doubleToRawLongBits(value) : value};
  }

  private long run(String does, Memory memory, long[] a) {
    return switch (does) {
      case "throw", "abort" -> throw broken();
      case "class" -> {
        classes.put((int) a[0], text(memory, a[10]));
        yield 0;
      }
      case "constructor" -> keep(classes.get((int) a[0]), a[4], a[5]);
      case "method" -> keep(classes.get((int) a[0]) + "." + text(memory, a[1]), a[5], a[6]);
      case "function" -> keep(text(memory, a[0]), a[4], a[5]);
      case "string", "moduleProperty", "global" -> value(named(text(memory, a[0])));
      case "property" -> value(property(at(a[0]), (String) at(a[1])));
      case "as" -> ((Number) at(a[0])).longValue();
      case "call" -> value(view(memory, (int) a[3]));
      case "callMethod" -> set(memory, at(a[1]), at(memory.readInt((int) a[4])));
      case "copy" -> {
        memory.copy((int) a[0], (int) a[1], (int) a[2]);
        yield 0;
      }
      case "grow" -> grown(memory, a[0] & 0xFFFFFFFFL);
      // Types, enumerations, constants, counts of references, and output that nobody reads.
      default -> 0;
    };
  }

  static RefusedFile broken() {
    return new RefusedFile("a compressed picture of the model is broken");
  }

  private long keep(String name, long invoker, long context) {
    targets.putIfAbsent(name, new Target((int) invoker, (int) context));
    return 0;
  }

  private static Object named(String text) {
    return switch (text) {
      case "HEAP8" -> MEMORY;
      case "Uint8Array" -> ARRAY;
      default -> text;
    };
  }

  private static Object property(Object of, String name) {
    return switch (name) {
      case "byteLength", "length" -> ((Bytes) of).content.length;
      case "constructor" -> ARRAY;
      case "buffer" -> MEMORY;
      default -> throw broken();
    };
  }

  /** A new array over the module's memory: the memory, where, how long. */
  private static View view(Memory memory, int arguments) {
    return new View(memory.readInt(arguments + SLOT), memory.readInt(arguments + 2 * SLOT));
  }

  /** Copies an array into another, one of which is the module's own. */
  private static long set(Memory memory, Object to, Object from) {
    switch (to) {
      case View view when from instanceof Bytes bytes && bytes.content.length <= view.length ->
          memory.write(view.at, bytes.content);
      case Output output when from instanceof View view ->
          output.content = memory.readBytes(view.at, view.length);
      default -> throw broken();
    }
    return 0;
  }

  private static long grown(Memory memory, long wanted) {
    int more = (int) ((wanted + PAGE - 1) / PAGE) - memory.pages();
    return wanted <= (long) MOST_PAGES * PAGE && (more <= 0 || memory.grow(more) >= 0) ? 1 : 0;
  }

  private static String text(Memory memory, long at) {
    return memory.readCString((int) at);
  }

  private long value(Object o) {
    values.add(o);
    return FIRST_VALUE + values.size() - 1;
  }

  private Object at(long value) {
    int i = (int) value - FIRST_VALUE;
    if (i < 0 || i >= values.size()) {
      throw broken();
    }
    return values.get(i);
  }

  /** A value that the module can read bytes from. */
  long input(byte[] content) {
    return value(new Bytes(content));
  }

  /** A value that the module can write bytes to. */
  long output(Output output) {
    return value(output);
  }

  /** Calls a function, a constructor ("Class") or a method ("Class.method"), its object first. */
  int call(Instance instance, String name, long... arguments) {
    Target target = targets.get(name);
    if (target == null) {
      throw new IllegalStateException("the module has no " + name);
    }
    long[] all = new long[arguments.length + 1];
    all[0] = target.context;
    System.arraycopy(arguments, 0, all, 1, arguments.length);
    int function = instance.table(0).requiredRef(target.invoker);
    long[] result = instance.getMachine().call(function, all);
    return result == null || result.length == 0 ? 0 : (int) result[0];
  }
}
