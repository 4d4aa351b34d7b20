/** Drawings: what is in the office's files, and where it lies in a job's grid. */
package verge.core.drawing;
