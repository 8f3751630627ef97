/** Messages of the live channel, both ways. */
package levelember.app.live.message;
