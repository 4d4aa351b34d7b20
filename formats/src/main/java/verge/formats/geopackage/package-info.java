/** GeoPackage, an OGC standard. */
package verge.formats.geopackage;
