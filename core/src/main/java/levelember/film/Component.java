package levelember.film;

/**
 * Parts of a layer's light, by what the path did at the first surface that the camera sees, panes
 * and holes not counted. Together they are the whole layer.
 */
public enum Component {
  /** Emitters that the camera sees directly, and backdrop plates. */
  EMISSION,
  /** Light that the first surface reflects diffusely, straight from an emitter. */
  DIFFUSE_DIRECT,
  /** Light that the first surface reflects diffusely after other surfaces. */
  DIFFUSE_INDIRECT,
  /** Light that the first surface reflects specularly, straight from an emitter. */
  SPECULAR_DIRECT,
  /** Light that the first surface reflects specularly after other surfaces. */
  SPECULAR_INDIRECT,
  /** Light that has come through the first surface. */
  TRANSMISSION,
  /** What shadow catchers take from what is behind them; 0 or less. */
  CAUGHT_SHADOW,
  /** Light that the first surface's sheen reflects, which is in neither of the diffuse ones. */
  SHEEN,
  /** Light that photons bring over glass and mirrors, in none of the others. */
  CAUSTICS
}
