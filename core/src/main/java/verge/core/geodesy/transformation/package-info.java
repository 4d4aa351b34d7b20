/**
 * Coordinates of one frame brought into another by marks known in both: which mark is which, similarity, affine and seven parameters, how
 * well they are known, and which mark does not belong.
 */
package verge.core.geodesy.transformation;
