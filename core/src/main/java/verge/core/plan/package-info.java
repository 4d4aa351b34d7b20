/** Rows of places, lines with arcs and boxes in plan. Northing and easting in metres unless something else is said. */
package verge.core.plan;
