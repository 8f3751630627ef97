/** LUTs and colour decision lists. */
package levelember.formats.grade;
