package levelember.printing.frame;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import levelember.denoise.TemporalFilter;
import levelember.film.SurfaceData;

/** What a frame leaves to the next, as a file: its number, sizes, then floats layer by layer. */
final class TemporalFilterFile {
  private TemporalFilterFile() {}

  static void write(int frame, TemporalFilter.State state, DataOutputStream to) throws IOException {
    to.writeInt(frame);
    to.writeInt(state.surfaces().width());
    to.writeInt(state.surfaces().rows());
    to.writeInt(state.light().length);
    for (int k = 0; k < state.light().length; k++) {
      floats(state.light()[k], to);
      floats(state.history()[k], to);
    }
    floats(state.surfaces().data(), to);
    for (int piece : state.surfaces().pieces()) {
      to.writeInt(piece);
    }
  }

  /** Reads all after the number of the frame. */
  static TemporalFilter.State read(DataInputStream from) throws IOException {
    int width = from.readInt(), height = from.readInt(), layers = from.readInt();
    float[][] light = new float[layers][3 * width * height];
    float[][] history = new float[layers][width * height];
    for (int k = 0; k < layers; k++) {
      floats(light[k], from);
      floats(history[k], from);
    }
    SurfaceData data = new SurfaceData(width, 0, height);
    floats(data.data(), from);
    for (int i = 0; i < data.pieces().length; i++) {
      data.pieces()[i] = from.readInt();
    }
    return new TemporalFilter.State(data, light, history);
  }

  private static void floats(float[] values, DataOutputStream to) throws IOException {
    for (float v : values) {
      to.writeFloat(v);
    }
  }

  private static void floats(float[] values, DataInputStream from) throws IOException {
    for (int i = 0; i < values.length; i++) {
      values[i] = from.readFloat();
    }
  }
}
