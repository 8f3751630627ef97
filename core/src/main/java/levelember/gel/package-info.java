/** Gels by their transmission. */
package levelember.gel;
