/** Tracks of keys, and links that hold one value to another. */
package levelember.shoot.motion;
