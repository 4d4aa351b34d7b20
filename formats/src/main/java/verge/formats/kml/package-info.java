/** KML and KMZ, an OGC standard. */
package verge.formats.kml;
