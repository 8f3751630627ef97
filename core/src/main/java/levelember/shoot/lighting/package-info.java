/** Lights and banks: what gives light, how bright, in which colour, and on what. */
package levelember.shoot.lighting;
