/** Measures the renderer: the kernel, the path tracer, edits and convergence on the demo. */
package levelember.bench;
