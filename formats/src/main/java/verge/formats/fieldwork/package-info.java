/** Coded points and strings of a job as drawings for the office: DXF, GeoJSON and LandXML. */
package verge.formats.fieldwork;
