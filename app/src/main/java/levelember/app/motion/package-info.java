/** How shoots move, over HTTP: makers of keys, and small frames to play. */
package levelember.app.motion;
