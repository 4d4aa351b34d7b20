/** Bases: where they stand, what they send from there, whether the sky agrees. */
package verge.core.base;
