/** The open format GeoJSON. */
package verge.formats.geojson;
