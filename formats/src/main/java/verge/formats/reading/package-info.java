/** What all readers of drawings share: which kind a file is, bounds, progress, what was read and what was not. */
package verge.formats.reading;
