/** Files of text: their encoding, their lines. */
package verge.formats.text;
