/** Projection methods that the library for coordinate systems lacks or computes ill, plugged into it as services. */
package verge.core.geodesy.method;
