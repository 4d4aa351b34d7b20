package verge.core.strings;

/** How a string goes through a vertex: the line turns there, or passes smoothly through. */
public enum Bend { CORNER, FLOWING }
