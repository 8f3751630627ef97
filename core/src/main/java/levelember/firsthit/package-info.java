/** What the camera sees without light: first hits, surface passes, motion vectors. */
package levelember.firsthit;
