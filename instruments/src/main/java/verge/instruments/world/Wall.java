package verge.instruments.world;

import verge.core.geodesy.GridPoint;

/** A vertical face of a building as it truly stands. */
public record Wall(String name, GridPoint from, GridPoint to, double bottomMetres, double topMetres) {
}
