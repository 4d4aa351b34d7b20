package verge.core.journal;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.stakeout.Tolerance;
import verge.core.units.Length;

/**
 * What a journal entry says. Each is a fact of the field: read, typed, chosen or decided; nothing computed is kept.
 *
 * <p>These records are what is stored. A change to one is a new record with a new version beside the old, never an edit.
 */
public sealed interface Payload {

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

    /** The prism on the pole from now on: how high it is and what its constant is. */
    record TargetChosen(Target target) implements Payload {
    }

    /**
     * An instrument set up over a known point with one backsight: the head of a leaf.
     *
     * @param instrument model and serial number as the instrument gives them
     * @param upsets the instrument's count of upsets then: another count later means that it was moved
     * @param reason why it was accepted although a check was outside its limit; else empty
     */
    record StationSetUp(PointName station, PointName backsight, Length instrumentHeight, Target target,
            TotalStationReading reading, Atmosphere air, InstrumentPrecision precision, double refraction, String instrument,
            long upsets, String reason) implements Payload {
    }

    /**
     * @param setup the entry of the leaf it belongs to
     * @param notes what was written into the job's own fields, by their names; blank ones are left out
     */
    record ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target, Map<String, String> notes)
            implements Payload {
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
            Tolerance tolerance, String reason) implements Payload {
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

    /**
     * Something that the walk-round found and that is to stay as it is.
     *
     * @param kind what was found
     * @param about which things it was about, so that the same of others is found again
     */
    record FindingAccepted(String kind, String about, String reason) implements Payload {
    }

    /** Takes another entry out of reckoning; the entry itself stays to be read. */
    record Struck(UUID entry) implements Payload {
    }

    /** Brings a struck entry back. */
    record Restored(UUID entry) implements Payload {
    }
}
