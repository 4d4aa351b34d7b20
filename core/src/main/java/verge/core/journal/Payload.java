package verge.core.journal;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.floor.Floors;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.Sighting;
import verge.core.stakeout.Tolerance;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * What a journal entry says. Each is a fact of the field: read, typed, chosen or decided; nothing computed is kept.
 *
 * <p>These records are what is stored. A change to one is a new record with a new version beside the old, never an edit.
 */
public sealed interface Payload {

    /** What belongs to a setup. */
    interface OfSetup {
        UUID setup();
    }

    /** What belongs to sets, by their plan. */
    interface OfSets {
        UUID plan();
    }

    /** What changes the meaning of another entry. */
    interface OnEntry {
        UUID entry();
    }

    /**
     * @param carry whether points given before keep their place and so change their coordinates; else they keep their coordinates, as
     *     when the earlier system was a mistake
     */
    record SettingsChosen(JobSettings settings, boolean carry) implements Payload {
        public SettingsChosen(JobSettings settings) {
            this(settings, false);
        }
    }

    /**
     * @param origin CONTROL or DESIGN
     * @param sha256 of the file's bytes, in hexadecimal
     */
    record PointsImported(Origin origin, String fileName, String sha256, List<NamedPosition> points) implements Payload {
        public PointsImported {
            points = List.copyOf(points);
        }
    }

    /** A design point typed by hand. */
    record PointKeyed(PointName name, Code code, Position position) implements Payload {
    }

    /**
     * The prism on the pole from now on: how high it is and what its constant is.
     *
     * @param prism its name in the site's table of prisms; empty where a bare constant was typed
     */
    record TargetChosen(Target target, String prism) implements Payload {
        public TargetChosen(Target target) {
            this(target, "");
        }
    }

    /**
     * An instrument set up: the head of a leaf.
     *
     * @param instrument model and serial number as the instrument gives them
     * @param upsets the instrument's count of upsets then: another count later means that it was moved
     * @param reason why it was accepted although a check was outside its limit; else empty
     */
    record StationSetUp(Arrangement arrangement, Conditions conditions, String instrument, long upsets, String reason) implements Payload {
        /** Over a known point with one backsight, oriented by coordinates. */
        public static StationSetUp onKnownPoint(PointName station, PointName backsight, Length instrumentHeight, Target target, TotalStationReading reading,
                Atmosphere air, InstrumentPrecision precision, double refraction, String instrument, long upsets, String reason) {
            Arrangement arrangement = Arrangement.knownPoint(station, instrumentHeight, Sighting.of(backsight, target, Pointing.of(reading)));
            return new StationSetUp(arrangement, new Conditions(air, precision, InstrumentErrors.NONE, refraction), instrument, upsets, reason);
        }

        public PointName station() {
            return arrangement.station();
        }

        /** The mark that the circle was set by; empty for a station from a building. */
        public Optional<PointName> backsight() {
            return arrangement.sightings().stream().findFirst().map(Sighting::mark);
        }

        public StationSetUp with(Arrangement other) {
            return new StationSetUp(other, conditions, instrument, upsets, reason);
        }
    }

    /** The work on a leaf is ended: nothing more goes to it unless it is opened again. */
    record LeafClosed(UUID setup) implements Payload, OfSetup {
    }

    /** A leaf of before is taken up again, the instrument still standing there. */
    record LeafReopened(UUID setup) implements Payload, OfSetup {
    }

    /** A known mark read again to see whether the setup still holds; makes no point. */
    record CheckTaken(UUID setup, PointName mark, TotalStationReading reading, Target target) implements Payload, OfSetup {
    }

    /**
     * Sets of directions to be read from a leaf.
     *
     * @param marks in the order in which they are turned to; the first is the zero of the directions
     */
    record SetsPlanned(UUID setup, List<SetMark> marks, int sets, SetLimits limits) implements Payload, OfSetup {
        public SetsPlanned {
            marks = List.copyOf(marks);
        }
    }

    /**
     * A mark of the sets with what stands over it.
     *
     * @param filedAs the name that its pointings are written under, if it was given its own only later
     */
    record SetMark(PointName name, Target target, Optional<PointName> filedAs) {
        public SetMark(PointName name, Target target) {
            this(name, target, Optional.empty());
        }

        public PointName filed() {
            return filedAs.orElse(name);
        }

        public SetMark with(PointName other) {
            return new SetMark(other, target, filed().equals(other) ? Optional.empty() : Optional.of(filed()));
        }

        public SetMark with(Target other) {
            return new SetMark(name, other, filedAs);
        }
    }

    /**
     * What one reading may differ by from what was read before to the same mark, before it is asked for again.
     *
     * @param direction between both faces of a set less twice the collimation, and between sets
     */
    record SetLimits(Angle direction, Angle zenith, Length distance) {
    }

    /** One pointing within sets. @param mark by the name that the plan's mark is filed under */
    record SetPointing(UUID plan, int set, PointName mark, Pointing pointing) implements Payload, OfSets {
    }

    /**
     * Takes one mark of one set, or the whole set, out of the means.
     *
     * @param mark absent for the whole set
     */
    record SetTakenOut(UUID plan, int set, Optional<PointName> mark, String reason) implements Payload, OfSets {
    }

    /** A mark of the sets that was seen with its coordinates and approved: it joins the known points. */
    record MarkCarried(UUID plan, PointName mark) implements Payload, OfSets {
    }

    /** Axis errors of an instrument determined from both faces. @param applied whether they are taken off single-face readings from now on */
    record InstrumentCalibrated(String instrument, List<TwoFaceCalibration.Pair> pairs, Angle sigmaAngle, boolean applied) implements Payload {
        public InstrumentCalibrated {
            pairs = List.copyOf(pairs);
        }

        /** The same determination, taken off or not. */
        public InstrumentCalibrated applied(boolean on) {
            return new InstrumentCalibrated(instrument, pairs, sigmaAngle, on);
        }
    }

    /**
     * What another entry should have said: a wrong target height, a wrong name. The entry itself stays to be read; the latest correction
     * of it that stands is what counts.
     */
    record Reworked(UUID entry, Payload corrected, String reason) implements Payload, OnEntry {
    }

    /**
     * @param setup the entry of the leaf it belongs to
     * @param notes what was written into the job's own fields, by their names; blank ones are left out
     */
    record ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target, Map<String, String> notes)
            implements Payload, OfSetup {
        public ShotTaken {
            notes = Map.copyOf(notes);
        }

        public ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target) {
            this(setup, name, code, reading, target, Map.of());
        }
    }

    /** Notes of an earlier shot, written or changed later. */
    record NotesWritten(UUID shot, Map<String, String> notes) implements Payload {
        public NotesWritten {
            notes = Map.copyOf(notes);
        }
    }

    /**
     * @param design where the stake should be, as it was known at that moment
     * @param reason why it was stored although outside a tolerance; else empty
     */
    record PointStaked(UUID setup, PointName name, Position design, TotalStationReading reading, Target target,
            Tolerance tolerance, String reason) implements Payload, OfSetup {
    }

    record InverseNoted(PointName from, PointName to) implements Payload {
    }

    /**
     * Which of the site's designs the work goes by from now on.
     *
     * @param file its id at the site
     */
    record DesignChosen(UUID file, String fileName) implements Payload {
    }

    /** The floors of the building that is worked in, in place of those named before. */
    record FloorsNamed(Floors floors) implements Payload {
    }

    /** The floor that is worked on from now on. @param floor its name; empty for all of them */
    record FloorChosen(Optional<String> floor) implements Payload {
    }

    /**
     * Something that the walk-round found and that is to stay as it is.
     *
     * @param kind what was found
     * @param about which things it was about, so that the same of others is found again
     */
    record FindingAccepted(String kind, String about, String reason) implements Payload {
    }

    /** Takes another entry out of reckoning; the entry itself stays to be read. */
    record Struck(UUID entry) implements Payload, OnEntry {
    }

    /** Brings a struck entry back. */
    record Restored(UUID entry) implements Payload, OnEntry {
    }
}
