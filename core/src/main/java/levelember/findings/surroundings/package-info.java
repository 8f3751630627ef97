/** Checks of environments, backdrops and suns. */
package levelember.findings.surroundings;
