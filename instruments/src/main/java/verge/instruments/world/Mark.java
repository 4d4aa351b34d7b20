package verge.instruments.world;

import verge.core.geodesy.Position;

/** A mark in the ground, where it truly is. */
public record Mark(String name, Position truth) {
}
