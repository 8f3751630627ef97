package levelember.geometry;

/** Gives the meshes of model files that a shoot names. */
@FunctionalInterface
public interface Meshes {
  /** A source without any model. */
  Meshes NONE =
      (file, mesh, part) -> {
        throw new MissingMesh(file, mesh, part);
      };

  /**
   * One part of a mesh of a file, in the mesh's own frame, in metres as the file has them.
   *
   * @param file name of the asset
   * @param mesh number of the mesh in the file
   * @param part number of the part of that mesh
   * @throws MissingMesh when there is none
   */
  Triangles mesh(String file, int mesh, int part);

  /** A shoot names a mesh that is not there. */
  final class MissingMesh extends RuntimeException {
    public MissingMesh(String file, int mesh, int part) {
      super(
          "part "
              + part
              + " of mesh "
              + mesh
              + " of '"
              + file
              + "' is not among the shoot's files");
    }
  }
}
