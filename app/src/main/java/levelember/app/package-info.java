/** The Spring Boot application, cut by feature. Uses core, formats and demo. */
package levelember.app;
