/** Materials, grades and waters that come with the application. */
package levelember.shoot.shelf;
