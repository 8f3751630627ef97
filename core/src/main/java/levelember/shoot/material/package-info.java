/** Materials and the pictures that vary them. */
package levelember.shoot.material;
