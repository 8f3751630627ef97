/** Pins, targets and what they read, over HTTP. */
package levelember.app.meter;
