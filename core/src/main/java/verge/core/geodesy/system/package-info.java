/** What a coordinate system is defined by: published, typed, pasted, flat or not decided; and how it becomes a projection. */
package verge.core.geodesy.system;
