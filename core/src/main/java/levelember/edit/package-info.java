/** Tools for the hand that lights a set: picking, placing, setting down, sizes and outlines. */
package levelember.edit;
