/** Drawings in the exchange format DXF. */
package verge.formats.dxf;
