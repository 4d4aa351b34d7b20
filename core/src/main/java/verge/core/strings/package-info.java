/** Strings: lines of shots with one code, as the journal makes them, and the lines in plan that they come to. */
package verge.core.strings;
