/** The shelf of materials, with a rendered ball of each. */
package levelember.app.shelf;
