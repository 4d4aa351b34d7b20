/** Computed marks fitted onto found ones: which belongs to which, by what they are moved, turned and stretched, how well that is known, and which does not belong. */
package verge.core.fit;
