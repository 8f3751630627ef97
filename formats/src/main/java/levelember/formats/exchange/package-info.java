/** Whole files that come in and go out: packages of a shoot, models of any kind. */
package levelember.formats.exchange;
