/** Looks: exposure, glow, lens, curve and grade as a shot describes them. */
package levelember.shoot.look;
