/** The open exchange format LandXML. */
package verge.formats.landxml;
