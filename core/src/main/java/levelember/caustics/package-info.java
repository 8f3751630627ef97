/** Photon maps of caustics, which lights have them, and what is known of caustics. */
package levelember.caustics;
