/** Computed marks fitted onto found ones in a job: the entry, and what comes of it. */
package verge.core.fit;
