/** What satellites tell of places: their time, who they are, how they stand, and what a receiver says of where it is. */
package verge.core.satellite;
