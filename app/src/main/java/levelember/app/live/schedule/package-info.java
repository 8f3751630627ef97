/** Whose turn the cores are: shares of sessions, slices of time, threads that give way. */
package levelember.app.live.schedule;
