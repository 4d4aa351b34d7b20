/** Tables of codes as JSON or CSV; see docs/codebook.md. */
package verge.formats.codebook;
