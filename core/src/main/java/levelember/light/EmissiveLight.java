package levelember.light;

import levelember.math.Triangle;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Texels;

/**
 * All pieces of one material, shining 1 cd/m² (times a picture) from their outsides. Drawn through
 * a {@link LightTree}; also met where paths hit the pieces, which are traced as the set.
 */
public final class EmissiveLight extends LightSource {
  private final String material;
  private final LightTree tree;
  private final float[] places;
  private final Texels picture;

  /**
   * The light of a material.
   *
   * @param triangles nine floats each: the corners in the world of all triangles of that material
   * @param places six floats each: where the picture lies at the corners, or null without one
   * @param picture on the pieces, or null
   */
  public EmissiveLight(
      Light light, Emitter.Emissive e, float[] triangles, float[] places, Texels picture) {
    super(light.id(), light.seenDirectly());
    this.places = places;
    this.picture = picture;
    material = e.material();
    tree = triangles.length == 0 ? null : new LightTree(triangles);
  }

  public String material() {
    return material;
  }

  /** False when no triangle is its own. */
  public boolean emits() {
    return tree != null;
  }

  @Override
  public boolean choosing() {
    return true;
  }

  @Override
  public int parts(float px, float py, float pz) {
    return tree == null ? 1 : tree.parts(px, py, pz);
  }

  @Override
  public void choose(ReferencePoint from, int count, float w, LightSample to) {
    if (tree != null) {
      tree.sample(from.x, from.y, from.z, from.nx, from.ny, from.nz, count, w, to.chosen);
    }
  }

  /** Draws a place of the part chosen before. */
  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    if (tree == null || !(to.chosen.chance[to.part] > 0)) {
      return false;
    }
    int t = to.chosen.triangle[to.part];
    if (!tree.place(t, to.chosen.chance[to.part], from, u, v, to)) {
      return false;
    }
    radiance(t, to.second, to.third, to);
    return true;
  }

  /**
   * Fills in the radiance of a place of a triangle.
   *
   * @param b weight of its second corner
   * @param c weight of its third
   */
  public void radiance(int triangle, float b, float c, LightSample to) {
    if (picture == null) {
      to.white(1);
      return;
    }
    int at = 6 * triangle;
    float a = 1 - b - c;
    float u = a * places[at] + b * places[at + 2] + c * places[at + 4];
    float v = a * places[at + 1] + b * places[at + 3] + c * places[at + 5];
    picture.look(u, v, Texels.REPEAT, to.colour);
    to.r = to.colour[0];
    to.g = to.colour[1];
    to.b = to.colour[2];
  }

  /**
   * Density per steradian with which each {@link #sample} would have drawn the place that a ray
   * from a surface has hit.
   *
   * @param triangle its number among the light's triangles
   * @param distance metres from the point
   * @param by is worked with
   */
  public float density(
      int triangle,
      ReferencePoint from,
      float dx,
      float dy,
      float dz,
      float distance,
      LightSample by) {
    return tree.density(triangle, from, dx, dy, dz, distance, by.chosen);
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    return false;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    if (tree == null) {
      return false;
    }
    double wanted = u * tree.areaBefore(tree.triangles());
    int i = tree.at(wanted);
    double share = (wanted - tree.areaBefore(i)) / tree.area(i);
    float b = Triangle.second((float) share, (float) v);
    float c = Triangle.third((float) share, (float) v), a = 1 - b - c;
    to.place(
        a * tree.corner(i, 0, 0) + b * tree.corner(i, 1, 0) + c * tree.corner(i, 2, 0),
        a * tree.corner(i, 0, 1) + b * tree.corner(i, 1, 1) + c * tree.corner(i, 2, 1),
        a * tree.corner(i, 0, 2) + b * tree.corner(i, 1, 2) + c * tree.corner(i, 2, 2),
        1 / tree.areaBefore(tree.triangles()));
    to.about(tree.normal(i, 0), tree.normal(i, 1), tree.normal(i, 2), 1, s, t);
    radiance(i, b, c, to.radiance);
    to.colour(to.radiance.r, to.radiance.g, to.radiance.b);
    return to.cosine > 0;
  }

  @Override
  public float importance(float px, float py, float pz) {
    return tree == null ? 0 : tree.importance(px, py, pz);
  }

  @Override
  public boolean hittable() {
    return false;
  }

  @Override
  public boolean box(float[] to) {
    return tree != null && tree.box(to);
  }
}
