/** Shapefiles, alone or zipped with what belongs to them. */
package verge.formats.shapefile;
