/**
 * How surfaces reflect and transmit: densities and weights in the local frame whose Z axis is the
 * shading normal. Uses {@code math} and {@code shoot}.
 */
package levelember.surface;
