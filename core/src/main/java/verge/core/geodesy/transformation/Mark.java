package verge.core.geodesy.transformation;

import verge.core.geodesy.Position;

/** A place with its name, in whichever frame. */
public record Mark(String name, Position position) {
}
