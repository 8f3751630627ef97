package levelember.geometry;

import levelember.shoot.material.Texture;

/** Pictures that push the surfaces of pieces. */
public interface Relief {
  /** Nothing is pushed. */
  Relief NONE =
      new Relief() {
        @Override
        public Push push(String material) {
          return null;
        }

        @Override
        public float height(Push push, float u, float v) {
          return 0;
        }
      };

  /**
   * How a surface is pushed.
   *
   * @param texture how the picture lies
   * @param metres outwards, from black to white
   */
  record Push(Texture texture, double metres) {}

  /** What pushes the surfaces of a material, or null. */
  Push push(String material);

  /**
   * Height of a push's picture, 0…1.
   *
   * @param u in pictures, to the right
   * @param v in pictures, down
   */
  float height(Push push, float u, float v);
}
