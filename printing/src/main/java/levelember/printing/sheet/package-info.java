/** Contact sheets and light reports as PDF. */
package levelember.printing.sheet;
