/** Surfaces of triangles. */
package verge.core.surface;
