package levelember.path;

import levelember.surface.Scattering;

/** How a path was scattered where the camera saw it first. */
public final class FirstScattering {
  /** It went on through the surface. */
  boolean through;

  /** Share of the BSDF's value that its diffuse part has, by channel, where it was reflected. */
  float diffuseR, diffuseG, diffuseB;

  /** Share that its sheen has, which is part of the diffuse one. */
  float sheenR, sheenG, sheenB;

  public void set(PathVertex vertex, boolean wentThrough) {
    through = wentThrough;
    diffuseR = vertex.diffuseR;
    diffuseG = vertex.diffuseG;
    diffuseB = vertex.diffuseB;
    sheenR = vertex.sheenR;
    sheenG = vertex.sheenG;
    sheenB = vertex.sheenB;
  }

  /** Takes over another. */
  public void set(FirstScattering other) {
    through = other.through;
    diffuseR = other.diffuseR;
    diffuseG = other.diffuseG;
    diffuseB = other.diffuseB;
    sheenR = other.sheenR;
    sheenG = other.sheenG;
    sheenB = other.sheenB;
  }

  /** By what is evaluated for a light's direction, with both parts at a level. */
  public void set(Scattering s, float diffuse, float specular) {
    through = s.through;
    diffuseR = share(diffuse * s.diffuseR, s.levelledR(diffuse, specular));
    diffuseG = share(diffuse * s.diffuseG, s.levelledG(diffuse, specular));
    diffuseB = share(diffuse * s.diffuseB, s.levelledB(diffuse, specular));
    sheenR = share(diffuse * s.sheenR, s.levelledR(diffuse, specular));
    sheenG = share(diffuse * s.sheenG, s.levelledG(diffuse, specular));
    sheenB = share(diffuse * s.sheenB, s.levelledB(diffuse, specular));
  }

  private static float share(float part, float whole) {
    return whole > 0 ? part / whole : 0;
  }
}
