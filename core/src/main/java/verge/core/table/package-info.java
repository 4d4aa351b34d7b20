/** The points of a job as a list: each with all that is known of it, those that fit what is asked, in the order that is wanted. */
package verge.core.table;
