/**
 * The path tracer: light sampling, scattering, what paths meet, and the renderer that spreads it
 * over threads.
 */
package levelember.integrator;
