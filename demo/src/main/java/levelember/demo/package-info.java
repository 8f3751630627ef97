/**
 * Saltmere Observatory: the made-up demo shoots. All geometry and pictures are generated here, the
 * same at every run. Uses {@code core} and {@code formats}.
 */
package levelember.demo;
