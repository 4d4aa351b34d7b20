package verge.core.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.units.Length;

/**
 * How an instrument was set up: over or without a mark, what was read from there, and what of it counts.
 *
 * @param station the mark below, or the name that a computed or assumed station gets
 * @param instrumentHeight of the axes above the mark; 0 where there is none
 * @param given coordinates that were assumed; absent for any other kind
 * @param carried elevation of the station, where it was brought from elsewhere
 * @param scaleFree whether a free station solves for a scale of its distances
 * @param faceShots shots on a building's known faces, in place of marks or beside them
 */
public record Arrangement(Kind kind, PointName station, Length instrumentHeight, Optional<Position> given, HeightFrom heightFrom,
        Optional<Elevation> carried, boolean scaleFree, List<Sighting> sightings, List<FaceShot> faceShots) {
    public static final int MOST_MARKS = 20;

    public Arrangement {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(station, "station");
        Objects.requireNonNull(instrumentHeight, "instrumentHeight");
        Objects.requireNonNull(given, "given");
        Objects.requireNonNull(heightFrom, "heightFrom");
        Objects.requireNonNull(carried, "carried");
        sightings = List.copyOf(sightings);
        faceShots = List.copyOf(faceShots);
    }

    /** The ways to set up. */
    public enum Kind { KNOWN_POINT, FREE_STATION, BUILDING, ASSUMED }

    /** Where the station's elevation comes from. */
    public enum HeightFrom {
        /** From the mark below. */
        STATION,
        /** From the marks that are sighted and have elevations. */
        MARKS,
        /** Typed: brought there by other means. */
        CARRIED,
        /** From nowhere: plan only. */
        NONE
    }

    public static Arrangement knownPoint(PointName station, Length instrumentHeight, Sighting... sightings) {
        return new Arrangement(Kind.KNOWN_POINT, station, instrumentHeight, Optional.empty(), HeightFrom.STATION, Optional.empty(), false,
                List.of(sightings), List.of());
    }

    public static Arrangement freeStation(PointName station, Length instrumentHeight, boolean scaleFree, List<Sighting> sightings) {
        return new Arrangement(Kind.FREE_STATION, station, instrumentHeight, Optional.empty(), HeightFrom.MARKS, Optional.empty(),
                scaleFree,
                sightings, List.of());
    }

    public Arrangement withSightings(List<Sighting> other) {
        return new Arrangement(kind, station, instrumentHeight, given, heightFrom, carried, scaleFree, other, faceShots);
    }

    /** The same with another sighting in the place of one. */
    public Arrangement with(int place, Sighting other) {
        List<Sighting> all = new ArrayList<>(sightings);
        all.set(place, other);
        return withSightings(all);
    }

    /** The same with another shot on a face in the place of one. */
    public Arrangement with(int place, FaceShot other) {
        List<FaceShot> all = new ArrayList<>(faceShots);
        all.set(place, other);
        return withFaceShots(all);
    }

    public Arrangement withGiven(Position other) {
        return new Arrangement(kind, station, instrumentHeight, Optional.of(other), heightFrom, carried, scaleFree, sightings, faceShots);
    }

    public Arrangement withCarried(Elevation other) {
        return new Arrangement(kind, station, instrumentHeight, given, heightFrom, Optional.of(other), scaleFree, sightings, faceShots);
    }

    public Arrangement with(Length otherHeight) {
        return new Arrangement(kind, station, otherHeight, given, heightFrom, carried, scaleFree, sightings, faceShots);
    }

    public Arrangement withStation(PointName other) {
        return new Arrangement(kind, other, instrumentHeight, given, heightFrom, carried, scaleFree, sightings, faceShots);
    }

    public Arrangement withFaceShots(List<FaceShot> other) {
        return new Arrangement(kind, station, instrumentHeight, given, heightFrom, carried, scaleFree, sightings, other);
    }

    public Arrangement with(HeightFrom other) {
        return new Arrangement(kind, station, instrumentHeight, given, other, carried, scaleFree, sightings, faceShots);
    }

    public Arrangement with(Kind other) {
        return new Arrangement(other, station, instrumentHeight, given, heightFrom, carried, scaleFree, sightings, faceShots);
    }

    /** Whether the station's place is solved for. */
    public boolean placeFree() {
        return kind == Kind.FREE_STATION || kind == Kind.BUILDING;
    }
}
