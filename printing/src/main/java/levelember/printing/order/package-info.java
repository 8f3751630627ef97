/** What is ordered of a print: size, passes, formats, frames, names. */
package levelember.printing.order;
