/** Who may talk to the application: this machine alone. */
package levelember.app.security;
