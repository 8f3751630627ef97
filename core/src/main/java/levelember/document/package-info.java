/**
 * What a shoot document says of the records that it is made of: names, ranges, units and usual
 * values stand at their components, and are read from there by all that reads, writes, keys or
 * describes a document.
 */
package levelember.document;
