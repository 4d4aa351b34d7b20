/** Alignments: the line in plan, its heights, its stations. */
package verge.core.alignment;
