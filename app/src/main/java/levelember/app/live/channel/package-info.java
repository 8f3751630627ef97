/** The live channel: its socket, and a page at its other end. Uses {@code session}. */
package levelember.app.live.channel;
