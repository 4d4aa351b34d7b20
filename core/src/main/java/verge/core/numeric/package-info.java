/** Continuous functions of one variable: where they are nought, and where they turn back. */
package verge.core.numeric;
